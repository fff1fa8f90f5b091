import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { GardenView, RoundView } from '@kibble/contract';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import pino from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere, settled } from '../tests/appHere.ts';
import { ask } from '../tests/ask.ts';
import { freshDatabase } from '../tests/fresh.ts';

const dir = mkdtempSync(join(tmpdir(), 'kibble-table-'));
let sequelize: Sequelize;
let app: ReturnType<typeof appHere>;
let gardenId = 0;

beforeAll(async () => {
  sequelize = await freshDatabase(join(dir, 'kibble.sqlite'));
  app = appHere({
    sequelize,
    wall: { now: () => new Date('2026-07-02T09:00:00Z') },
    log: pino({ level: 'silent' }),
  });
  const garden = { name: 'Long field', latitudeDeg: 52.1, longitudeDeg: 5.2, timeZone: 'Europe/Amsterdam' };
  const made = await ask(app).post('/api/gardens').send({ garden });
  expect(made.status).toBe(201);
  gardenId = (made.body as GardenView).id;
});
afterAll(async () => {
  await settled(app);
  await sequelize.close();
  rmSync(dir, { recursive: true, force: true });
});

const HEADINGS = ['Name', 'Part', 'Length (m)', 'Width (m)', 'Soil', 'Crop', 'Planted', 'Watered by', 'Tap'];
const CROPS = ['Kale', 'Carrot', 'Lettuce', 'Leek'];
const rows = (count: number, from = 'F'): string[][] =>
  Array.from({ length: count }, (_, i) => [
    `${from}${i + 1}`,
    i % 2 === 0 ? 'East' : 'West',
    '25',
    '0.8',
    i % 4 < 2 ? 'loam' : 'sandy loam',
    CROPS[i % 4] ?? '',
    '2026-05-20',
    'drip',
    `Tap ${1 + (i % 3)}`,
  ]);
const usual = { textureClass: 'loam', method: 'drip', plantedOn: '2026-07-02' };
const add = (body: object) =>
  ask(app)
    .post(`/api/gardens/${gardenId}/beds/table`)
    .send({ headings: HEADINGS, usual, ...body });
const view = async (): Promise<GardenView> =>
  (await ask(app).get(`/api/gardens/${gardenId}`)).body as GardenView;
const standing = async () => {
  const { beds, taps } = await view();
  return { beds: beds.filter((bed) => !bed.archived), taps: taps.filter((tap) => !tap.archived) };
};

test('64 beds with three taps and shared ground are added, planned, and undone at once', async () => {
  const begun = performance.now();
  const answer = await add({ rows: rows(64) });
  expect(answer.status).toBe(201);
  const { ids, taps } = answer.body as { ids: number[]; taps: number[] };
  expect(ids).toHaveLength(64);
  expect(taps).toHaveLength(3);
  const now = await standing();
  expect(now.beds.map(({ name }) => name)).toEqual(rows(64).map(([name]) => name));
  expect(now.taps.map(({ name }) => name)).toEqual(['Tap 1', 'Tap 2', 'Tap 3']);
  const [first, second, third] = now.beds;
  expect(first).toMatchObject({
    place: 'East',
    areaM2: 20,
    lengthM: 25,
    widthM: 0.8,
    textureClass: 'loam',
    startOn: '2026-05-20',
    wetnessOn: '2026-07-02',
    startWetness: 'not known',
    planting: { cropName: 'Kale', plantedOn: '2026-05-20' },
    tapId: taps[0],
  });
  // One part with one soil is one ground; another part, or another soil, is another.
  expect(now.beds.filter(({ groundId }) => groundId === first?.groundId)).toHaveLength(16);
  expect(second?.groundId).not.toBe(first?.groundId);
  expect(third?.groundId).not.toBe(first?.groundId);
  const round = await ask(app).get(`/api/gardens/${gardenId}/round`);
  expect(round.status).toBe(200);
  const { unplanned } = round.body as RoundView;
  expect(unplanned ?? []).toEqual([]);
  // Read, stored and planned: asked is a minute in the browser.
  expect(performance.now() - begun).toBeLessThan(60_000);

  const undone = await ask(app).post(`/api/gardens/${gardenId}/beds/away`).send({ ids, taps });
  expect(undone.status).toBe(200);
  expect(await standing()).toEqual({ beds: [], taps: [] });
});

test('what is wrong is named by line and column, and nothing is stored until it is left out by choice', async () => {
  const wrong = rows(500, 'G').map((row, i) =>
    i % 25 === 0 ? row.map((cell, at) => (at === 5 ? 'Flurb' : cell)) : row,
  );
  const refused = await add({ rows: wrong });
  expect(refused.status).toBe(409);
  expect((refused.body as { error: { message: string } }).error.message).toMatch(
    /^20 rows cannot be read, the first: line 2, Crop: Crop must be a plant that Kibble knows/,
  );
  expect((await standing()).beds).toEqual([]);
  const taken = await add({ rows: wrong, leaveFaulty: true });
  expect(taken.body).toMatchObject({ leftOut: 20 });
  const { ids, taps } = taken.body as { ids: number[]; taps: number[] };
  expect(ids).toHaveLength(480);
  await ask(app).post(`/api/gardens/${gardenId}/beds/away`).send({ ids, taps });
});

test('a table of nothing, of too much, or of days that can be read two ways is refused whole', async () => {
  const refusals: [object, RegExp][] = [
    [{ rows: [] }, /no rows under its headings/],
    [{ headings: ['a', 'b'], rows: [['1', '2']] }, /first line must name the columns/],
    [{ rows: rows(501) }, /Rows must be 500 or fewer at once; got 501/],
    [
      { rows: rows(1).map((row) => row.map((cell, at) => (at === 6 ? '3/5/2026' : cell))) },
      /day first or month first/,
    ],
    [{ rows: [['x', 'y', 'no', '1', 'loam', '', '', '', '']], leaveFaulty: true }, /No row of the table/],
    [{ rows: rows(1), usual: { ...usual, textureClass: 'cheese' } }, /Soil must be one of .*cheese/],
    [{ rows: rows(1), fields: { '0': 'nonsense' } }, /must be one of/],
    // A day that no row says is held to what a row's may be.
    [
      {
        rows: rows(1).map((row) => row.map((cell, at) => (at === 6 ? '' : cell))),
        usual: { ...usual, plantedOn: '2029-01-01' },
      },
      /Planting date must be 2027-07-03 .* or earlier; got 2029-01-01/,
    ],
  ];
  for (const [body, words] of refusals) {
    const answer = await add(body);
    expect([400, 409, 422]).toContain(answer.status);
    expect((answer.body as { error: { message: string } }).error.message).toMatch(words);
  }
  expect(await standing()).toEqual({ beds: [], taps: [] });
});

test('a table that was added already is refused by its names', async () => {
  const first = await add({ rows: rows(2, 'H') });
  expect(first.status).toBe(201);
  const second = await add({ rows: rows(2, 'H') });
  expect((second.body as { error: { message: string } }).error.message).toMatch(
    /^2 rows cannot be read, the first: line 2, Name: Name must be one that no bed of the garden has; got “H1”/,
  );
});
