import { describe, expect, test } from '@jest/globals';
import type { Found } from '../readings/entries.ts';
import { byHand } from './byHand.ts';

const today = '2026-07-14';
const delivery = { method: 'hose wand', litresPerMinute: 20 } as const;
const of = (found: Found[], plantings: Parameters<typeof byHand>[4] = []) =>
  byHand(found, today, 10, delivery, plantings);
let id = 0;
const on = (date: string, entry: object): Found =>
  ({ id: (id += 1), on: date, ...entry }) as unknown as Found;

// Common practice: only dry ground is watered for a plant that hangs; in wet ground the roots drown.
describe('plants that hang', () => {
  test.each([
    ['dry', true],
    ['damp', false],
    ['wet', false],
  ])('in %s soil', (soil, dry) => {
    expect(of([on(today, { kind: 'wilt', recovers: false, soil })])).toMatchObject({
      wilting: true,
      foundDry: dry,
    });
  });

  test('by day alone it was heat, and yesterday’s is not today’s', () => {
    expect(of([on(today, { kind: 'wilt', recovers: true })]).wilting).toBe(false);
    expect(of([on('2026-07-13', { kind: 'wilt', recovers: false, soil: 'dry' })]).wilting).toBe(false);
  });
});

describe('a dry spell', () => {
  const spell = on('2026-07-10', { kind: 'toughen', plantingId: 1, what: 'start', days: 10 });

  test('holds to its end, and a soak follows it', () => {
    expect(of([spell])).toMatchObject({ holdUntil: '2026-07-20', soakOn: '2026-07-20' });
    expect(of([on('2026-07-03', { kind: 'toughen', plantingId: 1, what: 'start', days: 10 })])).toMatchObject(
      {
        soakOn: today,
      },
    );
  });

  test('is ended by plants that hang, and by hand', () => {
    expect(of([spell, on('2026-07-12', { kind: 'wilt', recovers: false, soil: 'dry' })]).holdUntil).toBe(
      undefined,
    );
    expect(
      of([spell, on('2026-07-12', { kind: 'toughen', plantingId: 1, what: 'end', days: 10 })]).holdUntil,
    ).toBe(undefined);
  });

  test('of legumes ends with the first flower', () => {
    const { holdUntil } = of(
      [on('2026-07-10', { kind: 'toughen', plantingId: 1, what: 'start', days: 60 })],
      [{ cropId: 'french-bean', plantedOn: '2026-06-20', method: 'direct-sown' }],
    );
    expect(holdUntil).toBeDefined();
    expect((holdUntil ?? '') < '2026-09-08').toBe(true);
  });
});

test('a watering moved later keeps the days between free; left out, its own day', () => {
  expect(
    of([on(today, { kind: 'plan', what: 'move', date: '2026-07-17', to: '2026-07-19', litres: 100 })]),
  ).toMatchObject({ fixed: [{ date: '2026-07-19', litres: 100 }], blocked: ['2026-07-17', '2026-07-18'] });
  expect(of([on(today, { kind: 'plan', what: 'leave out', date: '2026-07-17' })])).toMatchObject({
    fixed: [],
    blocked: ['2026-07-17'],
  });
});
