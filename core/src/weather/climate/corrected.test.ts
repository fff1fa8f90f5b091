import { describe, expect, test } from '@jest/globals';
import { climateAt } from './climateAt.ts';
import { correctedClimate, extremeMonths } from './corrected.ts';

const plain = climateAt({ latitudeDeg: 47.5, longitudeDeg: 9, elevationM: 450 });

describe('what somebody knows better of a climate', () => {
  test('stands as they said it, and the months between go with it', () => {
    const { coldest, warmest } = extremeMonths(plain);
    expect([coldest, warmest]).toEqual([0, 6]);
    const known = correctedClimate(plain, {
      coldest: { highC: 1, lowC: -8, rainMm: 40 },
      warmest: { highC: 27 },
    });
    expect(known.months[0]).toMatchObject({ highC: 1, lowC: -8, rainMm: 40 });
    expect(known.months[6]?.highC).toBeCloseTo(27, 6);
    expect(known.months[6]?.lowC).toBeCloseTo(plain.months[6]?.lowC ?? 0, 6);
    const april = (known.months[3]?.lowC ?? 0) - (plain.months[3]?.lowC ?? 0);
    expect(april).toBeLessThan(0);
    expect(april).toBeGreaterThan(-8 - (plain.months[0]?.lowC ?? 0));
  });

  test('changes nothing where nothing is known', () => {
    const same = correctedClimate(plain, {});
    for (const [m, month] of plain.months.entries()) {
      expect(same.months[m]?.highC).toBeCloseTo(month.highC, 9);
      expect(same.months[m]?.rainMm).toBeCloseTo(month.rainMm, 9);
    }
  });

  test('refuses a low above the high, and figures that cannot be', () => {
    expect(() => correctedClimate(plain, { coldest: { lowC: 9, highC: 2 } })).toThrow(RangeError);
    expect(() => correctedClimate(plain, { warmest: { rainMm: -3 } })).toThrow(
      /rainMm must be a number from 0/,
    );
    expect(() => correctedClimate(plain, { warmest: { highC: 75 } })).toThrow(/highC/);
  });
});
