import type { Logger } from 'pino';
import type { Sequelize } from 'sequelize';
import { Garden } from '../db/models.ts';
import { writerOf } from '../db/writer.ts';
import type { PlanStore } from '../planner/planStore.ts';
import { todayOf, type WallClock } from '../services/clock.ts';
import { askGardenStation, isStationDue, saveStationAnswer } from '../services/station.ts';

/** How often it is looked whether a station is due: a new day, an hour gone by, a silence to be ended. */
const LOOK_MS = 15_000;

/** Weather stations are asked beside everything else: no view waits for one, and none is asked while a lock is held. */
export interface Stations {
  /** Asks whichever is due; done when all of them have been asked and their answers are saved. */
  look(): Promise<void>;
  /** Stops asking, once what is being asked has been saved. */
  stop(): Promise<void>;
}

/** Asks every garden's station that is due, one after another. @param every how often that is looked at, ms; null for never by itself */
export function watchStations(
  { sequelize, wall, log, plans }: { sequelize: Sequelize; wall: WallClock; log: Logger; plans: PlanStore },
  every: number | null = LOOK_MS,
): Stations {
  const write = writerOf(sequelize);
  let stopped = false;

  const lookAt = async (garden: Garden): Promise<void> => {
    const today = todayOf(garden, wall);
    if (!(await isStationDue(garden, today, wall.now()))) return;
    const said = await askGardenStation(garden, today, log);
    const isNew = await write(async () => {
      const now = await Garden.findByPk(garden.id);
      return now !== null && (await saveStationAnswer(now, said, wall.now()));
    }, 'the weather station’s days');
    // A station that stays silent, or says the same again, changes no plan and wakes no page.
    if (isNew) plans.touch({ gardenId: garden.id });
  };
  const all = async (): Promise<void> => {
    for (const garden of await Garden.findAll({ where: { archivedAt: null }, order: ['id'] })) {
      if (stopped) return;
      await lookAt(garden).catch((error: unknown) =>
        log.error({ err: error, garden: garden.id }, 'what a weather station says could not be saved'),
      );
    }
  };
  let under: Promise<void> = Promise.resolve();
  // Whoever asks while it looks is answered by a look that began after that.
  const look = (): Promise<void> =>
    (under = under.then(all).catch((error: unknown) => {
      log.error({ err: error }, 'the weather stations could not be looked at');
    }));
  const timer = every === null ? null : setInterval(() => void look(), every);
  timer?.unref();
  return {
    look,
    async stop() {
      stopped = true;
      if (timer) clearInterval(timer);
      await under;
    },
  };
}
