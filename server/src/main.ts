import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { homedir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { stationSeed, threePoplars } from '@kibble/demo';
import { stationApp } from '@kibble/simulators';
import type { Express } from 'express';
import { pino } from 'pino';
import { kibbleApp } from './app.ts';
import { openDatabase } from './db/open.ts';
import { seedDemo } from './seed.ts';
import { wallClock } from './services/clock.ts';

const FIRST_PORT = 5180;
const PORTS_TO_TRY = 20;
const HOST = '127.0.0.1';

function listen(app: Express, port: number): Promise<Server> {
  return new Promise((done, failed) => {
    const server = createServer(app);
    server.once('error', failed);
    server.listen(port, HOST, () => done(server));
  });
}

/** The port asked for, or the first free one from 5180 on. */
async function listenSomewhere(app: Express): Promise<Server> {
  if (process.env.PORT) return listen(app, Number(process.env.PORT));
  for (let port = FIRST_PORT; port < FIRST_PORT + PORTS_TO_TRY; port += 1) {
    try {
      return await listen(app, port);
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE') throw error;
    }
  }
  throw new Error(
    `No free port from ${FIRST_PORT} to ${FIRST_PORT + PORTS_TO_TRY - 1}; set PORT to choose one.`,
  );
}

const portOf = (server: Server): number => (server.address() as AddressInfo).port;

const isDemo = process.argv.includes('--demo');
const root = resolve(dirname(fileURLToPath(import.meta.url)), '../..');
const dataDir = process.env.KIBBLE_DATA
  ? resolve(process.env.KIBBLE_DATA)
  : isDemo
    ? join(root, 'data', 'demo')
    : join(process.env.XDG_DATA_HOME ?? join(homedir(), '.local', 'share'), 'kibble');
const file = join(dataDir, 'kibble.sqlite');
const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' });

const sequelize = await openDatabase(file);
if (isDemo) {
  const station = await listen(stationApp({ seed: stationSeed, latitudeDeg: threePoplars.latitudeDeg }), 0);
  await seedDemo(sequelize, `http://${HOST}:${portOf(station)}`, wallClock, log);
}
const server = await listenSomewhere(
  kibbleApp({ sequelize, wall: wallClock, log }, join(root, 'web', 'dist')),
);
process.stdout.write(`Your data is in ${file}\nKibble is at http://${HOST}:${portOf(server)}\n`);
