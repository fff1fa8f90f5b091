import { canMap, canTest } from './canTest.ts';

export type CanAdvice =
  | 'one can tells the rate, not the evenness'
  | 'even enough'
  | 'fairly even'
  | 'uneven'
  | 'edges dry'
  | 'one end dry'
  | 'one side dry'
  | 'single dry spot';

/** Low-quarter evenness from which a sprinkler is called even, and fairly even. Common practice for fixed sprays. */
const EVEN = 0.75;
const FAIR = 0.6;
/** Cans from which evenness means anything. Judgement: one in the driest quarter. */
export const FEWEST_FOR_EVENNESS = 4;
/** Half of the grid that gets less than this share of the other half is the dry side; likewise edge against middle. Judgement. */
const DRY_HALF = 0.7;

const mean = (values: readonly number[]): number => values.reduce((a, b) => a + b, 0) / values.length;
const lopsided = (a: readonly number[], b: readonly number[]): boolean =>
  a.length > 0 && b.length > 0 && (mean(a) < DRY_HALF * mean(b) || mean(b) < DRY_HALF * mean(a));

/**
 * What a grid of cans says should be done, the evenness first, then where it is dry.
 * @param grid depths in the cans, mm, row by row along the bed
 * @throws RangeError as `canTest`
 */
export function canAdvice(grid: readonly (readonly number[])[]): CanAdvice[] {
  const flat = grid.flat();
  const { lowQuarterUniformity } = canTest({ depthsMm: flat, minutes: 60 });
  if (flat.length < FEWEST_FOR_EVENNESS) return ['one can tells the rate, not the evenness'];
  if (lowQuarterUniformity >= EVEN) return ['even enough'];
  const advice: CanAdvice[] = [lowQuarterUniformity >= FAIR ? 'fairly even' : 'uneven'];
  const rows = grid.length;
  const half = Math.floor(rows / 2);
  if (rows > 1 && lopsided(grid.slice(0, half).flat(), grid.slice(rows - half).flat()))
    advice.push('one end dry');
  const side = (from: 'left' | 'right'): number[] =>
    grid.flatMap((row) => {
      const n = Math.floor(row.length / 2);
      return from === 'left' ? row.slice(0, n) : row.slice(row.length - n);
    });
  if (lopsided(side('left'), side('right'))) advice.push('one side dry');
  const inner = grid.slice(1, -1).flatMap((row) => row.slice(1, -1));
  if (inner.length > 0 && advice.length === 1) {
    const edge =
      (flat.reduce((a, b) => a + b, 0) - inner.reduce((a, b) => a + b, 0)) / (flat.length - inner.length);
    if (edge < DRY_HALF * mean(inner)) advice.push('edges dry');
  }
  const dry = canMap(grid)
    .flat()
    .filter((can) => can.verdict === 'dry').length;
  if (advice.length === 1 && dry === 1) advice.push('single dry spot');
  return advice;
}
