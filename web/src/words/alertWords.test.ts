import type { AlertView } from '@kibble/contract';
import { ALERT_ACTS } from '@kibble/core';
import { expect, test } from '@jest/globals';
import { ACT_WORDS, alertWords, chanceWords, groundWords, isHarm, treesWords } from './alertWords.ts';
import { unitsOf } from './units.ts';

const metric = unitsOf('metric');
const us = unitsOf('us');
const at = { from: '2026-07-15', until: '2026-07-15', chance: 1, grounds: [], acts: [] };
const ALERTS: AlertView[] = [
  { code: 'heat wave', ...at, days: 5, highestC: 36 },
  { code: 'hot dry wind', ...at, highestC: 38, humidityPct: 18, windMs: 7, usualDays: 1.72 },
  { code: 'drying wind', ...at, windMs: 7 },
  { code: 'dry spell', ...at, days: 23 },
  { code: 'soaking rain', ...at, rainMm: 27 },
  { code: 'hard frost', ...at, lowestC: -8 },
  { code: 'ground about to freeze', ...at, meanC: -3 },
];

test('every alert has words, and only the harmful ones are brick', () => {
  for (const alert of ALERTS) expect(alertWords(alert, metric).length).toBeGreaterThan(15);
  expect(alertWords(ALERTS[0] as AlertView, us)).toMatch(/5 days, up to 97°F/);
  expect(alertWords(ALERTS[1] as AlertView, metric)).toMatch(/what 1\.7 usual days take/);
  expect(ALERTS.filter(isHarm)).toHaveLength(4);
});

test('every act says what to do', () => {
  for (const act of ALERT_ACTS) expect(ACT_WORDS[act].length).toBeGreaterThan(20);
});

test('what an alert rests on stands in the gardener’s units, with its limit', () => {
  const ground = {
    figure: 'highest' as const,
    side: 'at least' as const,
    limit: 32,
    days: [
      { date: '2026-07-15', value: 33.2 },
      { date: '2026-07-16', value: 35 },
    ],
  };
  expect(groundWords(ground, metric)).toBe('highest 33, 35 °C (at least 32°C)');
  expect(groundWords(ground, us)).toBe('highest 92, 95 °F (at least 90°F)');
});

test('trees by how long they stood without water', () => {
  const trees = [
    { bedId: 1, bedName: 'Apricots', days: 9, counted: 13.4 },
    { bedId: 2, bedName: 'Roses', days: 0, counted: 0 },
  ];
  expect(treesWords(trees)).toBe('Apricots 9 days, which count as 13; Roses none');
});

test('chances as people count them', () => {
  expect([0.01, 0.34, 0.97].map(chanceWords)).toEqual([
    'hardly likely',
    'likely 3 times in 10',
    'as good as certain',
  ]);
});
