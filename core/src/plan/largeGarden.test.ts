import { describe, expect, test } from '@jest/globals';
import { LARGE } from '../share/fitToLimits.ts';
import { seattle } from '../../tests/seattle.ts';
import { completeWeather } from '../weather/completeWeather.ts';
import type { PlanBed } from '../follow/types.ts';
import { planGarden } from './planGarden.ts';

const site = { latitudeDeg: 47.6, elevationM: 50 };
const today = '2015-07-08';
const weather = completeWeather({
  record: seattle,
  forecast: [],
  site,
  from: '2015-05-01',
  to: '2015-09-30',
  today: '2015-09-30',
});
const bed = (id: number): PlanBed => ({
  id,
  bed: {
    areaM2: 10,
    ground: { horizons: [{ textureClass: 'sand' }] },
    plantings: [{ cropId: id % 2 ? 'tomato' : 'lettuce', plantedOn: '2015-05-15' }],
  },
  delivery: { method: 'drip', litresPerMinute: 8, timer: true },
  irrigations: [],
  startOn: '2015-05-15',
  startFullness: 0.6,
});
const gardenOf = (count: number, litresPerDay?: number) =>
  planGarden(
    { site, beds: Array.from({ length: count }, (_, i) => bed(i)) },
    weather,
    { litresPerDay, rounds: { weekdays: [2, 5] } },
    { today, pastDays: 0 },
  );

describe('a garden of many beds', () => {
  const few = gardenOf(2);
  const many = gardenOf(LARGE + 2);

  test('what is followed only when it is read is what would have been followed at once', () => {
    for (const outlook of many.beds) {
      const alike = few.beds[outlook.bedId % 2];
      expect(outlook.ahead).toEqual(alike?.ahead);
      if (outlook.bedId > LARGE - 2) expect(outlook.window).toEqual(alike?.window);
      expect(outlook.leave).toEqual(alike?.leave);
      expect(outlook.next?.because).toEqual(alike?.next?.because);
      expect(outlook.next?.reason).toEqual(alike?.next?.reason);
    }
  });
  test('its waterings are told with the same working, each its own', () => {
    const first = many.waterings.find(({ bedId }) => bedId === 1);
    expect(first?.because).toEqual(few.waterings.find(({ bedId }) => bedId === 1)?.because);
    expect(JSON.stringify(first)).toContain('"because":{');
  });
  test('litres that suffice for a few go to as many beds, and the others have their turn on later days', () => {
    const one = few.waterings[0]?.run.litres ?? 0;
    const litres = 6.5 * one;
    const short = gardenOf(LARGE + 2, litres);
    const perDay = new Map<string, number>();
    for (const { date, run } of short.waterings) perDay.set(date, (perDay.get(date) ?? 0) + run.litres);
    for (const used of perDay.values()) expect(used).toBeLessThanOrEqual(litres + 1e-6);
    // No day goes by with room for another bed while one waits.
    const dates = [...perDay.keys()].sort();
    for (const date of dates) expect(perDay.get(date)).toBeGreaterThan(0.7 * litres);
    expect(dates).toHaveLength(14);
    expect(new Set(short.leftOut.map(({ until }) => until)).size).toBeGreaterThan(3);
  });
});
