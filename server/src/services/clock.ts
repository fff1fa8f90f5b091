import { addDays } from '@kibble/core';
import { FIRST_DAY, LAST_DAY, type ClockBody } from '@kibble/contract';
import { Refusal } from '../errors.ts';
import type { Garden } from '../db/models.ts';

/** The only place that reads the wall clock. Tests and demos pass their own. */
export interface WallClock {
  now(): Date;
}
export const wallClock: WallClock = { now: () => new Date() };

/** Today at the garden: the practice date, or the wall clock's day in the garden's zone. */
export function todayOf(garden: Garden, wall: WallClock): string {
  if (garden.clockMode === 'practice' && garden.practiceDate) return garden.practiceDate;
  return dayIn(garden.timeZone, wall);
}

/** The wall clock's day in a zone. */
export const dayIn = (timeZone: string, wall: WallClock): string => formats(timeZone).day.format(wall.now());

/** Making a formatter is dear, using one is not. */
const made = new Map<string, { day: Intl.DateTimeFormat; offset: Intl.DateTimeFormat }>();
function formats(timeZone: string): { day: Intl.DateTimeFormat; offset: Intl.DateTimeFormat } {
  const known = made.get(timeZone);
  if (known) return known;
  const fresh = {
    // The Swedish form of a date is YYYY-MM-DD.
    day: new Intl.DateTimeFormat('sv-SE', { timeZone }),
    offset: new Intl.DateTimeFormat('en', { timeZone, timeZoneName: 'longOffset' }),
  };
  made.set(timeZone, fresh);
  return fresh;
}

/** Hours the garden's clock is ahead of universal time on a day, summer time counted. */
export function utcOffsetHours(timeZone: string, date: string): number {
  const parts = formats(timeZone).offset.formatToParts(new Date(`${date}T12:00:00Z`));
  const named = parts.find((part) => part.type === 'timeZoneName')?.value ?? 'GMT';
  const [, sign, hours, minutes] = /GMT([+-])(\d{2}):(\d{2})/.exec(named) ?? [];
  const ahead = Number(hours ?? 0) + Number(minutes ?? 0) / 60;
  return sign === '-' ? -ahead : ahead;
}

/** Sets the garden's clock to the real one or to a practice day. */
export async function setClock(garden: Garden, clock: ClockBody): Promise<void> {
  if (clock.mode === 'real') await garden.update({ clockMode: 'real', practiceDate: null });
  else await garden.update({ clockMode: 'practice', practiceDate: clock.date });
}

/** The day to which a practice clock is stepped by whole days. A real clock steps by itself. */
export function steppedTo(garden: Garden, days: number): string {
  if (garden.clockMode !== 'practice' || !garden.practiceDate) {
    throw new Refusal(
      'conflict',
      'This garden runs on the real date. Switch it to a practice date to step through days.',
      'days',
    );
  }
  const stepped = addDays(garden.practiceDate, days);
  if (stepped < FIRST_DAY || stepped > LAST_DAY)
    throw new Refusal(
      'invalid',
      `Days must lead to a day from ${FIRST_DAY} to ${LAST_DAY}; got ${days} days from ${garden.practiceDate}, which is ${stepped}`,
      'days',
    );
  return stepped;
}

/** The day from which a change holds: today, or an earlier one. @param words, field what it is called when it is refused */
export function sinceOf(
  since: string | undefined,
  today: string,
  { words = 'Since when', field = 'since' } = {},
): string {
  if (since !== undefined && since > today)
    throw new Refusal('invalid', `${words} must be ${today} (today) or earlier; got ${since}`, field);
  return since ?? today;
}
