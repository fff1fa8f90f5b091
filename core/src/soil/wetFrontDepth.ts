import { atLeast, positive, within } from '../units/guard.ts';

/** A slice of ground and how wet it is now. */
export interface WetFrontLayer {
  thicknessMm: number;
  /** m³/m³. */
  fieldCapacity: number;
  /** Water in it now, m³/m³. */
  waterContent: number;
}

/**
 * How deep a watering goes: each slice fills to field capacity before the next gets any.
 * The same rule explains both of the trade's ratios: an average loam dry to the touch has room for
 * about a quarter of its volume (5 mm wets 20 mm), a part-dry clay loam for an eighth (25 mm wets 200 mm).
 * @param options water that soaked in, mm (0–2000), and the ground from the top down
 * @returns depth of the damp front, mm; the bottom of the profile when the water goes past it
 * @throws RangeError on an empty profile, a slice without thickness or an impossible water content
 * Source: mass balance; the two ratios are common practice.
 */
export function wetFrontDepth(options: { appliedMm: number; profile: readonly WetFrontLayer[] }): number {
  let left = within('appliedMm', options.appliedMm, 0, 2000, 'mm');
  atLeast('profile', options.profile, 1);
  let depth = 0;
  for (const [index, layer] of options.profile.entries()) {
    const at = (field: string): string => `profile[${index}].${field}`;
    const thickness = positive(at('thicknessMm'), layer.thicknessMm, 100_000, 'mm');
    const capacity = within(at('fieldCapacity'), layer.fieldCapacity, 0.01, 0.95, 'm³/m³');
    const water = within(at('waterContent'), layer.waterContent, 0, 0.95, 'm³/m³');
    if (left <= 0) return depth;
    const room = Math.max(0, capacity - water) * thickness;
    if (room >= left) return depth + (thickness * left) / room;
    left -= room;
    depth += thickness;
  }
  return depth;
}
