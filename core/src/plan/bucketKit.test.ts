import { describe, expect, test } from '@jest/globals';
import { seattle, seattleSite as site } from '../../tests/seattle.ts';
import type { PlanBed } from '../follow/types.ts';
import { completeWeather } from '../weather/completeWeather.ts';
import { planGarden } from './planGarden.ts';

/** A drip line on a bucket, over a bed of 15 m by 1 m with a hundred plants. */
const kit: PlanBed = {
  id: 1,
  bed: {
    areaM2: 15,
    ground: { horizons: [{ textureClass: 'loam' }] },
    plantings: [{ cropId: 'lettuce', plantedOn: '2015-05-15' }],
  },
  delivery: { method: 'gravity drip kit', litresPerMinute: 0.5 },
  school: 'two fills a day',
  irrigations: [],
  startOn: '2015-06-20',
  startFullness: 1,
};
const dry = seattle.map((day) => (day.date >= '2015-06-20' ? { ...day, rainMm: 0 } : day));
const plan = (bed: PlanBed, rainOn?: string) =>
  planGarden(
    { site, beds: [bed] },
    completeWeather({
      record: dry.map((day) => (day.date === rainOn ? { ...day, rainMm: 60 } : day)),
      forecast: [],
      site,
      from: bed.startOn,
      to: '2015-07-24',
      today: '2015-07-24',
    }),
    { clock: { longitudeDeg: -122.3, utcOffsetHours: -7 } },
    { today: '2015-07-01', members: 0 },
  );

// Common practice: a fixed fill of 20 L morning and evening to such a bed in the dry season, 0.4 L a plant, 2.7 mm a day.
describe('a drip line on a bucket', () => {
  const made = plan(kit);
  const daily = made.waterings.filter(({ date }) => date >= '2015-07-03');

  test('in dry weather it is filled every day, never more than 40 L, 0.4 L to each of a hundred plants', () => {
    expect(daily.length).toBeGreaterThanOrEqual(11);
    for (const { run } of daily) expect(run.litres).toBeLessThanOrEqual(40.01);
    expect(Math.max(...daily.map(({ run }) => run.litres)) / 100).toBeCloseTo(0.4, 1);
    expect(Math.max(...daily.map(({ run }) => run.litres)) / 15).toBeCloseTo(2.67, 1);
  });

  test('one fill is in the morning and one towards evening', () => {
    const day = made.schedule.find(({ date }) => date === '2015-07-05');
    expect(day?.slots).toHaveLength(2);
    const [first, second] = day?.slots ?? [];
    expect(first?.from).toBeLessThan(10 * 60);
    expect(second?.from).toBeGreaterThanOrEqual(15 * 60);
  });

  test('what two fills cannot give is said, and after a soaking rain it is not filled', () => {
    expect(daily.some(({ reason }) => reason.partBy === 'fills a day')).toBe(true);
    const wet = plan(kit, '2015-07-05').waterings.map(({ date }) => date);
    expect(wet).not.toContain('2015-07-06');
  });
});
