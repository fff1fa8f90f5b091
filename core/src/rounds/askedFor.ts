import type { IsoDate } from '../units/dates.ts';

/** What a day with a round asked for. */
interface Asked {
  on: IsoDate;
  places: number[];
}

/** What the last day with a round asked for, and the one before it: what they did not ask for was not missed. */
export interface AskedFor extends Asked {
  before?: Asked;
}

/**
 * What stands to be missed from tomorrow on.
 * @param before what was asked for by the plan before this one; `due` places on today's round; `isRound` somebody walks today
 * @returns of one day all that was asked for in its course, with the day before it; before it was asked on another day, that day's
 */
export function askedFor(
  before: AskedFor | undefined,
  today: IsoDate,
  due: readonly number[],
  isRound: boolean,
): AskedFor | undefined {
  if (before?.on === today)
    return { ...before, places: [...new Set([...before.places, ...due])].sort((a, b) => a - b) };
  const stands = before !== undefined && before.on < today;
  if (!isRound && due.length === 0 && stands) return before;
  const asked = { on: today, places: [...due].sort((a, b) => a - b) };
  return stands ? { ...asked, before: { on: before.on, places: before.places } } : asked;
}

/** What was asked for on the last day before today, where a plan was made on one. */
const lastAsked = (asked: AskedFor | undefined, today: IsoDate): Asked | undefined =>
  asked?.on === today ? asked.before : asked;

/** Whether a place's round may have been missed: it asked for it, or nobody looked at a plan that day. */
export function mayBeMissed(
  asked: AskedFor | undefined,
  missed: IsoDate,
  { id, today }: { id: number; today: IsoDate },
): boolean {
  const last = lastAsked(asked, today);
  return last === undefined || last.on < missed || last.places.includes(id);
}

/** Whether a place's round is known to have been missed: a plan was made on it and asked for the place. */
export function isKnownMissed(
  asked: AskedFor | undefined,
  missed: IsoDate,
  { id, today }: { id: number; today: IsoDate },
): boolean {
  const last = lastAsked(asked, today);
  return last !== undefined && last.on >= missed && last.places.includes(id);
}
