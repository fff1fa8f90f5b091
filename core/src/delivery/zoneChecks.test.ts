import { describe, expect, test } from '@jest/globals';
import type { Method } from './methods.ts';
import { zoneChecks, type BedOnValve } from './zoneChecks.ts';

const bed = (id: number, method: Method, litresPerMinute: number, areaM2 = 10): BedOnValve => ({
  id,
  areaM2,
  delivery: { method, litresPerMinute },
});
const codes = (...args: Parameters<typeof zoneChecks>): string[] =>
  zoneChecks(...args).map(({ code }) => code);

describe('beds on one valve', () => {
  test('beds alike, and a tap that feeds them, are well', () =>
    expect(zoneChecks([bed(1, 'drip', 4), bed(2, 'drip', 4), bed(3, 'soaker hose', 5)], 20)).toEqual([]));

  // Common practice: emitters run for hours, sprays for minutes.
  test('drip and sprays on one valve are named', () =>
    expect(zoneChecks([bed(1, 'drip', 4), bed(2, 'sprinkler', 12), bed(3, 'micro-spray', 6)])).toEqual([
      { code: 'drip and sprays', drips: [1], sprays: [2, 3] },
    ]));

  // Litres over the same area in the same time: four times the flow is four times the depth.
  test('four times the flow on the same surface is four times the depth', () => {
    const [fault] = zoneChecks([bed(1, 'drip', 8), bed(2, 'drip', 2)]);
    expect(fault).toMatchObject({ code: 'uneven', most: 1, least: 2 });
    expect(fault?.code === 'uneven' && fault.times).toBeCloseTo(4, 9);
    // A run shared with half the flow is half the depth: common practice for shrubs on a line of trees.
    expect(fault?.code === 'uneven' && fault.evenShare).toBeCloseTo(1 / 4, 9);
    expect(codes([bed(1, 'drip', 8), bed(2, 'drip', 4.5)])).toEqual([]);
  });

  test('what they take together is held against the tap', () => {
    expect(zoneChecks([bed(1, 'drip', 12), bed(2, 'drip', 12)], 20)).toEqual([
      { code: 'flow', takes: 24, gives: 20 },
    ]);
    expect(codes([bed(1, 'drip', 12), bed(2, 'drip', 12)])).toEqual([]);
  });

  test('what is carried or held is not watered with the others', () =>
    expect(zoneChecks([bed(1, 'drip', 4), bed(2, 'watering can', 8), bed(3, 'hose wand', 15)])).toEqual([
      { code: 'by hand', beds: [2, 3] },
    ]));
});
