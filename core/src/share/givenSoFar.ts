import { handsOnMinutes } from '../delivery/handsOn.ts';
import type { Delivery } from '../delivery/runPlan.ts';
import type { IsoDate } from '../units/dates.ts';
import type { PlanConstraints } from '../clock/constraints.ts';
import { mondayOf } from '../units/weekdays.ts';

/**
 * What has been given this week and today: it counts against the limits.
 * @param waterings with their day, litres through the tap and minutes, where they were written down, and what carried them; `today`
 * @returns litres since Monday, and of today litres and minutes of a person's own time
 * Source: arithmetic, as `handsOnMinutes`.
 */
export function givenSoFar(
  waterings: readonly {
    date: IsoDate;
    litres: number | null;
    minutes: number | null;
    delivery?: Pick<Delivery, 'method' | 'timer'>;
    /** The zone whose run brought it: one valve was opened for all of its beds. */
    zone?: number;
  }[],
  today: IsoDate,
): Required<Pick<PlanConstraints, 'litresThisWeek' | 'givenToday'>> {
  const monday = mondayOf(today);
  const givenToday = { minutes: 0, litres: 0 };
  let litresThisWeek = 0;
  const runs = new Set<string>();
  for (const { date, litres, minutes, delivery, zone } of waterings) {
    if (date < monday || date > today) continue;
    litresThisWeek += litres ?? 0;
    if (date !== today) continue;
    givenToday.litres += litres ?? 0;
    if (zone !== undefined) {
      const run = `${zone} ${minutes}`;
      if (runs.has(run)) continue;
      runs.add(run);
    }
    const ran = { litres: litres ?? 0, minutes: minutes ?? 0, cycles: 1 };
    givenToday.minutes += delivery ? handsOnMinutes(delivery, ran, 1) : ran.minutes;
  }
  return { litresThisWeek, givenToday };
}
