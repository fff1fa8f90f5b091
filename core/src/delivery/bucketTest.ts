import { positive } from '../units/guard.ts';

/**
 * Flow of a tap or nozzle from the time a known bucket takes to fill.
 * @returns L/min
 * @throws RangeError on a bucket of 0 L, over 1000 L, or a time of 0 s
 * Source: common practice; arithmetic.
 */
export function bucketTest(options: { litres: number; seconds: number }): { litresPerMinute: number } {
  const litres = positive('litres', options.litres, 1000, 'L');
  const seconds = positive('seconds', options.seconds, 86_400, 's');
  return { litresPerMinute: (litres * 60) / seconds };
}
