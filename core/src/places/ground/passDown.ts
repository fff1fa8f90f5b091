import type { SoilProfile } from '../../soil/soilProfile.ts';

/** What a pass of water through one column came to, mm on that column; the last is a depth, mm. */
export const PASS = {
  /** Passed the bottom of the root zone. */
  below: 0,
  /** Left the bottom of the profile. */
  bottom: 1,
  /** Found no way in and is back at the surface. */
  surface: 2,
  /** How deep the water of the day itself came. */
  front: 3,
  /** More than the zone holds at field capacity, and still in it for the day. */
  held: 4,
} as const;
export const newPass = (): Float64Array => new Float64Array(5);

/**
 * What cannot enter a layer backs up: it fills the layers above it to saturation, from below upwards, and what is left
 * stands at the surface.
 * @param from index of the layer that refused it; `to` of the topmost that may take it; `zone` layers of the root zone;
 *   `extra` mm on the column
 */
export function backUp(
  profile: SoilProfile,
  water: Float64Array,
  base: number,
  zone: number,
  from: number,
  to: number,
  extra: number,
  pass: Float64Array,
): void {
  const sat = profile.saturationMm;
  let left = extra;
  for (let i = from - 1; i >= to && left > 0; i -= 1) {
    if (i === zone - 1) pass[PASS.below] = (pass[PASS.below] as number) - left;
    const free = (sat[i] as number) - (water[base + i] as number);
    if (free <= 0) continue;
    const taken = left < free ? left : free;
    water[base + i] = (water[base + i] as number) + taken;
    left -= taken;
  }
  // Above the last layer that may take it there is the root zone, or the surface.
  if (to === zone) pass[PASS.below] = (pass[PASS.below] as number) - left;
  pass[PASS.surface] = (pass[PASS.surface] as number) + left;
}
