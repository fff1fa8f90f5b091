import { item } from '../units/at.ts';
import { daysBetween, type IsoDate } from '../units/dates.ts';
import { dayMinimumHumidity, dayWind } from './referenceEt.ts';
import type { WeatherDay } from './types.ts';

type Kind =
  | { code: 'heat wave'; days: number; highestC: number }
  | { code: 'hot dry wind'; highestC: number; humidityPct: number; windMs: number }
  | { code: 'drying wind'; windMs: number }
  | { code: 'dry spell'; days: number }
  | { code: 'soaking rain'; rainMm: number }
  | { code: 'hard frost'; lowestC: number }
  | { code: 'ground about to freeze'; meanC: number };

/** What in the weather asks for action, on which days, first and last. */
export type WeatherAlert = Kind & { from: IsoDate; until: IsoDate };
export type AlertCode = Kind['code'];
export const ALERT_CODES = [
  'heat wave',
  'hot dry wind',
  'drying wind',
  'dry spell',
  'soaking rain',
  'hard frost',
  'ground about to freeze',
] as const satisfies readonly AlertCode[];

export interface AlertLimits {
  /** Days in a row at or above `hotC` that make a heat wave. */
  heatDays: number;
  hotC: number;
  /** All three at once are the danger state for trees. */
  windHotC: number;
  windHumidityPct: number;
  windMs: number;
  /** That wind on a day this warm and with less rain than this dries pots and beds. */
  windWarmC: number;
  windRainMm: number;
  /** Days without this much rain in all are a dry spell. */
  dryDays: number;
  dryTotalMm: number;
  soakingMm: number;
  hardFrostC: number;
  /** Mean of the day's temperatures over three days at which the ground starts to freeze. */
  freezeMeanC: number;
}

/** Common practice but for the last two and the winds, which are judgements. */
export const ALERT_LIMITS: AlertLimits = {
  heatDays: 3,
  hotC: 32,
  windHotC: 37,
  windHumidityPct: 20,
  windMs: 5,
  windWarmC: 20,
  windRainMm: 1,
  dryDays: 14,
  dryTotalMm: 5,
  soakingMm: 20,
  hardFrostC: -5,
  freezeMeanC: -2,
};

const FREEZE_DAYS = 3;

/** What a day of an alert is held against. Temperatures in °C, wind in m/s at 2 m, humidity in %, rain in mm. */
export interface AlertGround {
  figure:
    'highest' | 'lowest' | 'mean of three days' | 'lowest humidity' | 'mean wind' | 'rain' | 'rain since';
  limit: number;
  /** The figure must be at least the limit, or at most. */
  side: 'at least' | 'at most';
  days: readonly { date: IsoDate; value: number }[];
}

/** Lowest humidity of a day, %: measured, or as it is in air that cooled to its dew point by morning. */
const driestPct = (day: WeatherDay): number => day.rhMinPct ?? dayMinimumHumidity(day);
const windOf = (day: WeatherDay): number => dayWind(day).ms;
const meanC = (days: readonly WeatherDay[]): number =>
  days.reduce((sum, d) => sum + (d.tMinC + d.tMaxC) / 2, 0) / days.length;

type Found = WeatherAlert | null;
const onOne = (day: WeatherDay | undefined, kind: (day: WeatherDay) => Kind): Found =>
  day ? { ...kind(day), from: day.date, until: day.date } : null;
const isFierce = (d: WeatherDay, limits: AlertLimits): boolean =>
  d.tMaxC >= limits.windHotC && driestPct(d) <= limits.windHumidityPct && windOf(d) >= limits.windMs;

