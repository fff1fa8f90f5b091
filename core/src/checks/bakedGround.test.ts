import { expect, test } from '@jest/globals';
import { isBaked } from './bakedGround.ts';

// Common practice: three to four weeks of dry heat bake bare ground until water beads and runs off; mulch prevents it.
test('bare ground that was dry for three weeks is wetted lightly first', () => {
  const dry = Array.from({ length: 25 }, () => ({ rainMm: 0, irrigationMm: 0 }));
  const top = { topMm: 3, wiltingPointMm: 6, mulched: false };
  expect(isBaked(dry, top)).toBe(true);
  expect(isBaked(dry.slice(0, 14), top)).toBe(false);
  expect(isBaked(dry, { ...top, mulched: true })).toBe(false);
  expect(isBaked(dry, { ...top, topMm: 8 })).toBe(false);
  expect(isBaked([...dry.slice(0, 20), { rainMm: 6, irrigationMm: 0 }, ...dry.slice(21)], top)).toBe(false);
});
