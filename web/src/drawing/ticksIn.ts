import type { ScaleLinear } from 'd3';
import type { Unit } from '../words/units.ts';

/**
 * Places of an axis at round figures of the gardener's own units: 0.5 in, not 12.7 mm in inches.
 * @param scale of SI values; `about` how many
 */
export function ticksIn(
  scale: ScaleLinear<number, number>,
  { fromSi, toSi }: Unit,
  about: number,
): { at: number; label: string }[] {
  const shown = scale.copy().domain(scale.domain().map(fromSi));
  return shown.ticks(about).map((value) => ({
    at: scale(toSi(value)),
    label: value.toLocaleString(undefined, { maximumFractionDigits: 2 }).replace('-', '−'),
  }));
}
