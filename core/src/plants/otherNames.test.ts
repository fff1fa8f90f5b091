import { expect, test } from '@jest/globals';
import { CATALOGUE } from './catalogue/index.ts';
import { OTHER_NAMES } from './otherNames.ts';

const ids = new Set(CATALOGUE.map(({ id }) => id));
const names = new Set(CATALOGUE.map(({ name }) => name.toLowerCase()));

test('every other name is of a plant of the catalogue, is given once, and is no plant’s own', () => {
  const given = OTHER_NAMES.map(({ name }) => name.toLowerCase());
  expect(new Set(given).size).toBe(given.length);
  for (const { cropId } of OTHER_NAMES)
    expect({ cropId, known: ids.has(cropId) }).toEqual({ cropId, known: true });
  for (const { name } of OTHER_NAMES) expect(names.has(name.toLowerCase())).toBe(false);
});

test('there are at least sixty for the house, the patio and the citrus house', () => {
  expect(OTHER_NAMES.filter(({ isLike }) => isLike).length).toBeGreaterThanOrEqual(60);
});

// The trade's names on both sides of the Atlantic: common practice.
test.each([
  ['Eggplant', 'aubergine'],
  ['Zucchini', 'courgette'],
  ['Rutabaga', 'swede'],
  ['Arugula', 'rocket'],
  ['Cilantro', 'coriander'],
  ['Scallion', 'spring-onion'],
  ['Fava bean', 'broad-bean'],
  ['Lemon tree', 'citrus'],
  ['Monstera', 'monstera'],
])('%s is %s', (name, cropId) => {
  expect(OTHER_NAMES.find((other) => other.name === name)?.cropId).toBe(cropId);
});
