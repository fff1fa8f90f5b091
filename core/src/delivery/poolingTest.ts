import { MOST_RATE_MM_PER_HOUR } from './cycleAndSoak.ts';
import { positive } from '../units/guard.ts';

export interface PoolingTest {
  /** What the ground was taking in, mm/h. */
  infiltrationMmPerHour: number;
  /** What stood on top when it began to run, mm. */
  surfaceStorageMm: number;
  /** Longest single run, min. */
  longestRunMinutes: number;
}

/** At most this share of what fell is still on top when water begins to run. Judgement. */
const MOST_STANDING = 0.5;

/**
 * What the ground takes in, from the minutes until water pools or runs at a known rate: what fell until then,
 * less what stands on top, went in.
 * @param options rate on the wetted ground mm/h, minutes until it pools, what the surface can hold mm
 * @throws RangeError on a rate, time or storage of 0 or less
 * Source: mass balance of the pond; the longest single run is what was seen (common practice).
 */
export function poolingTest(options: {
  rateMmPerHour: number;
  minutes: number;
  surfaceStorageMm: number;
}): PoolingTest {
  const rate = positive('rateMmPerHour', options.rateMmPerHour, MOST_RATE_MM_PER_HOUR, 'mm/h');
  const minutes = positive('minutes', options.minutes, 1440, 'min');
  const storage = positive('surfaceStorageMm', options.surfaceStorageMm, 500, 'mm');
  const fell = (rate * minutes) / 60;
  const standing = Math.min(storage, MOST_STANDING * fell);
  return {
    infiltrationMmPerHour: ((fell - standing) * 60) / minutes,
    surfaceStorageMm: standing,
    longestRunMinutes: minutes,
  };
}
