import { expect, test } from '@jest/globals';
import type { DailyRecord } from '../places/dailyRecord.ts';
import { treeGap } from './treeGaps.ts';

const day = (change: Partial<DailyRecord> = {}): DailyRecord =>
  ({ et0Mm: 5, rainMm: 0, irrigationMm: 0, ...change }) as DailyRecord;
const days = (count: number, change: Partial<DailyRecord> = {}): DailyRecord[] =>
  Array.from({ length: count }, () => day(change));

// Common practice: a watering or a soaking rain ends a tree's gap, a shower does not.
test('the gap is counted from the last watering or soaking rain', () => {
  expect(treeGap([...days(30), day({ irrigationMm: 12 }), ...days(9)])).toBe(9);
  expect(treeGap([...days(30), day({ rainMm: 25 }), ...days(4)])).toBe(4);
  expect(treeGap([...days(30), day({ irrigationMm: 12 }), ...days(5), day({ rainMm: 3 }), ...days(5)])).toBe(
    11,
  );
});
test('a hot windy day is a day: the limit was said of such weather', () => {
  const gap = treeGap([...days(26), day({ irrigationMm: 12 }), ...days(4, { et0Mm: 10 })]);
  expect(gap).toBe(4);
});
test('nothing known, no gap', () => {
  expect(treeGap([])).toBeNull();
});
