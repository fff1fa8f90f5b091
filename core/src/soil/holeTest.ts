import { positive, within } from '../units/guard.ts';

export const DRAINAGE_CLASSES = ['very poor', 'poor', 'moderate', 'good', 'fast'] as const;
export type DrainageClass = (typeof DRAINAGE_CLASSES)[number];

/** Slowest fall of each class, mm/h. Common practice: under an inch in 4 h is poor, 1–4 in/h suits most plants. */
const SLOWEST: readonly (readonly [DrainageClass, number])[] = [
  ['fast', 100],
  ['good', 25],
  ['moderate', 12],
  ['poor', 3],
  ['very poor', 0],
];

/**
 * Drainage from a refilled hole: how fast the second filling falls.
 * @param options fall of the water in mm, 0–2000, over minutes, above 0
 * @returns mm/h and its class
 * Source: common practice; class limits as named above.
 */
export function holeTest(options: { fallMm: number; minutes: number }): {
  mmPerHour: number;
  drainageClass: DrainageClass;
} {
  const fall = within('fallMm', options.fallMm, 0, 2000, 'mm');
  const minutes = positive('minutes', options.minutes, 10_080, 'min');
  const mmPerHour = (fall * 60) / minutes;
  const found = SLOWEST.find(([, slowest]) => mmPerHour >= slowest);
  return { mmPerHour, drainageClass: found ? found[0] : 'very poor' };
}
