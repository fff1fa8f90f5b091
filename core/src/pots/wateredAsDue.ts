import { addDays, daysBetween, type IsoDate } from '../units/dates.ts';
import type { DatedPotEntry } from './entries.ts';
import { planPot, type PotSpan } from './planPot.ts';
import type { Pot } from './pots.ts';

/** At seven in the morning, as an entry without an hour is. */
const HOUR = 7;

/** What somebody who followed the plan of a pot would have written down, from its first day to an evening. Source: its own plan. */
export function wateredAsDue(
  pot: Pot,
  span: Omit<PotSpan, 'today' | 'days' | 'ensemble'>,
  until: IsoDate,
): DatedPotEntry[] {
  if (until < pot.startOn) return [];
  const { givings } = planPot(pot, {
    ...span,
    today: pot.startOn,
    days: daysBetween(pot.startOn, addDays(until, 1)),
    ensemble: null,
  });
  return givings.flatMap(({ date, millilitres, how, again }): DatedPotEntry[] => [
    { date, hour: HOUR, entry: { kind: 'given', millilitres: Math.max(1, Math.round(millilitres)), how } },
    ...(again
      ? [
          {
            date,
            hour: again.hour,
            entry: { kind: 'given' as const, millilitres: Math.max(1, Math.round(again.millilitres)), how },
          },
        ]
      : []),
  ]);
}
