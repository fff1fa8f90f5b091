import { item } from '../units/at.ts';
import { addDays, type IsoDate } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import type { PlanBed } from './types.ts';

/** Why a bed is not watered on a day though it may be due. */
export type Shut = 'closed' | 'windy' | 'put off';

export function shutOn(input: PlanBed, date: IsoDate): Shut | null {
  if (input.closed?.includes(date)) return 'closed';
  if (input.windy?.includes(date)) return 'windy';
  return input.blocked?.includes(date) ? 'put off' : null;
}

/** Days past the plan's last that it looks ahead to, so that its last rounds know what waiting costs. */
export const LOOK_AHEAD_DAYS = 8;

/**
 * Weather with days past its end to look ahead to: nobody planned them, they are like the last week without its rain.
 * @param days at least one
 */
export function withDaysToCome(days: readonly SourcedDay[]): SourcedDay[] {
  const last = item(days, days.length - 1).date;
  const week = days.slice(-7);
  const more = Array.from({ length: LOOK_AHEAD_DAYS }, (_, i): SourcedDay => {
    const like = item(week, i % week.length);
    return { ...like, date: addDays(last, i + 1), rainMm: 0, rainChance: 0, source: 'ordinary day' };
  });
  return [...days, ...more];
}

/** Of each day of a place's span from `from` on: whether it is asked then. */
export function askedDays(input: PlanBed, days: readonly SourcedDay[], from: number): boolean[] {
  const asked = input.asked && new Set(input.asked);
  return days.map(
    ({ date }, d) => d >= from && (asked === undefined || asked.has(date)) && shutOn(input, date) === null,
  );
}

/** The next day after `d` on which it is asked, at the latest the last one there is. */
export function nextAsked(asked: readonly boolean[], d: number): number {
  const next = asked.indexOf(true, d + 1);
  return next < 0 ? asked.length - 1 : next;
}
