import { expect, test } from '@jest/globals';
import { seattle, seattleSite as site } from '../../tests/seattle.ts';
import type { PlanBed } from '../follow/types.ts';
import { completeWeather } from '../weather/completeWeather.ts';
import { newMemo } from './memo.ts';
import { planGarden } from './planGarden.ts';

const today = '2015-07-08';
const weather = completeWeather({
  record: seattle,
  forecast: [],
  site,
  from: '2015-05-01',
  to: '2015-07-21',
  today,
});
const bed = (id: number, change: Partial<PlanBed> = {}): PlanBed => ({
  id,
  bed: {
    areaM2: 4 + id,
    ground: { horizons: [{ textureClass: id % 2 === 0 ? 'loam' : 'sand' }] },
    plantings: [{ cropId: 'tomato', plantedOn: '2015-05-15' }],
  },
  delivery: { method: 'hose wand', litresPerMinute: 12 },
  irrigations: [],
  startOn: '2015-05-15',
  startFullness: 1,
  ...change,
});
const limits = { litresPerDay: 300, clock: { utcOffsetHours: -7 } };
const plan = (beds: PlanBed[], memo = newMemo(), constraints: object = limits) =>
  planGarden({ site, beds }, weather, constraints, { today, members: 20, memo });

test('a plan made with what is remembered is the plan made without, and only what changed is followed again', () => {
  const memo = newMemo();
  const beds = [1, 2, 3, 4].map((id) => bed(id));
  expect(plan(beds, memo)).toEqual(plan(beds));
  const was = new Map(memo.places);
  const watered = [
    ...beds.slice(0, 3),
    bed(4, { irrigations: [{ date: today, netMm: 20 }], settledToday: true }),
  ];
  expect(plan(watered, memo)).toEqual(plan(watered));
  for (const id of [1, 2, 3]) expect(memo.places.get(id)).toBe(was.get(id));
  expect(memo.places.get(4)).not.toBe(was.get(4));
  // What was given today and this week bears on the sharing out, not on following each bed.
  const given = { ...limits, givenToday: { minutes: 3, litres: 40 }, litresThisWeek: 40 };
  expect(plan(watered, memo, given)).toEqual(plan(watered, newMemo(), given));
  expect(memo.places.get(1)).toBe(was.get(1));
});

test('other limits on each bed, another day or other weather empty it; a bed that is gone is forgotten', () => {
  const memo = newMemo();
  const beds = [1, 2].map((id) => bed(id));
  plan(beds, memo);
  const was = memo.places.get(1);
  expect(plan(beds, memo, { weekdays: [1, 3] })).toEqual(plan(beds, newMemo(), { weekdays: [1, 3] }));
  expect(memo.places.get(1)).not.toBe(was);
  plan([bed(1)], memo, { weekdays: [1, 3] });
  expect([...memo.places.keys()]).toEqual([1]);
});
