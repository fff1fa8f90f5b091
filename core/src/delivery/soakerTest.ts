import { positive } from '../units/guard.ts';

/**
 * Flow of a whole soaker hose from what a tray caught under a stretch of it.
 * @param options litres caught in minutes under `caughtM` of a hose `lengthM` long
 * @throws RangeError when the stretch is longer than the hose, or anything is 0 or less
 * Source: arithmetic; a hose that seeps evenly.
 */
export function soakerTest(options: { litres: number; minutes: number; caughtM: number; lengthM: number }): {
  litresPerMinute: number;
} {
  const litres = positive('litres', options.litres, 1000, 'L');
  const minutes = positive('minutes', options.minutes, 1440, 'min');
  const length = positive('lengthM', options.lengthM, 500, 'm');
  const caught = positive('caughtM', options.caughtM, length, 'm (the length of the hose)');
  return { litresPerMinute: ((litres / minutes) * length) / caught };
}
