import { describe, expect, test } from '@jest/globals';
import { dryDaysFrom, drySpellEnds } from './drySpell.ts';

const rain =
  (days: Record<string, number>) =>
  (date: string): number =>
    days[date] ?? 0;

// Common practice: four to six dry days are wanted, not so many days of the calendar.
describe('a dry spell counts dry days', () => {
  const spell = { on: '2026-07-10', days: 6 };
  test('without rain it is over after its days', () => {
    expect(drySpellEnds(spell, rain({}))).toBe('2026-07-16');
  });
  test('20 mm on its second day begin it anew: it is not over on the 16th', () => {
    expect(drySpellEnds(spell, rain({ '2026-07-11': 20 }))).toBe('2026-07-18');
  });
  test('a damp day is not counted, and begins nothing anew', () => {
    expect(drySpellEnds(spell, rain({ '2026-07-13': 3 }))).toBe('2026-07-17');
    expect(drySpellEnds(spell, rain({ '2026-07-13': 0.4 }))).toBe('2026-07-16');
  });
  test('a legume’s is over at its first flower, and one that rain keeps breaking is given up', () => {
    expect(drySpellEnds({ ...spell, endsBy: '2026-07-13' }, rain({ '2026-07-11': 20 }))).toBe('2026-07-13');
    expect(drySpellEnds(spell, () => 10)).toBe('2026-07-30');
  });
});

describe('days for it are proposed from the forecast', () => {
  const window = { from: '2026-07-10', until: '2026-07-20', seenTo: '2026-07-23', days: 5 };
  test('the first five dry days on end within the window', () => {
    expect(dryDaysFrom(window, rain({}))).toBe('2026-07-10');
    expect(dryDaysFrom(window, rain({ '2026-07-12': 4, '2026-07-13': 6 }))).toBe('2026-07-14');
  });
  test('none where the forecast ends too soon, or rain comes every few days', () => {
    expect(dryDaysFrom({ ...window, seenTo: '2026-07-12' }, rain({}))).toBeNull();
    const often = rain({ '2026-07-12': 4, '2026-07-16': 4, '2026-07-20': 4, '2026-07-24': 4 });
    expect(dryDaysFrom(window, often)).toBeNull();
  });
});
