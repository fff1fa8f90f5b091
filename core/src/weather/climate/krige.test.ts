import { describe, expect, test } from '@jest/globals';
import { krige } from './krige.ts';

const near = { alike: (a: number, b: number) => Math.exp(-Math.abs(a - b)), trend: () => [], ownShare: 0 };

describe('kriging', () => {
  // Simple kriging by hand: of one point, the value times the correlation; variance σ²(1 − ρ²), σ² = y²/1.
  test('of one point falls off with the distance', () => {
    const [found] = krige(1, [0], [[2]], near);
    expect(found?.mean).toBeCloseTo(2 * Math.exp(-1), 10);
    expect(found?.sd).toBeCloseTo(2 * Math.sqrt(1 - Math.exp(-2)), 10);
  });

  // Two points, ρ = e⁻² between them and e⁻¹ to the middle: weights e⁻¹ / (1 + e⁻²) each.
  test('between two points takes both alike', () => {
    const [found] = krige(1, [0, 2], [[3, 5]], near);
    expect(found?.mean).toBeCloseTo((8 * Math.exp(-1)) / (1 + Math.exp(-2)), 10);
  });

  test('gives back what is known where it is known, and is sure of it', () => {
    const [first, second] = krige(
      2,
      [0, 2, 5],
      [
        [1, 4, 9],
        [7, -3, 0],
      ],
      near,
    );
    expect(first?.mean).toBeCloseTo(4, 8);
    expect(first?.sd).toBeCloseTo(0, 6);
    expect(second?.mean).toBeCloseTo(-3, 8);
  });

  test('follows a straight line past its points where a trend may', () => {
    const [found] = krige(9, [0, 1, 2, 3], [[10, 12, 14, 16]], { ...near, trend: (x) => [100, 100 * x] });
    expect(found?.mean).toBeCloseTo(28, 1);
  });
});
