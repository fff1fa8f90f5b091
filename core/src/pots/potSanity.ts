import { daysBetween, type IsoDate } from '../units/dates.ts';
import { positive } from '../units/guard.ts';
import type { DatedPotEntry } from './entries.ts';

/** A mix reckoned from weight and meter that is so many times the pot's own, or less, is far from it. Judgement. */
const FAR = 1.6;
/** A meter that moved less says nothing, points. Judgement. */
const LEAST_DROP = 2;

/**
 * The mix that a loss and a meter's drop speak of: 60 mL and 7 points are 0.86 L.
 * @param options mL lost and points (% by volume) the meter fell, both above 0
 * @returns litres of mix
 * Source: arithmetic, as it is done by hand.
 */
export const mixFromMeter = (options: { lostMl: number; dropPct: number }): number =>
  positive('lostMl', options.lostMl, 1e6, 'mL') / 10 / positive('dropPct', options.dropPct, 100, '%');

/** What a scale and a meter of the same two days make of a pot's size, against what was told; null where they agree, or nobody read both. */
export function potSanity(
  entries: readonly DatedPotEntry[],
  toldL: number,
): { mixL: number; toldL: number; on: IsoDate } | null {
  const on = (date: IsoDate) => {
    const mine = entries.filter((one) => one.date === date).map(({ entry }) => entry);
    const kg = mine.find((entry) => entry.kind === 'weighed')?.kg;
    const pct = mine.find((entry) => entry.kind === 'meter')?.pct;
    return kg === undefined || pct === undefined ? null : { kg, pct };
  };
  const dates = [...new Set(entries.map(({ date }) => date))].sort().filter((date) => on(date) !== null);
  const until = dates.at(-1);
  const from = dates.at(-2);
  if (until === undefined || from === undefined) return null;
  const given = entries.some(
    ({ date, entry }) =>
      entry.kind === 'given' && daysBetween(from, date) >= 0 && daysBetween(date, until) > 0,
  );
  const before = on(from);
  const after = on(until);
  if (given || !before || !after) return null;
  const dropPct = before.pct - after.pct;
  const lostMl = 1000 * (before.kg - after.kg);
  if (dropPct < LEAST_DROP || lostMl <= 0) return null;
  const mixL = mixFromMeter({ lostMl, dropPct });
  return mixL > FAR * toldL || mixL * FAR < toldL ? { mixL, toldL, on: until } : null;
}