/** How each kind is found in a stretch of days: its first occurrence. */
const RULES: readonly ((days: readonly WeatherDay[], limits: AlertLimits) => Found)[] = [
  (days, { hotC, heatDays }) => {
    const run = longestRun(days, (d) => d.tMaxC >= hotC, heatDays);
    const highestC = Math.max(...(run ?? []).map((d) => d.tMaxC));
    return run && { code: 'heat wave', ...span(run), days: run.length, highestC };
  },
  (days, limits) =>
    onOne(
      days.find((d) => isFierce(d, limits)),
      (d) => ({ code: 'hot dry wind', highestC: d.tMaxC, humidityPct: driestPct(d), windMs: windOf(d) }),
    ),
  (days, limits) =>
    onOne(
      days.find(
        (d) =>
          d.windMs !== undefined &&
          windOf(d) >= limits.windMs &&
          d.tMaxC >= limits.windWarmC &&
          d.rainMm < limits.windRainMm &&
          !isFierce(d, limits),
      ),
      (d) => ({ code: 'drying wind', windMs: windOf(d) }),
    ),
  (days, { dryTotalMm, dryDays }) => {
    const dry = drySpell(days, dryTotalMm);
    const until = days.at(-1)?.date;
    return dry && until && dry.days >= dryDays ? { code: 'dry spell', ...dry, until } : null;
  },
  (days, { soakingMm }) =>
    onOne(
      days.find((d) => d.rainMm >= soakingMm),
      (d) => ({ code: 'soaking rain', rainMm: d.rainMm }),
    ),
  (days, { hardFrostC }) =>
    onOne(
      days.find((d) => d.tMinC <= hardFrostC),
      (d) => ({ code: 'hard frost', lowestC: d.tMinC }),
    ),
  (days, { freezeMeanC }) => {
    const starts = Array.from({ length: Math.max(0, days.length - FREEZE_DAYS + 1) }, (_, i) => i);
    const at = starts.find((i) => meanC(days.slice(i, i + FREEZE_DAYS)) <= freezeMeanC);
    if (at === undefined) return null;
    const three = days.slice(at, at + FREEZE_DAYS);
    return { code: 'ground about to freeze', ...span(three), meanC: meanC(three) };
  },
];

const span = (run: readonly WeatherDay[]): { from: IsoDate; until: IsoDate } => ({
  from: item(run, 0).date,
  until: item(run, run.length - 1).date,
});

/**
 * What in a stretch of weather asks for action. Each kind is told once, for its first occurrence.
 * @param days consecutive days, past or forecast
 * Source: limits as `ALERT_LIMITS`.
 */
export function weatherAlerts(
  days: readonly WeatherDay[],
  limits: AlertLimits = ALERT_LIMITS,
): WeatherAlert[] {
  return RULES.flatMap((rule) => rule(days, limits) ?? []);
}

/**
 * The figures by which an alert was raised, each with the limit it is held against.
 * @param days those in which it was found
 * Source: limits as `ALERT_LIMITS`; units as `AlertGround`.
 */
export function alertGrounds(
  alert: WeatherAlert,
  days: readonly WeatherDay[],
  limits: AlertLimits = ALERT_LIMITS,
): AlertGround[] {
  const its = days.filter(({ date }) => date >= alert.from && date <= alert.until);
  const ground = (
    figure: AlertGround['figure'],
    side: AlertGround['side'],
    limit: number,
    of: (day: WeatherDay) => number,
  ): AlertGround => ({
    figure,
    side,
    limit,
    days: its.map((day) => ({ date: day.date, value: of(day) })),
  });
  const wind = ground('mean wind', 'at least', limits.windMs, windOf);
  const highest = (limit: number): AlertGround => ground('highest', 'at least', limit, (d) => d.tMaxC);
  switch (alert.code) {
    case 'heat wave':
      return [highest(limits.hotC)];
    case 'hot dry wind':
      return [
        highest(limits.windHotC),
        ground('lowest humidity', 'at most', limits.windHumidityPct, driestPct),
        wind,
      ];
    case 'drying wind':
      return [wind, highest(limits.windWarmC)];
    case 'dry spell':
      return [
        {
          figure: 'rain since',
          side: 'at most',
          limit: limits.dryTotalMm,
          days: [{ date: alert.from, value: its.reduce((sum, d) => sum + d.rainMm, 0) }],
        },
      ];
    case 'soaking rain':
      return [ground('rain', 'at least', limits.soakingMm, (d) => d.rainMm)];
    case 'hard frost':
      return [ground('lowest', 'at most', limits.hardFrostC, (d) => d.tMinC)];
    case 'ground about to freeze':
      return [
        {
          figure: 'mean of three days',
          side: 'at most',
          limit: limits.freezeMeanC,
          days: [{ date: alert.from, value: alert.meanC }],
        },
      ];
  }
}

function longestRun(
  days: readonly WeatherDay[],
  holds: (day: WeatherDay) => boolean,
  atLeast: number,
): WeatherDay[] | null {
  let run: WeatherDay[] = [];
  for (const day of days) {
    if (holds(day)) run.push(day);
    else {
      if (run.length >= atLeast) return run;
      run = [];
    }
  }
  return run.length >= atLeast ? run : null;
}

/** Days up to the last one in which less than `totalMm` fell in all, and since when. */
export function drySpell(
  days: readonly WeatherDay[],
  totalMm: number,
): { from: IsoDate; days: number } | null {
  let total = 0;
  let first: IsoDate | null = null;
  for (let i = days.length - 1; i >= 0; i -= 1) {
    const day = item(days, i);
    total += day.rainMm;
    if (total >= totalMm) break;
    first = day.date;
  }
  const last = days.at(-1)?.date;
  return first && last ? { from: first, days: daysBetween(first, last) + 1 } : null;
}
