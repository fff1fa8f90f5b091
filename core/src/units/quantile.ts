import { at } from './at.ts';

/** Of sorted values, the one below which a share of them lie (nearest rank); in the values' unit. @param share 0–1. Source: the nearest-rank definition. */
export function quantile(sorted: Float64Array, share: number): number {
  return at(sorted, Math.min(sorted.length - 1, Math.max(0, Math.ceil(share * sorted.length) - 1)));
}
