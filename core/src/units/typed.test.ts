import { describe, expect, test } from '@jest/globals';
import { feetToM, inchesToMm, squareFeetToM2 } from './convert.ts';
import { typedFigure, typedNumber, type TypedIn } from './typed.ts';

describe('a number as people type it', () => {
  test.each([
    ['1,5', 1.5],
    ['1.5', 1.5],
    ['  12 ', 12],
    ['1 000', 1000],
    ['1\u202f000,5', 1000.5],
    ['12’500', 12500],
    ['1.000,5', 1000.5],
    ['1,000.5', 1000.5],
    ['1,000,000', 1_000_000],
    ['1.000.000', 1_000_000],
    ['-36,8', -36.8],
    ['.5', 0.5],
    ['1,000', 1],
  ])('%s', (text, value) => expect(typedNumber(text)).toBe(value));
  test('1,000 is a thousand where inches are used', () => expect(typedNumber('1,000', true)).toBe(1000));
  test.each(['', 'ten', '1..5', '1,5,5', '--2', '1e5', '0x10', '12 34', 'NaN', 'Infinity'])(
    '“%s” is none',
    (text) => expect(typedNumber(text)).toBeNaN(),
  );
});

describe('a figure with its unit', () => {
  const m: TypedIn = { kind: 'length', toSi: (v) => v };
  const m2: TypedIn = { kind: 'area', toSi: (v) => v, sideToSi: (v) => v };
  const ft2: TypedIn = { kind: 'area', toSi: squareFeetToM2, sideToSi: feetToM, commaThousands: true };
  const mm: TypedIn = { kind: 'depth', toSi: (v) => v };
  const c: TypedIn = { kind: 'temperature', toSi: (v) => v };
  // By definition: a foot is 0.3048 m, an inch 25.4 mm, a US gallon 3.785411784 L.
  test.each<[string, TypedIn, number]>([
    ['10 ft', m, 3.048],
    ["10'", m, 3.048],
    ['3,5', m, 3.5],
    ['120 cm', m, 1.2],
    ['10 x 4', m2, 40],
    ['1,2×4,5 m', m2, 5.4],
    ['10 x 4 ft', m2, 40 * 0.09290304],
    ['10 ft * 4 ft', m2, 40 * 0.09290304],
    ['10 x 4', ft2, 40 * 0.09290304],
    ['1,000', ft2, 92.90304],
    ['12 m²', ft2, 12],
    ['100 sq ft', m2, 9.290304],
    ['1 000', m2, 1000],
    // Plane geometry.
    ['round 3', m2, (Math.PI * 9) / 4],
    ['circle 10 ft', m2, (Math.PI * 3.048 ** 2) / 4],
    ['half round 2', m2, Math.PI / 2],
    ['oval 4 x 2', m2, 2 * Math.PI],
    ['triangle 4 x 3', m2, 6],
    ['4 x 2 + 2 x 1', m2, 10],
    ['3,5 + round 2', m2, 3.5 + Math.PI],
    ['10 x 4 + 20', ft2, 60 * 0.09290304],
    ['+5', m2, 5],
    ['round 3 x 2', m2, Number.NaN],
    ['triangle 4', m2, Number.NaN],
    ['4 x 2 +', m2, Number.NaN],
    ['4 x 2 + pond', m2, Number.NaN],
    ['half', m2, Number.NaN],
    ['10 x', m2, Number.NaN],
    ['3 in', mm, inchesToMm(3)],
    ['5 cm', mm, 50],
    ['77 °F', c, 25],
    ['5 gal', { kind: 'volume', toSi: (v) => v }, 18.92705892],
    ['60 L/h', { kind: 'flow', toSi: (v) => v }, 1],
    ['10 bananas', m, Number.NaN],
    ['10 m', { kind: null, toSi: (v) => v }, Number.NaN],
  ])('%s', (text, as, si) => {
    const value = typedFigure(text, as);
    if (Number.isNaN(si)) expect(value).toBeNaN();
    else expect(value).toBeCloseTo(si, 9);
  });
});
