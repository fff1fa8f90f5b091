import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { EntriesAnswer, FortnightView, GardenView, RoundView, StopView } from '@kibble/contract';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import pino from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere, settled } from '../tests/appHere.ts';
import { ask } from '../tests/ask.ts';
import { freshDatabase } from '../tests/fresh.ts';

const dir = mkdtempSync(join(tmpdir(), 'kibble-zones-'));
let sequelize: Sequelize;
let app: ReturnType<typeof appHere>;
let gardenId = 0;

beforeAll(async () => {
  sequelize = await freshDatabase(join(dir, 'kibble.sqlite'));
  app = appHere({
    sequelize,
    wall: { now: () => new Date('2026-07-02T05:00:00Z') },
    log: pino({ level: 'silent' }),
  });
  const garden = { name: 'Long field', latitudeDeg: 52.1, longitudeDeg: 5.2, timeZone: 'Europe/Amsterdam' };
  const made = await ask(app).post('/api/gardens').send({ garden });
  gardenId = (made.body as GardenView).id;
  const rows = [1, 2, 3].flatMap((zone) =>
    [1, 2, 3, 4].map((n) => [
      `${'ABC'[zone - 1] ?? ''}${n}`,
      '20',
      ['Kale', 'Lettuce', 'Carrot', 'Leek'][n - 1] ?? '',
      'drip',
      '6',
      'Yard tap',
      String(zone),
    ]),
  );
  const added = await ask(app)
    .post(`/api/gardens/${gardenId}/beds/table`)
    .send({
      headings: ['Name', 'Area (m²)', 'Crop', 'Watered by', 'Flow (L/min)', 'Tap', 'Zone'],
      rows,
      usual: { textureClass: 'loam', method: 'drip', plantedOn: '2026-05-20', startWetness: 'dry' },
    });
  expect(added.status).toBe(201);
});
afterAll(async () => {
  await settled(app);
  await sequelize.close();
  rmSync(dir, { recursive: true, force: true });
});

const get = async <T>(path: string): Promise<T> =>
  (await ask(app).get(`/api/gardens/${gardenId}${path}`)).body as T;
const tapNamed = async (name: string) => {
  const { taps } = await get<GardenView>('');
  const tap = taps.find((t) => t.name === name);
  if (!tap) throw new Error(`no tap ${name}`);
  return tap;
};
const inZone = (stops: StopView[], tapId: number): StopView[] =>
  stops.filter(({ zone }) => zone?.tapId === tapId);

test('zones of a table are fed by their tap, with their stations, and their beds run together', async () => {
  const yard = await tapNamed('Yard tap');
  const first = await tapNamed('Zone 1');
  expect(first).toMatchObject({ together: true, station: 1, fromTapId: yard.id });
  const { stops, totals } = await get<RoundView>('/round');
  const mine = inZone(stops, first.id);
  expect(mine).toHaveLength(4);
  const whole = mine.reduce((sum, { run }) => sum + run.litres, 0);
  for (const { run, runs, timer, litresPerMinute, zone } of mine) {
    expect(zone?.whole.litres).toBeCloseTo(whole, 6);
    expect(zone?.whole.handsOnMinutes).toBe(0);
    expect(run.minutes).toBeCloseTo(mine[0]?.run.minutes ?? 0, 2);
    expect(runs).toEqual(mine[0]?.runs);
    expect(timer).toBe(true);
    expect(run.litres).toBeCloseTo(run.minutes * litresPerMinute, 1);
  }
  // Three valves, each open for one time.
  const zones = ['Zone 1', 'Zone 2', 'Zone 3'];
  const minutes = await Promise.all(
    zones.map(async (name) => inZone(stops, (await tapNamed(name)).id)[0]?.run.minutes ?? 0),
  );
  expect(totals.minutes).toBeCloseTo(
    minutes.reduce((sum, each) => sum + each, 0),
    1,
  );
});

test('a zone that is watered is written down on all of its beds, and undone on all of them', async () => {
  const { id } = await tapNamed('Zone 2');
  const { stops } = await get<RoundView>('/round');
  const mine = inZone(stops, id);
  const answer = await ask(app)
    .post(`/api/gardens/${gardenId}/entries`)
    .send({
      entries: mine.map(({ bedId, run }) => ({
        subject: { kind: 'bed', id: bedId },
        body: { kind: 'watering', minutes: run.minutes, asPlanned: true },
      })),
    });
  expect(answer.status).toBe(201);
  const { ids } = answer.body as EntriesAnswer;
  expect(ids).toHaveLength(4);
  expect(inZone((await get<RoundView>('/round')).stops, id)).toEqual([]);
  const undone = await ask(app).post(`/api/gardens/${gardenId}/entries/undo`).send({ ids });
  expect(undone.status).toBe(200);
  expect(inZone((await get<RoundView>('/round')).stops, id)).toHaveLength(4);
});

test('moving one bed’s watering moves the run of its zone', async () => {
  const { id } = await tapNamed('Zone 3');
  const before = await get<FortnightView>('/fortnight');
  const mine = before.beds.filter(({ zone }) => zone === id);
  const [today = '', tomorrow = ''] = before.dates;
  const on = ({ beds }: FortnightView, date: string): number =>
    beds.filter(({ zone, waterings }) => zone === id && waterings.some((w) => w.date === date)).length;
  expect(on(before, today)).toBe(4);
  const [{ bedId } = { bedId: 0 }] = mine;
  const moved = await ask(app)
    .post(`/api/gardens/${gardenId}/entries`)
    .send({
      entries: [
        {
          subject: { kind: 'bed', id: bedId },
          body: { kind: 'plan', what: 'move', date: today, to: tomorrow },
        },
      ],
    });
  expect(moved.status).toBe(201);
  const after = await get<FortnightView>('/fortnight');
  expect([on(after, today), on(after, tomorrow)]).toEqual([0, 4]);
});

test('what a zone cannot be is refused, and another tap may stay as it is', async () => {
  const yard = await tapNamed('Yard tap');
  const zone = await tapNamed('Zone 1');
  const put = (tap: { id: number; name: string }, more: object) =>
    ask(app)
      .put(`/api/taps/${tap.id}`)
      .send({ name: tap.name, nozzle: '', ...more });
  for (const [more, words] of [
    [{ station: 0 }, /Station on the timer .*1 to 99.*got 0/],
    [{ fromTapId: zone.id }, /must be another tap of this garden; got/],
    [{ fromTapId: 9999 }, /must be another tap of this garden; got 9999/],
  ] as const) {
    const refused = await put(zone, more);
    expect(refused.status).toBeGreaterThanOrEqual(400);
    expect(refused.status).toBeLessThan(500);
    expect(JSON.stringify(refused.body)).toMatch(words);
  }
  const round = await put(yard, { fromTapId: zone.id });
  expect(JSON.stringify(round.body)).toMatch(
    /It must be fed by no other tap while it feeds Zone 1; got Zone 1/,
  );
  // A page that knows nothing of zones leaves them as they are.
  expect((await put(zone, {})).status).toBe(200);
  expect(await tapNamed('Zone 1')).toMatchObject({ together: true, station: 1, fromTapId: yard.id });
});

test('a zone that is put away waters nothing together any more, and comes back with its undo', async () => {
  const { id } = await tapNamed('Zone 1');
  expect((await ask(app).delete(`/api/taps/${id}`)).status).toBe(200);
  expect(inZone((await get<RoundView>('/round')).stops, id)).toEqual([]);
  expect((await ask(app).post(`/api/taps/${id}/restore`)).status).toBe(200);
  expect(inZone((await get<RoundView>('/round')).stops, id)).toHaveLength(4);
});
