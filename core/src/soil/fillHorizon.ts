import { FILL_AS_SOIL, FILLS, type Fill } from './fills.ts';
import type { Horizon } from './soilProfile.ts';

/** The fill of a raised bed as the uppermost of its grounds. @param filled what it is, and how deep, mm. Source: `FILLS`. */
export function fillHorizon({ fill, depthMm }: { fill: Fill; depthMm: number }): Horizon {
  const { label: _label, ...water } = FILLS[fill];
  return { ...FILL_AS_SOIL, ...water, thicknessMm: depthMm, fill };
}
