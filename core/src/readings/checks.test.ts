import { describe, expect, test } from '@jest/globals';
import {
  gallonsToLitres,
  inchesToMm,
  litresFromDepth,
  squareFeetToM2,
  litresToGallons,
} from '../units/convert.ts';
import { roofHarvest } from '../sources/roofHarvest.ts';
import { weighTest } from '../checks/weighTest.ts';

describe('weighing a pot (common practice)', () => {
  test('60 g in a day is 60 mL', () => {
    expect(weighTest({ wetKg: 2.06, laterKg: 2, hours: 24 }).millilitresPerDay).toBeCloseTo(60, 6);
    expect(weighTest({ wetKg: 2.06, laterKg: 2, hours: 48 }).millilitresPerDay).toBeCloseTo(30, 6);
  });
  test('39 to 32 % in a day is 7 points, and 39 to 25 % two days', () => {
    const test = weighTest({
      wetKg: 2.06,
      laterKg: 2,
      hours: 24,
      vwcWetPct: 39,
      vwcLaterPct: 32,
      targetLowPct: 25,
    });
    expect(test.pctPerDay).toBeCloseTo(7, 9);
    expect(test.daysToTargetLow).toBeCloseTo(2, 9);
  });
  test('35 to 25 % at the same pace is 1.43 days', () => {
    expect(
      weighTest({ wetKg: 2, laterKg: 1.94, hours: 24, vwcWetPct: 35, vwcLaterPct: 28, targetLowPct: 25 })
        .daysToTargetLow,
    ).toBeCloseTo(10 / 7, 9);
  });
  test.each([
    [{ wetKg: 2, laterKg: 2.1, hours: 24 }, /laterKg .*not above the wet weight.*got 2.1/],
    [{ wetKg: 0, laterKg: 0, hours: 24 }, /wetKg/],
    [{ wetKg: 2, laterKg: 1.9, hours: 0 }, /hours/],
    [{ wetKg: 2, laterKg: 1.9, hours: 24, vwcWetPct: 20, vwcLaterPct: 30 }, /vwcLaterPct/],
    [{ wetKg: Number.NaN, laterKg: 1.9, hours: 24 }, /wetKg/],
  ])('refuses %p', (given, message) => expect(() => weighTest(given)).toThrow(message));
});

test('1 inch on 10 square feet is 6.23 gal, 23.6 L (exact; common practice rounds to 6)', () => {
  const litres = litresFromDepth(inchesToMm(1), squareFeetToM2(10));
  expect(litres).toBeCloseTo(23.6, 1);
  expect(litresToGallons(litres)).toBeCloseTo(6.23, 2);
  expect(gallonsToLitres(5)).toBeCloseTo(18.93, 2);
});

test('10 mm on a 60 m² tiled roof is 510 L at 0.85', () => {
  expect(roofHarvest({ roofM2: 60, rainMm: 10, runoffCoefficient: 0.85 })).toBeCloseTo(510, 9);
  expect(() => roofHarvest({ roofM2: 60, rainMm: 10, runoffCoefficient: 1.2 })).toThrow(
    /runoffCoefficient .*0 to 1; got 1.2/,
  );
});
