import { expect, test } from '@jest/globals';
import { plantsBetweenSpots } from './dripLayout.ts';

// Geometry: of each 0.3 m between emitters a spot of 0.2 m leaves a third dry; plants at every emitter stand in none of it.
test('plants that stand closer than the emitters fall between the spots by the share that stays dry', () => {
  const share = (plantSpacingMm: number, spotWidthM: number): number =>
    plantsBetweenSpots({ emitterSpacingM: 0.3, spotWidthM, plantSpacingMm });
  expect(share(50, 0.2)).toBeCloseTo(1 / 3, 9);
  expect(share(50, 0.35)).toBe(0);
  expect(share(300, 0.2)).toBe(0);
  expect(() => share(0, 0.2)).toThrow(/plantSpacingMm/);
});
