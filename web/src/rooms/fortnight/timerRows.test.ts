import { describe, expect, test } from '@jest/globals';
import { timerChanges, timerRows, type TimerRow } from './timerRows.ts';

const slot = (bedId: number, from: number, until: number, cycle = 1, cycles = 1) => ({
  bedId,
  bedName: `Bed ${bedId}`,
  from,
  until,
  cycle,
  cycles,
});
const row = (date: string, bedId: number, minutesEach: number): TimerRow => ({
  date,
  bedId,
  bedName: `Bed ${bedId}`,
  starts: [300],
  minutesEach,
});

describe('settings for a tap timer', () => {
  test('the runs of one bed on one day are one setting with several starts; by hand needs none', () => {
    const rows = timerRows(
      {
        beds: [
          { bedId: 1, byHand: false },
          { bedId: 3, byHand: true },
        ],
        schedule: [
          {
            date: '2026-07-14',
            slots: [slot(1, 300, 310, 1, 2), slot(2, 310, 330), slot(1, 330, 340, 2, 2), slot(3, 340, 350)],
          },
          { date: '2026-07-15', slots: [slot(2, 300, 320)] },
        ],
      },
      [],
      1,
    );
    expect(rows).toEqual([
      { date: '2026-07-14', bedId: 1, bedName: 'Bed 1', starts: [300, 330], minutesEach: 10 },
      { date: '2026-07-14', bedId: 2, bedName: 'Bed 2', starts: [310], minutesEach: 20 },
    ]);
  });

  test('all beds of a zone are one line under its name, with its station', () =>
    expect(
      timerRows(
        {
          beds: [1, 2, 3].map((bedId) => ({ bedId, byHand: false, zone: bedId < 3 ? 9 : null })),
          schedule: [
            {
              date: '2026-07-14',
              slots: [
                slot(1, 300, 310, 1, 2),
                slot(2, 300, 310, 1, 2),
                slot(3, 310, 320),
                slot(1, 340, 350, 2, 2),
                slot(2, 340, 350, 2, 2),
              ],
            },
          ],
        },
        [{ id: 9, name: 'North drip', station: 4 }],
      ),
    ).toEqual([
      {
        date: '2026-07-14',
        bedId: 1,
        bedName: 'North drip',
        station: 4,
        starts: [300, 340],
        minutesEach: 10,
      },
      { date: '2026-07-14', bedId: 3, bedName: 'Bed 3', starts: [310], minutesEach: 10 },
    ]));
});

describe('what to change on a timer that was set before', () => {
  const typed = [row('2026-07-14', 1, 20), row('2026-07-15', 1, 20), row('2026-07-16', 2, 30)];
  test('nothing when the plan stands, and small differences are let be', () =>
    expect(timerChanges(typed, [row('2026-07-15', 1, 21), row('2026-07-16', 2, 30)], '2026-07-15')).toEqual(
      [],
    ));
  test('rain takes a run away, heat adds one or makes it longer', () => {
    const now = [row('2026-07-15', 1, 40), row('2026-07-15', 2, 30), row('2026-07-18', 1, 20)];
    expect(timerChanges(typed, now, '2026-07-15').map((c) => [c.code, c.row.date, c.row.bedId])).toEqual([
      ['minutes', '2026-07-15', 1],
      ['add', '2026-07-15', 2],
      ['skip', '2026-07-16', 2],
    ]);
  });
});
