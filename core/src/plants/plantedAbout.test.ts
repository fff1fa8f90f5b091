import { describe, expect, test } from '@jest/globals';
import { plantedAbout } from './plantedAbout.ts';

const TODAY = '2026-12-01';

describe('a planting day as it is remembered', () => {
  test.each([
    ['2019-04-12', '2019-04-12', 'day'],
    ['1990', '1990-07-01', 'year'],
    ['about 1990', '1990-07-01', 'year'],
    ['~ 1990', '1990-07-01', 'year'],
    ['circa 1890', '1890-07-01', 'year'],
    ['2026', '2026-07-01', 'year'],
    ['three years ago', '2023-12-01', 'years ago'],
    ['3 years ago', '2023-12-01', 'years ago'],
    ['About twenty years old', '2006-12-01', 'years ago'],
    ['a year ago', '2025-12-01', 'years ago'],
    ['6 months ago', '2026-06-01', 'years ago'],
    ['unknown', '2006-12-01', 'not known'],
    ['Nobody knows', '2006-12-01', 'not known'],
    ['I don’t know', '2006-12-01', 'not known'],
    ['?', '2006-12-01', 'not known'],
  ])('“%s” is %s', (text, on, by) => {
    const found = plantedAbout(text, TODAY);
    expect(found?.by).toBe(by);
    // Years are of 365.25 days: a day more or less.
    expect(Math.abs(Date.parse(found?.on ?? '') - Date.parse(on)) / 86_400_000).toBeLessThanOrEqual(2);
  });

  test.each([
    '',
    'next spring',
    '2027',
    '2026-12-24',
    '0099',
    'minus two years ago',
    'many years ago',
    '12/04/2019',
  ])('“%s” is no day that has been', (text) => {
    expect(plantedAbout(text, TODAY)).toBeNull();
  });

  test('this year, before its middle, is today', () => {
    expect(plantedAbout('2026', '2026-03-02')?.on).toBe('2026-03-02');
  });
});
