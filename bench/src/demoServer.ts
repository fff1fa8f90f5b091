import { mkdtempSync, rmSync } from 'node:fs';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { stationApp } from '@kibble/simulators';
import type { Express } from 'express';
import { pino } from 'pino';
import { kibbleApp } from '../../server/src/app.ts';
import { openDatabase } from '../../server/src/db/open.ts';
import { WeatherFiles } from '../../server/src/files/weatherFiles.ts';
import { WorkerPlanner } from '../../server/src/planner/workerPlanner.ts';
import { PlanStore } from '../../server/src/planner/planStore.ts';
import { seedDemo } from '../../server/src/seed.ts';
import { wallClock } from '../../server/src/services/clock.ts';

const listen = (app: Express): Promise<Server> =>
  new Promise((ready) => {
    const server = app.listen(0, '127.0.0.1', () => ready(server));
  });
const urlOf = (server: Server): string => `http://127.0.0.1:${(server.address() as AddressInfo).port}`;

/** The demo garden served from a folder that is thrown away, as Kibble serves it, for as long as `work` takes. */
export async function withDemo<T>(work: (url: string) => Promise<T>, webDir?: string): Promise<T> {
  const dir = mkdtempSync(join(tmpdir(), 'kibble-bench-'));
  const log = pino({ level: 'silent' });
  const sequelize = await openDatabase(join(dir, 'kibble.sqlite'));
  const station = await listen(stationApp({ seed: 46, latitudeDeg: 46.9 }));
  await seedDemo(sequelize, urlOf(station), wallClock);
  const plans = new PlanStore(await WorkerPlanner.start(dir), wallClock, log);
  const server = await listen(
    kibbleApp({ sequelize, wall: wallClock, log, plans, files: WeatherFiles.here() }, webDir),
  );
  try {
    return await work(urlOf(server));
  } finally {
    station.close();
    server.closeAllConnections();
    server.close();
    await plans.stop();
    await sequelize.close();
    rmSync(dir, { recursive: true, force: true });
  }
}
