import { describe, expect, test } from '@jest/globals';
import { ADDRESSES, type AddressName, type RoundView, type TapRunView } from '@kibble/contract';
import { asToday } from '../outbox/olderActs.ts';
import { settled, unsettled } from './settled.ts';
import { eventsOfAct, runsWith, OPTIMISTIC, type Known } from './optimistic.ts';

const stop = (bedId: number, from: number) => ({
  bedId,
  reason: { code: 'growth' },
  bedName: `Bed ${bedId}`,
  litresPerMinute: 10,
  run: { litres: 120, minutes: 12 },
  runs: [{ from, until: from + 12, cycle: 1 }],
});
const round = {
  date: '2026-07-14',
  // Two begin at the same minute.
  stops: [stop(1, 360), stop(2, 372), stop(3, 372)],
  leaveAlone: [{ bedId: 4, bedName: 'Bed 4', event: null }],
} as unknown as RoundView;
const known: Known = { gardens: [], rounds: [{ gardenId: 1, round }], runs: [] };
const act = (name: AddressName | undefined, url: string, body: unknown, more: object = {}) => ({
  name,
  url,
  body,
  at: '2026-07-14T04:30:00.000Z',
  seq: 7,
  method: 'POST',
  key: 'key-0000',
  gardenId: 1,
  words: '',
  ...more,
});
const water = (bedId: number, said: object, more: object = {}) =>
  act(
    'addEntries',
    'gardens/1/entries',
    { entries: [{ subject: { kind: 'bed', id: bedId }, body: { kind: 'watering', ...said } }] },
    more,
  );
const eventOfAct = (of: ReturnType<typeof act>) => eventsOfAct(of, known)[0] ?? null;

describe('what waits here for the way home', () => {
  test('stands for home’s answer: as planned its litres, else minutes at the stop’s flow', () => {
    expect(eventOfAct(water(2, { minutes: 12, asPlanned: true }))).toMatchObject({
      id: -7,
      gardenId: 1,
      bedId: 2,
      date: '2026-07-14',
      litres: 120,
      told: 'minutes',
    });
    expect(eventOfAct(water(2, { minutes: 5 }))?.litres).toBe(50);
    expect(eventOfAct(water(9, { minutes: 5 }))?.litres).toBeNull();
    const skip = {
      entries: [{ subject: { kind: 'bed', id: 2 }, body: { kind: 'skip', reason: 'no time' } }],
    };
    expect(eventOfAct(act('addEntries', 'gardens/1/entries', skip))).toMatchObject({
      kind: 'skip',
      reason: 'no time',
    });
    // What home refused is no entry, and what is no watering or skip is none of the round.
    expect(eventOfAct(water(2, {}, { refused: { code: 'conflict', message: '' } }))).toBeNull();
    const rain = { entries: [{ subject: { kind: 'garden', id: 1 }, body: { kind: 'rain', rainMm: 2 } }] };
    expect(eventOfAct(act('addEntries', 'gardens/1/entries', rain))).toBeNull();
  });

  test('what was saved before addresses had names is read by how they looked then', () => {
    expect(eventOfAct(act(undefined, 'beds/2/waterings', { minutes: 12, asPlanned: true }))).toMatchObject({
      bedId: 2,
      litres: 120,
    });
    expect(eventOfAct(act(undefined, 'beds/2/skips', { reason: 'no time' }))?.kind).toBe('skip');
    expect(eventOfAct(act(undefined, 'gardens/1/rain', {}))).toBeNull();
    expect(asToday(act(undefined, 'beds/1/run', {}, { method: 'DELETE' })).name).toBe('closeRun');
  });

  test('says what it is of, as far as that is known here', () => {
    const words = (body: unknown): string | undefined =>
      OPTIMISTIC.addEntries?.words({
        body,
        at: '2026-07-14T04:30:00.000Z',
        seq: 7,
        places: { id: 1 },
        known,
      });
    expect(words(water(2, { litres: 40 }).body)).toBe('Bed 2 watered, 40 L');
    const pots = [3, 4].map((id) => ({
      subject: { kind: 'pot', id },
      body: { kind: 'given', millilitres: 500 },
    }));
    expect(words({ entries: pots })).toBe('2 pots');
    const look = { kind: 'look', tool: 'finger', depthMm: 50, state: 'dry', mulchMoved: false };
    expect(words({ entries: [{ subject: { kind: 'bed', id: 2 }, body: look }] })).toBe(
      'Bed 2: something found or decided',
    );
  });

  test('a stop leaves the walk with it, and comes back to its place by the clock', () => {
    const event = eventOfAct(water(2, { minutes: 12, asPlanned: true }));
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
    const opened = act('openRun', 'beds/2/run', { minutes: 6, runs: 2, run: 1, soakMinutes: 30 });
    const now = runsWith(running, [opened, act('closeRun', 'beds/1/run', {}, { seq: 8 })], known);
    expect(now).toMatchObject([
      { id: -7, bedId: 2, minutes: 6, runs: 2, litresPerMinute: 10, startedAt: opened.at },
    ]);
  });

  test('what makes something new needs home at once; what is written down may wait', () => {
    for (const name of [
      'addGarden',
      'addBed',
      'addTree',
      'storeWeatherFile',
      'restore',
      'pair',
      'stepGarden',
    ] as const)
      expect([name, ADDRESSES[name].waits]).toEqual([name, undefined]);
    // Whatever may wait has words, and an answer that stands for home's.
    const waiting = Object.entries(ADDRESSES).flatMap(([name, { waits }]) => (waits ? [name] : []));
    expect(Object.keys(OPTIMISTIC).sort()).toEqual(waiting.sort());
  });
});
