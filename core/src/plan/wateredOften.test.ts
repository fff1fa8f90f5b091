import { expect, test } from '@jest/globals';
import type { PlannedWatering } from '../follow/types.ts';
import { addDays } from '../units/dates.ts';
import { wateredOften } from './wateredOften.ts';

const waterings = (days: number, code: PlannedWatering['reason']['code']) =>
  Array.from({ length: days }, (_, i) => ({
    date: addDays('2026-07-01', i),
    reason: { code } as PlannedWatering['reason'],
  }));

test('fourteen waterings in fourteen days are named, and a seedbed’s or a plug’s are not (common practice: once or twice a week)', () => {
  expect(wateredOften(waterings(14, 'growth'), 14)).toEqual({ days: 14, of: 14 });
  expect(wateredOften(waterings(5, 'growth'), 14)).toBeNull();
  for (const code of ['seedbed', 'plug', 'ball'] as const)
    expect(wateredOften(waterings(14, code), 14)).toBeNull();
});
