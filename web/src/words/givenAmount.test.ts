import { expect, test } from '@jest/globals';
import { givenAmount } from './givenAmount.ts';
import { unitsOf } from './units.ts';

const metric = unitsOf('metric');

// Two cans and a half of 10 L are 25 L: arithmetic.
test('cans become litres by what one holds; minutes and litres stay what they are', () => {
  expect(givenAmount('cans', '2,5', 10, metric)).toEqual({ litres: 25 });
  expect(givenAmount('minutes', '12', 10, metric)).toEqual({ minutes: 12 });
  expect(givenAmount('litres', '30', 10, metric)).toEqual({ litres: 30 });
  expect(givenAmount('litres', '10', 10, unitsOf('us'))).toEqual({ litres: expect.closeTo(37.85, 2) });
  expect(givenAmount('cans', '', 10, metric)).toBeNull();
});
