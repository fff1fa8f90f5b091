import { actingNow } from '../db/acting.ts';
import type { WallClock } from './clock.ts';

/** A clock that, while something is entered that was done before it could be sent, stands at the moment it was done. */
export const momentary = (wall: WallClock): WallClock => ({
  now: () => actingNow()?.moment ?? wall.now(),
});

/** The device on which the entry is being made; null at this computer itself. */
export const byWhom = (): string | null => actingNow()?.by ?? null;
