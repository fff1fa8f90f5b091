import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { AfterRainView, BedPageView, EntriesAnswer, GardenView } from '@kibble/contract';
import type { Express } from 'express';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere, settled } from '../tests/appHere.ts';
import { ask } from '../tests/ask.ts';
import { freshDatabase } from '../tests/fresh.ts';
import { GARDEN } from '../tests/oneBed.ts';

const dir = mkdtempSync(join(tmpdir(), 'kibble-line-'));
let sequelize: Sequelize;
let app: Express;
let gardenId = 0;
let bedId = 0;
let plantingId = 0;

beforeAll(async () => {
  sequelize = await freshDatabase(join(dir, 'kibble.sqlite'));
  app = appHere({
    sequelize,
    wall: { now: () => new Date('2026-07-14T08:00:00Z') },
    log: pino({ level: 'silent' }),
  });
  gardenId = ((await ask(app).post('/api/gardens').send(GARDEN)).body as GardenView).id;
  const planting = { cropId: 'tomato', plantedOn: '2026-05-10' };
  bedId = (
    (
      await ask(app)
        .post(`/api/gardens/${gardenId}/beds`)
        .send({ ...GARDEN.bed, name: 'Tomatoes', startOn: '2026-05-10', planting })
    ).body as { id: number }
  ).id;
  plantingId = (await page()).bed.planting?.id ?? 0;
});
afterAll(async () => {
  await settled(app);
  await sequelize.close();
  rmSync(dir, { recursive: true, force: true });
});

const page = async (): Promise<BedPageView> => (await ask(app).get(`/api/beds/${bedId}`)).body as BedPageView;
const enter = (subject: object, body: object, on?: string) =>
  ask(app)
    .post(`/api/gardens/${gardenId}/entries`)
    .send({ sure: true, entries: [{ subject, body, on }] });
const onBed = (body: object, on?: string) => enter({ kind: 'bed', id: bedId }, body, on);

test('a wilting on record is told with how dry it was, and heat at noon is none', async () => {
  await onBed({ kind: 'wilt', recovers: true }, '2026-07-05');
  expect((await page()).ownLine?.wilts).toEqual([]);
  await onBed({ kind: 'wilt', recovers: false, soil: 'dry' }, '2026-07-10');
  const { ownLine } = await page();
  expect(ownLine?.wilts).toHaveLength(1);
  expect(ownLine?.wilts[0]).toMatchObject({ on: '2026-07-10' });
  expect(ownLine?.wilts[0]?.goneShare).toBeGreaterThan(0.2);
});

test('its own line is settled, counts, and is undone as any entry is', async () => {
  const before = await page();
  const settledLine = await onBed({ kind: 'own line', plantingId, share: 0.7 });
  expect(settledLine.status).toBe(201);
  const after = await page();
  expect(after.ownLine).toMatchObject({ now: 0.7, isOwn: true, usual: before.ownLine?.usual });
  // More of what its roots hold may go before it counts as thirsty.
  expect(after.core.readilyMm).toBeGreaterThan(1.3 * before.core.readilyMm);
  const { ids } = settledLine.body as EntriesAnswer;
  await ask(app).post(`/api/gardens/${gardenId}/entries/undo`).send({ ids });
  expect((await page()).ownLine?.isOwn).toBe(false);
});

test('the crop’s usual share comes back by a second entry', async () => {
  await onBed({ kind: 'own line', plantingId, share: 0.6 });
  await onBed({ kind: 'own line', plantingId, share: null });
  expect((await page()).ownLine?.isOwn).toBe(false);
});

test.each([
  [{ share: 0.95 }, /Its own line.*0\.95/],
  [{ share: 0 }, /Its own line/],
  [{ plantingId: 999, share: 0.5 }, /Planting must be one of Tomatoes; got 999/],
])('a line of %j is refused by name, and nothing is written', async (change, words) => {
  const { status, body } = await onBed({ kind: 'own line', plantingId, ...change });
  expect(status).toBe(400);
  expect((body as { error: { message: string } }).error.message).toMatch(words);
  expect((await page()).ownLine?.isOwn).toBe(false);
});

test('the morning after 30 mm in the gauge the beds are told by how deep it went', async () => {
  const view = async (): Promise<AfterRainView> =>
    (await ask(app).get(`/api/gardens/${gardenId}/after-rain`)).body as AfterRainView;
  expect(await view()).toBeNull();
  const rain = await enter({ kind: 'garden', id: gardenId }, { kind: 'rain', rainMm: 30 }, '2026-07-13');
  const state = await view();
  expect(state).toMatchObject({ on: '2026-07-13', rainMm: 30 });
  expect(state?.beds.map(({ bedName }) => bedName)).toContain('Tomatoes');
  for (const { reachesMm } of state?.beds ?? []) expect(reachesMm).toBeGreaterThan(100);
  await ask(app)
    .post(`/api/gardens/${gardenId}/entries/undo`)
    .send({ ids: (rain.body as EntriesAnswer).ids });
  expect(await view()).toBeNull();
});
