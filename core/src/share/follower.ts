import { followAhead, type AheadOptions, type BedStart } from '../follow/follow.ts';
import type { PlanBed } from '../follow/types.ts';
import type { IsoDate } from '../units/dates.ts';
import type { BedPlan, Follow, Tried } from './types.ts';

/** Ways in which each bed's plan was tried before, by the plan it was tried on. */
export type Tries = WeakMap<BedPlan, Map<string, BedPlan>>;

/** What a bed's facts are under each way of trying it. */
const BED_OF: Readonly<Record<Tried, (bed: PlanBed, date: IsoDate) => PlanBed>> = {
  'put off': (bed, date) => ({
    ...bed,
    blocked: [...(bed.blocked ?? []), date],
    fixed: bed.fixed?.filter((f) => f.date !== date),
  }),
  spared: (bed, date) => ({ ...bed, spared: [...(bed.spared ?? []), date] }),
  'gone on': (bed) => bed,
};

/**
 * Tries beds of a garden one way or another; what was tried on the same plan before is not followed again.
 * @param startOf each bed this morning; `large` gardens' beds are followed no further than to their next watering
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
    follow: (plan, how, date) =>
      tried(plan, `${how} ${date}`, () => {
        const bed = BED_OF[how](plan.bed, date);
        const part = large && how !== 'spared' ? { stopAfter: date, resume: plan.open } : {};
        return followAhead(startOf(bed.id), bed, { ...ahead, ...part, sketch: true });
      }),
    inFull: (plan) => tried(plan, 'in full', () => followAhead(startOf(plan.bed.id), plan.bed, ahead)),
  };
}
