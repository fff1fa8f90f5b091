import type { MouseEvent } from 'react';

/** A second tap on the same spot within this time is the first one's echo: by then something else lies under the finger. Judgement. */
export const ECHO_MS = 1100;
const SPOT_PX = 24;

let last = { x: Number.NEGATIVE_INFINITY, y: Number.NEGATIVE_INFINITY, at: Number.NEGATIVE_INFINITY };

/** Whether a tap is the echo of the one before; what is tapped elsewhere, or by key, is meant. */
export function isEcho({ clientX: x, clientY: y, timeStamp: at, detail }: MouseEvent): boolean {
  const byKey = detail === 0;
  const echo = !byKey && at - last.at < ECHO_MS && Math.hypot(x - last.x, y - last.y) < SPOT_PX;
  if (!byKey) last = { x, y, at };
  return echo;
}
