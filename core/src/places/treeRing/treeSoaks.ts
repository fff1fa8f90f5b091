import { cropOf } from '../../plants/plantOnDay.ts';
import type { PlantingInput } from '../../plants/types.ts';
import type { GroundInput } from '../../soil/soilProfile.ts';
import type { IsoDate } from '../../units/dates.ts';
import { item } from '../../units/at.ts';
import { ballOf, type RootBall } from './ball.ts';
import { isHeavy } from './gapClock.ts';
import { longestGap, phaseOn } from './phases.ts';
import { plantFactorOf } from './treeDemand.ts';
import type { TreeFacts } from './treeFacts.ts';

/** What forces a watering of a tree place whatever its balance says: the longest gap, and its ball. It never delays one. */
export interface TreeSoaks {
  /** Longest gap, days as the clock counts them, and whether mild days count less on its soil. */
  gapDays: number;
  heavy: boolean;
  /** Of one plant, and how many there are. */
  ball: RootBall | null;
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
  return {
    gapDays: longestGap(crop, phase),
    heavy: phase === 'established' && isHeavy(item(ground.horizons, 0).textureClass),
    ball: ballOf(tree, phase, plantFactorOf(crop), ground, planting.plantedOn, on),
    count: tree.count,
  };
}
