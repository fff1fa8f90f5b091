import { expect, test } from '@jest/globals';
import { inOwnUnits } from './refusalInUnits.ts';
import { unitsOf } from './units.ts';

const refused = {
  code: 'invalid' as const,
  message: 'Rain must be a number from 0 to 1000 mm; got 1270',
  field: 'rainMm',
  limit: { field: 'rainMm', value: 1270 },
};

test('a limit that was passed is told in the units of the garden: 1,000 mm are 39.37 in, 1,270 mm are 50', () => {
  expect(inOwnUnits(refused, unitsOf('us')).message).toBe('Rain must be from 0 to 39.37 in; got 50 in.');
  expect(inOwnUnits(refused, unitsOf('metric')).message).toBe('Rain must be from 0 to 1000 mm; got 1270 mm.');
});

test('what is no limit, or one that is not known, stays as it was said', () => {
  const plain = { code: 'invalid' as const, message: 'Crop must be one of the catalogue’s plants' };
  expect(inOwnUnits(plain, unitsOf('us'))).toBe(plain);
  const other = { ...refused, limit: { field: 'moonlight', value: 1 } };
  expect(inOwnUnits(other, unitsOf('us'))).toBe(other);
});
