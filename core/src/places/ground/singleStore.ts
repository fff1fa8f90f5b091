import { within } from '../../units/guard.ts';

/**
 * The root zone as one bucket: the standard the layered profile is held against, and the floor of the bench.
 * Source: FAO-56 ch. 8, eqs. 82–86 and 88.
 */

/** Total available water, mm. FAO-56 eq. 82. */
export function totalAvailableWater(options: {
  fieldCapacity: number;
  wiltingPoint: number;
  rootDepthM: number;
}): number {
  const fc = within('fieldCapacity', options.fieldCapacity, 0, 1, 'm³/m³');
  const wp = within('wiltingPoint', options.wiltingPoint, 0, fc, 'm³/m³');
  return 1000 * (fc - wp) * within('rootDepthM', options.rootDepthM, 0, 10, 'm');
}

/** Depletion share at the day's crop use, 0.1–0.8: p + 0.04 (5 − use). FAO-56 table 22, note. */
export function adjustedDepletionShare(p: number, cropUseMm: number): number {
  return Math.min(0.8, Math.max(0.1, p + 0.04 * (5 - cropUseMm)));
}

/** Stress coefficient Ks, 0–1. FAO-56 eq. 84. */
export function stressCoefficient(options: {
  depletionMm: number;
  totalAvailableMm: number;
  readilyAvailableMm: number;
}): number {
  const { depletionMm, totalAvailableMm: taw, readilyAvailableMm: raw } = options;
  if (depletionMm <= raw) return 1;
  return taw > raw ? Math.max(0, (taw - depletionMm) / (taw - raw)) : 0;
}

export interface SingleStoreDay {
  depletionMm: number;
  deepPercolationMm: number;
  useMm: number;
  stressCoefficient: number;
}

/** One day of the bucket: depletion at its end, and what ran through. FAO-56 eqs. 81, 85, 88. */
export function singleStoreDay(options: {
  depletionMm: number;
  cropUseMm: number;
  rainMm: number;
  irrigationMm: number;
  totalAvailableMm: number;
  readilyAvailableMm: number;
}): SingleStoreDay {
  const { totalAvailableMm } = options;
  const ks = stressCoefficient(options);
  const useMm = ks * options.cropUseMm;
  const raw = options.depletionMm - options.rainMm - options.irrigationMm + useMm;
  return {
    depletionMm: Math.min(totalAvailableMm, Math.max(0, raw)),
    deepPercolationMm: Math.max(0, -raw),
    useMm,
    stressCoefficient: ks,
  };
}

/** State of the standard's dual-coefficient bucket, mm. */
export interface DualStoreState {
  /** Gone from the exposed surface layer (De) and from the root zone (Dr). */
  surfaceMm: number;
  rootZoneMm: number;
}

/**
 * One day of the root zone and its surface as two overlapping stores, with water coming in the morning.
 * @param state depletion at the end of the day before, mm
 * @param day demand and water of the day mm, coefficients, exposed share 0.01–1, stores mm, the crop's share p, and
 *   the depths of the surface layer and of the root zone, mm
 * Source: FAO-56 ch. 7, eqs. 71–79, and ch. 8, eqs. 84, 85 and 88; what roots take from the surface layer by Allen et al. 2005,
 * J. Irrig. Drain. Eng. 131:2–13, eq. 29 (from memory): Kt = (1 − De/TEW) / (1 − Dr/TAW) × (Ze/Zr)^0.6, at most 1.
 */
export function dualStoreDay(
  state: DualStoreState,
  day: {
    et0Mm: number;
    waterMm: number;
    kcb: number;
    kcMax: number;
    exposed: number;
    readilyEvaporableMm: number;
    totalEvaporableMm: number;
    totalAvailableMm: number;
    p: number;
    surfaceDepthMm: number;
    rootDepthMm: number;
  },
): DualStoreState & { evaporationMm: number; transpirationMm: number; deepPercolationMm: number } {
  const { totalEvaporableMm: tew, readilyEvaporableMm: rew } = day;
  const surface = Math.max(0, state.surfaceMm - day.waterMm);
  const reduction = surface <= rew ? 1 : Math.max(0, (tew - surface) / (tew - rew));
  const ke = Math.min(reduction * (day.kcMax - day.kcb), day.exposed * day.kcMax);
  const evaporationMm = ke * day.et0Mm;
  // As the day opens; below 0 it holds more than it can keep, which the day's use may still take.
  const rootZone = state.rootZoneMm - day.waterMm;
  const p = adjustedDepletionShare(day.p, day.kcb * day.et0Mm + evaporationMm);
  const ks = stressCoefficient({
    depletionMm: rootZone,
    totalAvailableMm: day.totalAvailableMm,
    readilyAvailableMm: p * day.totalAvailableMm,
  });
  const transpirationMm = ks * day.kcb * day.et0Mm;
  const moist =
    Math.max(0.001, 1 - surface / tew) / Math.max(0.001, 1 - Math.max(0, rootZone) / day.totalAvailableMm);
  const fromSurface = Math.min(1, moist * (day.surfaceDepthMm / day.rootDepthMm) ** 0.6) * transpirationMm;
  const gone = rootZone + evaporationMm + transpirationMm;
  return {
    surfaceMm: Math.min(tew, surface + evaporationMm / day.exposed + fromSurface),
    rootZoneMm: Math.max(0, gone),
    deepPercolationMm: Math.max(0, -gone),
    evaporationMm,
    transpirationMm,
  };
}
