import { climateTerm } from '../../weather/climateTerm.ts';

/**
 * Evaporation from the soil surface, the "Ke" half of the dual crop coefficient.
 * Source: FAO-56 ch. 7, eqs. 71–77.
 */

/** Upper limit of evaporation and transpiration together, as a coefficient. FAO-56 eq. 72. */
export function kcMax(options: {
  /** m/s at 2 m. */
  windMs: number;
  /** Lowest relative humidity, %. */
  rhMinPct: number;
  heightM: number;
  kcb: number;
}): number {
  const climate = climateTerm(options.windMs, options.rhMinPct);
  return Math.max(1.2 + climate * heightTerm(options.heightM), options.kcb + 0.05);
}

/** The crop-height part of FAO-56 eqs. 62, 70 and 72. */
export const heightTerm = (heightM: number): number => (heightM / 3) ** 0.3;

/** How freely the surface gives up water, 1 (wet) to 0 (dry). FAO-56 eq. 74. */
export function evaporationReduction(options: {
  depletionMm: number;
  readilyEvaporableMm: number;
  totalEvaporableMm: number;
}): number {
  const { depletionMm, readilyEvaporableMm: rew, totalEvaporableMm: tew } = options;
  if (depletionMm <= rew) return 1;
  return Math.max(0, (tew - depletionMm) / (tew - rew));
}

/** Soil evaporation coefficient. FAO-56 eq. 71; `exposedWetted` is `few`, 0.01–1. */
export function evaporationCoefficient(options: {
  reduction: number;
  kcMax: number;
  kcb: number;
  exposedWetted: number;
}): number {
  return Math.min(options.reduction * (options.kcMax - options.kcb), options.exposedWetted * options.kcMax);
}

/** Water that can evaporate from the surface layer in all, mm. FAO-56 eq. 73. */
export const totalEvaporableMm = (fieldCapacity: number, wiltingPoint: number, depthM: number): number =>
  1000 * (fieldCapacity - 0.5 * wiltingPoint) * depthM;
