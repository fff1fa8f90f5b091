import { expect, test } from '@jest/globals';
import type { PotView } from '@kibble/contract';
import { doseText, nextText, potState, taskText } from './potWords.ts';
import { unitsOf } from './units.ts';

const metric = unitsOf('metric');
const us = unitsOf('us');
/** A unit stands after its figure without a break. */
const plain = (text: string): string => text.replaceAll('\u00a0', ' ');

test('a dose as a hand measures it: tens of millilitres, litres from one on; in the US ounces with cups (240 mL)', () => {
  expect(plain(doseText(123.4, metric))).toBe('120 mL');
  expect(plain(doseText(43, metric))).toBe('43 mL');
  expect(plain(doseText(1449, metric))).toBe('1.4 L');
  // Common practice: 60 g lost is 60 mL, a quarter cup.
  expect(plain(doseText(60, us))).toBe('2 fl oz (¼ cup)');
  expect(plain(doseText(360, us))).toBe('12.2 fl oz (1½ cups)');
  expect(plain(doseText(30, us))).toBe('1 fl oz');
});

const pot = (change: Partial<PotView>): PotView =>
  ({
    give: null,
    leave: { code: 'enough' },
    next: { early: null, likely: null, late: null },
    ...change,
  }) as PotView;

test('how a pot stands, in few words', () => {
  const give = { date: '2026-07-14', millilitres: 490, how: 'from below' as const, again: null };
  expect(plain(potState(pot({ give }), '2026-07-14', metric))).toBe('give 490 mL, from below');
  expect(potState(pot({ leave: { code: 'rests' } }), '2026-07-14', metric)).toBe('rests');
  expect(potState(pot({ leave: { code: 'look if it is dry' } }), '2026-07-14', metric)).toBe(
    'look: wholly dry?',
  );
  const next = (likely: string | null) =>
    nextText(pot({ next: { early: null, likely, late: null } }), '2026-07-14');
  expect(next('2026-07-15')).toBe('tomorrow');
  expect(next('2026-07-17')).toBe('3 days: Fri 17');
  expect(next(null)).toBe('not in this fortnight');
});

test('a pot that was moved is weighed anew for another reason than one that has grown', () => {
  const again = (why: 'moved' | 'season') => taskText({ code: 'weigh again', why, since: '2026-07-01' });
  expect(again('moved')).toContain('elsewhere');
  expect(again('season')).toContain('season');
});
