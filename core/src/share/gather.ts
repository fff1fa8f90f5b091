import { addDays, type IsoDate } from '../units/dates.ts';
import { daysWorked, minutesOn, stays, wateringOn } from './day.ts';
import type { BedPlan, Follow } from './types.ts';

/** Growth that a visit between the rounds must save the garden to be worth a day's way there, share. Judgement. */
const WORTH_A_VISIT = 0.003;
/** On a day that the plan of yesterday left free it must save so many times as much. Judgement. */
const WORTH_A_PROMISE = 2;
/** No place may lose more than so many times what its goal allows for it, or than so much more than it would, share. Judgements. */
const MOST_TO_ONE = 2;
const MORE_TO_ONE = 0.01;

/** So many days on, what was due on a spared day may join others that are watered then. */
const JOINS_WITHIN_DAYS = 2;

const sum = (plans: readonly BedPlan[], of: (plan: BedPlan) => number): number =>
  plans.reduce((total, plan) => total + of(plan), 0);

/**
 * Spares visits between the rounds that save hardly any growth: what was due there is watered on the day before or after, on which
 * somebody is in the garden anyway. A visit for one bed takes a person there as much as one for ten.
 * @param plans each place with its plan; `isRound` the garden is walked on a day by its rounds: such a day stays; `mostMinutes` of a
 *   person's time on a day; `free` days that the plan before this one left free; `follow` tries a place another way
 * @returns the plans, with fewer days of work or as they were
 * Source: judgement; growth as the engine has it.
 */
export function gather(
  plans: readonly BedPlan[],
  options: {
    today: IsoDate;
    horizonDays: number;
    mostMinutes: number;
    isRound: (date: IsoDate) => boolean;
    free?: ReadonlySet<IsoDate>;
  },
  follow: Follow,
): BedPlan[] {
  const { today, horizonDays, mostMinutes, isRound, free } = options;
  let current = [...plans];
  for (let d = 0; d < horizonDays; d += 1) {
    const date = addDays(today, d);
    if (isRound(date)) continue;
    const due = current.filter((plan) => (wateringOn(plan, date)?.handsOnMinutes ?? 0) > 0);
    if (due.length === 0 || due.some((plan) => staysOn(plan, date))) continue;
    const worked = daysWorked(current);
    const without = current.map((plan) => (due.includes(plan) ? spared(plan, date, worked, follow) : plan));
    // What was missed is owed, whatever was said of the day.
    const wasFree =
      free?.has(date) === true && due.every((plan) => wateringOn(plan, date)?.reason.carriedFrom === null);
    if (isSpared(current, without, date, { mostMinutes, wasFree })) current = without;
  }
  return current;
}

const staysOn = (plan: BedPlan, date: IsoDate): boolean => {
  const watering = wateringOn(plan, date);
  return !watering || stays(watering);
};

/** A place's plan without a day: left to its own other days, or put off to one on which somebody is in the garden; the one that loses less. */
function spared(plan: BedPlan, date: IsoDate, worked: ReadonlySet<IsoDate>, follow: Follow): BedPlan {
  const ways = [follow(plan, 'left out', date)];
  for (let later = 1; later <= JOINS_WITHIN_DAYS; later += 1)
    if (worked.has(addDays(date, later))) ways.push(follow(plan, 'put off', date, later));
  return ways.reduce((a, b) => (b.outlook.lostShare < a.outlook.lostShare - 1e-9 ? b : a));
}

/** A day of work is spared, the garden and each place lose hardly more, and no day beside it becomes overfull; later ones are eased after. */
function isSpared(
  was: readonly BedPlan[],
  without: readonly BedPlan[],
  spare: IsoDate,
  { mostMinutes, wasFree }: { mostMinutes: number; wasFree: boolean },
): boolean {
  const fewer = daysWorked(was).size - daysWorked(without).size;
  if (wasFree ? fewer < 0 : fewer <= 0) return false;
  const wantedL = sum(was, ({ outlook }) => outlook.wantedL);
  const moreL = sum(without, ({ outlook }) => outlook.lostL) - sum(was, ({ outlook }) => outlook.lostL);
  if (moreL > (wasFree ? WORTH_A_PROMISE : 1) * WORTH_A_VISIT * wantedL) return false;
  return without.every((plan, i) => {
    const before = was[i] as BedPlan;
    if (plan === before) return true;
    const { lostShare, allowedShare } = before.outlook;
    return (
      plan.outlook.lostShare <= Math.max(MOST_TO_ONE * allowedShare, lostShare + MORE_TO_ONE) &&
      plan.waterings.every(
        ({ date }) =>
          date > addDays(spare, JOINS_WITHIN_DAYS) ||
          minutesOn(without, date) <= Math.max(mostMinutes, minutesOn(was, date)),
      )
    );
  });
}
