import { describe, expect, test } from '@jest/globals';
import { addDays } from '../units/dates.ts';
import { OutOfRange } from '../units/guard.ts';
import { completeWeather } from '../weather/completeWeather.ts';
import { planGarden } from './planGarden.ts';
import type { PlanBed } from '../follow/types.ts';

const site = { latitudeDeg: 47, elevationM: 100 };
const today = '2026-07-14';
const weather = completeWeather({
  record: [],
  forecast: [],
  site,
  from: '2026-06-01',
  to: '2026-07-27',
  today,
});
const bed = (id: number, change: Partial<PlanBed> = {}): PlanBed => ({
  id,
  bed: {
    areaM2: 10,
    ground: { horizons: [{ textureClass: 'loam' }] },
    plantings: [{ cropId: 'tomato', plantedOn: '2026-06-01' }],
  },
  delivery: { method: 'drip', litresPerMinute: 4 },
  irrigations: [],
  startOn: '2026-06-01',
  startFullness: 1,
  ...change,
});
const plan = (beds: PlanBed[], constraints = {}) =>
  planGarden({ site, beds }, weather, constraints, { today, members: 0 });
const sound = [bed(1), bed(3)];

describe('a bed that cannot be computed', () => {
  test.each([
    [
      'a plant of no catalogue',
      { bed: { ...bed(2).bed, plantings: [{ cropId: 'moonflower', plantedOn: '2026-06-01' }] } },
      'cropId',
    ],
    ['no area', { bed: { ...bed(2).bed, areaM2: 0 } }, 'areaM2'],
    [
      'a flow that is no number',
      { delivery: { method: 'drip' as const, litresPerMinute: Number.NaN } },
      'litresPerMinute',
    ],
    [
      'more clay than there is soil',
      {
        bed: {
          ...bed(2).bed,
          ground: { horizons: [{ textureClass: 'clay' as const, sandPct: 0, clayPct: 140 }] },
        },
      },
      'clayPct',
    ],
    ['a first day after today', { startOn: '2026-07-20' }, 'startOn'],
    [
      'a watering of a depth that cannot be',
      { irrigations: [{ date: '2026-07-01', netMm: 5000 }] },
      'irrigations[0].netMm',
    ],
  ])(
    '%s: it is named with its field, and the others are planned as if it were not there',
    (_, change, field) => {
      const with2 = plan([bed(1), bed(2, change), bed(3)]);
      expect(with2.unplanned.map(({ bedId, range }) => [bedId, range?.field])).toEqual([[2, field]]);
      const { unplanned, ...rest } = with2;
      const { unplanned: none, ...without } = plan(sound);
      expect(none).toEqual([]);
      expect(rest).toEqual(without);
      expect(unplanned[0]?.message).toMatch(/must/);
    },
  );

  test('one that fails only when beds are weighed against each other is left out there, also under limits', () => {
    // A watering fixed by hand at a depth no run can have shows first where it is followed.
    const odd = bed(2, { fixed: [{ date: '2026-07-16', localMm: 1e6 }] });
    const { unplanned, beds } = plan([bed(1), odd, bed(3)], { minutesPerDay: 30 });
    expect(unplanned.map(({ bedId }) => bedId)).toEqual([2]);
    expect(beds.map(({ bedId }) => bedId)).toEqual([1, 3]);
  });

  test('a fault of the program is told from a refusal: no range, but where it was thrown', () => {
    const broken = bed(2, { delivery: null as never });
    const [fault] = plan([bed(1), broken]).unplanned;
    expect(fault?.range).toBeNull();
    expect(fault?.stack).toMatch(/TypeError/);
  });
});

test('a limit that cannot be is nobody’s bed and is refused as itself', () => {
  expect(() => plan(sound, { litresPerDay: 0 })).toThrow(/litresPerDay must be a number above 0/);
});

test('a limit next to nothing puts off, and throws nothing', () => {
  const { unplanned, leftOut } = plan(sound, { litresPerDay: 5e-324 });
  expect(unplanned).toEqual([]);
  expect(leftOut.length).toBeGreaterThan(0);
});

test('days do not leave the calendar', () => {
  expect(addDays('9999-12-30', 1)).toBe('9999-12-31');
  for (const [date, days] of [
    ['9999-12-31', 1],
    ['0100-01-01', -1],
    ['2026-07-14', Number.POSITIVE_INFINITY],
  ] as const)
    expect(() => addDays(date, days)).toThrow(OutOfRange);
});
