import { describe, expect, test } from '@jest/globals';
import { barShare, landing } from './dragging.ts';

const bar = { dayWidth: 60, at: 3, of: 14 };

describe('where a dragged watering comes to lie', () => {
  test('sideways to another day, never off the table', () => {
    expect(landing({ ...bar, delta: { x: 140, y: 4 } })).toEqual({ day: 5, resized: null });
    expect(landing({ ...bar, delta: { x: -5000, y: 0 } }).day).toBe(0);
    expect(landing({ ...bar, delta: { x: 5000, y: 0 } }).day).toBe(13);
    expect(landing({ ...bar, delta: { x: 10, y: 5 } })).toEqual({ day: 3, resized: null });
  });
  test('up is more, down is less, and never nothing', () => {
    expect(landing({ ...bar, delta: { x: 3, y: -25 } })).toEqual({ day: 3, resized: 1.5 });
    expect(landing({ ...bar, delta: { x: 3, y: 25 } })).toEqual({ day: 3, resized: 0.5 });
    expect(landing({ ...bar, delta: { x: 0, y: 900 } }).resized).toBeCloseTo(0.1, 9);
  });
  test('a deeper watering is never a lower bar', () => {
    let before = 0.5;
    for (let mm = 0; mm < 100; mm += 5) {
      expect(barShare(mm)).toBeGreaterThanOrEqual(before);
      before = barShare(mm);
      expect(before).toBeLessThanOrEqual(1);
    }
  });
});
