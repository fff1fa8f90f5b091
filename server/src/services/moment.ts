import { AsyncLocalStorage } from 'node:async_hooks';
import type { WallClock } from './clock.ts';

const moments = new AsyncLocalStorage<Date>();

/** A clock that, while an act is written down that was done before it could be sent, stands at the moment it was done. */
export const momentary = (wall: WallClock): WallClock => ({ now: () => moments.getStore() ?? wall.now() });

/** Writes an act down as of its own moment. */
export const asOf = <T>(moment: Date | null, write: () => T): T =>
  moment === null ? write() : moments.run(moment, write);
