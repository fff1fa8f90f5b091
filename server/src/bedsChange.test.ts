import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BedView, BedsChanged, GardenView } from '@kibble/contract';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import pino from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere, settled } from '../tests/appHere.ts';
import { ask } from '../tests/ask.ts';
import { freshDatabase } from '../tests/fresh.ts';

const dir = mkdtempSync(join(tmpdir(), 'kibble-change-'));
let sequelize: Sequelize;
let app: ReturnType<typeof appHere>;
let gardenId = 0;
let ids: number[] = [];

beforeAll(async () => {
  sequelize = await freshDatabase(join(dir, 'kibble.sqlite'));
  app = appHere({
    sequelize,
    wall: { now: () => new Date('2026-07-02T09:00:00Z') },
    log: pino({ level: 'silent' }),
  });
  const garden = { name: 'Long field', latitudeDeg: 52.1, longitudeDeg: 5.2, timeZone: 'Europe/Amsterdam' };
  gardenId = ((await ask(app).post('/api/gardens').send({ garden })).body as GardenView).id;
  const rows = Array.from({ length: 6 }, (_, i) => [
    `F${i + 1}`,
    'East',
    '20',
    i < 4 ? 'Kale' : '',
    '2026-05-20',
  ]);
  const added = await ask(app)
    .post(`/api/gardens/${gardenId}/beds/table`)
    .send({
      headings: ['Name', 'Part', 'Area', 'Crop', 'Planted'],
      rows,
      usual: { textureClass: 'loam', method: 'drip', plantedOn: '2026-07-02' },
    });
  ({ ids } = added.body as { ids: number[] });
});
afterAll(async () => {
  await settled(app);
  await sequelize.close();
  rmSync(dir, { recursive: true, force: true });
});

const view = async (): Promise<GardenView> =>
  (await ask(app).get(`/api/gardens/${gardenId}`)).body as GardenView;
/** What of the beds a change may touch; versions go on, and so do the numbers of grounds that were made. */
const touchable = ({ beds }: GardenView) =>
  beds.map(
    ({
      id,
      name,
      textureClass,
      place,
      form,
      mulchMaterial,
      mulchMm,
      tapId,
      delivery,
      groundId,
      startOn,
      plantings,
    }: BedView) => ({
      id,
      name,
      textureClass,
      place,
      form,
      mulchMaterial,
      mulchMm,
      tapId,
      delivery,
      groundId,
      startOn,
      plantings: plantings.map(({ cropId, plantedOn, endedOn }) => ({ cropId, plantedOn, endedOn })),
    }),
  );
const change = (body: object) => ask(app).post(`/api/gardens/${gardenId}/beds/change`).send(body);

const tap = async (): Promise<number> =>
  (
    (await ask(app).post(`/api/gardens/${gardenId}/taps`).send({ name: 'Tap by the gate' })).body as {
      id: number;
    }
  ).id;

test.each<[string, () => object | Promise<object>, Partial<BedView>]>([
  ['soil', () => ({ what: 'soil', textureClass: 'sandy loam' }), { textureClass: 'sandy loam' }],
  ['place', () => ({ what: 'place', place: 'West' }), { place: 'West' }],
  ['form', () => ({ what: 'form', form: 'raised' }), { form: 'raised' }],
  [
    'mulch',
    () => ({ what: 'mulch', mulch: { material: 'straw', depthMm: 60 } }),
    { mulchMaterial: 'straw', mulchMm: 60 },
  ],
  [
    'method',
    () => ({ what: 'method', delivery: { method: 'sprinkler', litresPerMinute: 11, measured: true } }),
    { delivery: { method: 'sprinkler', litresPerMinute: 11, measured: true } },
  ],
  ['tap', async () => ({ what: 'tap', tapId: await tap() }), {}],
])(
  'the %s of some beds is changed, the others stay, and one undo brings all of it back',
  async (what, of, is) => {
    const made = await of();
    const before = touchable(await view());
    const chosen = ids.slice(0, 3);
    const answer = await change({ ids: chosen, change: made, since: '2026-06-20' });
    expect(answer.status).toBe(200);
    const { beds } = await view();
    for (const bed of beds.filter(({ id }) => chosen.includes(id))) {
      expect(bed).toMatchObject(is);
      if (what === 'tap') expect(bed.tapId).toBe((made as { tapId: number }).tapId);
    }
    expect(touchable({ beds: beds.slice(3) } as GardenView)).toEqual(before.slice(3));
    const undone = await ask(app)
      .post(`/api/gardens/${gardenId}/beds/change/undo`)
      .send(answer.body as BedsChanged);
    expect(undone.status).toBe(200);
    expect(touchable(await view())).toEqual(before);
  },
);

test('a crop is planted on bare beds and on planted ones, where what stood there is cleared; undone it stands again', async () => {
  const before = touchable(await view());
  const answer = await change({
    ids,
    change: { what: 'crop', plantings: [{ cropId: 'leek', plantedOn: '2026-07-01' }] },
  });
  expect(answer.status).toBe(200);
  const { beds } = await view();
  expect(beds.map(({ planting }) => planting?.cropId)).toEqual(ids.map(() => 'leek'));
  expect(beds[0]?.plantings.map(({ cropId, endedOn }) => [cropId, endedOn])).toEqual([
    ['kale', '2026-07-01'],
    ['leek', null],
  ]);
  await ask(app)
    .post(`/api/gardens/${gardenId}/beds/change/undo`)
    .send(answer.body as BedsChanged);
  expect(touchable(await view())).toEqual(before);
});

test('what cannot be done on one of them is done on none, and the bed is named', async () => {
  const before = touchable(await view());
  const refused = await change({
    ids,
    change: { what: 'crop', plantings: [{ cropId: 'leek', plantedOn: '2026-07-01' }], clear: false },
  });
  expect(refused.status).toBe(400);
  expect((refused.body as { error: { message: string } }).error.message).toMatch(/^F1: .*leave room/);
  const refusals: [object, RegExp][] = [
    [{ ids: [], change: { what: 'place', place: 'x' } }, /Beds must be at least one/],
    [{ ids: [99_999], change: { what: 'place', place: 'x' } }, /no bed 99999 in this garden/],
    [{ ids, change: { what: 'tap', tapId: 99_999 } }, /Tap must be one of this garden; got 99999/],
    [{ ids, change: { what: 'soil', textureClass: 'cheese' } }, /Soil must be one of/],
    [{ ids, change: { what: 'colour' } }, /must be one of/],
    [
      { ids, change: { what: 'mulch', mulch: { material: 'straw', depthMm: -3 } } },
      /Mulch depth|must be a number/,
    ],
    [{ ids, change: { what: 'form', form: 'raised' }, since: '2027-01-01' }, /Since when/],
  ];
  for (const [body, words] of refusals) {
    const answer = await change(body);
    expect([400, 404, 409, 422]).toContain(answer.status);
    expect((answer.body as { error: { message: string } }).error.message).toMatch(words);
  }
  expect(touchable(await view())).toEqual(before);
});

test('an undo takes back no entry of beds that it does not name', async () => {
  const before = touchable(await view());
  const made = await change({ ids: [ids[4]], change: { what: 'form', form: 'raised' } });
  const { entries } = made.body as BedsChanged;
  const undo = (of: object) => ask(app).post(`/api/gardens/${gardenId}/beds/change/undo`).send(of);
  expect((await undo({ ids: [ids[5]], entries })).status).toBe(404);
  expect((await view()).beds[4]?.form).toBe('raised');
  expect((await undo({ ids: [ids[4]], entries })).status).toBe(200);
  expect(touchable(await view())).toEqual(before);
});
