import { describe, expect, test } from '@jest/globals';
import type { BedTask } from '../care/tasks.ts';
import { addDays } from '../units/dates.ts';
import { dueOf } from './due.ts';
import { alertTasks, tasksOf } from './list.ts';

const today = '2026-07-15';
const bed = { kind: 'bed', id: 3 } as const;
const keyOn = (reason: BedTask, date: string): string => dueOf(reason, { today: date }).key;

describe('a task is the same one until it is done', () => {
  test('asked again tomorrow it bears the same key, though it is a day older', () => {
    for (const [now, tomorrow] of [
      [
        { code: 'are all standing', days: 5, of: 0 },
        { code: 'are all standing', days: 6, of: 0 },
      ],
      [
        { code: 'put the mulch back', days: 0 },
        { code: 'put the mulch back', days: 1 },
      ],
      [
        { code: 'look at the mulch', days: 61 },
        { code: 'look at the mulch', days: 62 },
      ],
      [
        { code: 'has it begun', stage: 'ripening', about: '2026-07-16', of: 0 },
        { code: 'has it begun', stage: 'ripening', about: '2026-07-16', of: 0 },
      ],
    ] as const)
      expect(keyOn(now, today)).toBe(keyOn(tomorrow, addDays(today, 1)));
  });

  test('what is asked each day anew is another one tomorrow, what is said once a week is not before Monday', () => {
    const rinse = { code: 'rinse against mites' } as const;
    expect(keyOn(rinse, today)).not.toBe(keyOn(rinse, addDays(today, 1)));
    // 15 July 2026 is a Wednesday.
    const habit = { code: 'a little every day', days: 4 } as const;
    expect(keyOn(habit, today)).toBe(keyOn(habit, '2026-07-19'));
    expect(keyOn(habit, today)).not.toBe(keyOn(habit, '2026-07-20'));
  });

  test('before heat it is due until the heat is there', () => {
    const { due, key } = dueOf(
      { code: 'mulch before the heat', soakFirst: false },
      { today, heatFrom: '2026-07-18' },
    );
    expect(due).toEqual({ from: today, until: '2026-07-18' });
    // The same heat, a day nearer.
    expect(
      dueOf(
        { code: 'mulch before the heat', soakFirst: true },
        { today: '2026-07-16', heatFrom: '2026-07-18' },
      ).key,
    ).toBe(key);
  });
});

describe('what the log says of it', () => {
  const found: BedTask[] = [{ code: 'rinse against mites' }, { code: 'a little every day', days: 4 }];
  test('marks it as done on its own place and on no other', () => {
    const key = keyOn(found[0] as BedTask, today);
    const of = (id: number) =>
      tasksOf({ kind: 'bed', id }, found, [{ subject: bed, key }], { today }).map(({ done }) => done);
    expect(of(3)).toEqual([true, false]);
    expect(of(4)).toEqual([false, false]);
    // Beds and pots have numbers of their own.
    expect(
      tasksOf({ kind: 'pot', id: 3 }, [{ code: 'rescue' }], [{ subject: bed, key: `rescue: ${today}` }], {
        today,
      })[0]?.done,
    ).toBe(false);
  });

  test('of an alert it holds while the weather is the same and not much worse', () => {
    const heat = { code: 'heat wave', from: '2026-07-17', until: '2026-07-19', badness: 34 } as const;
    const tick = { ...heat, act: 'ready the beds' } as const;
    const acts = ['ready the beds', 'shade pots and trays'] as const;
    const done = (change: object) =>
      alertTasks(1, { ...heat, ...change }, acts, [tick], { today }).map((task) => task.done);
    expect(done({})).toEqual([true, false]);
    expect(done({ from: '2026-07-18', until: '2026-07-20' })).toEqual([true, false]);
    expect(done({ badness: 38 })).toEqual([false, false]);
    const [first] = alertTasks(1, heat, acts, [], { today });
    expect(first).toMatchObject({
      subject: { kind: 'garden', id: 1 },
      due: { from: '2026-07-17', until: '2026-07-19' },
      key: 'seen to an alert: heat wave 2026-07-17: ready the beds',
    });
  });
});
