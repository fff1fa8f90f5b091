import { describe, expect, test } from '@jest/globals';
import { askedFor, isKnownMissed, mayBeMissed } from './askedFor.ts';

// Common practice: nobody misses a round that did not ask for them.
describe('what stands to be missed', () => {
  const tuesday = askedFor(undefined, '2026-07-14', [4, 2], true);

  test('in the course of a day all that was asked for, done or not', () => {
    expect(askedFor(tuesday, '2026-07-14', [4, 7], true)).toEqual({ on: '2026-07-14', places: [2, 4, 7] });
  });

  test('a day without a round leaves it as it was, the next round takes its place', () => {
    expect(askedFor(tuesday, '2026-07-15', [], false)).toBe(tuesday);
    expect(askedFor(tuesday, '2026-07-17', [], true)).toEqual({
      on: '2026-07-17',
      places: [],
      before: tuesday,
    });
    expect(askedFor(tuesday, '2026-07-15', [9], false)).toMatchObject({ on: '2026-07-15', places: [9] });
  });

  test('a clock set back begins anew', () => {
    expect(askedFor(tuesday, '2026-07-10', [], false)).toEqual({ on: '2026-07-10', places: [] });
  });

  test('missed is what was asked for, and anything on a round that nobody looked at', () => {
    const wednesday = (id: number) => ({ id, today: '2026-07-15' });
    expect(mayBeMissed(tuesday, '2026-07-14', wednesday(4))).toBe(true);
    expect(mayBeMissed(tuesday, '2026-07-14', wednesday(5))).toBe(false);
    expect(mayBeMissed(tuesday, '2026-07-17', { id: 5, today: '2026-07-18' })).toBe(true);
    expect(mayBeMissed(undefined, '2026-07-14', wednesday(5))).toBe(true);
  });

  test('it is known only of a day on which a plan asked for it, also once today has a plan', () => {
    const friday = { id: 4, today: '2026-07-17' };
    expect(isKnownMissed(tuesday, '2026-07-14', friday)).toBe(true);
    expect(isKnownMissed(undefined, '2026-07-14', friday)).toBe(false);
    expect(isKnownMissed(tuesday, '2026-07-16', friday)).toBe(false);
    const planned = askedFor(tuesday, '2026-07-17', [4, 5], true);
    expect(isKnownMissed(planned, '2026-07-14', friday)).toBe(true);
    expect(isKnownMissed(planned, '2026-07-14', { ...friday, id: 5 })).toBe(false);
  });
});
