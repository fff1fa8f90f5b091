import { describe, expect, test } from '@jest/globals';
import { LIMITS } from '@kibble/contract';
import { numberRule, typedSi } from './numberRule.ts';
import { minutesText, unitsOf } from './units.ts';

const metric = unitsOf('metric');
const us = unitsOf('us');
/** Spaces that do not break stand between number and unit. */
const plain = (text: string): string => text.replaceAll('\u00a0', ' ');

describe('quantities in words', () => {
  test.each([
    ['depth', 25.4, '25 mm', '1 in'],
    ['volume', 100, '100 L', '26 gal'],
    ['area', 10, '10 m²', '108 sq ft'],
    ['temperature', 35, '35°C', '95°F'],
    ['flow', 20, '20 L/min', '5.3 gal/min'],
    ['wind', 5, '5 m/s', '11 mph'],
    ['height', 112, '112 m', '367 ft'],
  ] as const)('%s', (quantity, si, inMetric, inUs) => {
    expect(plain(metric.text(quantity, si))).toBe(inMetric);
    expect(plain(us.text(quantity, si))).toBe(inUs);
  });

  test.each(['area', 'depth', 'temperature', 'wind', 'flow', 'volume', 'height'] as const)(
    '%s comes back as it went',
    (quantity) => {
      for (const units of [metric, us]) {
        const { fromSi, toSi } = units.of(quantity);
        for (const value of [0.5, 12, 340]) expect(toSi(fromSi(value))).toBeCloseTo(value, 9);
      }
    },
  );

  test('minutes as a person says them', () => {
    expect(minutesText(0.2)).toBe('1 min');
    expect(minutesText(44.4)).toBe('44 min');
    expect(minutesText(119.6)).toBe('2 h 00');
    expect(minutesText(197)).toBe('3 h 17');
  });
});

describe('what is typed', () => {
  test('is checked in the gardener’s own units, with the range in them', () => {
    expect(numberRule('mulchMm', '50', metric)).toBe(true);
    expect(numberRule('mulchMm', '600', metric)).toBe('Mulch depth must be from 0 to 500 mm; got 600 mm.');
    expect(numberRule('mulchMm', '24', us)).toBe('Mulch depth must be from 0 to 19.69 in; got 24 in.');
    expect(numberRule('tMaxC', '150', us)).toBe(
      'Highest temperature must be from -76 to 140 °F; got 150 °F.',
    );
  });
  test('nothing, words and zero are told apart', () => {
    expect(numberRule('areaM2', '', metric)).toMatch(/got nothing/);
    expect(numberRule('areaM2', 'ten', metric)).toMatch(/got “ten”/);
    expect(numberRule('areaM2', '0', metric)).toMatch(/from 0.005 to 100000 m²; got 0 m²/);
    expect(numberRule('mulchMm', '', metric, true)).toBe(true);
  });
  test('a decimal comma is a decimal point', () => {
    expect(numberRule('areaM2', '7,5', metric)).toBe(true);
    expect(typedSi('areaM2', '7,5', metric)).toBe(7.5);
    expect(typedSi('litresPerMinute', '5.33', us)).toBeCloseTo(20.18, 2);
    expect(typedSi('mulchMm', ' ', metric)).toBeUndefined();
  });
  test('every limit has a unit in both systems', () => {
    for (const limit of Object.values(LIMITS)) {
      for (const units of [metric, us]) expect(units.of(limit.quantity)).toBeDefined();
    }
  });
});
