import type { Gauge } from '../places/place.ts';

/** Growth missed since the last full watering and growth that may be missed in those days, litres of transpiration weighed by stage. */
export interface StressTotals {
  missedL: number;
  allowedL: number;
  wantedL: number;
}
export const noSums = (): StressTotals => ({ missedL: 0, allowedL: 0, wantedL: 0 });

/** Water or rain that leaves less than this share of the store missing counts as a full watering. Judgement. */
const FULL_SHARE = 0.1;

/**
 * What is left of the sums after water: nothing after a full watering, and in proportion after less.
 * @param depletionL missing that morning, `enteredL` that came in, `holdsL` the store
 * @returns a factor, 0–1
 */
export function keptAfter(depletionL: number, enteredL: number, holdsL: number): number {
  if (enteredL <= 0 || depletionL <= 0) return 1;
  const left = Math.max(0, depletionL - enteredL);
  return left < FULL_SHARE * holdsL ? 0 : left / depletionL;
}

/** A day's weight: yield response of what stands there, and share of the growth that its goal lets it lose. */
export interface DayWeight {
  ky: number;
  lossShare: number;
}

/** Counts a day, in place. What lack of air takes is no thirst: with too little of it nothing is counted as missed. */
export function addDay(
  sums: StressTotals,
  { wantedL, suppliedL }: Pick<Gauge, 'wantedL' | 'suppliedL'>,
  { ky, lossShare }: DayWeight,
  airless: boolean,
): void {
  if (!airless) sums.missedL += ky * (wantedL - suppliedL);
  sums.wantedL += wantedL;
  sums.allowedL += lossShare * wantedL;
}

/** Growth lost is never more than was wanted. */
export const shareOf = (lostL: number, wantedL: number): number =>
  wantedL > 0 ? Math.min(1, Math.max(0, lostL / wantedL)) : 0;
