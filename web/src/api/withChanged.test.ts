import { expect, test } from '@jest/globals';
import type { ChangedView, RoundView } from '@kibble/contract';
import { withChanged } from './withChanged.ts';

const stop = (bedId: number, litres = 10) => ({ bedId, run: { litres } });
const round = {
  date: '2026-07-14',
  stops: [stop(1), stop(2), stop(3)],
  leaveAlone: [{ bedId: 4 }],
  tasks: [{ bedId: 2, task: 'look' }],
  totals: { litres: 30, minutes: 30 },
  putOff: [],
  unplanned: [],
} as unknown as RoundView;
const changed = {
  date: '2026-07-14',
  beds: [2, 3],
  order: [3, 1],
  planned: [1, 2, 3, 4],
  stops: [stop(3, 25)],
  leaveAlone: [{ bedId: 2 }],
  tasks: [],
  totals: { litres: 35, minutes: 20 },
  putOff: [],
  unplanned: [],
} as unknown as ChangedView;

test('what differs is told anew and in its place, the rest is what it was', () => {
  const now = withChanged(round, changed);
  expect(now.stops).toEqual([stop(3, 25), stop(1)]);
  expect(now.leaveAlone).toEqual([{ bedId: 2 }, { bedId: 4 }]);
  expect(now.tasks).toEqual([]);
  expect(now.totals).toEqual({ litres: 35, minutes: 20 });
  expect(now.stops[1]).toBe(round.stops[0]);
});

test('what is told of another day says nothing of this one', () =>
  expect(withChanged(round, { ...changed, date: '2026-07-15' })).toBe(round));
