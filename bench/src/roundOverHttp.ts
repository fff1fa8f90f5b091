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
import { seedDemo } from '../../server/src/seed.ts';
import { wallClock } from '../../server/src/services/clock.ts';

const listen = (app: Express): Promise<Server> =>
  new Promise((ready) => {
    const server = app.listen(0, '127.0.0.1', () => ready(server));
  });
const urlOf = (server: Server): string => `http://127.0.0.1:${(server.address() as AddressInfo).port}`;

/** Median milliseconds for the demo garden's round, request to answer, over loopback. */
export async function roundMs(): Promise<number> {
  const dir = mkdtempSync(join(tmpdir(), 'kibble-bench-'));
  const log = pino({ level: 'silent' });
  const sequelize = await openDatabase(join(dir, 'kibble.sqlite'));
  const station = await listen(stationApp({ seed: 46, latitudeDeg: 46.9 }));
  await seedDemo(sequelize, urlOf(station), wallClock, log);
  const server = await listen(kibbleApp({ sequelize, wall: wallClock, log }));
  const times: number[] = [];
  for (let i = 0; i < 25; i += 1) {
    const start = performance.now();
    await (await fetch(`${urlOf(server)}/api/gardens/1/round`)).text();
    if (i >= 5) times.push(performance.now() - start);
  }
  station.close();
  server.close();
  await sequelize.close();
  rmSync(dir, { recursive: true, force: true });
  times.sort((a, b) => a - b);
  return times[Math.floor(times.length / 2)] ?? 0;
}
