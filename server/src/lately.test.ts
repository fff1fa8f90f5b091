import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BedView, GardenView, SetupSketch } from '@kibble/contract';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import pino from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere, settled } from '../tests/appHere.ts';
import { ask } from '../tests/ask.ts';
import { freshDatabase } from '../tests/fresh.ts';

const dir = mkdtempSync(join(tmpdir(), 'kibble-lately-'));
let sequelize: Sequelize;
let app: ReturnType<typeof appHere>;

beforeAll(async () => {
  sequelize = await freshDatabase(join(dir, 'kibble.sqlite'));
  app = appHere({
    sequelize,
    wall: { now: () => new Date('2026-07-20T09:00:00Z') },
    log: pino({ level: 'silent' }),
  });
});
afterAll(async () => {
  await settled(app);
  await sequelize.close();
  rmSync(dir, { recursive: true, force: true });
});

const garden = {
  name: 'Late start',
  latitudeDeg: 41.65,
  longitudeDeg: -0.88,
  timeZone: 'Europe/Madrid',
};
const bed = (lately: object | null, startWetness = 'not known') => ({
  name: 'Tomatoes',
  areaM2: 6,
  textureClass: 'sandy loam',
  startWetness,
  wetnessOn: '2026-07-20',
  lately,
  planting: { cropId: 'tomato', plantedOn: '2026-05-10' },
  delivery: { method: 'drip', litresPerMinute: 4 },
});
const DRY = { rain: 'hardly any', heat: 'hotter than usual', watered: 'not at all', last: 'longer ago' };
const WATERED = { rain: 'hardly any', watered: 'every few days', last: 'today or yesterday' };
const firstBed = async (of: object): Promise<BedView> => {
  const made = await ask(app).post('/api/gardens').send({ garden, bed: of });
  expect(made.status).toBe(201);
  const [view] = (made.body as GardenView).beds;
  if (!view) throw new Error('no bed');
  return view;
};

test('a garden begun in July starts from what is remembered of the month', async () => {
  expect(await firstBed(bed(DRY))).toMatchObject({ startWetness: 'dry', wetnessOn: '2026-07-20' });
  expect((await firstBed(bed(WATERED))).startWetness).toBe('moist');
  // Nothing is remembered, or somebody looked: it stays as it is told.
  expect((await firstBed(bed(null))).startWetness).toBe('not known');
  expect((await firstBed(bed(DRY, 'moist'))).startWetness).toBe('moist');
});

test('what is sketched before it is saved says the same', async () => {
  const asks = async (lately: object): Promise<number> => {
    const sketch = await ask(app)
      .post('/api/gardens/sketch')
      .send({ garden, bed: bed(lately) });
    expect(sketch.status).toBe(200);
    const { core } = sketch.body as SetupSketch;
    return core.layersMm.reduce((sum, mm) => sum + mm, 0);
  };
  expect(await asks(WATERED)).toBeGreaterThan((await asks(DRY)) + 20);
});

test('beds added later, one by one or from a table, are looked back upon each in its own soil and crop', async () => {
  const { gardenId } = await firstBed(bed(null));
  const added = await ask(app)
    .post(`/api/gardens/${gardenId}/beds`)
    .send({ ...bed(DRY), name: 'Second' });
  expect(added.status).toBe(201);
  const rows = [
    ['T1', '10', 'sandy loam', 'Tomato', '2026-05-10'],
    ['T2', '20', 'sandy loam', 'Tomato', '2026-05-10'],
    ['T3', '10', 'clay loam', '', ''],
  ];
  const table = await ask(app)
    .post(`/api/gardens/${gardenId}/beds/table`)
    .send({
      headings: ['Name', 'Area', 'Soil', 'Crop', 'Planted'],
      rows,
      usual: { textureClass: 'loam', method: 'drip', plantedOn: '2026-07-20', lately: DRY },
    });
  expect(table.status).toBe(201);
  const { beds } = (await ask(app).get(`/api/gardens/${gardenId}`)).body as GardenView;
  const wetness = Object.fromEntries(beds.map(({ name, startWetness }) => [name, startWetness]));
  expect(wetness).toMatchObject({ Tomatoes: 'not known', Second: 'dry', T1: 'dry', T2: 'dry' });
  expect(['dry', 'drying', 'moist', 'soaked']).toContain(wetness.T3);
});

test('a word that is none is refused by its field', async () => {
  const refused = await ask(app)
    .post('/api/gardens')
    .send({ garden, bed: bed({ rain: 'cats and dogs' }) });
  expect(refused.status).toBe(400);
  expect((refused.body as { error: { message: string } }).error.message).toMatch(
    /Rain in the last month must be one of hardly any.*cats and dogs/,
  );
});
