import { describe, expect, test } from '@jest/globals';
import { askedFor, mayBeMissed } from './askedFor.ts';

// Common practice: nobody misses a round that did not ask for them.
describe('what stands to be missed', () => {
  const tuesday = askedFor(undefined, '2026-07-14', [4, 2], true);

  test('in the course of a day all that was asked for, done or not', () => {
    expect(askedFor(tuesday, '2026-07-14', [4, 7], true)).toEqual({ on: '2026-07-14', places: [2, 4, 7] });
  });

  test('a day without a round leaves it as it was, the next round takes its place', () => {
    expect(askedFor(tuesday, '2026-07-15', [], false)).toBe(tuesday);
    expect(askedFor(tuesday, '2026-07-17', [], true)).toEqual({ on: '2026-07-17', places: [] });
    expect(askedFor(tuesday, '2026-07-15', [9], false)).toEqual({ on: '2026-07-15', places: [9] });
  });

  test('a clock set back begins anew', () => {
    expect(askedFor(tuesday, '2026-07-10', [], false)).toEqual({ on: '2026-07-10', places: [] });
  });

  test('missed is what was asked for, and anything on a round that nobody looked at', () => {
    expect(mayBeMissed(tuesday, '2026-07-14', 4)).toBe(true);
    expect(mayBeMissed(tuesday, '2026-07-14', 5)).toBe(false);
    expect(mayBeMissed(tuesday, '2026-07-17', 5)).toBe(true);
    expect(mayBeMissed(undefined, '2026-07-14', 5)).toBe(true);
  });
});
