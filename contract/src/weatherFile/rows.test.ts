import { describe, expect, test } from '@jest/globals';
import { MOST_COLUMNS, rowsOf } from './rows.ts';

describe('a file that is no table of weather', () => {
  test.each([
    ['nine megabytes of commas', ','.repeat(9_000_000), /Line 1 has 9000001 columns/],
    ['commas line by line', `${','.repeat(250)}\n`.repeat(40_000), /more than 6,000,000 cells/],
    ['line breaks alone', '\n'.repeat(3_000_000), /more than 1,000,000 lines/],
    [
      'a list whose entries all have names of their own',
      JSON.stringify(Array.from({ length: 2000 }, (_, i) => ({ [`name ${i}`]: i }))),
      /more than 300 names/,
    ],
    ['brackets in brackets', `${'['.repeat(50_000)}${']'.repeat(50_000)}`, /nested more than 64 levels deep/],
  ])('%s is refused in words before it is taken apart, in no time and no room', (_what, text, words) => {
    const heap = process.memoryUsage().heapUsed;
    const began = process.hrtime.bigint();
    const { problem, rows } = rowsOf(text);
    expect(problem).toMatch(words);
    expect(rows).toEqual([]);
    // It took 15 s and 2.4 GB; counted through, it takes what it takes to look at each letter.
    expect(Number(process.hrtime.bigint() - began) / 1e9).toBeLessThan(5);
    expect((process.memoryUsage().heapUsed - heap) / 1e6).toBeLessThan(200);
  });

  test('a wide one is taken up to its limit', () => {
    const row = Array.from({ length: MOST_COLUMNS }, (_, i) => `c${i}`).join(',');
    expect(rowsOf(`${row}\n${row}`).rows).toHaveLength(1);
    expect(rowsOf(`${row},more\n`).problem).toMatch(/Line 1 has 301 columns/);
  });
});
