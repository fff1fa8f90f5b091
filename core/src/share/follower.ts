import type { BedStart } from '../follow/bedStart.ts';
import { followAhead, type AheadOptions } from '../follow/follow.ts';
import type { PlanBed } from '../follow/types.ts';
import { whenRead } from '../follow/whenRead.ts';
import { addDays, type IsoDate } from '../units/dates.ts';
import type { BedPlan, Cap, Follow, Tried } from './types.ts';

/** Ways in which each bed's plan was tried before, by the plan it was tried on. */
export type Tries = WeakMap<BedPlan, Map<string, BedPlan>>;

const without = ({ fixed }: PlanBed, date: IsoDate): PlanBed['fixed'] =>
  fixed?.filter((f) => f.date !== date);

/** So that the same watering is no part of itself, litres. */
const ROUNDING_L = 0.01;

/** Asked days before a date on which nothing is given: they stay so. */
function idleBefore({ bed, waterings }: BedPlan, date: IsoDate): IsoDate[] {
  const made = new Set(waterings.map((w) => w.date));
  return bed.asked?.filter((day) => day < date && !made.has(day)) ?? [];
}
/** What was settled of the days before a date: it stays so, whatever becomes of the days after. */
function settledBefore({ bed, waterings }: BedPlan, date: IsoDate): NonNullable<PlanBed['shared']> {
  const known = bed.shared?.filter((share) => share.date < date) ?? [];
  const days = new Set(known.map((share) => share.date));
  const more = waterings.filter((w) => w.date < date && !days.has(w.date));
  return [...known, ...more.map((w) => ({ date: w.date, litres: w.run.litres + ROUNDING_L, why: null }))];
}
const askedAlso = ({ asked }: PlanBed, date: IsoDate): PlanBed['asked'] =>
  asked && [...new Set([...asked, date])].sort();

/** What a bed's facts are under each way of trying it. */
const BED_OF: Readonly<
  Record<Tried, (plan: BedPlan, date: IsoDate, amount: number | undefined, why: Cap | undefined) => PlanBed>
> = {
  'put off': (plan, date, days = 1) => ({
    ...plan.bed,
    blocked: [
      ...(plan.bed.blocked ?? []),
      ...idleBefore(plan, date),
      ...Array.from({ length: days }, (_, d) => addDays(date, d)),
    ],
    shared: settledBefore(plan, date),
    // It has its turn on that day, not only on the next round.
    asked: askedAlso(plan.bed, addDays(date, days)),
    fixed: without(plan.bed, date),
  }),
  'left out': ({ bed }, date) => ({
    ...bed,
    blocked: [...(bed.blocked ?? []), date],
    fixed: without(bed, date),
  }),
  'in part': (plan, date, litres = 0, why = 'litres a day') => ({
    ...plan.bed,
    blocked: [...(plan.bed.blocked ?? []), ...idleBefore(plan, date)],
    shared: [...settledBefore(plan, date), { date, litres, why }],
    // What a day's water leaves wanting has its turn tomorrow; a week's is used up.
    asked: why === 'litres a week' ? plan.bed.asked : askedAlso(plan.bed, addDays(date, 1)),
  }),
  'gone on': ({ bed }) => bed,
};

/**
 * Tries beds of a garden one way or another; what was tried on the same plan before is not followed again.
 * @param startOf each bed this morning; `large` gardens' beds are followed no further than to their next watering, and told
 *   in full only where somebody reads them
 */
export function follower(
  startOf: (bedId: number) => BedStart,
  tries: Tries,
  options: Pick<AheadOptions, 'today' | 'horizonDays' | 'firstReasons'> & { large: boolean },
): { follow: Follow; inFull: (plan: BedPlan) => BedPlan } {
  const { large, ...ahead } = options;
  const tried = (plan: BedPlan, key: string, make: () => BedPlan): BedPlan => {
    let ways = tries.get(plan);
    if (!ways) tries.set(plan, (ways = new Map<string, BedPlan>()));
    const made = ways.get(key) ?? make();
    ways.set(key, made);
    return made;
  };
  return {
    follow: (plan, how, date, amount, why) =>
      tried(plan, `${how} ${date} ${amount ?? ''} ${why ?? ''}`, () => {
        const bed = BED_OF[how](plan, date, amount, why);
        const part = large && how !== 'left out' ? { stopAfter: date, resume: plan.open } : {};
        return followAhead(startOf(bed.id), bed, { ...ahead, ...part, sketch: true });
      }),
    inFull: (plan) =>
      tried(plan, 'in full', () => {
        const full = (): BedPlan => followAhead(startOf(plan.bed.id), plan.bed, ahead);
        return large && !plan.open ? whenRead(plan, full) : full();
      }),
  };
}
