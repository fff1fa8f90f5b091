import { cropOf } from '../../plants/plantOnDay.ts';
import type { PlantingInput } from '../../plants/types.ts';
import type { GroundInput } from '../../soil/soilProfile.ts';
import type { IsoDate } from '../../units/dates.ts';
import { item } from '../../units/at.ts';
import { ballOf, type RootBall } from './ball.ts';
import { GAP_RULES } from './gapClock.ts';
import { longestGap, phaseOn, trunkAtPlantingM } from './phases.ts';
import { depthDose } from './treePlan.ts';
import { plantFactorOf } from './treeDemand.ts';
import type { TreeFacts } from './treeFacts.ts';
import { treeDepthMm, type TreeGround } from './treeGround.ts';
import { youngRhythm, type YoungRhythm } from './youngRhythm.ts';

/** What forces a watering of a tree place whatever its balance says: the longest gap, and its ball. It never delays one. */
export interface TreeSoaks {
  /** Longest gap, days, and the least of it after which a soak on the round before may stand for it. */
  gapDays: number;
  earliestDays: number;
  /** A whole soak, mm where it falls: less sets its clock back in proportion. */
  soakMm: number;
  /** Of one plant, with its rhythm while it lives on that. */
  ball: RootBall | null;
  rhythm: YoungRhythm | null;
  /** What one watering may be in that rhythm, mm where it falls; null for bushes, whose litres no guide counts by a trunk. */
  between: { leastMm: number; mostMm: number } | null;
  count: number;
}

/** @param planting the woody plant; `made` its ground as laid out; `on` the day of the plan. Source: as `phases` and `ballOf`. */
export function treeSoaks(
  tree: TreeFacts,
  planting: PlantingInput,
  { ground, made, on }: { ground: GroundInput; made: TreeGround; on: IsoDate },
): TreeSoaks {
  const crop = cropOf(planting);
  const phase = phaseOn(tree, planting.plantedOn, on);
  const gapDays = longestGap(crop, tree, item(ground.horizons, 0).textureClass, {
    plantedOn: planting.plantedOn,
    on,
  });
  const ball = ballOf(tree, phase, plantFactorOf(crop), ground, planting.plantedOn);
  const rhythm = ball ? youngRhythm(planting.plantedOn, on) : null;
  const trunkCm = 100 * trunkAtPlantingM(tree);
  return {
    gapDays,
    earliestDays: GAP_RULES[tree.gap ?? 'at most 21'].earliest * gapDays,
    soakMm: depthDose(ground, tree.depthMm),
    ball,
    rhythm,
    between:
      rhythm && tree.sort === 'tree'
        ? {
            leastMm: treeDepthMm(tree, rhythm.leastLPerCm * trunkCm, made),
            mostMm: treeDepthMm(tree, rhythm.mostLPerCm * trunkCm, made),
          }
        : null,
    count: tree.count,
  };
}
