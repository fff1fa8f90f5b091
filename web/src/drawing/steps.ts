/**
 * Numbers from one up to another, that one left out: as d3's `range`, whose file would bring all arrays of d3 with it to the
 * first screen.
 */
export const steps = (from: number, until: number, by = 1): number[] =>
  Array.from({ length: Math.max(0, Math.ceil((until - from) / by)) }, (_, i) => from + i * by);
