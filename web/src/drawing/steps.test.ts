import { expect, test } from '@jest/globals';
import { range } from 'd3';
import { steps } from './steps.ts';

test('it gives what the range of d3 gives', () => {
  for (const [from, until, by] of [
    [0, 5, 1],
    [-3, 4, 1],
    [2, 47.5, 5],
    [0, 997.5, 100],
    [4, 1, 1],
    [0, 0, 1],
  ] as const)
    expect(steps(from, until, by)).toEqual(range(from, until, by));
});
