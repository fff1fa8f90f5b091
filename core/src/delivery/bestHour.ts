import type { CropEntry } from '../plants/types.ts';
import { daylightHours } from '../weather/solar.ts';
import type { SunOnClock } from '../weather/sunOnClock.ts';
import { METHOD_FACTS, type Method } from './methods.ts';

export type HourReason =
  | 'wilting now'
  | 'opens its pores at night'
  | 'any hour, it wets no leaf'
  | 'cool and calm, and leaves dry fast';

export interface BestHour {
  /** Hours of the garden's clock, or of the sun's day (12 = the sun at its highest) when the clock is not known. */
  fromHour: number;
  toHour: number;
  reason: HourReason;
  /** Second choice, so placed that the surface is dry by dark; null when there is none or it is not needed. */
  fallback: { fromHour: number; toHour: number } | null;
  /** Leaves must not be wet in the evening: sprays are refused then. */
  refuseEveningSpray: boolean;
}

/** The morning watering ends this long after sunrise, and the late one this long before sunset. Common practice: dry by dark. */
const MORNING_HOURS = 3;
const DRYING_HOURS = 2;
const LATE_HOURS = 2;

/**
 * When to water a bed, and why.
 * @param options method, crop, whether it wilts now, and the sun on the garden's clock, or else latitude in degrees and
 *   day of the year
 * Source: common practice: early morning; late afternoon next; evening only on dry leaves; wilting at once; cacti from dusk.
 */
export function bestHour(
  options: { method: Method; crop?: CropEntry; wilting?: boolean } & (
    { sun: SunOnClock } | { latitudeDeg: number; dayOfYear: number }
  ),
): BestHour {
  const half = 'sun' in options ? 0 : daylightHours(options) / 2;
  const { sunrise, sunset } = 'sun' in options ? options.sun : { sunrise: 12 - half, sunset: 12 + half };
  const { overhead, slow } = METHOD_FACTS[options.method];
  const refuseEveningSpray = overhead || Boolean(options.crop?.traits.foliageDiseaseProne);
  const plain = { fallback: null, refuseEveningSpray };
  if (options.wilting) return { fromHour: 0, toHour: 24, reason: 'wilting now', ...plain };
  if (options.crop?.group === 'cacti and succulents') {
    return {
      fromHour: sunset,
      toHour: Math.min(24, sunset + 3),
      reason: 'opens its pores at night',
      ...plain,
    };
  }
  if (slow) return { fromHour: 0, toHour: 24, reason: 'any hour, it wets no leaf', ...plain };
  return {
    fromHour: Math.max(0, sunrise - 1),
    toHour: sunrise + MORNING_HOURS,
    reason: 'cool and calm, and leaves dry fast',
    fallback: { fromHour: sunset - DRYING_HOURS - LATE_HOURS, toHour: sunset - DRYING_HOURS },
    refuseEveningSpray,
  };
}

/** Least rest before the next pass counts, minutes. Common practice, 2–10 min; where the soil takes the water slower than that, as long as it needs. */
const PASS_REST_MINUTES = 2;

/**
 * Hand watering in passes: how many, with what rest between.
 * @param options net depth mm, rate mm/h, intake mm/h, surface storage mm, and whether the ground is dry
 * @returns at least two passes on dry ground, since the first only makes the surface take the second
 * Source: common practice, 2–3 passes and more on dry soil.
 */
export function handPasses(options: { cycles: number; soakMinutes: number; dryGround: boolean }): {
  passes: number;
  restMinutes: number;
} {
  const passes = Math.max(options.dryGround ? 2 : 1, options.cycles);
  return { passes, restMinutes: passes > 1 ? Math.max(PASS_REST_MINUTES, options.soakMinutes) : 0 };
}
