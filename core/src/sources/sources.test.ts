import { expect, test } from '@jest/globals';
import type { PlanBed } from '../follow/types.ts';
import { planGarden } from '../plan/planGarden.ts';
import { addDays } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import { openSource } from './index.ts';

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
const bed = (id: number, tap: number): PlanBed => ({
  id,
  bed: {
    areaM2: 20,
    ground: { horizons: [{ textureClass: 'sandy loam' }] },
    plantings: [{ cropId: 'lettuce', plantedOn: '2026-06-01' }],
  },
  delivery: { method: 'hose wand', litresPerMinute: 12 },
  irrigations: [{ date: '2026-06-29', netMm: 15 }],
  startOn: '2026-06-01',
  startFullness: 1,
  tap,
});

test('the mains never run out; a well gives its day’s water and is full again the next morning', () => {
  expect(openSource('mains', {}).level()).toBe(Number.POSITIVE_INFINITY);
  const well = openSource('well', { litresPerDay: 300 }, 120);
  expect(well.level()).toBe(180);
  well.step(0, 180);
  expect(well.level()).toBe(300);
  expect(openSource('well', {}).level()).toBe(Number.POSITIVE_INFINITY);
  expect(() => openSource('well', { litresPerDay: -5 })).toThrow(/litresPerDay must be a number from 0/);
});

test('no day asks more of a well than it gives; what finds no water there is put off and says so; the mains are as they were', () => {
  const beds = [bed(1, 7), bed(2, 7), bed(3, 8)];
  const plan = planGarden(
    { site, beds },
    weather,
    { sources: { 7: { kind: 'well', litresPerDay: 350, takenTodayL: 100 } } },
    { today, members: 0 },
  );
  const free = planGarden({ site, beds }, weather, {}, { today, members: 0 });
  const asked = (date: string): number =>
    plan.waterings.filter((w) => w.bedId !== 3 && w.date === date).reduce((sum, w) => sum + w.run.litres, 0);
  for (let i = 0; i < 14; i += 1)
    expect(asked(addDays(today, i))).toBeLessThanOrEqual((i === 0 ? 250 : 350) + 1e-6);
  expect(plan.leftOut.some(({ why }) => why === 'its source')).toBe(true);
  const third = (of: typeof plan) =>
    of.waterings.filter(({ bedId }) => bedId === 3).map(({ date, run }) => [date, run.litres]);
  expect(third(plan)).toEqual(third(free));
  expect(plan.waterings.filter(({ bedId }) => bedId !== 3).length).toBeGreaterThan(0);
});
