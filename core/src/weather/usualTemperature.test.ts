import { expect, test } from '@jest/globals';
import { usualTemperatureC } from './usualTemperature.ts';

// Common practice, no source: July and January means of well-known climates, to the ten degrees that are promised.
test.each([
  ['a plain at 47° north in July', 47, '2026-07-20', 21],
  ['the same in January', 47, '2026-01-20', -1],
  ['the south at 38° in January', -38, '2026-01-20', 20],
  ['the same in July', -38, '2026-07-20', 9],
  ['the equator', 0, '2026-04-01', 27],
  ['60° north in January', 60, '2026-01-20', -8],
])('%s', (_, latitudeDeg, date, meanC) => {
  expect(Math.abs(usualTemperatureC(latitudeDeg, date) - meanC)).toBeLessThan(10);
});

test('a latitude that is none is refused', () => {
  expect(() => usualTemperatureC(91, '2026-01-01')).toThrow(/latitudeDeg/);
});
