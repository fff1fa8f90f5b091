import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test } from '@jest/globals';
import type { BedView, GardenView } from '@kibble/contract';
import type { Express } from 'express';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere, settled } from '../tests/appHere.ts';
import { ask } from '../tests/ask.ts';
import { freshDatabase } from '../tests/fresh.ts';
import { GARDEN } from '../tests/oneBed.ts';

const dir = mkdtempSync(join(tmpdir(), 'kibble-dry-'));
let sequelize: Sequelize;
let app: Express;
let gardenId = 0;

beforeAll(async () => {
  sequelize = await freshDatabase(join(dir, 'kibble.sqlite'));
  app = appHere({
    sequelize,
    wall: { now: () => new Date('2026-07-14T08:00:00Z') },
    log: pino({ level: 'silent' }),
  });
  gardenId = ((await ask(app).post('/api/gardens').send(GARDEN)).body as GardenView).id;
});
afterAll(async () => {
  await settled(app);
  await sequelize.close();
  rmSync(dir, { recursive: true, force: true });
});

const planted = async (cropId: string, plantedOn: string): Promise<BedView> => {
  const { id } = (
    await ask(app)
      .post(`/api/gardens/${gardenId}/beds`)
      .send({ ...GARDEN.bed, name: cropId, planting: { cropId, plantedOn } })
  ).body as { id: number };
  const garden = (await ask(app).get(`/api/gardens/${gardenId}`)).body as GardenView;
  const bed = garden.beds.find((one) => one.id === id);
  if (!bed) throw new Error(`the bed of ${cropId} must be there`);
  return bed;
};
const heldDry = (bed: BedView) =>
  ask(app)
    .post(`/api/gardens/${gardenId}/findings`)
    .send({
      bedId: bed.id,
      input: { kind: 'toughen', plantingId: bed.plantings[0]?.id, what: 'start', days: 10 },
    });

// Common practice: leafy crops and legumes in flower are never held dry, potatoes in open ground gain nothing by it.
test.each([
  ['lettuce', '2026-06-10', /may not be held dry today: it runs to seed/],
  ['french-bean', '2026-05-15', /may not be held dry today: /],
  ['potato', '2026-04-20', /may not be held dry today: set deep in open ground/],
])('a dry spell for %s is refused with its reason, and nothing is written', async (cropId, on, words) => {
  const bed = await planted(cropId, on);
  const { status, body } = await heldDry(bed);
  expect(status).toBe(400);
  expect((body as { error: { message: string } }).error.message).toMatch(words);
  const garden = (await ask(app).get(`/api/gardens/${gardenId}`)).body as GardenView;
  expect(garden.beds.find(({ id }) => id === bed.id)?.findings).toEqual([]);
});

// Common practice: leafy crops, legumes in flower and fresh bare-root plants are never held to wilting.
test.each([
  ['lettuce', '2026-06-10', undefined, /runs to seed/],
  ['french-bean', '2026-05-15', undefined, /drops its flowers/],
  ['pear', '2026-03-10', 'bare-root', /first year/],
])('holding %s to the first wilt is refused with its reason', async (cropId, on, method, words) => {
  const bed = await planted(cropId, on);
  const [planting] = bed.plantings;
  const { status, body } = await ask(app).put(`/api/beds/${bed.id}/plantings/${planting?.id}`).send({
    cropId,
    plantedOn: on,
    method,
    share: 1,
    school: 'hold to the first wilt',
    version: planting?.version,
  });
  expect({ status, body }).toMatchObject({ status: 400 });
  expect((body as { error: { message: string } }).error.message).toMatch(words);
});
