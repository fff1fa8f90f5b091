import { at } from '../units/at.ts';
import { addDays, daysBetween, type IsoDate } from '../units/dates.ts';
import { OutOfRange, within } from '../units/guard.ts';
import type { Irrigation } from './place.ts';

/** Waterings as one figure a day. Throws `RangeError` on a watering outside the days or of an impossible depth. */
export function irrigationSeries(
  irrigations: readonly Irrigation[],
  firstDate: IsoDate,
  dayCount: number,
): Float64Array {
  const series = new Float64Array(dayCount);
  for (const [i, watering] of irrigations.entries()) {
    within(`irrigations[${i}].netMm`, watering.netMm, 0, 1000, 'mm');
    const d = daysBetween(firstDate, watering.date);
    if (d < 0 || d >= dayCount) {
      throw new OutOfRange(
        `irrigations[${i}].date`,
        `lie from ${firstDate} to ${addDays(firstDate, dayCount - 1)}`,
        watering.date,
      );
    }
    series[d] = at(series, d) + watering.netMm;
  }
  return series;
}
