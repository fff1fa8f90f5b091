import { item } from '../units/at.ts';
import { daysBetween, type IsoDate } from '../units/dates.ts';
import { dayMinimumHumidity, dayWind } from './referenceEt.ts';
import type { WeatherDay } from './types.ts';

export type WeatherAlert =
  | { code: 'heat wave'; from: IsoDate; days: number; highestC: number }
  | { code: 'hot dry wind'; from: IsoDate; highestC: number; humidityPct: number; windMs: number }
  | { code: 'dry spell'; from: IsoDate; days: number }
  | { code: 'soaking rain'; from: IsoDate; rainMm: number }
  | { code: 'hard frost'; from: IsoDate; lowestC: number }
  | { code: 'ground about to freeze'; from: IsoDate; meanC: number };

export interface AlertLimits {
  /** Days in a row at or above `hotC` that make a heat wave. */
  heatDays: number;
  hotC: number;
  /** All three at once are the danger state for trees. */
  windHotC: number;
  windHumidityPct: number;
  windMs: number;
  /** Days without this much rain in all are a dry spell. */
  dryDays: number;
  dryTotalMm: number;
  soakingMm: number;
  hardFrostC: number;
  /** Mean of the day's temperatures over three days at which the ground starts to freeze. */
  freezeMeanC: number;
}

/** Common practice but for the last two and the wind, which are judgements. */
export const ALERT_LIMITS: AlertLimits = {
  heatDays: 3,
  hotC: 32,
  windHotC: 37,
  windHumidityPct: 20,
  windMs: 5,
  dryDays: 14,
  dryTotalMm: 5,
  soakingMm: 20,
  hardFrostC: -5,
  freezeMeanC: -2,
};

const FREEZE_DAYS = 3;

/**
 * What in a stretch of weather asks for action. Each kind is told once, for its first occurrence.
 * @param days consecutive days, past or forecast
 * Source: limits as `ALERT_LIMITS`.
 */
export function weatherAlerts(
  days: readonly WeatherDay[],
  limits: AlertLimits = ALERT_LIMITS,
): WeatherAlert[] {
  const alerts: WeatherAlert[] = [];
  const heat = longestRun(days, (d) => d.tMaxC >= limits.hotC, limits.heatDays);
  if (heat) {
    alerts.push({
      code: 'heat wave',
      from: item(heat, 0).date,
      days: heat.length,
      highestC: Math.max(...heat.map((d) => d.tMaxC)),
    });
  }
  const wind = days.find((d) => {
    const measured = d.rhMinPct ?? dayMinimumHumidity(d);
    return d.tMaxC >= limits.windHotC && measured <= limits.windHumidityPct && dayWind(d).ms >= limits.windMs;
  });
  if (wind) {
    alerts.push({
      code: 'hot dry wind',
      from: wind.date,
      highestC: wind.tMaxC,
      humidityPct: wind.rhMinPct ?? dayMinimumHumidity(wind),
      windMs: dayWind(wind).ms,
    });
  }
  const dry = drySpell(days, limits.dryTotalMm);
  if (dry && dry.days >= limits.dryDays) alerts.push({ code: 'dry spell', ...dry });
  const soaking = days.find((d) => d.rainMm >= limits.soakingMm);
  if (soaking) alerts.push({ code: 'soaking rain', from: soaking.date, rainMm: soaking.rainMm });
  const frost = days.find((d) => d.tMinC <= limits.hardFrostC);
  if (frost) alerts.push({ code: 'hard frost', from: frost.date, lowestC: frost.tMinC });
  for (let i = 0; i + FREEZE_DAYS <= days.length; i += 1) {
    const three = days.slice(i, i + FREEZE_DAYS);
    const meanC = three.reduce((sum, d) => sum + (d.tMinC + d.tMaxC) / 2, 0) / FREEZE_DAYS;
    if (meanC <= limits.freezeMeanC) {
      alerts.push({ code: 'ground about to freeze', from: item(three, 0).date, meanC });
      break;
    }
  }
  return alerts;
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
