import type { DailyRecord } from '../places/dailyRecord.ts';
import { ALERT_LIMITS } from '../weather/alerts.ts';

/** A watering worth the name, mm over the place. Judgement. */
const LEAST_MM = 1;
/** Days by whose mean a drying day is measured. Judgement. */
const USUAL_DAYS = 30;

/** How long a woody place has stood without water, by the calendar and by what the days took. */
export interface TreeGap {
  days: number;
  /** Each day counted by what sun and wind took on it, in usual days of the month: hot dry wind runs the clock faster. */
  counted: number;
}

/**
 * The gap since a place's last watering or soaking rain.
 * @param past its days up to yesterday; `ahead` what the drying day to come takes, in usual days
 * @returns null while no day is known
 * Source: common practice (the gap is what matters to trees, and wind shortens it); how days are counted is a judgement.
 */
export function treeGap(past: readonly DailyRecord[], ahead = 0): TreeGap | null {
  const month = past.slice(-USUAL_DAYS);
  const usual = month.reduce((sum, day) => sum + day.et0Mm, 0) / month.length;
  if (month.length === 0 || usual <= 0) return null;
  const last = past.findLastIndex(
    (day) => day.irrigationMm >= LEAST_MM || day.rainMm >= ALERT_LIMITS.soakingMm,
  );
  const since = past.slice(last + 1);
  const counted = since.reduce((sum, day) => sum + day.et0Mm / usual, 0) + ahead;
  return { days: since.length, counted };
}
