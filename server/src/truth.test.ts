import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeEach, describe, expect, test } from '@jest/globals';
import type {
  BedDraftBody,
  BedPageView,
  BedView,
  FortnightView,
  GardenView,
  RoundView,
  WorkingView,
} from '@kibble/contract';
import { findWorking, type Working } from '@kibble/core';
import type { Express } from 'express';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere, settled } from '../tests/appHere.ts';
import { ask } from '../tests/ask.ts';
import { freshDatabase } from '../tests/fresh.ts';

// What was found wrong before facts had days, decisions carried their reasons and a garden had one plan: each of these
// failed then, seen from where a gardener sees it.
const TODAY = '2026-07-14';
const root = mkdtempSync(join(tmpdir(), 'kibble-truth-'));
const wall = { now: () => new Date(`${TODAY}T05:30:00Z`) };
let sequelize: Sequelize;
let app: Express;
let n = 0;

const body: BedDraftBody = {
  name: 'Sweetcorn',
  areaM2: 20,
  textureClass: 'loam',
  planting: { cropId: 'sweetcorn', plantedOn: '2026-05-10' },
  delivery: { method: 'hose wand', litresPerMinute: 20 },
};

beforeEach(async () => {
  await sequelize?.close();
  sequelize = await freshDatabase(join(root, `${(n += 1)}.sqlite`));
  app = appHere({ sequelize, wall, log: pino({ level: 'silent' }) });
  const garden = {
    name: 'Here',
    latitudeDeg: 47,
    timeZone: 'Europe/Paris',
    clock: { mode: 'practice', date: TODAY },
  };
  expect((await ask(app).post('/api/gardens').send({ garden, bed: body })).status).toBe(201);
  for (const on of ['2026-06-20', '2026-07-06'])
    await ask(app).post('/api/beds/1/waterings').send({ litres: 600, on });
});
afterAll(async () => {
  await settled(app);
  await sequelize.close();
  rmSync(root, { recursive: true, force: true });
});

const page = async (id = 1): Promise<BedPageView> => {
  const answer = await ask(app).get(`/api/beds/${id}`);
  expect(answer.status).toBe(200);
  return answer.body as BedPageView;
};
const behind = async () => (await page()).days.filter(({ ahead }) => !ahead);
const put = (change: Partial<BedDraftBody> & { since?: string }) =>
  ask(app)
    .put('/api/beds/1')
    .send({ ...body, ...change });
const bed = async (): Promise<BedView> =>
  ((await ask(app).get('/api/gardens/1')).body as GardenView).beds[0] as BedView;
const find = (input: object, more: object = {}) =>
  ask(app)
    .post('/api/gardens/1/findings')
    .send({ bedId: 1, confirmed: true, input, ...more });
const working = async (of: string): Promise<Working> => {
  const { working: tree } = (await ask(app).get(`/api/beds/1/working/${of}`)).body as WorkingView;
  if (!tree) throw new Error(`${of} must have a working`);
  return tree;
};

