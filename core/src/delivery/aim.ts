import type { CropEntry } from '../plants/types.ts';

/** Where on the ground a watering belongs. */
export type Aim =
  'root ball' | 'branch edge' | 'ring' | 'low under tall leaves' | 'foot of the plants' | 'whole surface';

/** Foliage this tall hides the ground from a hose held over it, m. Judgement. */
const TALL_M = 0.8;

/**
 * Where the water belongs: the wrong part of the ground is one of the ways to harm.
 * @param crop what stands there, whether it has rooted, and its height now, m
 * @returns the place, as a fact; words are made where it is shown
 * Source: common practice: at the stem for vegetables and new plants, at and beyond the branch edge for trees that have
 * rooted, their trunks dry; the whole surface for turf.
 */
export function aimOf(crop: CropEntry, rooted: boolean, heightM: number): Aim {
  if (crop.group === 'turf') return 'whole surface';
  const woody = crop.group === 'fruit trees' || crop.group === 'ornamental trees';
  if (!rooted && crop.cycle !== 'annual') return 'root ball';
  if (woody) return 'branch edge';
  if (crop.group === 'shrubs and roses' || crop.group === 'soft fruit') return 'ring';
  if (heightM >= TALL_M && crop.traits.foliageDiseaseProne) return 'low under tall leaves';
  return 'foot of the plants';
}
