import { expect, test } from '@jest/globals';
import { nextNames } from './nextNames.ts';

const some = (from: string, count: number, taken: string[] = []): string[] => {
  const next = nextNames(from, new Set([from, ...taken]));
  return Array.from({ length: count }, next);
};

test('a number at the end goes on, with its noughts', () => {
  expect(some('A01', 3)).toEqual(['A02', 'A03', 'A04']);
  expect(some('A09', 2)).toEqual(['A10', 'A11']);
  expect(some('Row 7', 2)).toEqual(['Row 8', 'Row 9']);
  expect(some('99', 1)).toEqual(['100']);
});

test('a name without one is counted from two, and what is taken is left out', () => {
  expect(some('Long bed', 2)).toEqual(['Long bed 2', 'Long bed 3']);
  expect(some('A01', 2, ['A02', 'A03'])).toEqual(['A04', 'A05']);
});

test('a name as long as may be stays within its letters', () => {
  const [name = ''] = some('x'.repeat(80), 1);
  expect(name).toHaveLength(80);
  expect(name.endsWith(' 2')).toBe(true);
});
