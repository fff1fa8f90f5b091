import type { RootDepth } from '../plants/rootBelief.ts';
import type { PlaceNow } from './run.ts';
import type { StressTotals } from './sums.ts';

/** A place followed to this morning with its roots at one of the depths they may have. */
export interface RootWay {
  depth: RootDepth;
  share: number;
  counted: boolean;
  now: PlaceNow;
  /** What it has missed since its last full watering. */
  sums: StressTotals;
  /** The same, had its ground been drier or wetter on the first day than somebody said; empty where that is past doubt. */
  otherwise: readonly { now: PlaceNow; sums: StressTotals }[];
}
