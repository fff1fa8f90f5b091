import { expect, test } from '@jest/globals';
import { CATALOGUE, OTHER_NAMES } from '@kibble/core';
import { closestNames } from './closestNames.ts';

const names = [...CATALOGUE.map(({ name }) => ({ name })), ...OTHER_NAMES];

// Usual misspellings: common practice.
test.each([
  ['brocolli', 'Broccoli'],
  ['zuchini', 'Zucchini'],
  ['tomatoe', 'Tomato'],
  ['rhubarbe', 'Rhubarb'],
  ['cilanto', 'Cilantro'],
  ['aspargus', 'Asparagus'],
  ['lettice', 'Lettuce'],
  ['stawberry', 'Strawberry'],
])('%s is taken for %s', (typed, name) => {
  expect(closestNames(names, typed)[0]?.name).toBe(name);
});

test('what is like nothing finds nothing', () => {
  for (const typed of ['qqqq', 'xy', '', 'zzzzzzzzz']) expect(closestNames(names, typed)).toEqual([]);
});
