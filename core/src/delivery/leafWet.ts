import { within } from '../units/guard.ts';
import type { SunOnClock } from '../weather/sunOnClock.ts';

/** Hours wet leaves take to dry by day in dry air and in damp, and after sunrise when they were wet all night. Judgements; that late water means a wet night is common practice. */
const DRY_AIR_HOURS = 1;
const DAMP_AIR_HOURS = 2.5;
const AFTER_SUNRISE_HOURS = 2;
const DAMP_PCT = 60;

export interface LeafWet {
  /** Hours the leaves stay wet. */
  hours: number;
  /** They do not dry before dark. */
  overNight: boolean;
}

/**
 * How long leaves stay wet that got water at an hour.
 * @param options hour of the clock at which the water ends (0–24), the sun on the clock, least humidity of the day %, default 40
 * @throws RangeError on an hour or humidity outside its range
 * Source: common practice for the order of things; the hours are judgements of this file.
 */
export function leafWetHours(options: { endHour: number; sun: SunOnClock; rhMinPct?: number }): LeafWet {
  const end = within('endHour', options.endHour, 0, 24, 'hours');
  const humidity = within('rhMinPct', options.rhMinPct ?? 40, 0, 100, '%');
  const { sunrise, sunset } = options.sun;
  const drying = humidity >= DAMP_PCT ? DAMP_AIR_HOURS : DRY_AIR_HOURS;
  // Before sunrise nothing dries; the sun begins it.
  if (end < sunrise) return { hours: sunrise - end + drying, overNight: false };
  if (end + drying <= sunset) return { hours: drying, overNight: false };
  return { hours: 24 - end + sunrise + AFTER_SUNRISE_HOURS, overNight: true };
}
