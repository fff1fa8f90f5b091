/**
 * The wind and humidity part of FAO-56 eqs. 62, 70 and 72.
 * @param windMs m/s at 2 m; `rhMinPct` lowest relative humidity of the day, %
 */
export const climateTerm = (windMs: number, rhMinPct: number): number =>
  0.04 * (windMs - 2) - 0.004 * (rhMinPct - 45);
