/**
 * Rain that runs off a bed in a day, by the curve-number method.
 * Source: USDA NRCS, National Engineering Handbook part 630 ch. 10 (Q = (P − 0.2 S)² / (P + 0.8 S)); curve
 * numbers for straight rows in good condition from its ch. 9 / TR-55 table 2-2b, groups A–D by the
 * conductivity of the surface (all from memory).
 */
const CURVE_NUMBERS: readonly (readonly [minConductivityMmPerHour: number, bare: number, mulched: number])[] =
  [
    [36, 67, 64],
    [14.4, 78, 75],
    [3.6, 85, 82],
    [0, 89, 85],
  ];

/** Water the surface takes before any runs off at a steady state, S, mm. */
export function curveStorageMm(conductivityMmPerHour: number, mulched: boolean): number {
  const row = CURVE_NUMBERS.find(([min]) => conductivityMmPerHour >= min) ?? CURVE_NUMBERS[3];
  const number = row ? (mulched ? row[2] : row[1]) : 85;
  return 25400 / number - 254;
}

/** Runoff, mm, from `rainMm` on a surface with storage `s` mm. */
export function rainRunoff(rainMm: number, s: number): number {
  const initial = 0.2 * s;
  return rainMm > initial ? ((rainMm - initial) * (rainMm - initial)) / (rainMm + 0.8 * s) : 0;
}
