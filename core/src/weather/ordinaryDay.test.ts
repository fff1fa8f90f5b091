import { describe, expect, test } from '@jest/globals';
import { ordinaryDay } from './ordinaryDay.ts';
import type { Air, Summers } from './summers.ts';
import { referenceEt } from './referenceEt.ts';

const et0 = (latitudeDeg: number, date: string, words: { summers?: Summers; air?: Air } = {}): number => {
  const site = { latitudeDeg, elevationM: 50, ...words };
  return referenceEt(ordinaryDay(date, site), site).mm;
};
const JULY = '2026-07-15';

describe('an ordinary day where nothing was measured', () => {
  // FAO-56 table 2, mm/day by region and mean temperature (from memory).
  test.each<[string, number, Summers, Air, least: number, most: number]>([
    ['temperate, humid, cool (about 10–15 °C)', 58, 'cool', 'humid', 1, 3.5],
    ['temperate, humid, moderate (20 °C)', 50, 'mild', 'humid', 2, 4.5],
    ['temperate, humid, warm (over 25 °C)', 40, 'warm', 'humid', 4, 7],
    ['temperate, arid, moderate', 45, 'mild', 'dry', 4, 7],
    ['temperate, arid, warm', 40, 'hot', 'dry', 6, 9.5],
    ['tropics, humid, warm', 10, 'warm', 'humid', 3, 7],
    ['tropics, arid, warm', 20, 'hot', 'dry', 6, 9.5],
  ])('%s', (_region, latitudeDeg, summers, air, least, most) => {
    expect(et0(latitudeDeg, JULY, { summers, air })).toBeGreaterThanOrEqual(least);
    expect(et0(latitudeDeg, JULY, { summers, air })).toBeLessThanOrEqual(most);
  });

  test('knows Tromsø (about 3 mm in July), London (about 4) and Las Vegas (about 8.5), from memory of climate tables', () => {
    expect(et0(69.6, JULY)).toBeGreaterThan(2.2);
    expect(et0(69.6, JULY)).toBeLessThan(3.6);
    expect(et0(51.5, JULY)).toBeGreaterThan(3.2);
    expect(et0(51.5, JULY)).toBeLessThan(4.6);
    expect(et0(36.2, JULY, { summers: 'hot', air: 'dry' })).toBeGreaterThan(7.7);
    expect(et0(36.2, JULY, { summers: 'hot', air: 'dry' })).toBeLessThan(9.4);
  });

  test('winter asks for little, the south has it in July, the equator never', () => {
    expect(et0(51.5, '2026-01-15')).toBeLessThan(0.9);
    expect(et0(-40, JULY)).toBeLessThan(et0(-40, '2026-01-15') / 2);
    expect(Math.abs(et0(0, JULY) / et0(0, '2026-01-15') - 1)).toBeLessThan(0.15);
  });
});
