import { quantile as ofSorted } from '../src/units/quantile.ts';

/** The value that a share of a list does not pass. */
export const quantile = (list: readonly number[], share: number): number =>
  ofSorted(Float64Array.from(list).sort(), share);
