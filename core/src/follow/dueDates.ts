import { at } from '../units/at.ts';
import { addDays, type IsoDate } from '../units/dates.ts';
import { quantile } from '../units/quantile.ts';
import type { DueDates } from './types.ts';

/**
 * The days on which one in ten, half and nine in ten of the ways have come to something, and the share of them on each day.
 * @param dueDay the day of each way, 0 = today; `days` or more where it never does
 * @param span its first day, and how many days it has
 */
export function datesOf(
  dueDay: Int16Array | Float64Array,
  { today, days }: { today: IsoDate; days: number },
): DueDates {
  const sorted = Float64Array.from(dueDay).sort();
  const date = (share: number): IsoDate | null => {
    const day = quantile(sorted, share);
    return day < days ? addDays(today, day) : null;
  };
  const onDays = new Float64Array(days);
  for (const day of dueDay) if (day < days) onDays[day] = at(onDays, day) + 1 / dueDay.length;
  return { early: date(0.1), likely: date(0.5), late: date(0.9), onDays: [...onDays] };
}
