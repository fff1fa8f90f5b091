import { AsyncLocalStorage } from 'node:async_hooks';
import type { WallClock } from './clock.ts';

/** Of an act that is being written down: when it was done, where that was before it arrived, and the device it was done on. */
interface Acting {
  moment: Date | null;
  by: string | null;
}
const acting = new AsyncLocalStorage<Acting>();

/** A clock that, while an act is written down that was done before it could be sent, stands at the moment it was done. */
export const momentary = (wall: WallClock): WallClock => ({
  now: () => acting.getStore()?.moment ?? wall.now(),
});

/** The device on which what is being written down was done; null at the machine itself. */
export const byWhom = (): string | null => acting.getStore()?.by ?? null;

/** Writes an act down as of its own moment, and as of the device it was done on. */
export const asDone = <T>(act: Acting, write: () => T): T => acting.run(act, write);
