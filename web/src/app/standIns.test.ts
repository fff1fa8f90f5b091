import { describe, expect, test } from '@jest/globals';
import type { RoundView, TapRunView } from '@kibble/contract';
import { settled, unsettled } from './settled.ts';
import { entryOfAct, runsWith, standInFor, type Known } from './standIns.ts';

const stop = (bedId: number, from: number) => ({
  bedId,
  bedName: `Bed ${bedId}`,
  litresPerMinute: 10,
  run: { litres: 120, minutes: 12 },
  runs: [{ from, until: from + 12, cycle: 1 }],
});
const round = {
  date: '2026-07-14',
  stops: [stop(1, 360), stop(2, 372), stop(3, 384)],
  leaveAlone: [{ bedId: 4, bedName: 'Bed 4', event: null }],
} as unknown as RoundView;
const known: Known = { gardens: [], rounds: [{ gardenId: 1, round }], runs: [] };
const act = (url: string, body: unknown, more: object = {}) => ({
  url,
  body,
  at: '2026-07-14T04:30:00.000Z',
  seq: 7,
  method: 'PUT',
  key: 'key-0000',
  gardenId: 1,
  words: '',
  ...more,
});

describe('what waits here for the way home', () => {
  test('stands for home’s answer: as planned its litres, else minutes at the stop’s flow', () => {
    const planned = entryOfAct(act('beds/2/waterings', { minutes: 12, asPlanned: true }), known);
    expect(planned).toMatchObject({
      id: -7,
      gardenId: 1,
      bedId: 2,
      date: '2026-07-14',
      litres: 120,
      told: 'minutes',
    });
    expect(entryOfAct(act('beds/2/waterings', { minutes: 5 }), known)?.litres).toBe(50);
    expect(entryOfAct(act('beds/9/waterings', { minutes: 5 }), known)?.litres).toBeNull();
    expect(entryOfAct(act('beds/2/skips', { reason: 'no time' }), known)).toMatchObject({
      kind: 'skip',
      reason: 'no time',
    });
    // What home refused is no entry, and what is no watering or skip neither.
    expect(
      entryOfAct(act('beds/2/waterings', {}, { refused: { code: 'conflict', message: '' } }), known),
    ).toBeNull();
    expect(entryOfAct(act('gardens/1/rain', {}), known)).toBeNull();
  });

  test('a stop leaves the walk with it, and comes back to its place by the clock', () => {
    const event = entryOfAct(act('beds/2/waterings', { minutes: 12, asPlanned: true }), known);
    if (!event) throw new Error('no entry');
    const gone = settled(round, event);
    expect(gone.stops.map(({ bedId }) => bedId)).toEqual([1, 3]);
    expect(gone.leaveAlone.at(-1)).toMatchObject({
      bedId: 2,
      reason: { code: 'settled today' },
      event: { id: -7 },
    });
    const [, two] = round.stops;
    if (!two) throw new Error('no stop');
    const back = unsettled(gone, -7, two);
    expect(back.stops.map(({ bedId }) => bedId)).toEqual([1, 2, 3]);
    expect(back.leaveAlone).toHaveLength(1);
    // An entry of another day, or of a bed that is no stop, changes nothing.
    expect(settled(round, { ...event, date: '2026-07-13' })).toBe(round);
    expect(settled(round, { ...event, bedId: 4 })).toBe(round);
  });

  test('running taps go by what is kept: opened ones run, the ones turned off do not', () => {
    const running = [{ id: 5, bedId: 1, litresPerMinute: 8, bedName: 'Bed 1' }] as TapRunView[];
    const opened = act('beds/2/run', { minutes: 6, runs: 2, run: 1, soakMinutes: 30 });
    const now = runsWith(running, [opened, act('beds/1/run', {}, { method: 'DELETE', seq: 8 })], known);
    expect(now).toMatchObject([
      { id: -7, bedId: 2, minutes: 6, runs: 2, litresPerMinute: 10, startedAt: opened.at },
    ]);
  });

  test('what makes something new needs home at once; what is written down may wait', () => {
    for (const [method, url] of [
      ['POST', 'gardens'],
      ['POST', 'gardens/1/beds'],
      ['POST', 'gardens/1/trees'],
      ['POST', 'weather-files/1/import'],
      ['POST', 'your-data/restore'],
      ['POST', 'pair'],
      ['POST', 'gardens/1/step'],
    ] as const)
      expect([url, standInFor(method, url)]).toEqual([url, null]);
    for (const [method, url, ids] of [
      ['POST', 'beds/3/waterings', [3]],
      ['DELETE', 'events/-4', [-4]],
      ['POST', 'gardens/1/findings', [1]],
      ['PUT', 'beds/3', [3]],
      ['PUT', 'gardens/1/drafts/feel:bed-1', [1]],
    ] as const)
      expect([url, standInFor(method, url)?.ids]).toEqual([url, ids]);
  });
});
