import { item } from '../units/at.ts';
import type { IsoDate } from '../units/dates.ts';
import { climateTerm } from './climateTerm.ts';
import type { LikeDays } from './completeWeather.ts';
import { dayMinimumHumidity, dayWind, referenceEt } from './referenceEt.ts';
import type { Site, WeatherDay } from './types.ts';
import { WET_DAY_MM } from './wetDay.ts';
import { seasonLean, usualDemand } from './usualDemand.ts';

/** Fewer days of the season on record than this say little of how it varies. Judgement. */
export const ENOUGH_DAYS = 20;
/** Days that are taken together before the record is opened elsewhere: spells of weather stay whole. Judgement. */
const SPELL_DAYS = 10;

/** A real day as a member has it, mm; the day in the record it is, to go on from. */
export interface Resampled {
  et0: number;
  rain: number;
  climate: number;
  index: number;
}

/**
 * Days of the record run through in spells: what a day nobody forecast may turn out like, with the real spread of demand and
 * rain, wet days that use less, and spells that last.
 * @param uniform gives 0–1
 * Source: block resampling of the garden's own record (Künsch 1989).
 */
export function resampler(site: Site, uniform: () => number) {
  const usual = usualDemand(site);
  const leans = new WeakMap<readonly WeatherDay[], number>();
  const leanOf = (record: readonly WeatherDay[]): number => {
    let lean = leans.get(record);
    if (lean === undefined) {
      lean = seasonLean(record, site, usual);
      leans.set(record, lean);
    }
    return lean;
  };
  const known = new WeakMap<WeatherDay, Omit<Resampled, 'index'>>();
  const read = (day: WeatherDay): Omit<Resampled, 'index'> => {
    let figures = known.get(day);
    if (!figures) {
      figures = {
        et0: referenceEt(day, site).mm / usual(day.date),
        rain: day.rainMm,
        climate: climateTerm(Math.min(6, Math.max(1, dayWind(day).ms)), dayMinimumHumidity(day)),
      };
      known.set(day, figures);
    }
    return figures;
  };
  const isWet = (day: WeatherDay | undefined): boolean => (day?.rainMm ?? 0) >= WET_DAY_MM;

  /** @param on the day it is for, by whose season demand is scaled; `before` the day of the record that the day before was; or only whether it was wet; or null, not known */
  return ({ record, at }: LikeDays, on: IsoDate, before: number | boolean | null): Resampled => {
    const demand = usual(on) * leanOf(record);
    const as = (index: number): Resampled => {
      const { et0, rain, climate } = read(item(record, index));
      return { et0: et0 * demand, rain, climate, index };
    };
    const goesOn = typeof before === 'number' && before + 1 < record.length && uniform() > 1 / SPELL_DAYS;
    if (goesOn) return as(before + 1);
    const wet = typeof before === 'number' ? isWet(record[before]) : before;
    // A new spell begins after a day like the one before.
    let index = 0;
    for (let tries = 0; tries < 12; tries += 1) {
      index = item(at, Math.min(at.length - 1, Math.floor(uniform() * at.length)));
      if (wet === null || index === 0 || isWet(record[index - 1]) === wet) break;
    }
    return as(index);
  };
}
