import { item } from '../units/at.ts';
import type { IsoDate } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import type { PlanBed } from './types.ts';

/** Why a bed is not watered on a day though it may be due. */
export type Shut = 'closed' | 'windy' | 'spared' | 'put off';

export function shutOn(input: PlanBed, date: IsoDate): Shut | null {
  if (input.closed?.includes(date)) return 'closed';
  if (input.windy?.includes(date)) return 'windy';
  if (input.spared?.includes(date)) return 'spared';
  return input.blocked?.includes(date) ? 'put off' : null;
}

/** Days in a row after `d` on which it will not be watered by rule, and the rule of the first. */
export function shutAfter(
  input: PlanBed,
  days: readonly SourcedDay[],
  d: number,
): { days: number; why: Shut } {
  let n = 0;
  let why: Shut = 'closed';
  for (; d + n + 1 < days.length; n += 1) {
    const shut = shutOn(input, item(days, d + n + 1).date);
    if (shut === null || shut === 'put off') break;
    if (n === 0) why = shut;
  }
  return { days: n, why };
}