describe('history does not change when a setting changes', () => {
  test.each<[string, Partial<BedDraftBody>]>([
    ['80 mm of straw', { mulchMaterial: 'straw', mulchMm: 80 }],
    ['a tunnel', { underCover: true }],
    ['another method', { delivery: { method: 'drip', litresPerMinute: 4 } }],
    ['another goal', { goal: 'show' }],
    ['shade cloth', { shadeCloth: true }],
    ['another area', { areaM2: 9 }],
  ])('%s, put there today', async (_, change) => {
    const before = await behind();
    const depletion = (await page()).core.depletionMm;
    expect((await put(change)).status).toBe(200);
    expect(await behind()).toEqual(before);
    if (!('delivery' in change)) expect((await page()).core.depletionMm).toBeCloseTo(depletion, 9);
  });

  test('from an earlier day it holds from there, and the days before stand', async () => {
    const before = await behind();
    await put({ mulchMaterial: 'straw', mulchMm: 80, since: '2026-07-05' });
    const after = await behind();
    const at = before.findIndex(({ date }) => date === '2026-07-05');
    expect(after.slice(0, at)).toEqual(before.slice(0, at));
    expect(after.slice(at)).not.toEqual(before.slice(at));
    expect((await bed()).mulchLaidOn).toBe('2026-07-05');
    expect((await put({ since: '2026-07-15' })).body.error.message).toMatch(
      /Since when must be 2026-07-14 \(today\) or earlier; got 2026-07-15/,
    );
  });

  test('a day that was wrong is put right by itself, within the changes around it; taken back, the old day stands', async () => {
    await put({ mulchMaterial: 'straw', mulchMm: 80, since: '2026-07-10' });
    const late = await behind();
    const { id = 0 } = (await bed()).settings.findLast(({ setting }) => setting.kind === 'mulched') ?? {};
    const move = (entry: number, on: string) => ask(app).post(`/api/settings/${entry}/move`).send({ on });
    const moved = await move(id, '2026-07-05');
    expect(moved.status).toBe(200);
    expect(await bed()).toMatchObject({ mulchMm: 80, mulchLaidOn: '2026-07-05' });
    // The same as if that day had been told at once, as is seen below.
    const early = await behind();
    const at = late.findIndex(({ date }) => date === '2026-07-05');
    expect(early.slice(0, at)).toEqual(late.slice(0, at));
    expect(early.slice(at)).not.toEqual(late.slice(at));
    await ask(app).post('/api/settings/take-back').send({ ids: moved.body.ids });
    expect(await behind()).toEqual(late);

    for (const [entry, on, status, words] of [
      [id, '2026-07-15', 400, /must be 2026-07-14 \(today\) or earlier; got 2026-07-15/],
      [id, '2026-05-10', 400, /must be after 2026-05-10, the change before; got 2026-05-10/],
      [id, '2026-02-30', 400, /Since when must be/],
      [(await bed()).settings[0]?.id ?? 0, '2026-07-01', 409, /from its first day on/],
      [9999, '2026-07-01', 404, /no such entry/],
    ] as const) {
      const refused = await move(entry, on);
      expect([refused.status, refused.body.error.message]).toEqual([status, expect.stringMatching(words)]);
      if (status === 400) expect(refused.body.error.field).toBe('on');
    }
    expect(await behind()).toEqual(late);
    await ask(app)
      .post('/api/settings/take-back')
      .send({ ids: [id] });
    await put({ mulchMaterial: 'straw', mulchMm: 80, since: '2026-07-05' });
    expect(await behind()).toEqual(early);
  });

  test('what was wrong from the start is put right from the start; taken back, it is as it was', async () => {
    const before = await page();
    const { body: made } = await put({ areaM2: 10, since: body.planting?.plantedOn });
    expect((await page()).season.irrigationMm).toBeCloseTo(2 * before.season.irrigationMm, 6);
    expect((await bed()).settings.filter(({ setting }) => setting.kind === 'area')).toHaveLength(1);
    const back = await ask(app).post('/api/settings/take-back').send({ ids: made.settings });
    expect(back.status).toBe(200);
    expect(await page()).toEqual({ ...before, bed: await bed() });
    const first = (await bed()).settings.find(({ setting }) => setting.kind === 'area');
    const none = await ask(app)
      .post('/api/settings/take-back')
      .send({ ids: [first?.id] });
    expect(none.status).toBe(409);
    expect((await bed()).areaM2).toBe(20);
  });

  test('straw taken for a mistake is gone from its day; taken back, the straw lies there again', async () => {
    await put({ mulchMaterial: 'straw', mulchMm: 80, since: '2026-07-05' });
    const strawed = await behind();
    const { body: made } = await put({ mulchMaterial: null, mulchMm: null, since: '2026-07-05' });
    expect((await bed()).mulchMm).toBeNull();
    expect(await behind()).not.toEqual(strawed);
    await ask(app).post('/api/settings/take-back').send({ ids: made.settings });
    expect(await bed()).toMatchObject({ mulchMaterial: 'straw', mulchMm: 80, mulchLaidOn: '2026-07-05' });
    expect(await behind()).toEqual(strawed);
  });

  test('what mulch would save is reckoned from today', async () => {
    const tried = await ask(app)
      .post('/api/beds/1/try')
      .send({ inputs: [], mulch: { material: 'straw', depthMm: 80 }, of: 'gone' });
    expect(tried.status).toBe(200);
    expect(tried.body.working.value).toBeCloseTo((await page()).core.depletionMm, 9);
  });

  test('saved again unchanged, nothing is written', async () => {
    expect((await put({})).body.settings).toEqual([]);
    expect((await bed()).settings).toHaveLength(8);
  });
});

describe('what was told stands, and the rest follows from it', () => {
  test('20 minutes written down, then a bucket timed at half the flow: half the litres, half the depth', async () => {
    const { body: event } = await ask(app)
      .post('/api/beds/1/waterings')
      .send({ minutes: 20, on: '2026-07-10' });
    expect(event).toMatchObject({ minutes: 20, litres: 400, told: 'minutes' });
    const rained = async (date: string): Promise<number> =>
      (await page()).days.find((day) => day.date === date)?.irrigationMm ?? 0;
    const before = await rained('2026-07-10');
    await find({ kind: 'bucket', litres: 10, seconds: 60 });
    const kept = (await page()).events.find(({ id }) => id === event.id);
    expect(kept).toMatchObject({ minutes: 20, litres: 200, told: 'minutes' });
    expect(await rained('2026-07-10')).toBeCloseTo(before / 2, 9);
    // Litres that were told stay litres.
    expect((await page()).events.filter(({ told }) => told === 'litres').map(({ litres }) => litres)).toEqual(
      [600, 600],
    );
    // And another nozzle today leaves the water of last week as it was.
    await find({ kind: 'changed', what: 'nozzle' });
    await find({ kind: 'bucket', litres: 10, seconds: 30 });
    expect((await page()).events.find(({ id }) => id === event.id)).toMatchObject({ litres: 200 });
  });
});

