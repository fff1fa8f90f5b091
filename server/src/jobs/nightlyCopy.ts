import type { Logger } from 'pino';
import { copiesOf, makeCopy } from '../db/copies.ts';
import type { WallClock } from '../services/clock.ts';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;

/** Lays a copy aside once a day while Kibble runs; looked at each hour, so that a machine that slept is caught up with. */
export function keepNightlyCopies(file: string, wall: WallClock, log: Logger): () => Promise<void> {
  const look = async (): Promise<void> => {
    const now = wall.now();
    const last = copiesOf(file).find(({ reason }) => reason === 'nightly');
    if (last && now.getTime() - Date.parse(last.madeAt) < DAY_MS) return;
    await makeCopy(file, 'nightly', now);
  };
  let under = Promise.resolve();
  const tried = (): void => {
    under = look().catch((error: unknown) => log.error({ err: error }, 'no nightly copy could be made'));
  };
  tried();
  const timer = setInterval(tried, HOUR_MS);
  timer.unref();
  // Whoever stops waits for the copy that is being made.
  return async () => {
    clearInterval(timer);
    await under;
  };
}
