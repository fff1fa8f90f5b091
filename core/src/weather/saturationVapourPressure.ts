import { within } from '../units/guard.ts';

/** FAO-56 eq. 11 without the guard, for inner loops. kPa. */
export function esat(tempC: number): number {
  return 0.6108 * Math.exp((17.27 * tempC) / (tempC + 237.3));
}

/**
 * Saturation vapour pressure over water at an air temperature.
 * @param tempC air temperature, °C, −60 to 70
 * @returns kPa
 * @throws RangeError when the temperature is outside that range
 * Source: FAO-56 (Allen et al. 1998) eq. 11.
 */
export function saturationVapourPressure(tempC: number): number {
  return esat(within('tempC', tempC, -60, 70, '°C'));
}

/** Slope of the saturation curve, kPa/°C. Source: FAO-56 eq. 13. */
export function saturationSlope(tempC: number): number {
  return (4098 * esat(tempC)) / (tempC + 237.3) ** 2;
}
