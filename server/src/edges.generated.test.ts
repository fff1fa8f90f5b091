import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeEach, expect, test } from '@jest/globals';
import type { RoundView } from '@kibble/contract';
import type { Express } from 'express';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere, settled } from '../tests/appHere.ts';
import { ask } from '../tests/ask.ts';
import { freshDatabase } from '../tests/fresh.ts';
import { GARDEN } from '../tests/oneBed.ts';

// A reading at the edge of what is allowed locks no room.
const root = mkdtempSync(join(tmpdir(), 'kibble-edges-'));
const wall = { now: () => new Date('2026-07-14T06:00:00Z') };
let sequelize: Sequelize;
let app: Express;
let n = 0;

beforeEach(async () => {
  await sequelize?.close();
  sequelize = await freshDatabase(join(root, `${(n += 1)}.sqlite`));
  app = appHere({ sequelize, wall, log: pino({ level: 'silent' }) });
  expect((await ask(app).post('/api/gardens').send(GARDEN)).status).toBe(201);
});
afterAll(async () => {
  await settled(app);
  await sequelize.close();
  rmSync(root, { recursive: true, force: true });
});

test.each([
  ['a jar of 65 % clay', { kind: 'jar', horizon: 'top', sandMm: 10, siltMm: 25, clayMm: 65 }],
  ['a slow bucket empty in a minute', { kind: 'slow-bucket', litres: 20, minutesToEmpty: 1, buckets: 100 }],
  ['a bucket full in a second', { kind: 'bucket', litres: 10, seconds: 1 }],
  ['a hole that swallows all at once', { kind: 'hole', fallMm: 2000, minutes: 0.01 }],
  ['a hole that holds', { kind: 'hole', fallMm: 0, minutes: 10_080 }],
  ['pooling at once', { kind: 'pooling', minutes: 0.05 }],
  ['pooling after a day', { kind: 'pooling', minutes: 1440 }],
  ['a told area of a tenth', { kind: 'told', field: 'area', value: 0.1 }],
  ['the smallest told area', { kind: 'told', field: 'area', value: 0.005 }],
  ['cans brim-full in a moment', { kind: 'cans', grid: [[1000]], minutes: 0.01 }],
])('%s is kept, and every room opens', async (_, input) => {
  const body = { bedId: 1, confirmed: true, input };
  expect((await ask(app).post('/api/gardens/1/findings').send(body)).status).toBe(201);
  const round = await ask(app).get('/api/gardens/1/round');
  expect(round.status).toBe(200);
  expect((round.body as RoundView).unplanned).toEqual([]);
  for (const view of [
    'gardens/1/section',
    'gardens/1/fortnight',
    'gardens/1/sharpen',
    'beds/1',
    'beds/1/schools',
  ])
    expect([view, (await ask(app).get(`/api/${view}`)).status]).toEqual([view, 200]);
});
