import { at } from '../units/at.ts';
import type { IsoDate } from '../units/dates.ts';
import { quantile } from '../units/quantile.ts';
import { ALERT_LIMITS } from './alerts.ts';
import type { DaySource, SourcedDay } from './completeWeather.ts';
import type { ForecastEnsemble } from './forecastEnsemble.ts';
import { WET_DAY_MM } from './wetDay.ts';

/** One in ten is below the first, half are below the second, nine in ten below the third. */
export type Band = [low: number, middle: number, high: number];

/** A day ahead as the ways the weather may go have it. */
export interface FanDay {
  date: IsoDate;
  source: DaySource;
  lowC: Band;
  highC: Band;
  /** What sun and wind take less what rain brings, added up from the first day, mm; below 0 rain is ahead. */
  lackMm: Band;
  /** Chance of a wet day (1 mm and more), of a soaking one, of heat, of a night below 0 °C, 0–1. */
  wetChance: number;
  soakingChance: number;
  hotChance: number;
  frostChance: number;
}

const BAND = [0.1, 0.5, 0.9] as const;

/**
 * The days ahead as a fan.
 * @param days those the ensemble was made of, in order
 * Source: counted in the members; a wet day as meteorologists have it, heat and soaking rain as `ALERT_LIMITS`.
 */
export function weatherFan(days: readonly SourcedDay[], ensemble: ForecastEnsemble): FanDay[] {
  const { members, days: span, tMin, tMax, rain, et0 } = ensemble;
  const lack = new Float64Array(members);
  return days.map(({ date, source }, d) => {
    const of = (values: Float64Array): Float64Array =>
      Float64Array.from({ length: members }, (_, m) => at(values, m * span + d));
    const band = (values: Float64Array): Band => {
      const sorted = values.slice().sort();
      return BAND.map((share) => quantile(sorted, share)) as Band;
    };
    const [lows, highs, rains, uses] = [of(tMin), of(tMax), of(rain), of(et0)];
    for (let m = 0; m < members; m += 1) lack[m] = at(lack, m) + at(uses, m) - at(rains, m);
    const share = (values: Float64Array, holds: (value: number) => boolean): number =>
      values.filter(holds).length / members;
    return {
      date,
      source,
      lowC: band(lows),
      highC: band(highs),
      lackMm: band(lack),
      wetChance: share(rains, (mm) => mm >= WET_DAY_MM),
      soakingChance: share(rains, (mm) => mm >= ALERT_LIMITS.soakingMm),
      hotChance: share(highs, (c) => c >= ALERT_LIMITS.hotC),
      frostChance: share(lows, (c) => c <= 0),
    };
  });
}
