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
  'plastic film',
  'woven fabric',
] as const;
export type MulchMaterial = (typeof MULCH_MATERIALS)[number];

/**
 * Sheets work by covering, whatever their thickness: the share of evaporation they stop, and of the rain they shed.
 * FAO-56 ch. 10 has plastic films stop 50–80 % of the evaporation; the rest is judgement.
 */
const SHEETS: Partial<Record<MulchMaterial, { stops: number; sheds: number }>> = {
  'plastic film': { stops: 0.8, sheds: 0.7 },
  'woven fabric': { stops: 0.6, sheds: 0 },
};

/** Whether it lies as a sheet, whose thickness says nothing. */
export const isSheet = (material: MulchMaterial): boolean => SHEETS[material] !== undefined;

/** Share of the rain that a mulch sheds, 0–1. */
export const mulchShedShare = (mulch: Mulch | undefined): number =>
  mulch ? (mulch.cover ?? 1) * (SHEETS[mulch.material]?.sheds ?? 0) : 0;

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
  const sheet = SHEETS[mulch.material];
  if (sheet) return 1 - cover * sheet.stops;
  const thin = Math.min(1, depth / THIN_MM);
  const thick = Math.min(1, Math.max(0, (depth - THIN_MM) / (THICK_MM - THIN_MM)));
  const reduction = REDUCTION_AT_FULL_COVER + (REDUCTION_THICK - REDUCTION_AT_FULL_COVER) * thick;
  return 1 - cover * thin * reduction;
}
