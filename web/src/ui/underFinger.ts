import { useLayoutEffect, useState, type MouseEvent } from 'react';

/** So long a finger may come down once more on the spot where it ticked: by then something else lies there. Judgement. */
export const ECHO_MS = 1100;

let ticked: { x: number; y: number; at: number } | null = null;

/** Remembers where on the screen a stop was ticked; a key ticks at no spot. */
export function noteTick({ clientX: x, clientY: y, timeStamp: at, detail }: MouseEvent): void {
  ticked = detail === 0 ? null : { x, y, at };
}

/**
 * The bed whose row came under the finger that ticked another one: for a moment nothing can be done on it, so that a double
 * tap ticks one stop. Rows bear `data-stop` or `data-settled`.
 * @param shown the rows; looked at anew when they change
 */
export function useUnderFinger(shown: unknown): number | null {
  const [under, setUnder] = useState<number | null>(null);
  useLayoutEffect(() => {
    const left = ticked === null ? 0 : ECHO_MS - (performance.now() - ticked.at);
    if (ticked === null || left <= 0) return;
    const row = document
      .elementFromPoint(ticked.x, ticked.y)
      ?.closest<HTMLElement>('[data-stop], [data-settled]');
    const id = Number(row?.dataset.stop ?? row?.dataset.settled ?? 0);
    queueMicrotask(() => setUnder(id));
    const timer = setTimeout(() => setUnder(null), left);
    return () => clearTimeout(timer);
  }, [shown]);
  return under;
}
