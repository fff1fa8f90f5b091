import type { IsoDate } from '../units/dates.ts';
import { plantOnDay } from './plantOnDay.ts';
import { standingOn } from './standing.ts';
import type { PlantingInput } from './types.ts';

/** How deep the roots of a bed may go: the shallow end of the catalogue's range, its middle, or its deep end (FAO-56 table 22). */
export const ROOT_DEPTHS = ['shallow', 'middle', 'deep'] as const;
export type RootDepth = (typeof ROOT_DEPTHS)[number];
/** Where in the range each lies: 0 its shallow end, 1 its deep one. */
export const ROOTS_AT: Readonly<Record<RootDepth, number>> = { shallow: 0, middle: 0.5, deep: 1 };
/** How much each is believed, adding up to 1. */
export type RootBelief = Readonly<Record<RootDepth, number>>;

/** What is believed where nobody has looked. Judgement. */
export const USUAL_BELIEF: RootBelief = { shallow: 0.3, middle: 0.4, deep: 0.3 };
/** Spread of the depth at which a spade finds the last roots, in logarithms: a seventh. Judgement. */
const SPREAD = 0.15;

/** The same plantings with roots at a place in their range. */
export const rootedAt = (plantings: readonly PlantingInput[], at: number): PlantingInput[] =>
  plantings.map((planting) => ({ ...planting, rootsAt: at }));

/** The depth that doses are measured by and figures are given for: the middle of what is believed. */
export function countedOn(belief: RootBelief): RootDepth {
  let upTo = 0;
  for (const depth of ROOT_DEPTHS) {
    upTo += belief[depth];
    if (upTo >= 0.5 - 1e-9) return depth;
  }
  return 'deep';
}

/**
 * The belief after roots were seen down to a depth: each is weighed by how well it tells that depth on that day.
 * @param seen depth mm and the day; of what did not stand there then nothing is learnt
 * Source: Bayes' rule; spread and first belief are the judgements above.
 */
export function beliefAfter(
  plantings: readonly PlantingInput[],
  seen: { on: IsoDate; depthMm: number },
  before: RootBelief = USUAL_BELIEF,
): RootBelief {
  const planting = standingOn(plantings, seen.on);
  if (!planting) return before;
  const weights = ROOT_DEPTHS.map((depth) => {
    const modelled = plantOnDay({ ...planting, rootsAt: ROOTS_AT[depth] }, seen.on)?.rootDepthMm ?? 0;
    const off = Math.log(Math.max(1, seen.depthMm) / Math.max(1, modelled)) / SPREAD;
    // A little of each stays: a spade may have missed the one root that went down.
    return before[depth] * (0.02 + Math.exp(-0.5 * off ** 2));
  });
  const sum = weights.reduce((a, b) => a + b, 0);
  const [shallow = 0, middle = 0, deep = 0] = weights.map((weight) => weight / sum);
  return { shallow, middle, deep };
}
