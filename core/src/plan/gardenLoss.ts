import type { BedOutlook, PlannedWatering } from '../follow/types.ts';

/**
 * Growth lost over a whole garden: the mean of its places, each by what its plants want.
 * @returns shares 0–1: as the roots are believed, if they are shallow, and what the goals allow
 * Source: arithmetic.
 */
export function gardenLoss(
  beds: readonly BedOutlook[],
): Pick<BedOutlook, 'lostShare' | 'lostIfShallow' | 'allowedShare'> {
  const wanted = beds.reduce((sum, bed) => sum + bed.wantedL, 0);
  const mean = (of: (bed: BedOutlook) => number): number =>
    wanted > 0 ? beds.reduce((sum, bed) => sum + bed.wantedL * of(bed), 0) / wanted : 0;
  return {
    lostShare: mean((bed) => bed.lostShare),
    lostIfShallow: mean((bed) => bed.lostIfShallow),
    allowedShare: mean((bed) => bed.allowedShare),
  };
}

/**
 * Days on which somebody walks the garden, and the most of a person's minutes on one of them.
 * @param plan its waterings; what takes nobody's time makes no round
 * Source: arithmetic.
 */
export function gardenRoundDays({ waterings }: { waterings: readonly PlannedWatering[] }): {
  days: number;
  mostMinutes: number;
} {
  const minutes = new Map<string, number>();
  for (const { date, handsOnMinutes } of waterings)
    if (handsOnMinutes > 0) minutes.set(date, (minutes.get(date) ?? 0) + handsOnMinutes);
  return { days: minutes.size, mostMinutes: Math.max(0, ...minutes.values()) };
}
