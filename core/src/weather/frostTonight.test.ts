import { frostTonight } from './frostTonight.ts';
import { expect, test } from '@jest/globals';

// Water freezes at 0 °C; a night's lowest is counted to the day of its morning (WMO-No. 8, extremes of air temperature).
test('the coming night’s lowest is tomorrow’s, and frost is at or under freezing', () => {
  const days = (tonight: number) => [
    { date: '2026-11-03', tMinC: -6 },
    { date: '2026-11-04', tMinC: tonight },
  ];
  expect(frostTonight(days(0), '2026-11-03')).toBe(0);
  expect(frostTonight(days(-2.5), '2026-11-03')).toBe(-2.5);
  expect(frostTonight(days(0.1), '2026-11-03')).toBeNull();
});

test('a night nobody forecast is no frost', () => expect(frostTonight([], '2026-11-03')).toBeNull());
