import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import type { RoundView } from '@kibble/contract';
import { pino } from 'pino';
import type { Sequelize } from 'sequelize';
import { appHere, settled } from '../../tests/appHere.ts';
import { ask } from '../../tests/ask.ts';
import { freshDatabase } from '../../tests/fresh.ts';
import { GARDEN } from '../../tests/oneBed.ts';
import { Garden } from '../db/models.ts';
import { gardenFacts } from './gardenFacts.ts';
import { WorkerPlanner } from './workerPlanner.ts';

const dir = mkdtempSync(join(tmpdir(), 'kibble-beside-'));
const now = new Date('2026-07-14T06:00:00Z');
const wall = { now: () => now };
let sequelize: Sequelize;

beforeAll(async () => {
  sequelize = await freshDatabase(join(dir, 'kibble.sqlite'));
  const app = appHere({ sequelize, wall, log: pino({ level: 'silent' }) });
  for (let i = 1; i <= 5; i += 1)
    await ask(app)
      .post('/api/gardens')
      .send({ ...GARDEN, garden: { ...GARDEN.garden, name: `Garden ${i}` } })
      .expect(201);
  // The first is the largest.
  await ask(app).post('/api/beds/1/copies').send({ count: 20 }).expect(201);
  await settled(app);
});
afterAll(async () => {
  await sequelize.close();
  rmSync(dir, { recursive: true, force: true });
});

interface Inside {
  lanes: { places: Map<number, number> }[];
}

describe('gardens planned beside the thread that answers', () => {
  test('each has a thread to itself while there are any left; then the least laden is shared, never the large garden’s', async () => {
    const planner = await WorkerPlanner.start(join(dir, 'program'));
    try {
      const gardens = await Garden.findAll({ order: ['id'] });
      for (const garden of gardens) await planner.put(garden.id, await gardenFacts(garden, wall));
      const { lanes } = planner as unknown as Inside;
      expect(lanes.map(({ places }) => [...places.keys()])).toEqual([[1], [2, 4], [3, 5]]);
      // Whatever thread it is in, each garden has its own round.
      const rounds = await Promise.all(
        gardens.map(async ({ id }) => {
          const { text } = await planner.view(id, 'round', {}, now);
          const { stops, leaveAlone } = JSON.parse(text) as RoundView;
          return stops.length + leaveAlone.length;
        }),
      );
      expect(rounds).toEqual([21, 1, 1, 1, 1]);
    } finally {
      await planner.stop();
    }
  });
});
