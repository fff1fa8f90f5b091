import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, beforeEach, describe, expect, test } from '@jest/globals';
import type { BedPageView, EventView, FortnightView, GardenView, TreesView } from '@kibble/contract';
import type { Express } from 'express';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere, settled } from '../tests/appHere.ts';
import { ask as asking } from '../tests/ask.ts';
import { freshDatabase } from '../tests/fresh.ts';
import { GARDEN } from '../tests/oneBed.ts';

interface Refused {
  error: { code: string; field?: string; message: string };
}
const dir = mkdtempSync(join(tmpdir(), 'kibble-trees-'));
const today = '2026-07-14';
let sequelize: Sequelize;
let app: Express;
let gardenId = 0;

async function ask<T>(
  method: 'get' | 'post' | 'put' | 'delete',
  path: string,
  body?: object,
): Promise<{ status: number; body: T }> {
  const question = asking(app)[method](path);
  const answer = await (method === 'get' ? question : question.send(body ?? {}));
  return { status: answer.status, body: answer.body as T };
}
const page = async (id: number): Promise<BedPageView> =>
  (await ask<BedPageView>('get', `/api/beds/${id}`)).body;

beforeAll(async () => {
  sequelize = await freshDatabase(join(dir, 'kibble.sqlite'));
  app = appHere({
    sequelize,
    wall: { now: () => new Date('2026-07-14T05:00:00Z') },
    log: pino({ level: 'silent' }),
  });
});
afterAll(async () => {
  await settled(app);
  await sequelize.close();
  rmSync(dir, { recursive: true, force: true });
});
beforeEach(async () => {
  const { body } = await ask<GardenView>('post', '/api/gardens', {
    ...GARDEN,
    garden: { ...GARDEN.garden, clock: { mode: 'practice', date: today } },
  });
  gardenId = body.id;
});

const WALNUT = {
  name: 'Old walnut',
  cropId: 'walnut',
  plantedOn: '1985-03-01',
  textureClass: 'clay loam',
  delivery: { litresPerMinute: 8.5 },
  tree: {
    sort: 'tree',
    canopyM: 9,
    trunkM: 0.58,
    cameAs: 'not known',
    beneath: 'lawn',
    layout: { by: 'bubbler stops' },
  },
};
const add = async (change: object = {}): Promise<number> => {
  const { body, status } = await ask<{ id: number }>('post', `/api/gardens/${gardenId}/trees`, {
    ...WALNUT,
    ...change,
  });
  expect(status).toBe(201);
  return body.id;
};

describe('a tree from what people know', () => {
  test('its ring, depth, stops and clock are worked out; the round and the fortnight know its gap', async () => {
    const id = await add();
    const { tree } = await page(id);
    expect(tree).toMatchObject({
      plantedOn: '1985-03-01',
      facts: { ring: { innerM: 3.4, outerM: 5.65 }, depthMm: 450, part: 1 },
      plan: { phase: 'established', gapDays: 21 },
      soak: { gapDays: 21, ballGone: null },
    });
    expect(tree?.plan.moves).toBeGreaterThanOrEqual(3);
    expect(tree?.peak?.working.value).toBeGreaterThan(100);
    const { body } = await ask<FortnightView>('get', `/api/gardens/${gardenId}/fortnight`);
    expect(body.beds.find(({ bedId }) => bedId === id)?.soak?.gapDays).toBe(21);
    const trees = (await ask<TreesView>('get', `/api/gardens/${gardenId}/trees`)).body;
    expect(trees.trees.map(({ bedName }) => bedName)).toEqual(['Old walnut']);
    expect(trees.treesL).toBeLessThanOrEqual(trees.allL);
  });

  test.each<[string, object]>([
    ['plantedOn', { plantedOn: '2027-01-01' }],
    ['tree.canopyM', { tree: { ...WALNUT.tree, canopyM: 0.4 } }],
    ['tree.ring.innerM', { tree: { ...WALNUT.tree, ring: { innerM: 0.1, outerM: 5 } } }],
    ['tree.layout.pieceLph', { tree: { ...WALNUT.tree, layout: { by: 'emitters', pieceLph: 0 } } }],
    ['tree.layout.pieces', { tree: { ...WALNUT.tree, layout: { by: 'buckets', pieces: 400 } } }],
    ['tree.layout.pieces', { tree: { ...WALNUT.tree, litresEach: 4000, layout: { by: 'buckets' } } }],
    ['delivery.litresPerMinute', { delivery: { litresPerMinute: 0 } }],
    ['cropId', { cropId: 'triffid' }],
  ])('%s that cannot be is refused by its field, and nothing is kept', async (field, change) => {
    const { status, body } = await ask<Refused>('post', `/api/gardens/${gardenId}/trees`, {
      ...WALNUT,
      ...change,
    });
    expect([status, body.error.field]).toEqual([400, field]);
    const garden = (await ask<GardenView>('get', `/api/gardens/${gardenId}`)).body;
    expect(garden.beds.map(({ name }) => name)).toEqual(['Tomatoes']);
  });
});

