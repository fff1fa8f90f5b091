import { mkdtempSync, rmSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { stationApp, type Climate } from '@kibble/simulators';
import { Garden } from '../src/db/models.ts';
import type { Facts } from '../src/planner/facts.ts';
import { gardenFacts } from '../src/planner/gardenFacts.ts';
import { seedDemo } from '../src/seed.ts';
import { freshDatabase } from './fresh.ts';

/** The weather beside the demo. */
export const DEMO_CLIMATE: Climate = { seed: 46, latitudeDeg: 46.9 };

/** For tests: the demo's facts on its first morning, from a file that is thrown away again. */
export async function demoFacts(): Promise<Facts> {
  const wall = { now: () => new Date('2026-07-14T05:00:00Z') };
  const dir = mkdtempSync(join(tmpdir(), 'kibble-demo-facts-'));
  const sequelize = await freshDatabase(join(dir, 'kibble.sqlite'));
  const station: Server = stationApp(DEMO_CLIMATE).listen(0, '127.0.0.1');
  try {
    await new Promise((ready) => station.once('listening', ready));
    await seedDemo(sequelize, `http://127.0.0.1:${(station.address() as AddressInfo).port}`, wall);
    return await gardenFacts(await Garden.findOne({ where: { isDemo: true }, rejectOnEmpty: true }), wall);
  } finally {
    station.close();
    await sequelize.close();
    rmSync(dir, { recursive: true, force: true });
  }
}
