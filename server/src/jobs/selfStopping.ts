import type { Logger } from 'pino';
import type { Sequelize } from 'sequelize';
import { writerOf } from '../db/writer.ts';
import type { PlanStore } from '../planner/planStore.ts';
import type { WallClock } from '../services/clock.ts';
import { closeSelfStopped, nextSelfStop } from '../services/runs.ts';

/** Looked at again at the latest after so long: the machine may have slept, or its clock been set. */
const LATEST_MS = 60_000;
const SOONEST_MS = 50;

/** Writes down runs whose own timer has shut the tap, at their minute, whether or not a page is open. */
export interface SelfStopping {
  /** A run was begun: the next end may be sooner. */
  look(): void;
  stop(): Promise<void>;
}

export function watchSelfStopping(
  sequelize: Sequelize,
  wall: WallClock,
  log: Logger,
  plans: PlanStore,
): SelfStopping {
  const write = writerOf(sequelize);
  let timer: NodeJS.Timeout | null = null;
  let under = Promise.resolve();
  let stopped = false;
  const close = async (): Promise<number> => {
    const next = await nextSelfStop();
    if (next && next <= wall.now()) {
      const gardens = await write(() => closeSelfStopped(wall), 'runs that their own timer ended');
      for (const gardenId of new Set(gardens)) plans.touch({ gardenId });
      return SOONEST_MS;
    }
    const left = next ? next.getTime() - wall.now().getTime() : LATEST_MS;
    return Math.min(LATEST_MS, Math.max(SOONEST_MS, left));
  };
  const look = (): void => {
    if (timer) clearTimeout(timer);
    under = under.then(async () => {
      const wait = await close().catch((error: unknown) => {
        log.error({ err: error }, 'runs by the clock could not be written down');
        return LATEST_MS;
      });
      if (stopped) return;
      if (timer) clearTimeout(timer);
      timer = setTimeout(look, wait);
      timer.unref();
    });
  };
  look();
  return {
    look,
    async stop() {
      stopped = true;
      if (timer) clearTimeout(timer);
      await under;
    },
  };
}