describe('a tree told anew', () => {
  test('moved outward it holds from its day, and undo puts it back', async () => {
    const id = await add({
      name: 'Apricot',
      cropId: 'apricot',
      plantedOn: '2025-03-20',
      tree: {
        sort: 'tree',
        canopyM: 1.8,
        cameAs: 'bare-root',
        beneath: 'mulch',
        ring: { innerM: 0, outerM: 0.45 },
        layout: { by: 'buckets' },
      },
    });
    const before = await page(id);
    expect(before.tree?.plan.moveOut).toBe(true);
    expect(before.tasks.map(({ task }) => task.code)).toContain('move the water outward');
    const { facts, plan } = before.tree ?? {};
    const moved = await ask<{ settings: number[] }>('put', `/api/beds/${id}/tree`, {
      version: before.bed.version,
      tree: { ...facts, ring: plan?.wanted },
    });
    expect(moved.status).toBe(200);
    const after = await page(id);
    expect(after.tree?.facts.ring).toEqual(plan?.wanted);
    expect(after.tree?.plan.moveOut).toBe(false);
    await ask('post', '/api/settings/take-back', { ids: moved.body.settings });
    expect((await page(id)).tree?.facts.ring).toEqual({ innerM: 0, outerM: 0.45 });
  });

  test('two who change it at once: the later one is told', async () => {
    const id = await add();
    const { bed, tree } = await page(id);
    const change = { version: bed.version, tree: { ...tree?.facts, canopyM: 10 } };
    expect((await ask('put', `/api/beds/${id}/tree`, change)).status).toBe(200);
    expect(
      (await ask('put', `/api/beds/${id}/tree`, { ...change, tree: { ...change.tree, canopyM: 8 } })).status,
    ).toBe(409);
  });

  test('a bed that really is a tree becomes one with its history, and a bed again', async () => {
    const bed = await ask<{ id: number }>('post', `/api/gardens/${gardenId}/beds`, {
      name: 'Pear corner',
      areaM2: 4,
      textureClass: 'loam',
      planting: { cropId: 'pear', plantedOn: '2022-03-01' },
      delivery: { method: 'hose wand', litresPerMinute: 12 },
    });
    const { id } = bed.body;
    await ask('post', `/api/beds/${id}/waterings`, { litres: 80, on: '2026-07-01' });
    const was = (await page(id)).events.find(({ kind }) => kind === 'watering') as EventView;
    const trees = (await ask<TreesView>('get', `/api/gardens/${gardenId}/trees`)).body;
    expect(trees.woodyBeds.map(({ bedName }) => bedName)).toEqual(['Pear corner']);
    const { version } = (await page(id)).bed;
    const { tree } = WALNUT;
    const turned = await ask('put', `/api/beds/${id}/tree`, {
      version,
      tree: { ...tree, canopyM: 2.4, trunkM: 0.07, beneath: 'mulch' },
    });
    expect(turned.status).toBe(200);
    const now = await page(id);
    expect(now.tree?.plan.phase).toBe('established');
    // What was given before that day is what it was.
    expect(now.events.find(({ kind }) => kind === 'watering')?.netMm).toBeCloseTo(was.netMm ?? 0, 6);
    await ask('put', `/api/beds/${id}/tree`, { version: now.bed.version, tree: null });
    expect((await page(id)).tree).toBeNull();
  });

  test('nothing woody, nothing to tell', async () => {
    const garden = (await ask<GardenView>('get', `/api/gardens/${gardenId}`)).body;
    const [tomatoes] = garden.beds;
    const { status, body } = await ask<Refused>('put', `/api/beds/${tomatoes?.id}/tree`, {
      version: tomatoes?.version,
      tree: WALNUT.tree,
    });
    expect([status, body.error.field]).toEqual([400, 'tree']);
  });
});

describe('water that is shared', () => {
  test('a lawn’s run brings a tree nothing that stays in the turf; a border’s brings a part', async () => {
    const lawn = await ask<{ id: number }>('post', `/api/gardens/${gardenId}/beds`, {
      name: 'Lawn',
      areaM2: 200,
      textureClass: 'clay loam',
      planting: { cropId: 'lawn-cool', plantedOn: '2020-04-01' },
      delivery: { method: 'sprinkler', litresPerMinute: 20 },
    });
    const id = await add({
      wetnessOn: '2026-07-01',
      tree: { ...WALNUT.tree, shares: [lawn.body.id] },
    });
    const gone = async (): Promise<number> => (await page(id)).core.depletionMm;
    const before = await gone();
    await ask('post', `/api/beds/${lawn.body.id}/waterings`, { litres: 4000, on: '2026-07-12' });
    expect(await gone()).toBeCloseTo(before, 6);
    await ask('post', `/api/beds/${lawn.body.id}/waterings`, { litres: 12_000, on: '2026-07-12' });
    expect(await gone()).toBeLessThan(before);
    await ask('delete', `/api/beds/${lawn.body.id}`);
    const trees = (await ask<TreesView>('get', `/api/gardens/${gardenId}/trees`)).body;
    expect(trees.lawnsOff).toEqual([{ bedName: 'Lawn', trees: ['Old walnut'] }]);
  });
});

test('a new bare-root pear is asked for by its ball, and what was given quiets it', async () => {
  const id = await add({
    name: 'New pear',
    cropId: 'pear',
    plantedOn: '2026-07-06',
    startWetness: 'dry',
    tree: { sort: 'tree', canopyM: 0.9, cameAs: 'bare-root', beneath: 'mulch', layout: { by: 'basin' } },
  });
  const { stop, tree } = await page(id);
  expect(tree?.plan.phase).toBe('first weeks');
  expect(['gap', 'ball', 'growth', 'floor']).toContain(stop?.reason.code);
  await ask('post', `/api/beds/${id}/waterings`, { litres: stop?.run.litres ?? 10, asPlanned: true });
  const after = await page(id);
  expect(after.stop).toBeNull();
});