describe('an explanation is the decision’s own', () => {
  const set = (litres: number) => find({ kind: 'plan', date: TODAY, litres });
  test('a watering set by hand is explained by what was set', async () => {
    await set(100);
    const depth = await working('depth');
    const round = (await ask(app).get('/api/gardens/1/round')).body as RoundView;
    expect(round.stops[0]).toMatchObject({ reason: { code: 'set by hand' } });
    expect(depth.value).toBeCloseTo(round.stops[0]?.run.localMm ?? 0, 9);
    expect(depth.inputs[0]).toMatchObject({ label: 'Set by hand', value: 100, unit: 'L' });
  });

  test('under the flat week the working is the flat rule', async () => {
    const planting = (await bed()).planting;
    await ask(app)
      .put(`/api/beds/1/plantings/${planting?.id}`)
      .send({ ...body.planting, school: 'fixed week' });
    const depth = await working('depth');
    expect(depth.formula).toMatch(/flat rule/);
    expect(depth.inputs.map(({ label }) => label)).toContain('Rain of the week');
  });

  test('a bed’s own page and the working name the day and the amount that the fortnight has, rivals and limits counted', async () => {
    for (const name of ['Beans', 'Peas', 'Chard'])
      await ask(app)
        .post('/api/gardens/1/beds')
        .send({ ...body, name, planting: { cropId: 'french-bean', plantedOn: '2026-05-20' } });
    await ask(app)
      .patch('/api/gardens/1')
      .send({ limits: { litresPerDay: 500, weekdays: [1, 3, 5, 6] } });
    const fortnight = (await ask(app).get('/api/gardens/1/fortnight')).body as FortnightView;
    expect(fortnight.leftOut.length).toBeGreaterThan(0);
    for (const { bedId, waterings } of fortnight.beds) {
      const { next } = await page(bedId);
      expect([next?.date, next?.litres]).toEqual([waterings[0]?.date, waterings[0]?.litres]);
      const { working: tree } = (await ask(app).get(`/api/beds/${bedId}/working/minutes`))
        .body as WorkingView;
      expect(tree === null).toBe(waterings.length === 0);
      if (!tree) continue;
      expect(tree.value).toBeCloseTo(waterings[0]?.minutes ?? 0, 9);
      expect(tree && findWorking(tree, 'litres')?.value).toBeCloseTo(waterings[0]?.litres ?? 0, 9);
    }
  });
});

describe('in a garden of more than forty beds too', () => {
  test('a season’s totals open into all of its days, not the last weeks', async () => {
    expect((await ask(app).post('/api/beds/1/copies').send({ count: 41 })).status).toBe(201);
    const { season } = await page();
    expect(season.irrigationMm).toBeGreaterThan(0);
    for (const [of, mm] of [
      ['rain', season.rainMm],
      ['irrigation', season.irrigationMm],
      ['transpiration', season.transpirationMm],
      ['evaporation', season.evaporationMm],
    ] as const)
      expect([of, (await working(of)).value]).toEqual([of, expect.closeTo(mm, 6)]);
  });
});

describe('a write answers with what changed', () => {
  test('the round put together from the answers is the round', async () => {
    for (const name of ['Beans', 'Peas'])
      await ask(app)
        .post('/api/gardens/1/beds')
        .send({ ...body, name });
    const round = async () => (await ask(app).get('/api/gardens/1/round')).body as RoundView;
    const before = await round();
    expect(before.stops.map(({ bedId }) => bedId).sort()).toEqual([1, 2, 3]);
    const done = await ask(app).post('/api/beds/2/waterings').send({ minutes: 12, asPlanned: true });
    const { changed } = done.body;
    expect(changed.beds).toContain(2);
    const after = await round();
    expect(changed.order).toEqual(after.stops.map(({ bedId }) => bedId));
    for (const leave of after.leaveAlone)
      expect(leave).toEqual(
        [...changed.leaveAlone, ...before.leaveAlone].find(({ bedId }) => bedId === leave.bedId),
      );
    for (const stop of after.stops)
      expect(stop).toEqual([...changed.stops, ...before.stops].find(({ bedId }) => bedId === stop.bedId));
    expect(changed.totals).toEqual(after.totals);
    // Sent again under its key, it tells what was done and nothing of a round that may be another by now.
    const again = await ask(app)
      .post('/api/beds/3/skips')
      .set('Idempotency-Key', 'twice-the-same')
      .send({ reason: 'other' });
    const twice = await ask(app)
      .post('/api/beds/3/skips')
      .set('Idempotency-Key', 'twice-the-same')
      .send({ reason: 'other' });
    expect(again.body.changed).toBeDefined();
    expect(twice.body).toEqual({ ...again.body, changed: undefined });
  });
});
