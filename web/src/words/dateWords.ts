import { isSameDay, isSameYear, parseISO } from 'date-fns';

/**
 * Names of days and months as the browser has them: a package's own tables, with what reads them back, were a twentieth of
 * all that a first screen waits for.
 */
const named = (options: Intl.DateTimeFormatOptions): ((date: Date) => string) => {
  let names: Intl.DateTimeFormat | null = null;
  return (date) => (names ??= new Intl.DateTimeFormat('en-US', options)).format(date);
};
const weekday = named({ weekday: 'long' });
const shortWeekday = named({ weekday: 'short' });
const month = named({ month: 'long' });
const shortMonth = named({ month: 'short' });

export const dayName = (date: string): string => weekday(parseISO(date));

export const shortDay = (date: string): string => {
  const day = parseISO(date);
  return `${shortWeekday(day)} ${day.getDate()}`;
};

export const dayMonth = (date: string): string => `${shortDay(date)} ${shortMonth(parseISO(date))}`;

export const longDate = (date: string): string => {
  const day = parseISO(date);
  return `${weekday(day)} ${day.getDate()} ${month(day)} ${day.getFullYear()}`;
};

const dateInYear = (day: Date): string => `${day.getDate()} ${shortMonth(day)}`;

/** Day, month and year, for spans of a record. */
export const fullDate = (date: string): string => {
  const day = parseISO(date);
  return `${dateInYear(day)} ${day.getFullYear()}`;
};

export const plainDate = (date: string, today: string): string =>
  isSameYear(parseISO(date), parseISO(today)) ? dateInYear(parseISO(date)) : fullDate(date);

const DAY_MINUTES = 1440;
const two = (figure: number): string => String(figure).padStart(2, '0');

/** A time of day from minutes after midnight, in the gardener's form; past midnight it goes on with the next day's. */
export const timeOfDay = (minutes: number, { system }: { system: 'metric' | 'us' }): string => {
  const at = ((Math.round(minutes) % DAY_MINUTES) + DAY_MINUTES) % DAY_MINUTES;
  const hour = Math.floor(at / 60);
  return system === 'us'
    ? `${hour % 12 || 12}:${two(at % 60)}\u00a0${hour < 12 ? 'am' : 'pm'}`
    : `${two(hour)}:${two(at % 60)}`;
};

/** A moment on this device's clock, ms since 1970: its time, with the date unless that is today. */
export const momentWords = (ms: number, now = Date.now()): string => {
  const at = new Date(ms);
  const time = `${two(at.getHours())}:${two(at.getMinutes())}`;
  return isSameDay(at, now) ? time : `${dateInYear(at)}, ${time}`;
};
