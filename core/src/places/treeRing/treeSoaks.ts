import { cropOf } from '../../plants/plantOnDay.ts';
import type { PlantingInput } from '../../plants/types.ts';
import type { GroundInput } from '../../soil/soilProfile.ts';
import type { IsoDate } from '../../units/dates.ts';
import { item } from '../../units/at.ts';
import { ballOf, ballRhythmDays, type RootBall } from './ball.ts';
import { GAP_RULES } from './gapClock.ts';
import { longestGap, phaseOn } from './phases.ts';
import { depthDose } from './treePlan.ts';
import { plantFactorOf } from './treeDemand.ts';
import type { TreeFacts } from './treeFacts.ts';

/** What forces a watering of a tree place whatever its balance says: the longest gap, and its ball. It never delays one. */
export interface TreeSoaks {
  /** Longest gap, days, and the least of it after which a soak on the round before may stand for it. */
  gapDays: number;
  earliestDays: number;
  /** A whole soak, mm where it falls: less sets its clock back in proportion. */
  soakMm: number;
  /** Of one plant, the days between two waterings of it at least, and how many there are. */
  ball: RootBall | null;
  ballEveryDays: number;
  count: number;
}

/** @param planting the woody plant; `on` the day of the plan. Source: as `phases` and `ballOf`. */
export function treeSoaks(
  tree: TreeFacts,
  planting: PlantingInput,
  ground: GroundInput,
  on: IsoDate,
): TreeSoaks {
  const crop = cropOf(planting);
  const phase = phaseOn(tree, planting.plantedOn, on);
  const gapDays = longestGap(crop, phase, tree, item(ground.horizons, 0).textureClass);
  return {
    gapDays,
    earliestDays: GAP_RULES[tree.gap ?? 'at most 21'].earliest * gapDays,
    soakMm: depthDose(ground, tree.depthMm),
    ball: ballOf(tree, phase, plantFactorOf(crop), ground, planting.plantedOn),
    ballEveryDays: ballRhythmDays(planting.plantedOn, on),
    count: tree.count,
  };
}
