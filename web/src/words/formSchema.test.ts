import { describe, expect, test } from '@jest/globals';
import { checkedBy, figure, filled, formSchema, obeys } from './formSchema.ts';
import { unitsOf } from './units.ts';

const metric = unitsOf('metric');
const us = unitsOf('us');

describe('a figure between the text and the contract', () => {
  test('is read in the gardener’s units and kept in SI (1 in is 25.4 mm, NIST)', () => {
    expect(figure('rainMm', us).decode('1')).toBeCloseTo(25.4, 9);
    expect(figure('rainMm', metric).decode('12,5')).toBe(12.5);
    expect(figure('areaM2', metric).decode('4 x 2')).toBe(8);
  });
  test('goes back into the same words', () => {
    expect(figure('rainMm', us).encode(25.4)).toBe('1');
    expect(figure('rainMm', us, { optional: true }).encode(undefined)).toBe('');
  });
  test('is refused in the gardener’s units', () => {
    const refused = figure('tMaxC', us).safeDecode('400');
    expect(refused.success).toBe(false);
    expect(refused.error?.issues.map(({ message }) => message)).toEqual([
      expect.stringMatching(/^Highest .* must be .*°F; got 400 °F\.$/),
    ]);
  });
  test('may be left empty only where it may; what is counted is whole', () => {
    expect(figure('rainMm', metric, { optional: true }).decode('')).toBeUndefined();
    expect(figure('rainMm', metric).safeDecode('').success).toBe(false);
    expect(figure('copies', metric, { whole: true }).safeDecode('1.5').success).toBe(false);
    expect(figure('copies', metric, { whole: true }).decode('3')).toBe(3);
  });
});

describe('a form’s schema', () => {
  interface Typed {
    name: string;
    by: 'minutes' | 'litres';
    amount: string;
    own: { from: string };
  }
  const fields = {
    name: filled('Name must not be empty.'),
    amount: ({ by }: Typed) => (by === 'litres' ? figure('litres', metric) : null),
    'own.from': obeys((text) => text !== '25:00' || 'Own hours must be hours of a day.'),
  };
  test('names every field that is wrong, also within another, and leaves out what is not asked for', () => {
    const wrong = formSchema<Typed>(fields).safeParse({
      name: ' ',
      by: 'litres',
      amount: 'much',
      own: { from: '25:00' },
    });
    expect(wrong.error?.issues.map(({ path }) => path.join('.'))).toEqual(['name', 'amount', 'own.from']);
    const right = { name: 'A', by: 'minutes', amount: 'much', own: { from: '' } };
    expect(formSchema<Typed>(fields).safeParse(right).success).toBe(true);
  });
  test('hands on what was typed as it was typed', async () => {
    const typed: Typed = { name: 'A', by: 'litres', amount: '1,5', own: { from: '' } };
    const read = await checkedBy<Typed>(fields)(typed, undefined, {
      fields: {},
      shouldUseNativeValidation: false,
    });
    expect(read).toEqual({ values: typed, errors: {} });
  });
});
