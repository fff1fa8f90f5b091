import { daysBetween, isIsoDate } from '@kibble/core';
import { formatISO, isValid, parse } from 'date-fns';
import { dateOrder, readDate } from '../weatherFile/cells.ts';
import type { DateOrder } from '../weatherFile/columns.ts';

const SHORT_YEAR = /^(\d{1,2}[-/.]\d{1,2}[-/.])(\d{2})$/;
/** “26” is 2026: nobody lists a bed of a century ago so. */
const longYear = (text: string): string =>
  text.trim().replace(SHORT_YEAR, (_whole, start: string, year: string) => `${start}20${year}`);

/** Days with their month in words; those of the second list say no year. */
const WITH_YEAR = ['d MMM yyyy', 'd MMMM yyyy', 'MMM d yyyy', 'MMMM d yyyy'];
const WITHOUT_YEAR = ['d MMM', 'd MMMM', 'MMM d', 'MMMM d'];

/** So far ahead a day without a year is one to come; beyond, it is of the year before, as garlic is in spring. Judgement. */
const SOON_DAYS = 60;

const iso = (date: Date): string => formatISO(date, { representation: 'date' });

/** A day in words, such as “3 May” or “May 3rd, 2026”; without a year the last one, unless the next is near. Null where it is none. */
function inWords(text: string, today: string): string | null {
  const plain = text
    .trim()
    .replace(/(\d)(st|nd|rd|th)\b/i, '$1')
    .replace(/^(mon|tues|wednes|thurs|fri|satur|sun)day,?\s+/i, '')
    .replace(/[.,]/g, ' ')
    .replace(/\bsept\b/i, 'Sep')
    .replace(/\s+/g, ' ')
    .trim();
  const at = new Date(`${today}T12:00:00`);
  for (const form of WITH_YEAR) {
    const date = parse(plain, form, at);
    if (isValid(date) && date.getFullYear() > 1000) return iso(date);
  }
  for (const form of WITHOUT_YEAR) {
    const date = parse(plain, form, at);
    if (!isValid(date)) continue;
    const years = [1, 0, -1].map((more) => {
      const moved = new Date(date);
      moved.setFullYear(date.getFullYear() + more);
      return iso(moved);
    });
    return years.find((day) => daysBetween(today, day) <= SOON_DAYS) ?? null;
  }
  return null;
}

/** How a column writes its days in figures; null where it could be day first or month first. */
export function orderOf(texts: readonly string[]): DateOrder | null {
  const figures = texts.map(longYear).filter((text) => /^\d{1,2}[-/.]\d{1,2}[-/.]\d{4}/.test(text));
  return figures.length === 0 ? 'year first' : dateOrder(figures);
}

/** A day of a table, as its column writes them. Null where it is none. */
export function dayIn(text: string, order: DateOrder, today: string): string | null {
  const long = longYear(text);
  const date =
    readDate(long, 'year first') ??
    (order === 'year first' ? null : readDate(long, order)) ??
    inWords(text, today);
  return date !== null && isIsoDate(date) ? date : null;
}
