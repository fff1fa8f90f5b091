import { positive, within } from '../units/guard.ts';

/**
 * Ground of the ring a tree is watered on, and the water for a depth over it.
 * @param options inner and outer radius m (inner 0 for a full circle), depth mm
 * @returns m² and litres
 * @throws RangeError when the inner radius is not inside the outer one
 * Source: geometry; that roots drink at and beyond the branch edge is common practice.
 */
export function treeRing(options: { innerRadiusM: number; outerRadiusM: number; depthMm: number }): {
  areaM2: number;
  litres: number;
} {
  const outer = positive('outerRadiusM', options.outerRadiusM, 50, 'm');
  const inner = within('innerRadiusM', options.innerRadiusM, 0, outer, 'm (inside the outer radius)');
  const areaM2 = Math.PI * (outer ** 2 - inner ** 2);
  return { areaM2, litres: areaM2 * within('depthMm', options.depthMm, 0, 1000, 'mm') };
}
