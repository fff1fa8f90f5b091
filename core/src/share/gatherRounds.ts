import { easeOf } from '../follow/isDue.ts';
import { addDays, type IsoDate } from '../units/dates.ts';
import type { BedPlan, Follow } from './types.ts';

/** Extra water a spared round may cost, share of what is planned. Judgement. */
const DEARER = 1.05;
/** Waterings a bed may get more in exchange for a spared round. Judgement. */
const MORE_WATERINGS = 1;

/**
 * Spares whole rounds: a day is left free when every bed due on it can be filled a little earlier, with a round that is
 * made anyway, and its plants hardly miss a drop for it. Today is free when all that is due can as well wait a day.
 * @param plans each bed with its outlook; `follow` tries a bed's plan another way
 * @returns the plans, and the days that became free
 * Source: common practice, few rounds; the limits are judgements of this file.
 */
export function gatherRounds(
  plans: readonly BedPlan[],
  options: { today: IsoDate; horizonDays: number },
  follow: Follow,
): { plans: BedPlan[]; spared: IsoDate[] } {
  let current = [...plans];
  const spared: IsoDate[] = [];
  for (let d = 0; d < options.horizonDays; d += 1) {
    const date = addDays(options.today, d);
    const due = current.flatMap((plan, i) => (plan.waterings.some((w) => w.date === date) ? [i] : []));
    if (due.length === 0) continue;
    const rounds = new Set(current.flatMap((plan) => plan.waterings.map((w) => w.date)));
    const next = [...current];
    const eased = due.every((i) => {
      const plan = current[i] as BedPlan;
      const tried = follow(plan, 'spared', date);
      next[i] = tried;
      return isNoWorse(plan, tried, rounds, date);
    });
    if (!eased) continue;
    current = next;
    spared.push(date);
  }
  return { plans: current, spared };
}

/** Hardly more missed, hardly more water, and no round that was not there. */
function isNoWorse(was: BedPlan, is: BedPlan, rounds: ReadonlySet<IsoDate>, date: IsoDate): boolean {
  const litres = (p: BedPlan): number => p.waterings.reduce((sum, w) => sum + w.run.litres, 0);
  return (
    !was.bed.wilting &&
    is.outlook.missedMm <= was.outlook.missedMm + easeOf(was.bed.bed.plantings, date) &&
    is.waterings.length <= was.waterings.length + MORE_WATERINGS &&
    litres(is) <= litres(was) * DEARER &&
    is.waterings.every((w) => w.date >= date || rounds.has(w.date)) &&
    is.waterings.every((w) => w.date !== date)
  );
}
