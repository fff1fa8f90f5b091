import { positive, within } from '../../units/guard.ts';

/**
 * A lawn's water wets little more than its own roots: so much of each run, mm, never gets below them. Common practice (a
 * lawn wets about 50 mm down, and 25 mm a week is too little for trees in grass); the figure is a judgement.
 */
const LAWN_KEEPS_MM = 25;

/** What of a lawn's run goes deep enough for tree roots, mm. @param runMm depth of the run, 0–1000. Source: as `LAWN_KEEPS_MM`. */
export const lawnPasses = (runMm: number): number =>
  Math.max(0, within('runMm', runMm, 0, 1000, 'mm') - LAWN_KEEPS_MM);

/** Roots of a neighbour take no more than this of what was given to its own plants. Judgement. */
const MOST_BORROWED = 0.5;

/**
 * What a watering of a neighbouring place brings to a tree whose roots reach into its ground.
 * @param given depth over that place mm, its ground m², and whether it is a lawn
 * @param rootsM2 ground that the tree's roots are counted on in
 * @returns mm over the tree's ground
 * Source: that roots borrow from other watered ground, and a lawn's water stays shallow, is common practice; the share is a judgement.
 */
export function creditFrom(given: { mm: number; areaM2: number; lawn: boolean }, rootsM2: number): number {
  const roots = positive('rootsM2', rootsM2, 1e6, 'm²');
  const passes = given.lawn ? lawnPasses(given.mm) : MOST_BORROWED * given.mm;
  return passes * Math.min(1, given.areaM2 / roots);
}
