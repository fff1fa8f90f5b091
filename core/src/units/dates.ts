import { OutOfRange } from './guard.ts';
import { UTCDate } from '@date-fns/utc';
import { addDays as addDaysTo, getDay, getDayOfYear, isValid } from 'date-fns';

/**
 * A watering day is a calendar day at the garden, written `YYYY-MM-DD`. It has no hour and no zone,
 * so all arithmetic on it is done in UTC, where days are always 24 h long.
 */
export type IsoDate = string;

const ISO_DATE = /^(\d{4})-(\d{2})-(\d{2})$/;

/** The same few hundred days are asked for over and over; reading a date costs more than all else a day does. */
const CACHE_SIZE = 20_000;
const DAY_MS = 86_400_000;
const parsedDates = new Map<IsoDate, UTCDate>();
const yearDays = new Map<IsoDate, number>();
const writtenDates = new Map<number, IsoDate>();

function remember<K, T>(cache: Map<K, T>, date: K, value: T): T {
  if (cache.size >= CACHE_SIZE) cache.clear();
  cache.set(date, value);
  return value;
}

function parse(date: IsoDate): UTCDate {
  return parsedDates.get(date) ?? remember(parsedDates, date, read(date));
}

function read(date: IsoDate): UTCDate {
  const parts = ISO_DATE.exec(date);
  const parsed = parts
    ? new UTCDate(Number(parts[1]), Number(parts[2]) - 1, Number(parts[3]))
    : new UTCDate(Number.NaN);
  if (!isValid(parsed) || format(parsed) !== date) {
    throw new OutOfRange('date', 'be a calendar day written YYYY-MM-DD', date);
  }
  return parsed;
}

function format(date: UTCDate): IsoDate {
  return isValid(date) ? date.toISOString().slice(0, 10) : '';
}

/** True when `date` is a real calendar day written `YYYY-MM-DD`. */
export function isIsoDate(date: string): boolean {
  const parts = ISO_DATE.exec(date);
  if (!parts) return false;
  return format(new UTCDate(Number(parts[1]), Number(parts[2]) - 1, Number(parts[3]))) === date;
}

/** First and last moment of the days that can be written with a year of four figures; years under 100 mean another century to dates here. */
const FIRST_MS = Date.UTC(100, 0, 1);
const LAST_MS = Date.UTC(9999, 11, 31);

/**
 * The calendar day `days` after `date` (before it when negative).
 * @throws RangeError when that day lies outside the years 100 to 9999
 */
export function addDays(date: IsoDate, days: number): IsoDate {
  const start = parse(date);
  const at = start.getTime() + days * DAY_MS;
  const known = writtenDates.get(at);
  if (known !== undefined) return known;
  if (!(at >= FIRST_MS && at <= LAST_MS))
    throw new OutOfRange('days', `lead to a day from 0100-01-01 to 9999-12-31`, `${days} after ${date}`);
  return remember(writtenDates, at, format(new UTCDate(addDaysTo(start, days))));
}

/** Whole calendar days from `from` to `to`; negative when `to` is earlier. In UTC every day is as long as the next. */
export function daysBetween(from: IsoDate, to: IsoDate): number {
  return (parse(to).getTime() - parse(from).getTime()) / DAY_MS;
}

/** Day of the year, 1 (1 January) to 366. */
export function dayOfYear(date: IsoDate): number {
  return yearDays.get(date) ?? remember(yearDays, date, getDayOfYear(parse(date)));
}

/** Day of the week, 0 (Sunday) to 6. */
export const dayOfWeek = (date: IsoDate): number => getDay(parse(date));
