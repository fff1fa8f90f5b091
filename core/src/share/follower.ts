import type { BedStart } from '../follow/bedStart.ts';
import { followAhead, type AheadOptions } from '../follow/follow.ts';
import type { PlanBed } from '../follow/types.ts';
import { whenRead } from '../follow/whenRead.ts';
import { addDays, type IsoDate } from '../units/dates.ts';
import type { BedPlan, Follow, Tried } from './types.ts';

/** Ways in which each bed's plan was tried before, by the plan it was tried on. */
export type Tries = WeakMap<BedPlan, Map<string, BedPlan>>;

const without = ({ fixed }: PlanBed, date: IsoDate): PlanBed['fixed'] =>
  fixed?.filter((f) => f.date !== date);

/** What a bed's facts are under each way of trying it. */
const BED_OF: Readonly<Record<Tried, (plan: BedPlan, date: IsoDate, days: number) => PlanBed>> = {
  'put off': ({ bed, waterings }, date, days) => {
    const made = new Set(waterings.map((w) => w.date));
    const before = bed.asked?.filter((day) => day < date && !made.has(day)) ?? [];
    return {
      ...bed,
      blocked: [
        ...(bed.blocked ?? []),
        ...before,
        ...Array.from({ length: days }, (_, d) => addDays(date, d)),
      ],
      // It has its turn on that day, not only on the next round.
      asked: bed.asked && [...new Set([...bed.asked, addDays(date, days)])].sort(),
      fixed: without(bed, date),
    };
  },
  'left out': ({ bed }, date) => ({
    ...bed,
    blocked: [...(bed.blocked ?? []), date],
    fixed: without(bed, date),
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
    follow: (plan, how, date, days = 1) =>
      tried(plan, `${how} ${date} ${days}`, () => {
        const bed = BED_OF[how](plan, date, days);
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
