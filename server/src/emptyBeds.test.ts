import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { BedPageView, GardenView, RoundView, SetupSketch } from '@kibble/contract';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import pino from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere, settled } from '../tests/appHere.ts';
import { ask } from '../tests/ask.ts';
import { freshDatabase } from '../tests/fresh.ts';

let today = '2026-11-30';
const dir = mkdtempSync(join(tmpdir(), 'kibble-empty-'));
let sequelize: Sequelize;
let app: ReturnType<typeof appHere>;

beforeAll(async () => {
  sequelize = await freshDatabase(join(dir, 'kibble.sqlite'));
  app = appHere({
    sequelize,
    wall: { now: () => new Date(`${today}T18:00:00Z`) },
    log: pino({ level: 'silent' }),
  });
});
afterAll(async () => {
  await settled(app);
  await sequelize.close();
  rmSync(dir, { recursive: true, force: true });
});

const garden = {
  name: 'Lakeside',
  latitudeDeg: 44.98,
  longitudeDeg: -93.26,
  timeZone: 'America/Chicago',
  units: 'us',
};
const bed = {
  name: 'First bed',
  areaM2: 3,
  textureClass: 'loam',
  form: 'raised',
  startWetness: 'moist',
  wetnessOn: '2026-11-30',
  delivery: { method: 'hose wand', litresPerMinute: 15 },
};
const view = async (id: number): Promise<GardenView> =>
  (await ask(app).get(`/api/gardens/${id}`)).body as GardenView;
const reasonOf = async (id: number): Promise<unknown> =>
  ((await ask(app).get(`/api/gardens/${id}/round`)).body as RoundView).leaveAlone[0]?.reason;
const made = async (planting: object | null): Promise<GardenView> => {
  const answer = await ask(app)
    .post('/api/gardens')
    .send({ garden, bed: { ...bed, planting } });
  expect(answer.status).toBe(201);
  return answer.body as GardenView;
};

test('a bed on which nothing is planted is sketched, made, planned and shown, and asks for nothing', async () => {
  const sketch = await ask(app)
    .post('/api/gardens/sketch')
    .send({ garden, bed: { ...bed, planting: null } });
  expect(sketch.status).toBe(200);
  expect((sketch.body as SetupSketch).next).toBeNull();
  const { id, beds } = await made(null);
  expect(beds[0]).toMatchObject({ planting: null, plantings: [], startOn: '2026-11-30' });
  expect(await reasonOf(id)).toEqual({ code: 'nothing growing', until: null });
  for (const room of ['fortnight', 'section', 'weather'])
    expect((await ask(app).get(`/api/gardens/${id}/${room}`)).status).toBe(200);
  const page = (await ask(app).get(`/api/beds/${beds[0]?.id}`)).body as BedPageView;
  expect(page.stop).toBeNull();
});

test('what will be sown on a day is planned for it, and says until when nothing is needed', async () => {
  const { id, beds } = await made({ cropId: 'lettuce', plantedOn: '2027-05-04', method: 'module' });
  expect(beds[0]?.startOn).toBe('2026-11-30');
  expect(await reasonOf(id)).toEqual({ code: 'nothing growing', until: '2027-05-04' });
  today = '2027-05-01';
  const round = (await ask(app).get(`/api/gardens/${id}/fortnight`)).body as { days: { date: string }[] };
  expect(JSON.stringify(round)).toContain('2027-05-04');
  today = '2026-11-30';
});

test('a planting comes, is changed and goes, and the bed is empty again', async () => {
  const { id, beds } = await made(null);
  const [empty] = beds;
  // A form of an empty bed changes its ground and leaves it empty.
  const changed = await ask(app)
    .put(`/api/beds/${empty?.id}`)
    .send({ ...bed, areaM2: 5, planting: null, version: empty?.version });
  expect(changed.status).toBe(200);
  expect((await view(id)).beds[0]).toMatchObject({ areaM2: 5, plantings: [] });
  const added = await ask(app)
    .post(`/api/beds/${empty?.id}/plantings`)
    .send({ cropId: 'garlic', plantedOn: '2026-10-15' });
  expect(added.status).toBe(201);
  expect((await view(id)).beds[0]).toMatchObject({ startOn: '2026-10-15', planting: { cropId: 'garlic' } });
  const gone = await ask(app).delete(`/api/plantings/${(added.body as { id: number }).id}`);
  expect(gone.status).toBe(200);
  expect((await view(id)).beds[0]).toMatchObject({ plantings: [], planting: null });
});

test('a raised bed of compost is sketched, made and shown as filled, and its water is the fill’s', async () => {
  const fill = { fill: 'compost', depthMm: 300 };
  const planting = { cropId: 'lettuce', plantedOn: '2026-11-01', method: 'module' };
  const filled = { ...bed, textureClass: 'sand', planting, fill };
  const sketch = async (body: object): Promise<SetupSketch> =>
    (await ask(app).post('/api/gardens/sketch').send({ garden, bed: body })).body as SetupSketch;
  const held = ({ core }: SetupSketch): number => core.fieldCapacityMm[0] ?? 0;
  expect(held(await sketch(filled))).toBeCloseTo(0.4 * 50, 3);
  expect(held(await sketch({ ...filled, fill: null }))).toBeLessThan(0.25 * 50);
  const answer = await ask(app).post('/api/gardens').send({ garden, bed: filled });
  expect(answer.status).toBe(201);
  const [made1] = (answer.body as GardenView).beds;
  expect(made1?.findings.map(({ on, input }) => ({ on, input }))).toEqual([
    { on: '2026-11-01', input: { kind: 'filled', ...fill } },
  ]);
  const page = (await ask(app).get(`/api/beds/${made1?.id}`)).body as BedPageView;
  expect(page.textureClass).toBe('compost');
  expect(page.core.fieldCapacityMm[0]).toBeCloseTo(0.4 * 50, 3);
  const tooDeep = { ...filled, fill: { fill: 'compost', depthMm: 5000 } };
  const refused = await ask(app).post('/api/gardens').send({ garden, bed: tooDeep });
  expect(refused.status).toBe(400);
  expect(JSON.stringify(refused.body)).toMatch(/Depth of the fill .*50 to 1000 mm; got 5000/);
});
