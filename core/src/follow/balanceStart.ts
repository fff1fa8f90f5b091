import { addDays, daysBetween, type IsoDate } from '../units/dates.ts';

/** Days of balance that are kept going: beyond a year and a month the first day's wetness no longer matters. Judgement. */
export const BALANCE_DAYS = 400;

/** Share of the available water in the ground by what the gardener remembers of its first day. Judgement. */
export const START_FULLNESS = { soaked: 1, moist: 0.85, drying: 0.65, dry: 0.2, 'not known': 0.6 } as const;

/**
 * How far off a word about the ground is, share of what the root zone can give; less after a watering that filled it. After so
 * many days rain, waterings and drainage have mostly settled it, days. Judgements.
 */
const DOUBTS: Readonly<Record<string, number>> = { soaked: 0.05, 'not known': 0.3 };
const WORD_DOUBT = 0.15;
const DOUBTED_DAYS = 21;

/**
 * Where a bed's balance begins: with its planting, or on the later day of which somebody said how wet the ground was; on old
 * plantings after a winter that filled the ground.
 * @returns the day, the share of what the root zone can give that is in it then, 0–1, and how far off that may be
 * Source: judgements named in this file.
 */
export function balanceStart(
  startOn: IsoDate,
  wetness: string,
  today: IsoDate,
  wetnessOn: IsoDate | null = null,
): { startOn: IsoDate; startFullness: number; startDoubt?: number } {
  const earliest = addDays(today, -BALANCE_DAYS);
  const from = wetnessOn !== null && wetnessOn > startOn && wetnessOn <= today ? wetnessOn : startOn;
  if (from < earliest) return { startOn: earliest, startFullness: 1 };
  const known: Readonly<Record<string, number>> = START_FULLNESS;
  const start = { startOn: from, startFullness: known[wetness] ?? 1 };
  return daysBetween(from, today) > DOUBTED_DAYS
    ? start
    : { ...start, startDoubt: DOUBTS[wetness] ?? WORD_DOUBT };
}
