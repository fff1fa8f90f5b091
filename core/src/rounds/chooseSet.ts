import { keepsTo } from '../plants/goals.ts';

/** A denser set must save so much growth for each day a week more; where the sparser loses much already, a quarter of it. Judgement. */
const WORTH_A_DAY = 0.01;
const MUCH = 2;

/**
 * How often a place is to be asked: the sparsest set whose loss stays within what its goal allows. Where there is none, the
 * densest, as long as each step to it saves at least a point of growth for each day a week more, or a quarter of one where
 * the sparser set would lose more than twice what is allowed.
 * @param sets numbers of days a week, sparse to dense; `lossOf` growth lost under each, 0–1, asked from sparse to dense
 * @returns which of the sets
 */
export function chooseSet(
  perWeek: readonly number[],
  allowedShare: number,
  lossOf: (i: number) => number,
): number {
  const last = perWeek.length - 1;
  for (let i = 0; i <= last; i += 1) if (keepsTo(lossOf(i), allowedShare)) return i;
  // None suffices: from the densest back, as long as what lies between is hardly worth it.
  let chosen = last;
  for (let i = last - 1; i >= 0; i -= 1) {
    const days = (perWeek[chosen] as number) - (perWeek[i] as number);
    const worth = lossOf(i) > MUCH * allowedShare ? WORTH_A_DAY / 4 : WORTH_A_DAY;
    if (lossOf(i) - lossOf(chosen) < worth * days) chosen = i;
  }
  return chosen;
}

/** Another set is worth the trouble of other days from so much growth on; a sparser one must lose no more than this part of what is allowed. Judgements. */
const WORTH_MOVING = 0.01;
const EASILY = 0.5;

/**
 * The set of a place that had one before: it stays unless it loses a point more than is allowed, or a sparser one suffices easily.
 * Forecasts change from day to day, and changing the days costs a person more than a point of growth.
 * @param before which of the sets it had; otherwise as `chooseSet`
 */
export function chooseHeld(
  perWeek: readonly number[],
  allowedShare: number,
  lossOf: (i: number) => number,
  before: number,
): number {
  if (lossOf(before) > allowedShare + WORTH_MOVING)
    return Math.max(before, chooseSet(perWeek, allowedShare, lossOf));
  for (let i = 0; i < before; i += 1) if (lossOf(i) <= EASILY * allowedShare) return i;
  return before;
}

/** The round of a garden: the sparsest set that suffices for half of its places. @param chosen of each place which set */
export function roundOfGarden(chosen: readonly number[]): number {
  const sorted = [...chosen].sort((a, b) => a - b);
  return sorted[Math.max(0, Math.ceil(sorted.length / 2) - 1)] ?? 0;
}

/** More than half of the places must ask for other days before the round of the garden moves: so many, as a share. Judgement. */
const MOST = 2 / 3;

/** The round of a garden that had one before: it moves only where two thirds of its places need more, or have enough with fewer. */
export function heldRound(chosen: readonly number[], before: number): number {
  const share = (is: (i: number) => boolean): number => chosen.filter(is).length / Math.max(1, chosen.length);
  const moves = share((i) => i > before) >= MOST || share((i) => i < before) >= MOST;
  return chosen.length > 0 && moves ? roundOfGarden(chosen) : before;
}
