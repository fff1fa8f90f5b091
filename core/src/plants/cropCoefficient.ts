import { within } from '../units/guard.ts';

export interface StageLengths {
  /** Days of the initial, development, mid-season and late stages. */
  ini: number;
  dev: number;
  mid: number;
  late: number;
}

/** Interpolation without the guard, for inner loops. */
export function curveAt(
  stages: StageLengths,
  values: { ini: number; mid: number; end: number },
  day: number,
): number {
  const devStart = stages.ini;
  const midStart = devStart + stages.dev;
  const lateStart = midStart + stages.mid;
  const last = lateStart + stages.late;
  if (day <= devStart) return values.ini;
  if (day < midStart) return values.ini + ((day - devStart) / stages.dev) * (values.mid - values.ini);
  if (day <= lateStart) return values.mid;
  if (day < last) return values.mid + ((day - lateStart) / stages.late) * (values.end - values.mid);
  return values.end;
}

/**
 * Crop coefficient (single or basal) on a day of the season.
 * @param options stage lengths in days, coefficients (no unit), day since planting (0 = planting day)
 * @returns the coefficient; its initial value before planting, its end value after the season
 * @throws RangeError on a negative stage or a coefficient outside 0–2
 * Source: FAO-56 eq. 66 and figure 34.
 */
export function cropCoefficient(options: {
  stages: StageLengths;
  values: { ini: number; mid: number; end: number };
  day: number;
}): number {
  const { stages, values, day } = options;
  for (const key of ['ini', 'dev', 'mid', 'late'] as const) {
    within(`stages.${key}`, stages[key], 0, 400, 'days');
  }
  for (const key of ['ini', 'mid', 'end'] as const) within(`values.${key}`, values[key], 0, 2);
  within('day', day, -100_000, 100_000, 'days');
  return curveAt(stages, values, day);
}
