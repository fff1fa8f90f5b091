import { positive, within, OutOfRange } from '../../units/guard.ts';
import { REACHES, type Reach, type Ring } from './treeFacts.ts';

/** A ring by the reach of the branches, shares of their radius. Common practice: at the edge a little in and out, past it, or well out; roots go two to four times as far. */
const REACH_SHARES: Readonly<Record<Reach, readonly [inner: number, outer: number]>> = {
  'at the edge': [0.75, 1.25],
  'past the edge': [0.95, 1.45],
  'far out': [1.2, 2],
};

/** A ring about an established tree. @param canopyRadiusM reach of its branches, m */
export const ringAt = (canopyRadiusM: number, reach: Reach): Ring => ({
  innerM: canopyRadiusM * REACH_SHARES[reach][0],
  outerM: canopyRadiusM * REACH_SHARES[reach][1],
});

/**
 * The ring of ground a tree is watered on, and the water for a depth over it.
 * @param options inner and outer radius m (inner 0 for a full circle), or the spread of the branches m with how far out
 *   is wanted (default at the edge); depth mm, 0–1000
 * @returns inner and outer radius m, m², litres, and the soaker hose that lies once round its middle, m
 * @throws RangeError when the inner radius is not inside the outer one, or nothing says how wide it is
 * Source: geometry; that roots drink at and beyond the branch edge is common practice.
 */
export function treeRing(options: {
  innerRadiusM?: number;
  outerRadiusM?: number;
  canopyDiameterM?: number;
  reach?: Reach;
  depthMm: number;
}): { innerRadiusM: number; outerRadiusM: number; areaM2: number; litres: number; soakerLengthM: number } {
  const reach = options.reach ?? 'at the edge';
  if (!REACHES.includes(reach)) throw new OutOfRange('reach', `be one of ${REACHES.join(', ')}`, reach);
  const usual =
    options.canopyDiameterM === undefined
      ? undefined
      : ringAt(positive('canopyDiameterM', options.canopyDiameterM, 40, 'm') / 2, reach);
  const outerRadiusM = positive('outerRadiusM', options.outerRadiusM ?? usual?.outerM, 50, 'm');
  const innerRadiusM = within(
    'innerRadiusM',
    options.innerRadiusM ?? usual?.innerM ?? 0,
    0,
    outerRadiusM,
    'm (inside the outer radius)',
  );
  const areaM2 = Math.PI * (outerRadiusM ** 2 - innerRadiusM ** 2);
  const litres = areaM2 * within('depthMm', options.depthMm, 0, 1000, 'mm');
  return {
    innerRadiusM,
    outerRadiusM,
    areaM2,
    litres,
    soakerLengthM: Math.PI * (innerRadiusM + outerRadiusM),
  };
}
