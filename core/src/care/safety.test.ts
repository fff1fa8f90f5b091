import { readFileSync, writeFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { isHotWork } from './hotWork.ts';
import { HEAVY_KG, SAFETY, SAFETY_ACTS, safetyPage } from './safety.ts';

describe('cautions', () => {
  test('the page of the documentation is the table', () => {
    // `KIBBLE_WRITE_DOCS=1 npx jest safety` writes it anew.
    if (process.env.KIBBLE_WRITE_DOCS) writeFileSync('docs/cautions.md', safetyPage());
    expect(readFileSync('docs/cautions.md', 'utf8')).toBe(safetyPage());
  });
  test.each(SAFETY_ACTS)('%s: whole sentences, and a source', (act) => {
    const { text, source } = SAFETY[act];
    expect(text).toMatch(/^[A-Z][^]*[.]$/);
    expect(text.split(/[.:;] /).every((sentence) => sentence.trim().split(' ').length > 2)).toBe(true);
    expect(source).not.toBe('');
  });
  test('acts of licensed trades and local codes name them', () => {
    expect(SAFETY.electricity.text).toMatch(/licensed electrician.*local code/);
    expect(SAFETY.backflow.text).toMatch(/local plumbing code.*licensed plumber/);
    expect(SAFETY['old trees'].text).toMatch(/qualified arborist/);
    expect(SAFETY.wells.text).toMatch(/permit.*water authority/);
    expect(SAFETY.digging.text).toMatch(/utilities/);
  });
  test('heat that is hard on plants is hard on people; frost and rain are not heat', () => {
    expect(isHotWork([{ code: 'soaking rain' }, { code: 'heat wave' }])).toBe(true);
    expect(isHotWork([{ code: 'hot dry wind' }])).toBe(true);
    expect(isHotWork([{ code: 'hard frost' }, { code: 'dry spell' }])).toBe(false);
  });
  test('a full bucket of 20 L is heavy, a can of 10 L is not (common practice)', () => {
    expect(20).toBeGreaterThan(HEAVY_KG);
    expect(10).toBeLessThan(HEAVY_KG);
  });
});
