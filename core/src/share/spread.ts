import type { PlannedWatering } from '../follow/types.ts';
import { addDays, type IsoDate } from '../units/dates.ts';
import type { BedPlan, Follow } from './types.ts';

/** Growth that one place may lose more for an even week, share of what it wants. Judgement. */
const MORE_LOST = 0.005;

const minutesOf = (plans: readonly BedPlan[], date: IsoDate): number =>
  plans.reduce((sum, plan) => sum + (on(plan, date)?.handsOnMinutes ?? 0), 0);
const on = ({ waterings }: BedPlan, date: IsoDate): PlannedWatering | undefined =>
  waterings.find((w) => w.date === date);
/** What was set by hand, and what hangs, stays where it is. */
const STAYS: ReadonlySet<PlannedWatering['reason']['code']> = new Set([
  'set by hand',
  'wilting',
  'planting drench',
  'fixed week',
]);

/**
 * Moves waterings of places that can take it from overfull round days to others, so that no day is more than a person has
 * the time for.
 * @param plans each place with its plan; `mostMinutes` of a person's time on a day, and those of today so far; `follow` tries a place another way
 * @returns the plans; a day that cannot be eased stays as it is
 * Source: judgement; growth as the engine has it.
 */
export function spread(
  plans: readonly BedPlan[],
  options: { today: IsoDate; horizonDays: number; mostMinutes: number; givenTodayMinutes: number },
  follow: Follow,
): BedPlan[] {
  const { today, horizonDays } = options;
  const current = [...plans];
  for (let d = 0; d < horizonDays; d += 1) {
    const date = addDays(today, d);
    // What was done today already was part of the day.
    const mostMinutes = options.mostMinutes - (d === 0 ? options.givenTodayMinutes : 0);
    for (;;) {
      if (minutesOf(current, date) <= mostMinutes) break;
      const moves = current.flatMap((plan, i) => {
        const watering = on(plan, date);
        if (!watering || STAYS.has(watering.reason.code)) return [];
        const moved = follow(plan, 'left out', date);
        return eases(current, i, moved, mostMinutes)
          ? [{ i, moved, costs: moved.outlook.lostShare - plan.outlook.lostShare }]
          : [];
      });
      if (moves.length === 0) break;
      const { i, moved } = moves.reduce((a, b) => (b.costs < a.costs ? b : a));
      current[i] = moved;
    }
  }
  return current;
}

/** Hardly more is lost, there are no more waterings, and no day becomes overfull by it that was not. */
function eases(plans: readonly BedPlan[], i: number, moved: BedPlan, mostMinutes: number): boolean {
  const was = plans[i] as BedPlan;
  if (moved.waterings.length > was.waterings.length) return false;
  if (moved.outlook.lostShare > Math.max(was.outlook.allowedShare, was.outlook.lostShare) + MORE_LOST)
    return false;
  const after = plans.map((plan, k) => (k === i ? moved : plan));
  return moved.waterings.every(
    ({ date }) => minutesOf(after, date) <= Math.max(mostMinutes, minutesOf(plans, date)),
  );
}
