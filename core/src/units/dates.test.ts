import { describe, expect, test } from '@jest/globals';
import { differenceInCalendarDays, parseISO } from 'date-fns';
import fc from 'fast-check';
import { addDays, dayOfYear, daysBetween, isIsoDate } from './dates.ts';

describe('calendar days', () => {
  test('agree with date-fns over clock changes and leap years, in a zone that has both', () => {
    const day = fc.integer({ min: 0, max: 40_000 }).map((n) => addDays('1970-01-01', n));
    fc.assert(
      fc.property(day, fc.integer({ min: -800, max: 800 }), (date, days) => {
        const later = addDays(date, days);
        expect(daysBetween(date, later)).toBe(days);
        expect(differenceInCalendarDays(parseISO(later), parseISO(date))).toBe(days);
      }),
    );
  });
  test('leap days and year ends', () => {
    expect(addDays('2024-02-28', 1)).toBe('2024-02-29');
    expect(addDays('2026-02-28', 1)).toBe('2026-03-01');
    expect(addDays('2026-12-31', 1)).toBe('2027-01-01');
    expect(dayOfYear('2024-12-31')).toBe(366);
    expect(dayOfYear('2026-03-01')).toBe(60);
  });
  test('what is no day is told from what is', () => {
    expect(isIsoDate('2026-02-29')).toBe(false);
    expect(isIsoDate('2026-2-9')).toBe(false);
    expect(isIsoDate('2024-02-29')).toBe(true);
    expect(() => addDays('soon', 1)).toThrow(/YYYY-MM-DD; got soon/);
  });
});
