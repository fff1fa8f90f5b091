import { within } from '../units/guard.ts';

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
