import { positive, within } from '../units/guard.ts';

/** The trade's flat rule: an inch a week, rain included. The yardstick every other way is compared with. Common practice. */
export const FIXED_WEEK_MM = 25;

/** What the flat rule still asks for after a week's rain, mm. Source: common practice. */
export function fixedWeekShortfall(options: { weekRainMm: number; weeklyMm?: number }): number {
  const weekly = positive('weeklyMm', options.weeklyMm ?? FIXED_WEEK_MM, 500, 'mm');
  return Math.max(0, weekly - within('weekRainMm', options.weekRainMm, 0, 2000, 'mm'));
}

/** Days a store lasts at a daily use. Source: arithmetic. */
export function daysInStore(options: { storeMm: number; useMmPerDay: number }): number {
  return (
    within('storeMm', options.storeMm, 0, 2000, 'mm') /
    positive('useMmPerDay', options.useMmPerDay, 30, 'mm/day')
  );
}
