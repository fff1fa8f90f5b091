import { positive, within } from '../../units/guard.ts';

/** Loose mulch settles by about this share. Judgement. */
const SETTLES: Readonly<Record<string, number>> = { straw: 0.3, 'grass clippings': 0.3, needles: 0.15 };

/**
 * Mulch to get for a bed, m³ loose.
 * @param options area m², depth wanted mm (above 0–500), material
 * @throws RangeError on an area or depth outside its range
 * Source: area × depth (10 m² at 10 cm is 1 m³), plus what loose material settles (judgement).
 */
export function mulchVolume(options: { areaM2: number; depthMm: number; material: string }): {
  settledM3: number;
  looseM3: number;
} {
  const settledM3 =
    (positive('areaM2', options.areaM2, 1_000_000, 'm²') * within('depthMm', options.depthMm, 1, 500, 'mm')) /
    1000;
  return { settledM3, looseM3: settledM3 / (1 - (SETTLES[options.material] ?? 0)) };
}
