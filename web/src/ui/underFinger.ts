import { useLayoutEffect, useState, type MouseEvent } from 'react';
import { flushSync } from 'react-dom';

/** So long a finger may come down once more on the spot where it ticked: by then something else lies there. Judgement. */
export const ECHO_MS = 1100;

let ticked: { x: number; y: number; at: number } | null = null;

/** A finger that comes down once more lands so near, px. */
const NEAR_PX = 24;

const near = (x: number, y: number): boolean =>
  ticked !== null && Math.hypot(x - ticked.x, y - ticked.y) <= NEAR_PX;

/** Who has been somewhere else meanwhile, and comes back, means it. */
function forgetElsewhere({ clientX, clientY }: PointerEvent): void {
  if (near(clientX, clientY)) return;
  ticked = null;
  document.removeEventListener('pointerdown', forgetElsewhere, true);
}

/**
 * Whether a tick is the echo of the one before: the second half of a double tap, on whichever row lies there by now. Else
 * it is remembered where it was. A key ticks at no spot, and has no echo.
 */
export function echoesTick({ clientX: x, clientY: y, timeStamp: at, detail }: MouseEvent): boolean {
  if (detail === 0) return false;
  if (ticked && at - ticked.at < ECHO_MS && near(x, y)) return true;
  ticked = { x, y, at };
  document.addEventListener('pointerdown', forgetElsewhere, true);
  return false;
}

/**
 * The row that came under the finger that ticked another one: for a moment nothing can be done on it, so that a double tap
 * ticks one. Rows bear `data-tick`, which names them, as it is returned.
 * @param shown the rows; looked at anew when they change
 */
export function useUnderFinger(shown: unknown): string | null {
  const [under, setUnder] = useState<string | null>(null);
  useLayoutEffect(() => {
    const left = ticked === null ? 0 : ECHO_MS - (performance.now() - ticked.at);
    if (ticked === null || left <= 0) {
      // The clock of an earlier tick was stopped with the rows it was for.
      queueMicrotask(() => setUnder(null));
      return;
    }
    const row = document.elementFromPoint(ticked.x, ticked.y)?.closest<HTMLElement>('[data-tick]');
    // At once, before the next tap is heard; merely scheduled, the second tap came first.
    queueMicrotask(() => flushSync(() => setUnder(row?.dataset.tick ?? null)));
    const timer = setTimeout(() => setUnder(null), left);
    return () => clearTimeout(timer);
  }, [shown]);
  return under;
}
