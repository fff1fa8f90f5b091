import { addDays, type IsoDate } from '../units/dates.ts';
import { gather } from './gather.ts';
import { daysWorked, minutesOn, stays, wateringOn } from './day.ts';
import type { BedPlan, Follow } from './types.ts';

/** Growth that one place may lose more for an even week, share of what it wants. Judgement. */
const MORE_LOST = 0.005;
/** A day this much longer than usual is still better than one day of work more, where nobody told how long it may be. Judgement. */
const RATHER_LONGER = 1.2;

/**
 * Spares visits between the rounds that save hardly anything (`gather`), and moves waterings of places that can take it from overfull
 * round days to others, so that no day is more than a person has the time for. It is done for the garden as it stood this morning: what is done of a walk takes nothing else off it and adds
 * nothing. What was watered since moves only its later rounds.
 * @param plans each place with its plan; `mostMinutes` of a person's time on a day, `isTold` by them; `follow` tries a place another way;
 *   `morning` a place's plan without what was settled of it today, itself where nothing was, and the like of `follow` for it
 * @returns the plans; a day that cannot be eased stays as it is
 * Source: judgement; growth as the engine has it.
 */
export function spread(
  plans: readonly BedPlan[],
  options: {
    today: IsoDate;
    horizonDays: number;
    mostMinutes: number;
    isRound: (date: IsoDate) => boolean;
    isTold: boolean;
    free?: ReadonlySet<IsoDate>;
  },
  follow: Follow,
  morning: { of: (plan: BedPlan) => BedPlan; follow: Follow },
): BedPlan[] {
  const { today, horizonDays, mostMinutes } = options;
  const room: Room = { mostMinutes, longestMinutes: (options.isTold ? 1 : RATHER_LONGER) * mostMinutes };
  const days = Array.from({ length: horizonDays }, (_, d) => addDays(today, d));
  const before = plans.map(morning.of);
  const isSettled = (i: number): boolean => before[i] !== plans[i];
  const eased = days.reduce(
    (now, date) => easeDay(now, date, room, morning.follow, () => true),
    gather(before, options, morning.follow),
  );
  const current = eased.map((plan, i) => (isSettled(i) ? (plans[i] as BedPlan) : plan));
  return days.slice(1).reduce((now, date) => easeDay(now, date, room, follow, isSettled), current);
}

/** Minutes of a day that are eased where that takes no further day of work, and those that are eased in any case. */
interface Room {
  mostMinutes: number;
  longestMinutes: number;
}

function easeDay(
  plans: readonly BedPlan[],
  date: IsoDate,
  { mostMinutes, longestMinutes }: Room,
  follow: Follow,
  mayMove: (i: number) => boolean,
): BedPlan[] {
  const current = [...plans];
  while (minutesOn(current, date) > mostMinutes) {
    const moves = current.flatMap((plan, i) => {
      const watering = wateringOn(plan, date);
      if (!watering || !mayMove(i) || stays(watering)) return [];
      const moved = follow(plan, 'left out', date);
      const isWorthADay = minutesOn(current, date) > longestMinutes;
      return eases(current, i, moved, { mostMinutes, isWorthADay })
        ? [{ i, moved, costs: costOf(plan, moved) / Math.max(1, watering.handsOnMinutes) }]
        : [];
    });
    if (moves.length === 0) break;
    const { i, moved } = moves.reduce((a, b) => (b.costs < a.costs ? b : a));
    current[i] = moved;
  }
  return current;
}

/** Growth lost by it; what costs next to nothing is told apart by the minutes it eases. */
const costOf = (plan: BedPlan, moved: BedPlan): number =>
  Math.max(1e-4, moved.outlook.lostShare - plan.outlook.lostShare);

/** Hardly more is lost, there are no more waterings, and no day becomes overfull by it that was not. */
function eases(
  plans: readonly BedPlan[],
  i: number,
  moved: BedPlan,
  { mostMinutes, isWorthADay }: { mostMinutes: number; isWorthADay: boolean },
): boolean {
  const was = plans[i] as BedPlan;
  if (moved.waterings.length > was.waterings.length) return false;
  if (moved.outlook.lostShare > Math.max(was.outlook.allowedShare, was.outlook.lostShare) + MORE_LOST)
    return false;
  const after = plans.map((plan, k) => (k === i ? moved : plan));
  if (!isWorthADay && daysWorked(after).size > daysWorked(plans).size) return false;
  return moved.waterings.every(
    ({ date }) => minutesOn(after, date) <= Math.max(mostMinutes, minutesOn(plans, date)),
  );
}
