import { addDays, type IsoDate } from '../units/dates.ts';
import { weekdayOf } from '../units/weekdays.ts';

/** The days of a plan that fall on some weekdays, from today on. */
export const datesOn = (weekdays: readonly number[], today: IsoDate, days: number): IsoDate[] =>
  Array.from({ length: days }, (_, d) => addDays(today, d)).filter((date) =>
    weekdays.includes(weekdayOf(date)),
  );

/**
 * Round days of a place that has closed days of its own: for a closed one the nearest open day before it stands in, as far
 * as no other round lies between.
 */
export function aroundClosed(
  rounds: readonly IsoDate[],
  closed: readonly IsoDate[],
  today: IsoDate,
): IsoDate[] {
  if (closed.length === 0) return [...rounds];
  const shut = new Set(closed);
  const kept = new Set<IsoDate>();
  for (const round of rounds) {
    let date = round;
    while (shut.has(date) && date > today && !kept.has(addDays(date, -1))) date = addDays(date, -1);
    if (!shut.has(date)) kept.add(date);
  }
  return [...kept];
}
