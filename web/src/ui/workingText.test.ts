import { describe, expect, test } from '@jest/globals';
import { leaf, summed, worked } from '@kibble/core';
import { unitsOf } from '../words/units.ts';
import { isAssumed, sourceText, tellUnit, workingText } from './workingText.ts';

const metric = unitsOf('metric');
const us = unitsOf('us');
const plain = (text: string): string => text.replaceAll('\u00a0', ' ');
const today = '2026-07-14';

describe('a value of the working', () => {
  test('has its unit, and a depth keeps its tenth, for it is being checked', () => {
    expect(plain(workingText(leaf('Depth', 12.34, 'mm', { kind: 'told' }), metric))).toBe('12.3 mm');
    expect(plain(workingText(leaf('Flow', 20.19, 'L/min', { kind: 'told' }), metric))).toBe('20.2 L/min');
    expect(plain(workingText(leaf('Flow', 20.19, 'L/min', { kind: 'told' }), us))).toBe('5.3 gal/min');
    expect(workingText(leaf('Members', 0.456, '', { kind: 'told' }), metric)).toBe('0.46');
  });
  test('a share is told in percent, a small one to its tenth', () => {
    const share = (value: number, unit = 'share'): string =>
      plain(workingText(leaf('Share', value, unit, { kind: 'told' }), metric));
    expect([share(0.456), share(0.0123), share(1), share(0)]).toEqual(['46 %', '1.2 %', '100 %', '0 %']);
    expect(share(0.9, 'share of its fill')).toBe('90 % of its fill');
  });
  test('a total is the sum of its parts', () => {
    const total = summed('Minutes', 'min', [
      { label: 'a', value: 31 },
      { label: 'b', value: 64 },
    ]);
    expect(total.value).toBe(95);
    expect(total.inputs.map((i) => i.label)).toEqual(['a', 'b']);
  });
});

describe('where a value comes from', () => {
  test('measured with its day, and too long ago with what to do', () => {
    expect(sourceText({ kind: 'measured', on: '2026-05-20' }, today)).toBe('measured 20 May');
    expect(sourceText({ kind: 'measured', on: '2025-08-02', stale: 'old' }, today)).toBe(
      'measured 2 Aug 2025; old, measure again',
    );
    expect(sourceText({ kind: 'told', on: '2026-07-14' }, today)).toBe('told 14 Jul');
    expect(sourceText({ kind: 'assumed', why: 'nobody has looked' }, today)).toBe(
      'assumed: nobody has looked',
    );
    expect(sourceText(worked('x', 1, '', 'y', []).provenance, today)).toBeNull();
  });
  test('one mark for a guess and for a test that no longer holds', () => {
    expect(isAssumed(undefined)).toBe(true);
    expect(isAssumed({ kind: 'assumed', why: '' })).toBe(true);
    expect(isAssumed({ kind: 'measured', stale: 'old' })).toBe(true);
    expect(isAssumed({ kind: 'measured' })).toBe(false);
    expect(isAssumed({ kind: 'table', name: 'FAO-56 table 22' })).toBe(false);
  });
  test('a figure is changed in the unit it is read in', () => {
    expect(tellUnit('flow', us).unit).toBe('gal/min');
    expect(tellUnit('area', metric).unit).toBe('m²');
    expect(tellUnit('evenness', metric).toSi(70)).toBe(0.7);
  });
});
