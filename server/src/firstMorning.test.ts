import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { BedPageView, GardenView, RoundView, SetupSketch, TownView } from '@kibble/contract';
import { addDays } from '@kibble/core';
import type { Express } from 'express';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere, settled } from '../tests/appHere.ts';
import { ask } from '../tests/ask.ts';
import { freshDatabase } from '../tests/fresh.ts';
import { EntryRow } from './db/models.ts';

const dir = mkdtempSync(join(tmpdir(), 'kibble-morning-'));
const today = '2026-11-26';
let sequelize: Sequelize;
let app: Express;
const looked: string[] = [];
const bendigo: TownView = {
  name: 'Bendigo',
  region: 'Victoria',
  country: 'Australia',
  latitudeDeg: -36.76,
  longitudeDeg: 144.28,
  timeZone: 'Australia/Melbourne',
};

beforeAll(async () => {
  sequelize = await freshDatabase(join(dir, 'kibble.sqlite'));
  app = appHere({
    sequelize,
    wall: { now: () => new Date(`${today}T10:00:00Z`) },
    log: pino({ level: 'silent' }),
    towns: {
      search: async (typed) => {
        looked.push(typed);
        return typed === '' ? [] : [bendigo];
      },
      coastKm: async () => 133,
    },
  });
});
afterAll(async () => {
  await settled(app);
  await sequelize.close();
  rmSync(dir, { recursive: true, force: true });
});

interface Change {
  latitudeDeg?: number;
  cropId?: string;
  plantedOn?: string;
  startWetness?: string;
  wetnessOn?: string | null;
  week?: string;
}
const setup = ({
  latitudeDeg = 48,
  cropId = 'tomato',
  plantedOn = '2026-08-01',
  startWetness = 'moist',
  wetnessOn = today,
  week,
}: Change = {}) => ({
  garden: { name: 'Here', latitudeDeg, timeZone: 'UTC' },
  bed: {
    name: 'The bed',
    areaM2: 10,
    textureClass: 'loam',
    startWetness,
    wetnessOn,
    planting: { cropId, plantedOn },
    delivery: { method: 'hose wand', litresPerMinute: 12 },
  },
  ...(week ? { week } : {}),
});
const made = async (change?: Change): Promise<GardenView> => {
  const { status, body } = await ask(app).post('/api/gardens').send(setup(change));
  expect(status).toBe(201);
  return body as GardenView;
};
const roundOf = async ({ id }: GardenView): Promise<RoundView> =>
  (await ask(app).get(`/api/gardens/${id}/round`)).body as RoundView;

describe('the first plan starts from the ground as it is told', () => {
  // Common practice: nobody waters hardy or resting plants in a moist November.
  test.each<[string, Change]>([
    ['kale in November at 48° N', { cropId: 'kale' }],
    ['an apple of six years', { cropId: 'apple', plantedOn: '2020-04-01', startWetness: 'soaked' }],
    ['garlic of this autumn', { cropId: 'garlic', plantedOn: '2026-10-10' }],
    ['strawberries at 85° N', { cropId: 'strawberry', plantedOn: '2024-06-01', latitudeDeg: 85 }],
    ['a lawn', { cropId: 'lawn-cool', plantedOn: '2020-04-01' }],
  ])('%s, moist: nothing is asked, and nothing is overdue', async (_what, change) => {
    const { stops, leaveAlone } = await roundOf(await made(change));
    expect(stops).toEqual([]);
    expect(leaveAlone).toHaveLength(1);
  });

  test('dry in a southern summer: it is asked today, and says to look first, for its balance is young', async () => {
    const { stops } = await roundOf(
      await made({
        latitudeDeg: -36,
        cropId: 'lettuce',
        plantedOn: addDays(today, -30),
        startWetness: 'dry',
      }),
    );
    expect(stops).toHaveLength(1);
    expect(stops[0]?.checkFirst?.code).toBe('balance is young');
    expect(stops[0]?.reason.carriedFrom).toBeNull();
  });

  test('watered well two days ago: the balance runs from then, and no day before it counts', async () => {
    const garden = await made({ latitudeDeg: -36, startWetness: 'soaked', wetnessOn: addDays(today, -2) });
    const bedId = garden.beds[0]?.id ?? 0;
    expect(garden.beds[0]).toMatchObject({ startOn: '2026-08-01', wetnessOn: addDays(today, -2) });
    const page = (await ask(app).get(`/api/beds/${bedId}`)).body as BedPageView;
    expect(page.days[0]?.date).toBe(addDays(today, -2));
  });

  test('what the last week was like is said of its days', async () => {
    const { id } = await made({ week: 'hot and dry' });
    const rows = await EntryRow.findAll({
      where: { gardenId: id, kind: 'manual forecast' },
      order: ['on'],
      raw: true,
    });
    expect(rows.map(({ on }) => on)).toEqual(Array.from({ length: 7 }, (_, d) => addDays(today, d - 7)));
    expect(JSON.parse(rows[0]?.body ?? '')).toMatchObject({ forecast: { heat: 'warm', rain: 'dry' } });
    const usual = await made({ week: 'as usual' });
    expect(await EntryRow.count({ where: { gardenId: usual.id, kind: 'manual forecast' } })).toBe(0);
  });
});

describe('the plan growing beside the setup', () => {
  const sketch = (body: object) => ask(app).post('/api/gardens/sketch').send(body);
  test('says the same as the plan that is made of it, and writes nothing down', async () => {
    const change = { latitudeDeg: -36, startWetness: 'drying', week: 'hot and dry' };
    const before = (await ask(app).get('/api/gardens')).body as object[];
    const { status, body } = await sketch(setup(change));
    expect(status).toBe(200);
    expect((await ask(app).get('/api/gardens')).body).toHaveLength(before.length);
    const { core, next } = body as SetupSketch;
    const garden = await made(change);
    const page = (await ask(app).get(`/api/beds/${garden.beds[0]?.id}`)).body as BedPageView;
    expect(core.depletionMm).toBeCloseTo(page.core.depletionMm, 6);
    expect(core.readilyMm).toBeCloseTo(page.core.readilyMm, 6);
    expect(next === null).toBe(page.next === null);
  });
  test('refuses what cannot be, in words', async () => {
    for (const [change, words] of [
      [{ latitudeDeg: 91 }, /Latitude must be a number from -90 to 90.*got 91/],
      [{ plantedOn: '2028-01-01' }, /Planting date must be 2027-11-27.*or earlier; got 2028-01-01/],
      [{ cropId: 'own-1' }, /Crop must be one of the catalogue/],
      [{ cropId: 'moonflower' }, /Crop must be one of the catalogue's plants; got "moonflower"/],
      [{ week: 'dull' }, /Last week must be one of hot and dry, as usual, wet; got "dull"/],
    ] as const) {
      const { status, body } = await sketch(setup(change));
      expect(status).toBe(400);
      expect((body as { error: { message: string } }).error.message).toMatch(words);
    }
  });
});

test('towns are looked up by two letters and more; asked for less, the gazetteer is only opened', async () => {
  expect((await ask(app).get('/api/towns?named=bendi')).body).toEqual([bendigo]);
  expect((await ask(app).get('/api/towns?named=b')).body).toEqual([]);
  expect((await ask(app).get('/api/towns')).body).toEqual([]);
  expect(looked).toEqual(['bendi', '', '']);
  expect((await ask(app).get(`/api/towns?named=${'x'.repeat(500)}`)).status).toBe(200);
  expect(looked.at(-1)).toHaveLength(80);
});
