import type { IsoDate } from '../units/dates.ts';
import type { ReferenceEtRoute } from '../weather/referenceEt.ts';

/** One day of a bed. All mm over the whole bed, but for the four root-zone figures of its watered ground. */
export interface DailyRecord {
  date: IsoDate;
  et0Mm: number;
  et0Route: ReferenceEtRoute;
  rainMm: number;
  irrigationMm: number;
  runoffMm: number;
  evaporationMm: number;
  /** What the plants drank, and what they would have drunk unhindered. */
  transpirationMm: number;
  transpirationWantedMm: number;
  /** Evaporation and transpiration together. */
  useMm: number;
  /** Water that sank past the present roots (it may still be caught by deeper ones later). */
  lostBelowRootsMm: number;
  /** Water that left the bottom of the profile for good. */
  drainageMm: number;
  /** Water gone from the root zone at the end of the day, and what it can hold and spare, mm deep there. */
  depletionMm: number;
  totalAvailableMm: number;
  readilyAvailableMm: number;
  rootDepthMm: number;
  /** 1 unhindered, 0 none: what was drunk of what was wanted, for want of water or of air. */
  stressCoefficient: number;
  /** Depth the day's water reached, mm; 0 when none came. */
  wetFrontMm: number;
  /** Days in a row with too little air at the roots. */
  airlessDays: number;
  /** mm of water in each 50 mm layer of the watered ground, top first. */
  layersMm?: number[];
}
