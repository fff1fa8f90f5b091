import type { BedInput } from '../ground/bedModel.ts';
import { ground, type GroundState } from '../ground/ground.ts';
import type { PlaceKind } from '../place.ts';
import { soakClock } from './soakClock.ts';
import type { TreeSoaks } from './treeSoaks.ts';

/** Ground laid out from a trunk (`treeGround`), with what its tree asks beside it. */
export type TreeRingInput = BedInput & { soaks?: TreeSoaks };

/** The ring of a tree, shrub or hedge: ground, and a clock that forces a soak. */
export const treeRingPlace: PlaceKind<TreeRingInput, GroundState> = {
  ...ground,
  kind: 'tree ring',
  mustWater: ({ soaks }) => (soaks ? soakClock(soaks) : null),
};
