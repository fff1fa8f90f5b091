import { expect, test } from '@jest/globals';
import { groupedBy, listed } from './grouped.ts';

test('what has something in common is told together, in the order in which it is met', () => {
  expect(groupedBy(['ash', 'beech', 'alder', 'birch', 'yew'], ([first = '']) => first)).toEqual([
    ['ash', 'alder'],
    ['beech', 'birch'],
    ['yew'],
  ]);
  expect(groupedBy([], String)).toEqual([]);
});

test('names are joined as they are spoken', () => {
  expect([[], ['Kale'], ['Kale', 'Leeks'], ['Kale', 'Leeks', 'Beans']].map(listed)).toEqual([
    '',
    'Kale',
    'Kale and Leeks',
    'Kale, Leeks and Beans',
  ]);
});
