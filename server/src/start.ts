import { existsSync, mkdirSync, rmSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { dirname, join } from 'node:path';
import { stationSeed, threePoplars } from '@kibble/demo';
import { stationApp } from '@kibble/simulators';
import type { Express } from 'express';
import type { Logger } from 'pino';
import { kibbleApp } from './app.ts';
import { onMisfit } from './errors.ts';
import { Garden } from './db/models.ts';
import { copiesFolder, makeCopy } from './db/copies.ts';
import { inspectFile, type HouseKind } from './db/inspect.ts';
import { closeDatabase, openDatabase } from './db/open.ts';
import { ownFolder } from './db/owner.ts';
import { ownerOnly } from './db/ownerOnly.ts';
import { StartRefusal, startWords } from './db/startRefusal.ts';
import { WeatherFiles } from './files/weatherFiles.ts';
import { Live } from './http/live.ts';
import { fileLog } from './http/requestLog.ts';
import { keepNightlyCopies } from './jobs/nightlyCopy.ts';
import { watchSelfStopping } from './jobs/selfStopping.ts';
import { watchStations } from './jobs/stations.ts';
import { WorkerPlanner } from './planner/workerPlanner.ts';
import { PlanStore } from './planner/planStore.ts';
import { PracticeHouse } from './practice/practiceHouse.ts';
import { Sharing } from './sharing/sharing.ts';
import { Towns } from './towns/towns.ts';
import { seedDemo } from './seed.ts';
import { checkingBeside } from './restoring/checking.ts';
import { removeDatabase } from './restoring/prepare.ts';
import type { WallClock } from './services/clock.ts';
import { houseOf } from './services/house.ts';

const FIRST_PORT = 5180;
const PORTS_TO_TRY = 20;
const HOST = '127.0.0.1';
/** How long requests under way may take to be answered once Kibble is told to stop. */
const LAST_ANSWERS_MS = 10_000;

export interface StartOptions {
  kind: HouseKind;
  /** Folder of the data. */
  folder: string;
  /** Begin the demo afresh. */
  reset?: boolean;
  port?: number;
  webDir?: string;
  /** On the home's network for this run: at all of this machine's addresses, or at the ones named. */
  share?: { addresses?: readonly string[] };
  /** In a practice garden: where one's own is served. */
  home?: string;
  /** The file of this very program, with which a practice garden is served; without it none is offered. */
  main?: string;
  wall: WallClock;
}

export interface Running {
  url: string;
  sharing: Sharing;
  file: string;
  log: Logger;
  /** Answers what was asked, brings everything into the one file, and lets go of it. */
  stop(): Promise<void>;
}

function listen(app: Express, port: number): Promise<Server> {
  return new Promise((done, failed) => {
    const server = createServer(app);
    server.once('error', failed);
    server.listen(port, HOST, () => done(server));
  });
}

/** The port asked for, or the first free one from 5180 on. */
async function listenSomewhere(app: Express, port: number | undefined): Promise<Server> {
  if (port !== undefined) {
    try {
      return await listen(app, port);
    } catch (error) {
      const words = startWords(error, `${HOST}:${port}`);
      throw words ? new StartRefusal(words, { cause: error }) : error;
    }
  }
  for (let next = FIRST_PORT; next < FIRST_PORT + PORTS_TO_TRY; next += 1) {
    try {
      return await listen(app, next);
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EADDRINUSE') throw error;
    }
  }
  throw new StartRefusal(
    `No free port from ${FIRST_PORT} to ${FIRST_PORT + PORTS_TO_TRY - 1}: stop what runs there, or choose another with PORT=5300 npm start.`,
  );
}

/** Plans every garden before it is asked for, so that the first round of the day is there at once. */
function planAhead(plans: PlanStore, log: Logger): void {
  const all = async (): Promise<void> => {
    for (const garden of await Garden.findAll({ where: { archivedAt: null }, order: ['id'] }))
      await plans.view(garden, 'round', {});
  };
  all().catch((error: unknown) => log.warn({ err: error }, 'a garden could not be planned ahead'));
}

const portOf = (server: Server): number => (server.address() as AddressInfo).port;

const closed = (server: Server): Promise<void> =>
  new Promise((done) => {
    const late = setTimeout(() => server.closeAllConnections(), LAST_ANSWERS_MS);
    server.close(() => {
      clearTimeout(late);
      done();
    });
    server.closeIdleConnections();
  });

/**
 * Removes a demo's own database so that it begins afresh; whatever else lies in the folder stays, and so does a copy
 * of what is removed.
 * @throws StartRefusal on a folder whose database is not a demo's
 */
async function beginAfresh(file: string, wall: WallClock): Promise<void> {
  if (!existsSync(file)) return;
  const refused = (why: string): StartRefusal =>
    new StartRefusal(
      `--reset begins the demo afresh and removes nothing else. ${file} ${why} Nothing was removed.`,
    );
  const facts = await inspectFile(file).catch((error: unknown) => {
    throw refused(`is not the demo’s: ${startWords(error, 'it') ?? String(error)}`);
  });
  if (facts.kind === 'own' || (facts.kind === null && !facts.blank))
    throw refused('holds a garden of your own.');
  if (!facts.blank) await makeCopy(file, 'reset', wall.now());
  removeDatabase(file);
}

/** Opens a folder's garden and serves it. */
export async function startKibble(options: StartOptions): Promise<Running> {
  const { kind, folder, wall } = options;
  const file = join(folder, 'kibble.sqlite');
  try {
    mkdirSync(folder, { recursive: true });
    ownerOnly(folder);
    const disown = await ownFolder(folder, wall.now());
    const undone: (() => Promise<void> | void)[] = [disown];
    try {
      if (options.reset) await beginAfresh(file, wall);
      rmSync(join(dirname(file), 'incoming'), { recursive: true, force: true });
      const { log, close: closeLog } = fileLog(folder);
      undone.unshift(closeLog);
      // In tests of the whole program a misfit is thrown, as everywhere in tests.
      if (process.env.KIBBLE_ANSWERS !== 'strict')
        onMisfit((fault) => log.error({ err: fault }, 'an answer does not fit its schema'));
      const sequelize = await openDatabase(file, { kind, now: wall.now() });
      undone.unshift(() => closeDatabase(sequelize));
      let stationUrl: string | null = null;
      if (kind === 'demo') {
        const station = await listen(
          stationApp({ seed: stationSeed, latitudeDeg: threePoplars.latitudeDeg }),
          0,
        );
        undone.unshift(() => closed(station));
        stationUrl = `http://${HOST}:${portOf(station)}`;
        await seedDemo(sequelize, stationUrl, wall);
      }
      const program = join(folder, 'program');
      const [planner, towns, files] = await Promise.all([
        WorkerPlanner.start(program),
        Towns.start(program),
        WeatherFiles.beside(program),
      ]);
      const plans = new PlanStore(planner, wall, log);
      undone.unshift(
        () => plans.stop(),
        () => towns.stop(),
        () => files.stop(),
      );
      const stations = watchStations({ sequelize, wall, log, plans });
      undone.unshift(() => stations.stop());
      const runs = watchSelfStopping(sequelize, wall, log, plans);
      undone.unshift(() => runs.stop());
      const checking = checkingBeside(program);
      undone.unshift(() => checking.stop());
      const practice = kind === 'own' && options.main ? new PracticeHouse(folder, options.main) : undefined;
      if (practice) undone.unshift(() => practice.stop());
      const live = new Live();
      const sharing = new Sharing({
        folder,
        wall,
        log,
        on: Boolean(options.share),
        addresses: options.share?.addresses,
      });
      sharing.onRevoked = (id) => live.dismiss(id);
      const here = await Garden.findAll({ attributes: ['id'], raw: true });
      sharing.adoptHelpers(
        await houseOf(sequelize),
        here.map(({ id }) => id),
      );
      const services = {
        live,
        sharing,
        sequelize,
        wall,
        log,
        plans,
        towns,
        files,
        checking,
        practice,
        home: options.home,
        onRuns: runs.look,
        onGardens: () => void stations.look(),
        data: { file, stationUrl },
      };
      const app = kibbleApp(services, options.webDir);
      const server = await listenSomewhere(app, options.port);
      if (practice) practice.home = `http://${HOST}:${portOf(server)}`;
      await sharing.begin(app, portOf(server));
      // Pages that listen are told to go first: nothing else of theirs is waited for.
      undone.unshift(
        () => live.stop(),
        keepNightlyCopies(file, wall, log),
        () => sharing.stop(),
        () => closed(server),
      );
      void stations.look().then(() => planAhead(plans, log));
      const stop = async (): Promise<void> => {
        for (const step of undone.splice(0)) await step();
      };
      return { url: `http://${HOST}:${portOf(server)}`, sharing, file, log, stop };
    } catch (error) {
      for (const step of undone) await step();
      throw error;
    }
  } catch (error) {
    const words = startWords(error, folder);
    throw words ? new StartRefusal(words, { cause: error }) : error;
  }
}

/** Where the last copies lie, told with every refusal that may need one. */
export const copiesWords = (folder: string): string => {
  const copies = copiesFolder(join(folder, 'kibble.sqlite'));
  return existsSync(copies) ? `The last copies lie in ${copies}.` : '';
};
