import { within } from '../../units/guard.ts';

export interface Mulch {
  material: MulchMaterial;
  depthMm: number;
  /** Share of the ground covered, 0–1; default 1. */
  cover?: number;
}

export const MULCH_MATERIALS = [
  'straw',
  'grass clippings',
  'compost',
  'wood chip',
  'bark',
  'needles',
  'gravel',
] as const;
export type MulchMaterial = (typeof MULCH_MATERIALS)[number];

/** FAO-56 ch. 10: 5 % less evaporation for each 10 % of ground under organic mulch, whatever its depth. */
const REDUCTION_AT_FULL_COVER = 0.5;
/** Common practice: a thick mulch (100 mm and more) stops about 70 %. */
const REDUCTION_THICK = 0.7;
const THICK_MM = 100;
/** Below this depth the ground shows through. Judgement. */
const THIN_MM = 25;

/**
 * Share of bare-soil evaporation left under a mulch, 1 (none) to 0.3.
 * The two rules are joined by reading FAO-56's 5 % per 10 % cover as the figure for a plain 25 mm layer,
 * rising in a straight line to the trade's 70 % at 100 mm; thinner than 25 mm covers in proportion.
 */
export function mulchEvaporationFactor(mulch: Mulch | undefined): number {
  if (!mulch) return 1;
  const depth = within('mulch.depthMm', mulch.depthMm, 0, 500, 'mm');
  const cover = within('mulch.cover', mulch.cover ?? 1, 0, 1);
  const thin = Math.min(1, depth / THIN_MM);
  const thick = Math.min(1, Math.max(0, (depth - THIN_MM) / (THICK_MM - THIN_MM)));
  const reduction = REDUCTION_AT_FULL_COVER + (REDUCTION_THICK - REDUCTION_AT_FULL_COVER) * thick;
  return 1 - cover * thin * reduction;
}
