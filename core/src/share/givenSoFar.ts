import type { IsoDate } from '../units/dates.ts';
import type { PlanConstraints } from '../clock/constraints.ts';
import { mondayOf } from '../units/weekdays.ts';

/**
 * What the taps have given this week and today: it counts against the limits.
 * @param waterings with their day, litres through the tap and minutes, where they were written down; `today`
 * @returns litres since Monday, and minutes and litres of today
 * Source: arithmetic.
 */
export function givenSoFar(
  waterings: readonly { date: IsoDate; litres: number | null; minutes: number | null }[],
  today: IsoDate,
): Required<Pick<PlanConstraints, 'litresThisWeek' | 'givenToday'>> {
  const monday = mondayOf(today);
  const givenToday = { minutes: 0, litres: 0 };
  let litresThisWeek = 0;
  for (const { date, litres, minutes } of waterings) {
    if (date < monday || date > today) continue;
    litresThisWeek += litres ?? 0;
    if (date !== today) continue;
    givenToday.litres += litres ?? 0;
    givenToday.minutes += minutes ?? 0;
  }
  return { litresThisWeek, givenToday };
}
