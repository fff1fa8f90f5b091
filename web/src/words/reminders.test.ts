import { expect, test } from '@jest/globals';
import type { RoundView } from '@kibble/contract';
import { remindersAt } from './reminders.ts';
import { unitsOf } from './units.ts';

const round = {
  date: '2026-11-03',
  stops: [{ runs: [{ from: 400, until: 430 }] }, { runs: [{ from: 380, until: 390 }] }],
  totals: { handsOnMinutes: 44 },
  tasks: [
    { bedId: 3, bedName: 'Peppers', task: { code: 'probe it now', minutes: 20 } },
    { bedId: 4, bedName: 'Beans', task: { code: 'look at the mulch', days: 40 } },
  ],
  ribbon: [
    { date: '2026-11-03', tMinC: 4 },
    { date: '2026-11-04', tMinC: -1.4 },
  ],
} as unknown as RoundView;
const tags = (minute: number): string[] =>
  remindersAt(round, minute, unitsOf('metric')).map(({ tag }) => tag.replace(/-2026.*/, ''));

test('the round rings ten minutes before its first tap, a frost from the afternoon on, a probe while it is due', () => {
  expect(tags(300)).toEqual(['probe']);
  expect(tags(370)).toEqual(['round', 'probe']);
  expect(tags(600)).toEqual(['probe']);
  expect(tags(15 * 60)).toEqual(['probe', 'frost']);
});

test('each says what it is of', () => {
  const [morning] = remindersAt(round, 375, unitsOf('metric'));
  expect(morning?.body).toBe('2 to water, 44 min of your time.');
  const frost = remindersAt(round, 1000, unitsOf('us')).at(-1);
  expect(frost?.title).toBe('Frost tonight, 29°F');
});
