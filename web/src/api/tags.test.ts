import { describe, expect, test } from '@jest/globals';
import { ADDRESSES, type AddressName, type EntriesAnswer } from '@kibble/contract';
import { shown, stale, staleByEntries } from './tags.ts';

const answer = (more: Partial<EntriesAnswer>): EntriesAnswer => ({
  ids: [9],
  events: [],
  touched: { beds: [], pots: false },
  ...more,
});
const event = { id: 9 } as EntriesAnswer['events'][number];
const types = (tags: ReturnType<typeof staleByEntries>): string[] => [
  ...new Set(tags.map((tag) => (typeof tag === 'string' ? tag : tag.type))),
];

describe('what is stale after a change', () => {
  test('is that of its garden, and what cannot be told apart by garden', () => {
    expect(shown('round')(null, null, 3)).toEqual([{ type: 'Round', id: 'garden 3' }]);
    expect(shown('bedPage')(null, null, 12)).toEqual([
      { type: 'Place', id: 'any' },
      { type: 'Place', id: 12 },
    ]);
    expect(stale('addPot')(null, null, { gardenId: 3 })).toContainEqual({ type: 'Pots', id: 'garden 3' });
    expect(stale('changeBed')(null, null, { bedId: 4 }, { gardenId: 3 })).toContainEqual({
      type: 'Round',
      id: 'garden 3',
    });
    // Of which garden it is, is not known: of all of them.
    expect(stale('changePot')(null, null, { potId: 4 }, { gardenId: null })).toEqual([
      'Pots',
      'Round',
      'Plan',
    ]);
  });

  test('every change says what it makes stale, or is none of a garden', () => {
    const silent = (Object.entries(ADDRESSES) as [AddressName, (typeof ADDRESSES)[AddressName]][]).flatMap(
      ([name, { method, stale: what }]) => (method === 'GET' || what ? [] : [name]),
    );
    expect(silent.sort()).toEqual(
      [
        'addEntries',
        'undoEntries',
        'restoreEntries',
        'sketchGarden',
        'tryPlan',
        'tryRounds',
        'tryOnBed',
        'bringWeatherFile',
        'forgetWeatherFile',
        'pair',
        'renewCalendar',
        'openPractice',
        'lookAtFile',
        'lookAtCopy',
      ].sort(),
    );
  });

  test('a watering leaves the round, which takes in what changed, and asks for its bed and the days ahead', () => {
    const changed = { beds: [1, 2] } as EntriesAnswer['changed'];
    const tags = staleByEntries(
      answer({ events: [event], touched: { beds: [1], pots: false }, changed }),
      null,
      { gardenId: 3 },
    );
    expect(types(tags)).toEqual(['Plan', 'Place']);
    expect(
      types(staleByEntries(answer({ touched: { beds: null, pots: false } }), null, { gardenId: 3 })),
    ).toContain('Garden');
  });

  test('of pots only pots, of a task nothing, of what waits here nothing', () => {
    expect(
      types(staleByEntries(answer({ touched: { beds: [], pots: true } }), null, { gardenId: 3 })),
    ).toEqual(['Pots', 'Round', 'Plan']);
    expect(staleByEntries(answer({}), null, { gardenId: 3 })).toEqual([]);
    expect(staleByEntries(answer({ ids: [-4] }), null, { gardenId: 3 })).toEqual([]);
  });
});
