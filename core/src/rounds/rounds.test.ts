import { describe, expect, test } from '@jest/globals';
import { handsOnMinutes } from '../delivery/handsOn.ts';
import { chooseHeld, chooseSet, heldRound, roundOfGarden } from './chooseSet.ts';
import { aroundClosed, datesOn } from './roundDates.ts';
import { weekdaySets } from './weekdaySets.ts';

const ALL = [0, 1, 2, 3, 4, 5, 6];

describe('sets of round days', () => {
  test('once a week to daily, each holding the one before, as even as that lets them be', () => {
    const sets = weekdaySets(ALL, 2);
    expect(sets.map((set) => set.length)).toEqual([1, 2, 3, 4, 5, 6, 7]);
    sets.forEach((set, i) => expect(set).toEqual(expect.arrayContaining(sets[i - 1] ?? [])));
    // Tuesday; with Friday; with Sunday.
    expect(sets[2]).toEqual([2, 5, 0]);
  });
  test('only open days, and all of them where there are no more', () => {
    expect(weekdaySets([1, 4], 4)).toEqual([[4], [4, 1]]);
    expect(weekdaySets([1, 2, 3, 4, 5], 0).at(-1)).toHaveLength(5);
    expect(weekdaySets([], 0)).toEqual([]);
  });
  test('a closed round day is held on the nearest open day before it', () => {
    const rounds = datesOn([2, 5], '2026-07-14', 10);
    expect(rounds).toEqual(['2026-07-14', '2026-07-17', '2026-07-21']);
    expect(aroundClosed(rounds, ['2026-07-17'], '2026-07-14')).toEqual([
      '2026-07-14',
      '2026-07-16',
      '2026-07-21',
    ]);
    expect(aroundClosed(rounds, ['2026-07-14'], '2026-07-14')).toEqual(['2026-07-17', '2026-07-21']);
  });
});

describe('how often each place is asked', () => {
  const perWeek = [1, 2, 3, 4, 7];
  const choose = (losses: number[], allowed = 0.03): number | undefined =>
    perWeek[chooseSet(perWeek, allowed, (i) => losses[i] as number)];
  test('the sparsest within what its goal allows', () => {
    expect(choose([0.02, 0.01, 0, 0, 0])).toBe(1);
    expect(choose([0.2, 0.05, 0.03, 0.01, 0])).toBe(3);
  });
  test('where none suffices, a denser one has to be worth its days', () => {
    expect(choose([0.3, 0.2, 0.15, 0.13, 0.08])).toBe(7);
    expect(choose([0.3, 0.2, 0.06, 0.055, 0.05])).toBe(3);
    // Physics refuses whatever the days.
    expect(choose([0.2, 0.131, 0.13, 0.13, 0.13])).toBe(2);
  });
  // A changed week costs a person more than a point of growth: common practice; the figures are judgements.
  test('one that had its days keeps them until it loses a point more than is allowed, or fewer suffice easily', () => {
    const held = (losses: number[], before: number): number | undefined =>
      perWeek[chooseHeld(perWeek, 0.03, (i) => losses[i] as number, before)];
    expect(held([0.2, 0.038, 0.02, 0, 0], 1)).toBe(2);
    expect(held([0.2, 0.045, 0.02, 0, 0], 1)).toBe(3);
    // Twice a week would do today, but only just.
    expect(held([0.2, 0.025, 0.01, 0, 0], 2)).toBe(3);
    expect(held([0.2, 0.01, 0.005, 0, 0], 2)).toBe(2);
  });
  test('the round of a garden moves only where two thirds of its places ask for it', () => {
    expect(heldRound([1, 2, 2, 1], 1)).toBe(1);
    expect(heldRound([2, 2, 2, 1], 1)).toBe(2);
    expect(heldRound([0, 0, 1], 1)).toBe(0);
    // Nothing is thirsty: that is no reason for other days.
    expect(heldRound([], 2)).toBe(2);
  });
  test('the round of a garden suffices for half of its places', () => {
    expect(roundOfGarden([0, 1, 1, 4])).toBe(1);
    expect(roundOfGarden([0, 4, 4])).toBe(4);
    expect(roundOfGarden([])).toBe(0);
  });
});

describe('minutes of a person’s own time', () => {
  const run = { litres: 100, minutes: 10, cycles: 2 };
  test.each([
    ['hose wand', 1, 12],
    ['watering can', 1, 10 + 1.5 * 10],
    ['bubbler', 6, 4 + 2 * 6],
    ['slow bucket', 1, 3 * 6],
    ['sprinkler', 1, 6],
    ['drip', 1, 6],
  ] as const)('%s', (method, spots, minutes) =>
    expect(handsOnMinutes({ method }, run, spots)).toBeCloseTo(minutes, 12),
  );
  test('a timer takes none', () => expect(handsOnMinutes({ method: 'drip', timer: true }, run, 1)).toBe(0));
});
