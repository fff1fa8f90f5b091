import type { IsoDate } from '../../units/dates.ts';
import { daysOfMonth } from './daysOfMonth.ts';

/** Rounds in which the middles of the months are moved until the means come out; the rest is under a thousandth. */
const ROUNDS = 12;
const MONTHS = 12;

/**
 * A course through the year whose means over the months are the ones given: straight from the middle of each month to the next.
 * @param means January to December
 * @param least what it never falls under
 * @returns the value on a day, in the unit of the means
 * Source: arithmetic, a polygon through the middles of the months
 */
export function yearCourse(means: readonly number[], least = -Infinity): (date: IsoDate) => number {
  const of = (values: readonly number[], month: number): number => values[(month + MONTHS) % MONTHS] ?? 0;
  let middles = [...means];
  for (let round = 0; round < ROUNDS; round += 1) {
    // A line through three middles has this mean over the month between.
    const mean = (month: number): number =>
      (of(middles, month - 1) + 6 * of(middles, month) + of(middles, month + 1)) / 8;
    middles = middles.map((middle, month) => Math.max(least, middle + of(means, month) - mean(month)));
  }
  return (date) => {
    const month = Number(date.slice(5, 7)) - 1;
    const along = (Number(date.slice(8, 10)) - 0.5) / daysOfMonth(month) - 0.5;
    const other = of(middles, along < 0 ? month - 1 : month + 1);
    return of(middles, month) + Math.abs(along) * (other - of(middles, month));
  };
}
