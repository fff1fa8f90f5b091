import type { DailyRecord } from '../places/dailyRecord.ts';
import { ALERT_LIMITS } from '../weather/alerts.ts';

/** A watering worth the name, mm over the place. Judgement. */
const LEAST_MM = 1;

/**
 * The gap since a woody bed's last watering or soaking rain; a tree with its ring has a clock of its own.
 * @param past its days up to yesterday
 * @returns days; null while no day is known
 * Source: common practice: the gap is what matters to trees.
 */
export function treeGap(past: readonly DailyRecord[]): number | null {
  if (past.length === 0) return null;
  const last = past.findLastIndex(
    (day) => day.irrigationMm >= LEAST_MM || day.rainMm >= ALERT_LIMITS.soakingMm,
  );
  return past.length - 1 - last;
}
