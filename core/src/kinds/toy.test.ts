import { expect, test } from '@jest/globals';
import type { PlanBed } from '../follow/types.ts';
import { planGarden } from '../plan/planGarden.ts';
import { addDays } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import { TUB_HOLDS_L, tub } from '../../tests/tub.ts';
import { placeKinds } from './index.ts';

const site = { latitudeDeg: 46.9, elevationM: 112 };
const today = '2026-07-01';
const weather = Array.from({ length: 44 }, (_, i): SourcedDay => ({
  date: addDays('2026-06-01', i),
  tMinC: 15,
  tMaxC: 30,
  windMs: 2,
  rhMinPct: 35,
  rhMaxPct: 85,
  rainMm: 0,
  rainChance: 0,
  source: 'record',
}));
const place = (id: number, kind?: string): PlanBed => ({
  id,
  kind,
  bed: {
    areaM2: 1,
    ground: { horizons: [{ textureClass: 'loam' }] },
    plantings: [{ cropId: 'basil', plantedOn: '2026-06-01' }],
  },
  delivery: { method: 'watering can', litresPerMinute: 6 },
  irrigations: [{ date: '2026-06-30', netMm: 20 }],
  startOn: '2026-06-01',
  startFullness: 1,
});
const kinds = { ...placeKinds(), tub: tub.place };

test('a place of another kind is planned beside the ground: followed, refilled, windowed, capped and put on the clock', () => {
  const plan = planGarden(
    { site, beds: [place(1), place(2, 'tub')] },
    weather,
    { litresPerDay: 40, clock: { utcOffsetHours: 2 } },
    { today, members: 50, kinds },
  );
  expect(plan.unplanned).toEqual([]);
  const given = plan.waterings.filter(({ bedId }) => bedId === 2);
  // Half of 20 L may go; the sun asks for 6 to 7 L a day of each square metre.
  expect(given.length).toBeGreaterThan(5);
  for (const { run } of given) expect(run.bedMm).toBeLessThanOrEqual(TUB_HOLDS_L + 1e-9);
  const outlook = plan.beds.find(({ bedId }) => bedId === 2);
  expect(outlook?.window?.litres.middle).toBeGreaterThan(0);
  expect(outlook?.missedL).toBeCloseTo(0, 6);
  expect(plan.schedule.some(({ slots }) => slots.some(({ bedId }) => bedId === 2))).toBe(true);
  // The ground beside it is as it would be alone.
  const alone = planGarden({ site, beds: [place(1)] }, weather, {}, { today, members: 0 });
  expect(plan.beds[0]?.past).toEqual(alone.beds[0]?.past);
});

test('a kind that is in no list is a place that cannot be planned, by name; the others are', () => {
  const plan = planGarden({ site, beds: [place(1), place(2, 'tub')] }, weather, {}, { today, members: 0 });
  expect(plan.unplanned).toMatchObject([
    { bedId: 2, range: { field: 'kind', allowed: 'be one of ground, tree ring, vessel', got: 'tub' } },
  ]);
  expect(plan.beds.map(({ bedId }) => bedId)).toEqual([1]);
});
