import { describe, expect, test } from '@jest/globals';
import { plantOnDay } from './plantOnDay.ts';
import { beliefAfter, countedOn, ROOT_DEPTHS, USUAL_BELIEF } from './rootBelief.ts';

const tomato = [{ cropId: 'tomato', plantedOn: '2026-05-01' }];
const on = '2026-08-01';

describe('roots as a belief', () => {
  test('shallow, middle and deep are the ends and the middle of FAO-56 table 22: tomato 0.7 to 1.5 m', () => {
    const depth = (rootsAt: number) => plantOnDay({ cropId: 'tomato', plantedOn: '2026-05-01', rootsAt }, on);
    expect([0, 0.5, 1].map((at) => depth(at)?.rootDepthMm)).toEqual([700, 1100, 1500]);
  });
  test('where nobody looked, doses go by the middle of the range', () =>
    expect(countedOn(USUAL_BELIEF)).toBe('middle'));
  test('roots seen at 1.5 m make it the deep end, at 650 mm the shallow one, and neither is ever certain', () => {
    const deep = beliefAfter(tomato, { on, depthMm: 1500 });
    expect(countedOn(deep)).toBe('deep');
    const shallow = beliefAfter(tomato, { on, depthMm: 650 });
    expect(shallow.shallow).toBeGreaterThan(0.8);
    for (const belief of [deep, shallow]) {
      expect(ROOT_DEPTHS.reduce((sum, depth) => sum + belief[depth], 0)).toBeCloseTo(1, 12);
      for (const depth of ROOT_DEPTHS) expect(belief[depth]).toBeGreaterThan(0);
    }
  });
  test('a look before planting tells nothing of the roots', () =>
    expect(beliefAfter(tomato, { on: '2026-04-01', depthMm: 300 })).toEqual(USUAL_BELIEF));
  test('Bayes by hand for 900 mm', () => {
    const found = beliefAfter(tomato, { on, depthMm: 900 });
    const likely = (told: number): number => 0.02 + Math.exp(-0.5 * (Math.log(900 / told) / 0.15) ** 2);
    const sum = 0.3 * likely(700) + 0.4 * likely(1100) + 0.3 * likely(1500);
    expect(found.shallow).toBeCloseTo((0.3 * likely(700)) / sum, 12);
    expect(found.deep).toBeCloseTo((0.3 * likely(1500)) / sum, 12);
  });
});
