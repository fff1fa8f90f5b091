import { expect, test } from '@jest/globals';
import { heldByLeaves, onLeavesL, shedsSpray } from './heldByLeaves.ts';

// A closed canopy holds 0.5 to 1.5 mm of rain (common range of canopy storage for crops and shrubs, from memory).
test('leaves hold back next to nothing of a spray while plants are small, and half to one and a half millimetres when full grown', () => {
  expect(heldByLeaves('sprinkler', 0)).toBe(0);
  expect(heldByLeaves('sprinkler', 0.1)).toBeLessThan(0.1);
  for (const cover of [0.75, 0.85, 0.95, 1]) {
    expect(heldByLeaves('sprinkler', cover)).toBeGreaterThan(0.5);
    expect(heldByLeaves('sprinkler', cover)).toBeLessThan(1.5);
  }
  expect(heldByLeaves('sprinkler', 0.9)).toBeGreaterThan(heldByLeaves('sprinkler', 0.6));
});

test('what is given below the leaves loses nothing to them', () => {
  for (const method of ['drip', 'hose wand', 'watering can', 'soaker hose'] as const) {
    expect(heldByLeaves(method, 0.95)).toBe(0);
    expect(shedsSpray(method, 0.95)).toBe(false);
  }
  expect(shedsSpray('sprinkler', 0.9)).toBe(true);
  expect(shedsSpray('sprinkler', 0.4)).toBe(false);
});

test('a millimetre on the leaves of 9 that reach the bed is a tenth of the litres', () =>
  expect(onLeavesL({ litres: 150, leavesMm: 1, bedMm: 9 })).toBeCloseTo(15, 9));
