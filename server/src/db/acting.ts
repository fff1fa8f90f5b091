import { AsyncLocalStorage } from 'node:async_hooks';

/** Who is entering something, and when that was done by the clock that saw it. */
export interface Acting {
  /** When it was done, corrected by the server's own clock; null for now. */
  moment: Date | null;
  /** What the device's own clock said, and how far the server's is ahead of that, ms; null where the device said nothing. */
  clock: { at: Date; offsetMs: number } | null;
  /** Name and id of the device; null at this computer itself. */
  by: string | null;
  deviceId: string | null;
}

const acting = new AsyncLocalStorage<Acting>();

/** Enters something as of its own moment, and as of the device on which it was done. */
export const asDone = <T>(act: Acting, write: () => T): T => acting.run(act, write);

/** What is being entered just now, and by whom; undefined for what Kibble does by itself. */
export const actingNow = (): Acting | undefined => acting.getStore();
