import { addDays, type IsoDate } from '../units/dates.ts';
import { WET_DAY_MM } from './wetDay.ts';

/** A day's rain, and what sun and wind took on it, mm. */
export interface RainAndUse {
  date: IsoDate;
  rainMm: number;
  et0Mm: number;
}

/**
 * Rain against use, each added up from a day on.
 * @param days in order, gaps allowed; `from` the first that counts
 * @returns for each day on record what has come and what has gone since, mm
 * Source: arithmetic.
 */
export function rainAgainstUse(
  days: readonly RainAndUse[],
  from: IsoDate,
): { date: IsoDate; rainMm: number; useMm: number }[] {
  let [rainMm, useMm] = [0, 0];
  return days
    .filter(({ date }) => date >= from)
    .map((day) => {
      rainMm += day.rainMm;
      useMm += day.et0Mm;
      return { date: day.date, rainMm, useMm };
    });
}

/**
 * Runs of days without rain worth the name (under 1 mm). A day that is not on record ends a run.
 * @param days in order; `leastDays` shorter ones are not told
 * @returns in order, each with its first day and its length
 * Source: the usual meteorological threshold of a wet day.
 */
export function dryGaps(
  days: readonly Pick<RainAndUse, 'date' | 'rainMm'>[],
  leastDays: number,
): { from: IsoDate; days: number }[] {
  const gaps: { from: IsoDate; days: number }[] = [];
  let gap: { from: IsoDate; days: number } | null = null;
  for (const { date, rainMm } of days) {
    const goesOn: boolean = gap !== null && addDays(gap.from, gap.days) === date;
    if (rainMm >= WET_DAY_MM) gap = null;
    else if (gap && goesOn) gap.days += 1;
    else gaps.push((gap = { from: date, days: 1 }));
  }
  return gaps.filter((one) => one.days >= leastDays);
}
