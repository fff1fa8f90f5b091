import { OutOfRange, atLeast, positive, within } from '../units/guard.ts';

export interface CanTest {
  /** Mean application rate. */
  rateMmPerHour: number;
  /** Mean of the driest quarter of the cans over the mean of all, 0–1. */
  lowQuarterUniformity: number;
  /** 1 − mean deviation over mean, 0–1 (never below 0). */
  christiansenUniformity: number;
}

/**
 * A sprinkler's rate and evenness from cans set out in its reach.
 * @param options depth in each can, mm (0–1000, at least one can, not all empty), and minutes it ran
 * @throws RangeError on no can, a negative depth, or cans that are all empty
 * Sources: low-quarter distribution uniformity, Merriam & Keller 1978; Christiansen 1942. With a number of
 * cans that four does not divide, the quarter is rounded to the nearest whole can, at least one.
 */
export function canTest(options: { depthsMm: readonly number[]; minutes: number }): CanTest {
  const minutes = positive('minutes', options.minutes, 10_080, 'min');
  const depths = atLeast('depthsMm', options.depthsMm, 1).map((d, i) =>
    within(`depthsMm[${i}]`, d, 0, 1000, 'mm'),
  );
  const mean = depths.reduce((a, b) => a + b, 0) / depths.length;
  if (!(mean > 0)) throw new OutOfRange('depthsMm', 'hold at least one can with water above 0 mm', 'all 0');
  const driest = [...depths].sort((a, b) => a - b).slice(0, Math.max(1, Math.round(depths.length / 4)));
  const lowMean = driest.reduce((a, b) => a + b, 0) / driest.length;
  const deviation = depths.reduce((sum, d) => sum + Math.abs(d - mean), 0) / depths.length;
  return {
    rateMmPerHour: (mean * 60) / minutes,
    lowQuarterUniformity: lowMean / mean,
    christiansenUniformity: Math.max(0, 1 - deviation / mean),
  };
}

/** A can that got less than this share of the mean stands on a dry spot, more on a wet one. Judgement. */
const DRY_SHARE = 0.75;
const WET_SHARE = 1.25;

/** Each can on its grid as a share of the mean: the map of dry spots. */
export function canMap(
  grid: readonly (readonly number[])[],
): { share: number; verdict: 'dry' | 'even' | 'wet' }[][] {
  const flat = grid.flat();
  canTest({ depthsMm: flat, minutes: 60 });
  const mean = flat.reduce((a, b) => a + b, 0) / flat.length;
  return grid.map((row) =>
    row.map((depth) => {
      const share = depth / mean;
      return { share, verdict: share < DRY_SHARE ? 'dry' : share > WET_SHARE ? 'wet' : 'even' };
    }),
  );
}
