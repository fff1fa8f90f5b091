import { positive, within } from '../units/guard.ts';
import { wetFrontDepth, type WetFrontLayer } from '../soil/wetFrontDepth.ts';

/**
 * What a habit really gives: depth on the ground, and how deep it wets.
 * @param options minutes it runs, measured rate mm/h, share reaching the soil 0–1, the ground as it is
 * Source: arithmetic; wetted depth as `wetFrontDepth`.
 */
export function todaysHabit(options: {
  minutes: number;
  rateMmPerHour: number;
  efficiency?: number;
  profile: readonly WetFrontLayer[];
}): { appliedMm: number; wettedMm: number } {
  const minutes = positive('minutes', options.minutes, 10_080, 'min');
  const rate = positive('rateMmPerHour', options.rateMmPerHour, 2000, 'mm/h');
  const appliedMm = (minutes / 60) * rate * within('efficiency', options.efficiency ?? 1, 0.05, 1);
  return { appliedMm, wettedMm: wetFrontDepth({ appliedMm, profile: options.profile }) };
}
