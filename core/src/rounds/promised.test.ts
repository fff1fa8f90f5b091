import { expect, test } from '@jest/globals';
import { freeDays, promisedAfter } from './promised.ts';

test('what the evening before left free is free the next morning, however often that day is planned', () => {
  const tuesday = promisedAfter(undefined, '2026-07-14', ['2026-07-14', '2026-07-17']);
  expect([...freeDays(tuesday, '2026-07-15')]).toEqual(['2026-07-15', '2026-07-16', '2026-07-18']);
  // Wednesday finds work after all: the next plan of the same day still knows what Tuesday said.
  const wednesday = promisedAfter(tuesday, '2026-07-15', ['2026-07-15', '2026-07-17']);
  expect([...freeDays(wednesday, '2026-07-15')]).toEqual(['2026-07-15', '2026-07-16', '2026-07-18']);
  const again = promisedAfter(wednesday, '2026-07-15', ['2026-07-17']);
  expect([...freeDays(again, '2026-07-16')]).toEqual(['2026-07-16', '2026-07-18', '2026-07-19']);
});

test('nothing is promised before a plan was made, after a clock set back, or days ahead', () => {
  expect(freeDays(undefined, '2026-07-15').size).toBe(0);
  const tuesday = promisedAfter(undefined, '2026-07-14', []);
  expect(freeDays(tuesday, '2026-07-10').size).toBe(0);
  expect(freeDays(tuesday, '2026-07-14').size).toBe(0);
  expect(freeDays(tuesday, '2026-07-25').size).toBe(0);
});
