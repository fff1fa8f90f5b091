import { addDays, daysBetween } from '../units/dates.ts';
import { OutOfRange, within } from '../units/guard.ts';
import { climateTerm } from './climateTerm.ts';
import { groundWarmth, POT_DAYS } from './groundWarmth.ts';
import { dayMinimumHumidity, dayWind, referenceEt, type ReferenceEtRoute } from './referenceEt.ts';
import type { Site, WeatherDay } from './types.ts';

/** Weather as the daily step takes it: demand, rain and the climate term, one number a day. */
export interface WeatherSeries {
  et0: Float64Array;
  rain: Float64Array;
  climate: Float64Array;
  /** How freely roots take up water in the cold: 1 unhindered, 0 in frozen ground. */
  warmth: Float64Array;
  /** The same in the mix of a pot outdoors, which follows the air faster. */
  potWarmth: Float64Array;
  routes: ReferenceEtRoute[];
}

/** Checks that weather days follow one another without a gap, and works out each day's demand. */
export function weatherSeries(weather: readonly WeatherDay[], site: Site): WeatherSeries {
  const meansC = weather.map(({ tMinC, tMaxC }) => (tMinC + tMaxC) / 2);
  const series: WeatherSeries = {
    et0: new Float64Array(weather.length),
    rain: new Float64Array(weather.length),
    climate: new Float64Array(weather.length),
    warmth: groundWarmth(meansC),
    potWarmth: groundWarmth(meansC, POT_DAYS),
    routes: [],
  };
  for (const [d, day] of weather.entries()) {
    const before = d > 0 ? weather[d - 1] : undefined;
    if (before && daysBetween(before.date, day.date) !== 1) {
      throw new OutOfRange(
        `weather[${d}].date`,
        `be ${addDays(before.date, 1)}, the day after the one before`,
        day.date,
      );
    }
    const et0 = referenceEt(day, site);
    series.et0[d] = et0.mm;
    series.routes.push(et0.route);
    series.rain[d] = within(`weather[${d}].rainMm`, day.rainMm, 0, 1000, 'mm');
    series.climate[d] = climateTerm(Math.min(6, Math.max(1, dayWind(day).ms)), dayMinimumHumidity(day));
  }
  return series;
}
