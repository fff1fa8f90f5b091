import { item } from '../../units/at.ts';
import { ordered, withinIfGiven } from '../../units/guard.ts';
import { daysOfMonth } from './daysOfMonth.ts';
import type { Climate, ClimateMonth } from './types.ts';

/** Figures that somebody knows of a month. */
export interface KnownMonth {
  /** °C. */
  highC?: number;
  lowC?: number;
  /** mm. */
  rainMm?: number;
}
/** What somebody knows of the usual year where they live. */
export interface KnownClimate {
  coldest?: KnownMonth;
  warmest?: KnownMonth;
}

/** A ratio of rain is taken with so much more of both, mm: of a rainless month there is none. */
const LEAST_MM = 1;
/** Of a month that is twice as wet, so much of the power goes into more wet days, the rest into wetter ones. Judgement. */
const INTO_DAYS = 0.5;
const MOST_WET = 0.97;

const middle = ({ lowC, highC }: ClimateMonth): number => (lowC + highC) / 2;

/** The coldest and the warmest month by the mean of high and low, 0 for January to 11. Where all are alike, the first and the seventh. Source: arithmetic. */
export function extremeMonths({ months }: Pick<Climate, 'months'>): { coldest: number; warmest: number } {
  const means = months.map(middle);
  const coldest = means.indexOf(Math.min(...means));
  const warmest = means.indexOf(Math.max(...means));
  return coldest === warmest ? { coldest: 0, warmest: 6 } : { coldest, warmest };
}

/**
 * A climate with what somebody knows better of its coldest and its warmest month: each month between is moved with the season.
 * @param known °C from −60 to 60, mm from 0 to 1000 a month
 * Source: judgement, straight between the two months that are known.
 * @throws RangeError on figures that cannot be, and where a low would be above the high
 */
export function correctedClimate<T extends Climate>(
  climate: T,
  { coldest: cold = {}, warmest: warm = {} }: KnownClimate,
): T {
  const { coldest, warmest } = extremeMonths(climate);
  const [coldMonth, warmMonth] = [item(climate.months, coldest), item(climate.months, warmest)];
  for (const [known, was] of [
    [cold, coldMonth],
    [warm, warmMonth],
  ] as const) {
    withinIfGiven('lowC', known.lowC, -60, 60, '°C');
    withinIfGiven('highC', known.highC, -60, 60, '°C');
    withinIfGiven('rainMm', known.rainMm, 0, 1000, 'mm');
    ordered('lowC', known.lowC ?? was.lowC, 'highC', known.highC ?? was.highC);
  }
  const [from, to] = [middle(coldMonth), middle(warmMonth)];
  /** How much of what is known of the warmest month a month takes, 0–1. */
  const warmth = (month: ClimateMonth): number => (to > from ? (middle(month) - from) / (to - from) : 0.5);
  const moved = (key: 'highC' | 'lowC', month: ClimateMonth): number => {
    const [byCold, byWarm] = [
      (cold[key] ?? coldMonth[key]) - coldMonth[key],
      (warm[key] ?? warmMonth[key]) - warmMonth[key],
    ];
    return month[key] + byCold + warmth(month) * (byWarm - byCold);
  };
  const times = (known: KnownMonth, was: ClimateMonth): number =>
    Math.log(((known.rainMm ?? was.rainMm) + LEAST_MM) / (was.rainMm + LEAST_MM));
  const [coldTimes, warmTimes] = [times(cold, coldMonth), times(warm, warmMonth)];
  const rainOf = (month: ClimateMonth, m: number): Pick<ClimateMonth, 'rainMm' | 'wetDays'> => {
    const known = m === coldest ? cold.rainMm : m === warmest ? warm.rainMm : undefined;
    const log = coldTimes + warmth(month) * (warmTimes - coldTimes);
    const rainMm = known ?? Math.max(0, (month.rainMm + LEAST_MM) * Math.exp(log) - LEAST_MM);
    return {
      rainMm,
      wetDays: Math.min(month.wetDays * Math.exp(INTO_DAYS * log), rainMm, MOST_WET * daysOfMonth(m)),
    };
  };
  return {
    ...climate,
    months: climate.months.map((month, m) => {
      const [low, high] = [moved('lowC', month), moved('highC', month)];
      return { lowC: Math.min(low, high), highC: high, ...rainOf(month, m) };
    }),
  };
}
