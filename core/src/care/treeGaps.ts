import type { DailyRecord } from '../places/dailyRecord.ts';
import { ALERT_LIMITS } from '../weather/alerts.ts';

/** A watering worth the name, mm over the place. Judgement. */
const LEAST_MM = 1;

/** How long a woody place that bears no clock of its own has stood without water, days. */
export interface TreeGap {
  days: number;
  counted: number;
}

/**
 * The gap since a woody bed's last watering or soaking rain; a tree with its ring has a clock of its own.
 * @param past its days up to yesterday
 * @returns null while no day is known
 * Source: common practice: the gap is what matters to trees.
 */
export function treeGap(past: readonly DailyRecord[]): TreeGap | null {
  if (past.length === 0) return null;
  const last = past.findLastIndex(
    (day) => day.irrigationMm >= LEAST_MM || day.rainMm >= ALERT_LIMITS.soakingMm,
  );
  const days = past.length - 1 - last;
  return { days, counted: days };
}
