import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import {
  archiveJson,
  type BedPageView,
  type EntriesAnswer,
  type FortnightView,
  type GardenView,
  type PotPageView,
  type PotsView,
  type RoundView,
  type SectionView,
} from '@kibble/contract';
import { KINDS, VESSEL_KINDS } from '@kibble/core';
import type { Express } from 'express';
import { strFromU8, unzipSync } from 'fflate';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import { TUB_HOLDS_L, tub } from '../../core/tests/tub.ts';
import { appHere, settled } from '../tests/appHere.ts';
import { ask as asking } from '../tests/ask.ts';
import { freshDatabase } from '../tests/fresh.ts';
import { GARDEN, POT } from '../tests/oneBed.ts';
import { writeArchive } from './services/archive.ts';

/**
 * docs/adding-a-place.md, walked: a tub that knows no soil joins the rounds, and a pocket that hangs on a wall joins the shelf. Each is a
 * line in a table of the core; from there it is entered, planned, shown, watered, undone and put into an archive as any other.
 */
const dir = mkdtempSync(join(tmpdir(), 'kibble-kind-'));
let sequelize: Sequelize;
let app: Express;

async function ask<T>(method: 'get' | 'post', path: string, body?: object): Promise<T> {
  const question = asking(app)[method](`/api${path}`);
  const answer = await (method === 'get' ? question : question.send(body ?? {}));
  if (answer.status >= 300) throw new Error(`${path}: ${answer.status} ${answer.text}`);
  return answer.body as T;
}

/** What it was known as when the tests began: the tables are put back as they were. */
beforeAll(async () => {
  KINDS.tub = tub;
  VESSEL_KINDS.wallpocket = {
    one: 'pocket',
    many: 'pockets',
    choice: 'a pocket on a wall',
    // Wind and the wall take from it on all sides.
    asBuilt: (declared) => ({ ...declared, place: { ...declared.place, wind: 'exposed' } }),
  };
  sequelize = await freshDatabase(join(dir, 'kibble.sqlite'));
  app = appHere({
    sequelize,
    wall: { now: () => new Date('2026-07-14T05:00:00Z') },
    log: pino({ level: 'silent' }),
  });
  await ask('post', '/gardens', GARDEN);
});
afterAll(async () => {
  delete KINDS.tub;
  delete VESSEL_KINDS.wallpocket;
  await settled(app);
  await sequelize.close();
  rmSync(dir, { recursive: true, force: true });
});

const round = (): Promise<RoundView> => ask('get', '/gardens/1/round');

test('a kind that is in no table is refused by its name, with those there are', async () => {
  const answer = await asking(app)
    .post('/api/gardens/1/beds')
    .send({ ...GARDEN.bed, kind: 'moon' });
  expect(answer.status).toBe(400);
  expect(answer.body).toMatchObject({
    error: { field: 'kind', message: 'Kind of place must be one of ground, tub; got "moon"' },
  });
  // What a bed becomes by a setting is not chosen.
  const ring = await asking(app)
    .post('/api/gardens/1/beds')
    .send({ ...GARDEN.bed, kind: 'tree ring' });
  expect(ring.status).toBe(400);
});

test('a tub is entered, planned, shown in every room, watered once, undone and archived', async () => {
  const { id } = await ask<{ id: number }>('post', '/gardens/1/beds', {
    ...GARDEN.bed,
    name: 'Tub by the door',
    kind: 'tub',
    areaM2: 1,
    startWetness: 'dry',
    wetnessOn: '2026-07-13',
    planting: { cropId: 'basil', plantedOn: '2026-06-01' },
  });
  const stop = (await round()).stops.find(({ bedId }) => bedId === id);
  expect(stop?.kind).toBe('tub');
  // It holds 20 L however large the form says it is, and was told to be dry.
  expect(stop?.run.litres).toBeGreaterThan(TUB_HOLDS_L / 2);
  expect(stop?.run.bedMm).toBeLessThanOrEqual(TUB_HOLDS_L);
  // Its own rule of what there is to do.
  expect((await round()).tasks.map(({ bedId, task }) => [bedId, task.code])).toContainEqual([
    id,
    'do the spots join',
  ]);
  const fortnight = await ask<FortnightView>('get', '/gardens/1/fortnight');
  expect(fortnight.beds.map(({ bedId }) => bedId)).toContain(id);
  const section = await ask<SectionView>('get', '/gardens/1/section');
  expect(section.beds.find(({ bedId }) => bedId === id)?.kind).toBe('tub');
  expect((await ask<BedPageView>('get', `/beds/${id}`)).bed.kind).toBe('tub');

  const { ids } = await ask<EntriesAnswer>('post', '/gardens/1/entries', {
    entries: [{ subject: { kind: 'bed', id }, body: { kind: 'watering', litres: 15 } }],
  });
  expect((await round()).stops.map(({ bedId }) => bedId)).not.toContain(id);
  await ask('post', '/gardens/1/entries/undo', { ids });
  expect((await round()).stops.map(({ bedId }) => bedId)).toContain(id);

  const zip = await writeArchive(join(dir, 'kibble.sqlite'), dir, new Date('2026-07-14T05:00:00Z'));
  const json = JSON.parse(strFromU8(unzipSync(zip)['kibble.json'] ?? new Uint8Array())) as unknown;
  const archive = archiveJson.parse(json);
  expect((archive.rows.beds as { id: number; kind: string }[]).find((row) => row.id === id)?.kind).toBe(
    'tub',
  );
});

test('a tub that no version knows any more is named, and the rest of the garden is planned', async () => {
  delete KINDS.tub;
  try {
    const fresh = appHere({
      sequelize,
      wall: { now: () => new Date('2026-07-15T05:00:00Z') },
      log: pino({ level: 'silent' }),
    });
    const seen = (await asking(fresh).get('/api/gardens/1/round')).body as RoundView;
    expect(seen.unplanned).toMatchObject([{ bedName: 'Tub by the door', field: 'kind' }]);
    const garden = (await asking(fresh).get('/api/gardens/1')).body as GardenView;
    expect(garden.beds.map(({ name }) => name)).toEqual(['Tomatoes', 'Tub by the door']);
    await settled(fresh);
  } finally {
    KINDS.tub = tub;
  }
});

test('a pocket on a wall is entered, drinks more than a pot of its size, is walked, watered and undone', async () => {
  const add = async (kind: string): Promise<number> =>
    (await ask<{ id: number }>('post', '/gardens/1/pots', { ...POT, kind, name: kind, startWetness: 'dry' }))
      .id;
  const [pot, pocket] = [await add('pot'), await add('wallpocket')];
  const page = (id: number): Promise<PotPageView> => ask('get', `/pots/${id}`);
  expect((await page(pocket)).pot.kind).toBe('wallpocket');
  // Wind shortens the days between two waterings (common practice).
  expect((await page(pocket)).pot.dayUseMl).toBeGreaterThan((await page(pot)).pot.dayUseMl);
  const walked = async (): Promise<PotsView['totals']> =>
    (await ask<PotsView>('get', '/gardens/1/pots')).totals;
  const before = await walked();
  const { ids } = await ask<EntriesAnswer>('post', '/gardens/1/entries', {
    entries: [
      { subject: { kind: 'pot', id: pocket }, body: { kind: 'given', millilitres: 3000, how: 'poured' } },
    ],
  });
  expect((await walked()).pots).toBe(before.pots - 1);
  await ask('post', '/gardens/1/entries/undo', { ids });
  expect(await walked()).toEqual(before);
});
