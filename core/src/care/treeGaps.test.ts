import { expect, test } from '@jest/globals';
import type { DailyRecord } from '../places/dailyRecord.ts';
import { treeGap } from './treeGaps.ts';

const day = (change: Partial<DailyRecord> = {}): DailyRecord =>
  ({ et0Mm: 5, rainMm: 0, irrigationMm: 0, ...change }) as DailyRecord;
const days = (count: number, change: Partial<DailyRecord> = {}): DailyRecord[] =>
  Array.from({ length: count }, () => day(change));

// Common practice: a watering or a soaking rain ends a tree's gap, a shower does not; hot dry wind runs it faster.
test('the gap is counted from the last watering or soaking rain', () => {
  expect(treeGap([...days(30), day({ irrigationMm: 12 }), ...days(9)])).toEqual({ days: 9, counted: 9 });
  expect(treeGap([...days(30), day({ rainMm: 25 }), ...days(4)])?.days).toBe(4);
  expect(
    treeGap([...days(30), day({ irrigationMm: 12 }), ...days(5), day({ rainMm: 3 }), ...days(5)])?.days,
  ).toBe(11);
});
test('days that take more count for more, the one to come with them', () => {
  const gap = treeGap([...days(26), day({ irrigationMm: 12 }), ...days(4, { et0Mm: 10 })], 2);
  // The month’s mean is (26 × 5 + 4 × 10) ÷ 30 = 5.67 mm: four days of 10 mm count 7.06, and two more to come.
  expect(gap?.days).toBe(4);
  expect(gap?.counted).toBeCloseTo(4 * (10 / (170 / 30)) + 2, 6);
});
test('nothing known, no gap', () => {
  expect(treeGap([])).toBeNull();
});
