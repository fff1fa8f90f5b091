import type { IsoDate } from '../units/dates.ts';

/** What the last day with a round asked for: what it did not ask for was not missed. */
export interface AskedFor {
  on: IsoDate;
  places: number[];
}

/**
 * What stands to be missed from tomorrow on.
 * @param before what was asked for by the plan before this one; `due` places on today's round; `isRound` somebody walks today
 * @returns of one day all that was asked for in its course; before it was asked on another day, that day's
 */
export function askedFor(
  before: AskedFor | undefined,
  today: IsoDate,
  due: readonly number[],
  isRound: boolean,
): AskedFor | undefined {
  if (before?.on === today)
    return { on: today, places: [...new Set([...before.places, ...due])].sort((a, b) => a - b) };
  const stands = before !== undefined && before.on < today;
  return isRound || due.length > 0 || !stands
    ? { on: today, places: [...due].sort((a, b) => a - b) }
    : before;
}

/** Whether a place's round may have been missed: it asked for it, or nobody looked at a plan that day. */
export const mayBeMissed = (asked: AskedFor | undefined, missed: IsoDate, bedId: number): boolean =>
  asked === undefined || asked.on < missed || asked.places.includes(bedId);
