import { METHOD_FACTS } from '../delivery/methods.ts';
import { addDays, type IsoDate } from '../units/dates.ts';
import { within } from '../units/guard.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import type { PlanBed } from '../follow/types.ts';
import type { PlanConstraints } from './constraints.ts';
import { weekdayOf } from '../units/weekdays.ts';

/** Mean wind of a day over which a thrown spray misses its bed, m/s at 2 m. Judgement; that wind stops spraying is common practice. */
export const WIND_HOLD_MS = 6;
/** What throws water this much to the air rests in wind. */
const THROWN = 0.7;
/** Longest rest for wind, days: after that it runs in the calmest hour. Judgement. */
const WIND_REST_DAYS = 2;

/** Whether the garden's open days and hours hold for a bed. */
export const isRestricted = (bed: PlanBed, constraints: PlanConstraints): boolean =>
  constraints.restricts !== 'sprays' || METHOD_FACTS[bed.delivery.method].overhead;

/** Days of the horizon on which a bed may not be watered by rule, or nobody is there to do it. */
export function closedDays(
  bed: PlanBed,
  constraints: PlanConstraints,
  today: IsoDate,
  horizonDays: number,
): IsoDate[] {
  const open = isRestricted(bed, constraints) ? constraints.weekdays : undefined;
  const away = bed.delivery.timer ? [] : (constraints.away ?? []);
  if (open === undefined && away.length === 0) return [];
  return Array.from({ length: horizonDays }, (_, i) => addDays(today, i)).filter(
    (date) =>
      (open !== undefined && !open.includes(weekdayOf(date))) ||
      away.some(({ from, until }) => date >= from && date <= until),
  );
}

/** Days on which the wind would carry a bed's water off, never more than two in a row. */
export function windyDays(
  bed: PlanBed,
  constraints: PlanConstraints,
  ahead: readonly SourcedDay[],
): IsoDate[] {
  if (METHOD_FACTS[bed.delivery.method].exposure < THROWN || bed.bed.place?.underCover) return [];
  const limit = within('windHoldMs', constraints.windHoldMs ?? WIND_HOLD_MS, 0, 75, 'm/s');
  const days: IsoDate[] = [];
  let inRow = 0;
  for (const day of ahead) {
    const windy = (day.windMs ?? 0) > limit && inRow < WIND_REST_DAYS;
    inRow = windy ? inRow + 1 : 0;
    if (windy) days.push(day.date);
  }
  return days;
}
