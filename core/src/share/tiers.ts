import { cropOf, plantOnDay } from '../plants/plantOnDay.ts';
import { usualRank } from '../plants/rank.ts';
import type { PlannedWatering } from '../follow/types.ts';
import type { Competing } from './allocate.ts';
import type { BedPlan } from './types.ts';

export const FIRST = 0;
const TIERS = { first: FIRST, ordinary: 1, last: 2 } as const;

/** The class in which a watering competes: what hangs, what was set by hand and what cannot be had again come first. */
export function tierOf({ bed }: BedPlan, watering: PlannedWatering): Competing['tier'] {
  const { code } = watering.reason;
  if (code === 'wilting' || code === 'set by hand') return TIERS.first;
  if (bed.rank) return TIERS[bed.rank];
  const guarded = bed.bed.plantings.some((p) => {
    const plant = plantOnDay(p, watering.date);
    const { group } = cropOf(p);
    return plant && !plant.over && (!plant.rooted || group === 'fruit trees' || group === 'ornamental trees');
  });
  return guarded ? TIERS.first : TIERS[usualRank(bed.bed.plantings)];
}
