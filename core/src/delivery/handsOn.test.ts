import { expect, test } from '@jest/globals';
import { fillLitresOf, handsOnMinutes } from './handsOn.ts';
test('a smaller can is carried more often; what is not carried has no fill', () => {
  const run = { litres: 60, minutes: 8, cycles: 1 };
  const own = (fillLitres?: number) => handsOnMinutes({ method: 'watering can', fillLitres }, run, 1);
  // 60 L: six cans of ten litres, twelve of five (arithmetic).
  expect(own()).toBe(own(10));
  expect(own(5)).toBeGreaterThan(own(10));
  expect(fillLitresOf({ method: 'watering can' })).toBe(10);
  expect(fillLitresOf({ method: 'watering can', fillLitres: 6 })).toBe(6);
  expect(fillLitresOf({ method: 'drip', fillLitres: 6 })).toBeUndefined();
});
