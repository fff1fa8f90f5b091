import { describe, expect, test } from '@jest/globals';
import type { PlanConstraints } from '../clock/constraints.ts';
import type { PlanBed } from '../follow/types.ts';
import { addDays } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import { planGarden } from './planGarden.ts';

const site = { latitudeDeg: 46.9, elevationM: 112 };
const today = '2026-07-01';
const weather = Array.from({ length: 44 }, (_, i): SourcedDay => ({
  date: addDays('2026-06-01', i),
  tMinC: 16,
  tMaxC: 33,
  windMs: 2,
  rhMinPct: 30,
  rhMaxPct: 80,
  rainMm: 0,
  rainChance: 0,
  source: 'record',
}));
const clock = { longitudeDeg: 20, utcOffsetHours: 2 };
const bed = (change: Partial<PlanBed> = {}): PlanBed => ({
  id: 1,
  bed: {
    areaM2: 20,
    ground: { horizons: [{ textureClass: 'clay' }] },
    plantings: [{ cropId: 'tomato', plantedOn: '2026-05-10' }],
  },
  delivery: { method: 'hose wand', litresPerMinute: 20 },
  irrigations: [],
  startOn: '2026-06-01',
  startFullness: 0.6,
  ...change,
});
const planOf = (one: PlanBed, constraints: PlanConstraints = {}) =>
  planGarden({ site, beds: [one] }, weather, { clock, ...constraints }, { today, members: 0 });
const first = (one: PlanBed, constraints: PlanConstraints = {}) => {
  const [watering] = planOf(one, constraints).waterings;
  if (!watering) throw new Error('it must ask for water');
  return watering;
};

describe('whatever leaves a watering only a part is named', () => {
  /** A soil on which water pools after four minutes takes little at a time. */
  const slow = bed({
    bed: { ...bed().bed, ground: { horizons: [{ textureClass: 'clay' }], infiltrationMmPerHour: 2 } },
  });
  test('turns by hand, and more turns on the gardener’s word give more', () => {
    const usual = first(slow);
    expect(usual.reason.partBy).toBe('turns at a bed');
    expect(usual.run.cycles).toBeLessThanOrEqual(5);
    const fewer = first(slow, { passes: 2 });
    expect(fewer.run.cycles).toBeLessThanOrEqual(2);
    expect(usual.run.litres).toBeGreaterThan(1.5 * fewer.run.litres);
  });
  test('a timer has no turns', () => {
    const timed = { ...slow, delivery: { method: 'drip', litresPerMinute: 3, timer: true } as const };
    expect(first(timed).reason.partBy).not.toBe('turns at a bed');
  });
  // A soaker from 06:00 to 14:03 is nobody's morning.
  test('the longest run that a person opens is four hours, or what they set', () => {
    const trickle = bed({ delivery: { method: 'soaker hose', litresPerMinute: 1.2 } });
    const usual = first(trickle);
    expect(usual.run.totalMinutes).toBeLessThanOrEqual(240 + 1e-6);
    expect(usual.reason.partBy).toBe('longest run');
    expect(first(trickle, { longestMinutes: 60 }).run.totalMinutes).toBeLessThanOrEqual(60 + 1e-6);
  });
  test('a well', () => {
    const plan = planGarden(
      { site, beds: [bed({ tap: 7 }), { ...bed({ tap: 7 }), id: 2 }] },
      weather,
      { sources: { 7: { kind: 'well', litresPerDay: 200 } } },
      { today, members: 0 },
    );
    expect(plan.waterings.filter(({ reason }) => reason.partBy === 'its source').length).toBeGreaterThan(0);
    const asked = plan.waterings.filter(({ date }) => date === today);
    const litres = asked.reduce((sum, { run }) => sum + run.litres, 0);
    expect(litres).toBeGreaterThan(0.95 * 200);
    expect(litres).toBeLessThanOrEqual(200 + 0.01);
  });
  test('what gets the whole is no part', () => {
    const ground = { horizons: [{ textureClass: 'sand' as const }] };
    expect(first(bed({ bed: { ...bed().bed, ground }, startFullness: 0.9 })).reason.partBy).toBeNull();
  });
});
