import { describe, expect, test } from '@jest/globals';
import type { Found } from '../readings/entries.ts';
import { addDays } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import { heldDry } from './asHere.ts';
import { byHand } from './byHand.ts';
import type { PlanBed } from './types.ts';

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

  test('is known from its first day on, with how many dry days were wanted', () => {
    expect(of([spell]).drySpell).toEqual({ on: '2026-07-10', days: 10, endsBy: undefined });
  });

  test('is ended by plants that hang, and by hand', () => {
    expect(of([spell, on('2026-07-12', { kind: 'wilt', recovers: false, soil: 'dry' })]).drySpell).toBe(
      undefined,
    );
    expect(
      of([spell, on('2026-07-12', { kind: 'toughen', plantingId: 1, what: 'end', days: 10 })]).drySpell,
    ).toBe(undefined);
  });

  test('of legumes ends with the first flower', () => {
    const { drySpell } = of(
      [on('2026-07-10', { kind: 'toughen', plantingId: 1, what: 'start', days: 60 })],
      [{ cropId: 'french-bean', plantedOn: '2026-06-20', method: 'direct-sown' }],
    );
    expect(drySpell?.endsBy).toBeDefined();
    expect((drySpell?.endsBy ?? '') < '2026-09-08').toBe(true);
  });

  test('holds to its end by the rain of the place, and a soak follows it', () => {
    const plants = { areaM2: 1, ground: { horizons: [] }, plantings: [] } as unknown as PlanBed['bed'];
    const days = (rain: Record<string, number>): SourcedDay[] =>
      Array.from({ length: 30 }, (_, i) => ({
        date: addDays('2026-07-01', i),
        tMinC: 14,
        tMaxC: 27,
        rainMm: rain[addDays('2026-07-01', i)] ?? 0,
        rainChance: 0,
        source: 'record',
      }));
    const held = (rain: Record<string, number>, cover = false) =>
      heldDry(
        { drySpell: { on: '2026-07-10', days: 6 }, bed: { ...plants, place: { underCover: cover } } },
        days(rain),
        today,
      );
    expect(held({})).toEqual({ holdUntil: '2026-07-16', soakOn: '2026-07-16' });
    expect(held({ '2026-07-11': 20 })).toEqual({ holdUntil: '2026-07-18', soakOn: '2026-07-18' });
    // Under glass no rain falls.
    expect(held({ '2026-07-11': 20 }, true).holdUntil).toBe('2026-07-16');
    // Over since yesterday: the soak that was promised is asked for today.
    const over = { drySpell: { on: '2026-07-07', days: 6 }, bed: plants };
    expect(heldDry(over, days({}), today)).toEqual({ soakOn: today });
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
