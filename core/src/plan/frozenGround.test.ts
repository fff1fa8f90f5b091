import { expect, test } from '@jest/globals';
import type { PlanBed } from '../follow/types.ts';
import { addDays, daysBetween } from '../units/dates.ts';
import { completeWeather } from '../weather/completeWeather.ts';
import { planGarden } from './planGarden.ts';

const site = { latitudeDeg: 47, elevationM: 300 };
const from = '2025-12-01';
const today = '2026-01-20';
const lawn: PlanBed = {
  id: 1,
  bed: {
    areaM2: 50,
    ground: { horizons: [{ textureClass: 'loam' }] },
    plantings: [{ cropId: 'lawn-cool', plantedOn: '2020-05-01' }],
  },
  delivery: { method: 'sprinkler', litresPerMinute: 12 },
  irrigations: [],
  startOn: from,
  startFullness: 1,
};
/** Weeks of hard frost, and from a day on mild weather. */
const leaveWhen = (mildFrom: string) => {
  const days = daysBetween(from, addDays(today, 13)) + 1;
  const record = Array.from({ length: days }, (_, d) => {
    const date = addDays(from, d);
    const mild = date >= mildFrom;
    return { date, tMinC: mild ? 6 : -14, tMaxC: mild ? 14 : -5, rainMm: 0 };
  });
  const to = addDays(today, 13);
  const weather = completeWeather({ record, forecast: [], site, from, to, today: to });
  return planGarden({ site, beds: [lawn] }, weather, {}, { today, members: 0 }).beds[0]?.leave;
};

// Common practice: no water on frozen ground; it thaws days after the air has turned mild, not at once.
test('frozen ground is left alone until it thaws, and the day of that is told where it is in sight', () => {
  const mildFrom = addDays(today, 3);
  const leave = leaveWhen(mildFrom);
  expect(leave?.code).toBe('frozen');
  const until = leave?.code === 'frozen' ? leave.until : null;
  expect(until !== null && until >= mildFrom && until <= addDays(today, 13)).toBe(true);
  expect(leaveWhen('2026-04-01')).toEqual({ code: 'frozen', until: null });
});
