import { ordered, within } from '../units/guard.ts';
import { extraterrestrialRadiation } from './solar.ts';

/**
 * Reference evapotranspiration from temperatures alone: a cross-check on `referenceEt`.
 * @param options temperatures in °C, latitude in degrees, day of the year 1–366
 * @returns mm/day, never below 0
 * @throws RangeError when tMinC is above tMaxC or a value is outside its range
 * Source: Hargreaves & Samani 1985, as FAO-56 eq. 52.
 */
export function hargreavesEt(options: {
  tMinC: number;
  tMaxC: number;
  latitudeDeg: number;
  dayOfYear: number;
}): number {
  const tMinC = within('tMinC', options.tMinC, -60, 60, '°C');
  const tMaxC = within('tMaxC', options.tMaxC, -60, 60, '°C');
  ordered('tMinC', tMinC, 'tMaxC', tMaxC);
  const raMm = 0.408 * extraterrestrialRadiation(options);
  return Math.max(0, 0.0023 * ((tMinC + tMaxC) / 2 + 17.8) * Math.sqrt(tMaxC - tMinC) * raMm);
}
