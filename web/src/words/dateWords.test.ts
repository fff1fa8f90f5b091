import { describe, expect, test } from '@jest/globals';
import { addDays, addMinutes, format, formatISO } from 'date-fns';
import {
  dayMonth,
  dayName,
  fullDate,
  longDate,
  momentWords,
  plainDate,
  shortDay,
  timeOfDay,
} from './dateWords.ts';

// Held against date-fns, which has tables and rules of its own for the same.
const LEAP_YEAR = Array.from({ length: 366 }, (_, i) => addDays(new Date(2028, 0, 1), i));

describe('days in words', () => {
  test.each([
    ['EEEE', dayName],
    ['EEE d', shortDay],
    ['EEE d MMM', dayMonth],
    ['EEEE d MMMM yyyy', longDate],
    ['d MMM yyyy', fullDate],
    ['d MMM', (date: string) => plainDate(date, '2028-06-30')],
    ['d MMM yyyy', (date: string) => plainDate(date, '2027-12-31')],
  ] as const)('%s, every day of a leap year', (pattern, words) => {
    const wrong = LEAP_YEAR.filter(
      (day) => words(formatISO(day, { representation: 'date' })) !== format(day, pattern),
    );
    expect(wrong).toEqual([]);
  });
});

describe('times in words', () => {
  const midnight = new Date(2026, 6, 14);

  test.each([
    ['metric', 'HH:mm'],
    ['us', 'h:mm\u00a0aaa'],
  ] as const)('every minute from the day before to the day after, %s', (system, pattern) => {
    for (let minutes = -1440; minutes < 2880; minutes += 1)
      expect(timeOfDay(minutes, { system })).toBe(format(addMinutes(midnight, minutes), pattern));
    expect(timeOfDay(359.6, { system })).toBe(format(addMinutes(midnight, 360), pattern));
  });

  test('a moment of today is its time, one of another day says which', () => {
    const at = addMinutes(midnight, 9 * 60 + 5).getTime();
    expect(momentWords(at, addMinutes(midnight, 1439).getTime())).toBe('09:05');
    expect(momentWords(at, addMinutes(midnight, 1440).getTime())).toBe('14 Jul, 09:05');
  });
});
