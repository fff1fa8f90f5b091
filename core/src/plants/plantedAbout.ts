import { addDays, isIsoDate, type IsoDate } from '../units/dates.ts';

/** A planting day as somebody remembers it. */
export interface PlantedAbout {
  on: IsoDate;
  /** How it was read: the very day, the middle of a year, so many years back, or not known at all. */
  by: 'day' | 'year' | 'years ago' | 'not known';
}

const NUMBERS = [
  'no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve',
]; // prettier-ignore
const TENS: Readonly<Record<string, number>> = {
  fifteen: 15,
  twenty: 20,
  thirty: 30,
  forty: 40,
  fifty: 50,
  sixty: 60,
  hundred: 100,
};
const OLDEST_YEAR = 1000;
/** Years that a tree is taken to have stood where nobody knows: long enough to be on its own roots. Judgement. */
export const UNKNOWN_YEARS = 20;
const YEAR_DAYS = 365.25;
const NOT_KNOWN = /^(unknown|not known|no idea|nobody knows|i don.?t know|don.?t know|old|very old|\?+)$/;
const ABOUT = /^(about|around|roughly|some|perhaps|circa|ca\.?|c\.?|~|≈)\s*/;

const countOf = (word: string): number => {
  if (/^\d+$/.test(word)) return Number(word);
  if (word === 'a' || word === 'an') return 1;
  const small = NUMBERS.indexOf(word);
  return small >= 0 ? small : (TENS[word] ?? NaN);
};

/**
 * A planting day from words: “2019-04-12”, “about 1990”, “three years ago”, “unknown”. A year alone is its middle; what nobody
 * knows is taken as twenty years.
 * @param today the latest day it may be
 * @returns null where the words say no day that has been
 * Source: how people speak of it; the middle of the year and the twenty years are judgements.
 */
export function plantedAbout(text: string, today: IsoDate): PlantedAbout | null {
  const words = text.trim().toLowerCase();
  if (NOT_KNOWN.test(words)) return { on: yearsBefore(today, UNKNOWN_YEARS), by: 'not known' };
  const plain = words.replace(ABOUT, '');
  if (isIsoDate(plain)) return plain <= today ? { on: plain, by: 'day' } : null;
  if (/^\d{4}$/.test(plain)) {
    const middle = `${plain}-07-01`;
    const thisYear = today.slice(0, 4);
    if (plain > thisYear || Number(plain) < OLDEST_YEAR) return null;
    return { on: middle < today ? middle : today, by: 'year' };
  }
  const [, count, unit] = /^(\w+) (years?|months?) (?:ago|old)$/.exec(plain) ?? [];
  const many = count === undefined ? NaN : countOf(count);
  const years = unit?.startsWith('month') ? many / 12 : many;
  return years >= 0 && years <= Number(today.slice(0, 4)) - OLDEST_YEAR
    ? { on: yearsBefore(today, years), by: 'years ago' }
    : null;
}

const yearsBefore = (today: IsoDate, years: number): IsoDate =>
  addDays(today, -Math.round(years * YEAR_DAYS));
