import { soilProfile, LAYER_MM, type GroundInput } from '../../soil/soilProfile.ts';
import { MIXES } from '../vessel/mixes.ts';
import { at } from '../../units/at.ts';
import { daysBetween, type IsoDate } from '../../units/dates.ts';
import { ballDepthM, ballRadiusM, ballBandOf, livesOnBall, type TreePhase } from './phases.ts';
import { LEAF_SHARES } from './treeGround.ts';
import { canopyM2, type TreeFacts } from './treeFacts.ts';

/**
 * The root ball of a young tree: it dries before the ground about it does, since the roots are still in it and water does not
 * move over from finer soil (common practice).
 */
export interface RootBall {
  /** What it holds for the roots, L, of one plant, and how much of that may go. */
  holdsL: number;
  bandShare: number;
  /** What a millimetre of reference demand takes from it on the day it is planted, and what rain of one brings, L. */
  usesLPerMm: number;
  plantedOn: IsoDate;
  rainLPerMm: number;
}

/**
 * Roots leave the ball week by week: so much of their water they come to draw from the ground round it, and most of that within so
 * many days. Judgement, fitted to `youngRhythm`.
 */
const OUTSIDE = 0.9;
const ROOTING_DAYS = 35;

/** Water a litre of it holds for roots, share. @param ground that it stands in: bare roots and a dug ball have their own soil or this one's */
function heldShare({ cameAs }: TreeFacts, ground: GroundInput): number {
  if (cameAs === 'potted') return MIXES.standard.containerCapacity - MIXES.standard.unavailable;
  const profile = soilProfile(ground);
  return (at(profile.fieldCapacityMm, 1) - at(profile.wiltingPointMm, 1)) / LAYER_MM;
}

/**
 * The ball of one plant of a tree place on a day; null once it has rooted out.
 * @param factor plant factor 0.1–1.2
 * Source: volume × what its stuff holds (nursery ranges, as the mixes of pots; the ground's own by Saxton & Rawls); use by ANSI/ASABE S623.
 */
export function ballOf(
  tree: TreeFacts,
  phase: TreePhase,
  factor: number,
  ground: GroundInput,
  plantedOn: IsoDate,
): RootBall | null {
  if (!livesOnBall(tree, phase)) return null;
  const radius = ballRadiusM(tree);
  const topM2 = Math.PI * radius ** 2;
  const volumeL = tree.potL ?? topM2 * ballDepthM(tree) * 1000;
  return {
    holdsL: volumeL * heldShare(tree, ground),
    bandShare: ballBandOf(tree, phase),
    usesLPerMm: factor * LEAF_SHARES[phase] * canopyM2(tree),
    plantedOn,
    rainLPerMm: topM2,
  };
}

/** What a ball loses to its leaves on a day, L: ever less as roots leave it. @param leaves share of them that it bears, 0–1 */
export const ballLossL = (
  { usesLPerMm, plantedOn }: RootBall,
  { date, et0Mm, leaves = 1 }: { date: IsoDate; et0Mm: number; leaves?: number },
): number => {
  const age = Math.max(0, daysBetween(plantedOn, date));
  return usesLPerMm * (1 - OUTSIDE * (1 - Math.exp(-age / ROOTING_DAYS))) * et0Mm * leaves;
};

/** Gone from a ball, L, after another day. @param givenL what of a watering fell on it */
export const ballAfter = (
  ball: RootBall,
  depletionL: number,
  day: { date: IsoDate; et0Mm: number; leaves?: number; rainMm: number; givenL: number },
): number =>
  Math.min(
    ball.holdsL,
    Math.max(0, depletionL - day.givenL - ball.rainLPerMm * day.rainMm) + ballLossL(ball, day),
  );
