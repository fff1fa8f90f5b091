import { cropOf } from './plantOnDay.ts';
import type { PlantingInput } from './types.ts';

/** The gardener's own ranking of beds for when water or time is short. */
export const RANKS = ['first', 'ordinary', 'last'] as const;
export type Rank = (typeof RANKS)[number];

/** The rank a bed has when nobody gave it one: turf comes back by itself, so it waits. Common practice. */
export const usualRank = (plantings: readonly PlantingInput[]): Rank =>
  plantings.length > 0 && plantings.every((p) => cropOf(p).group === 'turf') ? 'last' : 'ordinary';
