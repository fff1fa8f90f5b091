import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { checkRawJson, DEEPEST_JSON, parseRawJson } from './rawJson.ts';

const nested = (levels: number): string => '['.repeat(levels) + ']'.repeat(levels);

describe('JSON from outside', () => {
  test('is taken up to the deepest level and refused beyond it, as letters and as bytes', () => {
    expect(() => checkRawJson(nested(DEEPEST_JSON))).not.toThrow();
    expect(() => checkRawJson(nested(DEEPEST_JSON + 1))).toThrow('levels deep');
    expect(() => checkRawJson(Buffer.from(nested(5000)))).toThrow('levels deep');
    expect(() => checkRawJson(`{"a":${'{"b":'.repeat(70)}1${'}'.repeat(71)}`)).toThrow('levels deep');
  });

  test('brackets inside a string are letters, also behind an escaped quotation mark', () => {
    expect(parseRawJson(JSON.stringify({ note: '[{'.repeat(500) }))).toEqual({ note: '[{'.repeat(500) });
    const tricky = JSON.stringify(['a"[[[', '\\', '{{{"']);
    expect(parseRawJson(tricky)).toEqual(['a"[[[', '\\', '{{{"']);
  });

  test('says what is wrong with a text that is too long, or none', () => {
    expect(() => parseRawJson('[1,2,3]', 5)).toThrow('longer than 5 letters');
    expect(() => parseRawJson('[1,')).toThrow('not JSON');
  });

  test('whatever JSON.stringify writes of shallow values comes back the same', () => {
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 10 }), (value) => {
        const text = JSON.stringify(value);
        expect(JSON.stringify(parseRawJson(text))).toBe(text);
      }),
    );
  });
});
