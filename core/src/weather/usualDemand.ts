import { dayOfYear, type IsoDate } from '../units/dates.ts';
import { ordinaryDay } from './ordinaryDay.ts';
import { referenceEt } from './referenceEt.ts';
import type { Site, WeatherDay } from './types.ts';

/** Demand under which a day is not scaled by it, mm: in deep winter a ratio says nothing. Judgement. */
const LEAST_MM = 0.4;

/** The last days on record that tell how a season leans, and how many of earlier years it takes to compare them with. Judgement. */
const LATEST_DAYS = 30;
const EARLIER_DAYS = 30;
/** Days either side of them that count as the same season. Judgement. */
const SEASON_DAYS = 30;
/** Days before today that are no part of the comparison: an earlier year, not an earlier week. */
const APART_DAYS = 200;
/** How much of a dry or dull month lasts through the next fortnight: through the origin its slope was 0.6 at Seattle and 0.1 at New York over their eight summers. */
const LASTS = 0.35;

/** What an ordinary day of the season asks at a place, mm of reference evapotranspiration, by day of the year. */
export function usualDemand(site: Site): (date: IsoDate) => number {
  const known = new Map<number, number>();
  return (date) => {
    const day = dayOfYear(date);
    let mm = known.get(day);
    if (mm === undefined) {
      mm = Math.max(LEAST_MM, referenceEt(ordinaryDay(date, site), site).mm);
      known.set(day, mm);
    }
    return mm;
  };
}

/**
 * How this season leans: by what factor the days ahead may be expected to ask for more than those of earlier years did, as
 * the last month has. 1 where no earlier year is on record.
 * @param record measured days in order; `usual` as `usualDemand` gives it
 * @returns a factor, usually 0.9–1.1
 * Source: persistence of monthly anomalies; its size is the judgement above, from the two records named there.
 */
export function seasonLean(
  record: readonly WeatherDay[],
  site: Site,
  usual: (date: IsoDate) => number,
): number {
  const latest = record.slice(-LATEST_DAYS);
  const middle = latest[Math.floor(latest.length / 2)];
  if (!middle || latest.length < LATEST_DAYS) return 1;
  const season = dayOfYear(middle.date);
  const earlier = record.slice(0, -APART_DAYS).filter((day) => {
    const apart = Math.abs(dayOfYear(day.date) - season);
    return Math.min(apart, 365 - apart) <= SEASON_DAYS;
  });
  if (earlier.length < EARLIER_DAYS) return 1;
  const share = (days: readonly WeatherDay[]): number =>
    days.reduce((sum, day) => sum + referenceEt(day, site).mm / usual(day.date), 0) / days.length;
  return (share(latest) / share(earlier)) ** LASTS;
}
