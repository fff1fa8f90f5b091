import { OutOfRange } from '../units/guard.ts';
import { addDays, dayOfYear, daysBetween, type IsoDate } from '../units/dates.ts';
import { ordinaryDay, ordinaryRain, unmeasuredRainMm } from './ordinaryDay.ts';
import { WET_DAY_MM } from './wetDay.ts';
import { saidOfPast, manualForecastDay, type ManualForecast } from './manualForecastDay.ts';
import type { ForecastDay, Site, WeatherDay } from './types.ts';

/** Where a day of the series came from: measured, forecast, said by hand, made from the garden's own record, or an ordinary day of the season. */
export type DaySource = 'record' | 'forecast' | 'said' | 'own record' | 'ordinary day';

/** Days on record that are like a made-up one: those of its season. */
export const LIKE = Symbol('days like it');
export interface LikeDays {
  record: readonly WeatherDay[];
  /** Which of them are of the season, in order. */
  at: readonly number[];
}

export interface SourcedDay extends WeatherDay {
  source: DaySource;
  /** What a day made from the garden's own record may turn out like. It is not part of what is kept or sent. */
  readonly [LIKE]?: LikeDays;
  /** Chance of any rain, 0–1; 1 or 0 for days that have been. */
  rainChance: number;
}

/** Days either side of a calendar day that count as the same season, and how many make a record worth a mean. Judgement. */
const SEASON_DAYS = 10;
/** Days either side whose real weather a made-up day may turn out like. Judgement: more kinds of weather than make a mean. */
const LIKE_DAYS = 15;
/** Fewer of them say little of how a season varies; then the last days on record are taken with them, so many. Judgement. */
const ENOUGH_LIKE_DAYS = 40;
const LATEST_DAYS = 45;
const ENOUGH_DAYS = 5;
/** Days past the end of the record for which its last days still speak, and how many of them. Judgement. */
const RECENT_REACH_DAYS = 30;
const RECENT_DAYS = 10;

const wetShare = (record: readonly WeatherDay[], at: readonly number[]): number =>
  at.filter((i) => (record[i]?.rainMm ?? 0) >= WET_DAY_MM).length / Math.max(1, at.length);

function meanOf(days: readonly WeatherDay[], date: IsoDate): WeatherDay {
  const mean = (pick: (day: WeatherDay) => number | undefined): number | undefined => {
    const known = days.map(pick).filter((v): v is number => v !== undefined);
    return known.length > 0 ? known.reduce((a, b) => a + b, 0) / known.length : undefined;
  };
  return {
    date,
    tMinC: mean((d) => d.tMinC) ?? 0,
    tMaxC: mean((d) => d.tMaxC) ?? 0,
    windMs: mean((d) => d.windMs),
    rhMinPct: mean((d) => d.rhMinPct),
    rhMaxPct: mean((d) => d.rhMaxPct),
    solarMJ: mean((d) => d.solarMJ),
    rainMm: 0,
  };
}

/**
 * An unbroken series of weather from `from` to `to`. Each day is taken from the record, else the forecast,
 * else the mean of the garden's own record around that time of year or of its last days, else an ordinary day
 * of the season. What somebody said of a day by hand comes before a forecast; of a day that was measured only figures they
 * read count. Made-up days ahead bring no rain, only the usual chance of it: a plan that hopes for water is worse than one that
 * waits to be told. Days that have been and that nobody measured bring the usual rain of their climate where that is known.
 * @throws RangeError when `to` is before `from`
 */
export function completeWeather(options: {
  record: readonly WeatherDay[];
  forecast: readonly ForecastDay[];
  /** What somebody said of days, by date. */
  said?: ReadonlyMap<IsoDate, ManualForecast>;
  site: Site;
  from: IsoDate;
  to: IsoDate;
  /** Record days after this one are not looked at, so that a garden living in the past cannot see ahead. */
  today: IsoDate;
}): SourcedDay[] {
  const { site, from, to, today } = options;
  const count = daysBetween(from, to) + 1;
  if (count < 1) throw new OutOfRange('to', `not be before from (${from})`, to);
  const seen = options.record.filter((day) => day.date <= today);
  const seenSeasons = seen.map((day) => dayOfYear(day.date));
  const recorded = new Map(seen.map((day) => [day.date, day]));
  const forecast = new Map(options.forecast.map((day) => [day.date, day]));
  const made = new Map<number, SourcedDay | null>();

  const fromOwnRecord = (date: IsoDate): SourcedDay | null => {
    const doy = dayOfYear(date);
    const known = made.get(doy);
    if (known !== undefined) return known && { ...known, date };
    const near = seen.filter((_day, i) => {
      const apart = Math.abs((seenSeasons[i] ?? 0) - doy);
      return Math.min(apart, 365 - apart) <= SEASON_DAYS;
    });
    const within = (apart: number): boolean => Math.min(apart, 365 - apart) <= LIKE_DAYS;
    const latest = (i: number): boolean => seen.length - i <= LATEST_DAYS;
    const ofSeason = seenSeasons.flatMap((season, i) => (within(Math.abs(season - doy)) ? [i] : []));
    const at =
      ofSeason.length >= ENOUGH_LIKE_DAYS
        ? ofSeason
        : seen.flatMap((_day, i) => (latest(i) || within(Math.abs((seenSeasons[i] ?? 0) - doy)) ? [i] : []));
    const recent = seen.slice(-RECENT_DAYS);
    const end = recent.at(-1)?.date;
    const recentEnough = end !== undefined && Math.abs(daysBetween(end, date)) <= RECENT_REACH_DAYS;
    const typical = near.length >= ENOUGH_DAYS ? near : recentEnough ? recent : [];
    const day: SourcedDay | null =
      typical.length >= ENOUGH_DAYS
        ? {
            ...meanOf(typical, date),
            source: 'own record',
            rainChance: wetShare(seen, at),
            [LIKE]: { record: seen, at },
          }
        : null;
    made.set(doy, day);
    return day;
  };

  /** Of what has been it is known whether it rained, or it is taken as usual. */
  const madeUp = (day: SourcedDay): SourcedDay => {
    if (day.date >= today) return day;
    const rainMm = unmeasuredRainMm(day.date, site);
    return { ...day, rainMm, rainChance: rainMm > 0 ? 1 : 0 };
  };

  return Array.from({ length: count }, (_, i) => {
    const date = addDays(from, i);
    const said = options.said?.get(date);
    const real = recorded.get(date);
    if (real) {
      const day = said ? saidOfPast(said, real) : real;
      return { ...day, source: 'record', rainChance: day.rainMm > 0 ? 1 : 0 };
    }
    const foreseen = forecast.get(date);
    const usual: SourcedDay = foreseen
      ? { ...foreseen, source: 'forecast' }
      : madeUp(
          fromOwnRecord(date) ?? {
            ...ordinaryDay(date, site),
            source: 'ordinary day',
            rainChance: ordinaryRain(date, site).chance,
          },
        );
    if (!said) return usual;
    const day = manualForecastDay(said, usual, site);
    // Of what has been it is known whether it rained.
    return { ...day, source: 'said', rainChance: date < today ? (day.rainMm > 0 ? 1 : 0) : day.rainChance };
  });
}
