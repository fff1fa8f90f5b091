import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import solver from 'javascript-lp-solver';
import { seattle } from '../../tests/seattle.ts';
import { completeWeather } from '../weather/completeWeather.ts';
import { allocateDay, type Competing } from './allocate.ts';
import { weekdayOf } from './fitToLimits.ts';
import { planGarden } from './planGarden.ts';
import type { PlanBed, PlanConstraints } from './types.ts';

const site = { latitudeDeg: 47.6, elevationM: 50 };
const weather = completeWeather({
  record: seattle,
  forecast: [],
  site,
  from: '2015-05-01',
  to: '2015-09-30',
  today: '2015-09-30',
});
const bed = (
  id: number,
  cropId: string,
  plantedOn: string,
  method: PlanBed['delivery']['method'] = 'hose wand',
): PlanBed => ({
  id,
  bed: {
    areaM2: 8 + id,
    ground: { horizons: [{ textureClass: 'loam' }] },
    plantings: [{ cropId, plantedOn, method: 'direct-sown' }],
  },
  delivery: { method, litresPerMinute: 15 },
  irrigations: [],
  startOn: plantedOn,
  startFullness: 0.6,
});
const beds = [
  bed(1, 'tomato', '2015-05-15'),
  bed(2, 'sweetcorn', '2015-05-10'),
  bed(3, 'lettuce', '2015-06-20'),
  bed(4, 'french-bean', '2015-07-01'),
  bed(5, 'lawn-cool', '2014-05-01'),
];
beds[4] = { ...(beds[4] as PlanBed), startOn: '2015-05-01' };
const plan = (constraints: PlanConstraints) =>
  planGarden({ site, beds }, weather, constraints, { today: '2015-07-08', members: 0 });
const perDay = (
  waterings: ReturnType<typeof plan>['waterings'],
  of: 'minutes' | 'litres',
): Map<string, number> => {
  const days = new Map<string, number>();
  for (const w of waterings) days.set(w.date, (days.get(w.date) ?? 0) + w.run[of]);
  return days;
};

describe('days of the week', () => {
  // Against the JavaScript engine's own calendar.
  test.each(['2015-07-08', '2024-02-29', '2000-01-01', '2026-11-23', '1999-12-31'])('%s', (date) =>
    expect(weekdayOf(date)).toBe(new Date(`${date}T12:00:00Z`).getUTCDay()),
  );
  test('the plan never asks for a closed day, and beds are filled before one', () => {
    const open = [2, 6];
    const { waterings } = plan({ weekdays: open });
    expect(waterings.length).toBeGreaterThan(0);
    for (const w of waterings) expect(open).toContain(weekdayOf(w.date));
  });
});

describe('caps', () => {
  test('no day goes over its minutes or its litres, and what is put off is told', () => {
    const free = plan({});
    const most = Math.max(...perDay(free.waterings, 'minutes').values());
    const capped = plan({ minutesPerDay: most * 0.6, litresPerDay: 500 });
    for (const minutes of perDay(capped.waterings, 'minutes').values())
      expect(minutes).toBeLessThanOrEqual(most * 0.6 + 1e-6);
    for (const litres of perDay(capped.waterings, 'litres').values())
      expect(litres).toBeLessThanOrEqual(500 + 1e-6);
    expect(capped.leftOut.length).toBeGreaterThan(0);
    expect(free.leftOut).toEqual([]);
  });
  test('plants not yet rooted are not dropped before a lawn', () => {
    const item = (first: boolean, loss: number): Competing => ({ minutes: 30, litres: 100, loss, first });
    expect(allocateDay([item(false, 50), item(true, 1)], { minutes: 40 })).toEqual([false, true]);
  });
  test('the same plan comes out each time', () =>
    expect(plan({ minutesPerDay: 40 })).toEqual(plan({ minutesPerDay: 40 })));
});

/** The exact optimum of one day, by a general mixed-integer solver. */
function exact(items: readonly Competing[], caps: { minutes: number; litres: number }): number {
  const result = solver.Solve({
    optimize: 'loss',
    opType: 'max',
    constraints: {
      minutes: { max: caps.minutes },
      litres: { max: caps.litres },
      ...Object.fromEntries(items.map((_, i) => [`x${i}`, { max: 1 }])),
    },
    variables: Object.fromEntries(
      items.map((it, i) => [
        `v${i}`,
        { loss: it.loss, minutes: it.minutes, litres: it.litres, [`x${i}`]: 1 },
      ]),
    ),
    ints: Object.fromEntries(items.map((_, i) => [`v${i}`, 1])),
  }) as { result: number };
  return result.result;
}

describe('against the exact optimum (a general mixed-integer solver), on small random days', () => {
  test('median gap at most 2 %, worst at most 10 %; never above the caps, never above the optimum', () => {
    const gaps: number[] = [];
    const anyItem = fc.record({
      minutes: fc.integer({ min: 2, max: 90 }),
      litres: fc.integer({ min: 10, max: 900 }),
      loss: fc.integer({ min: 1, max: 100 }),
      first: fc.constant(false),
    });
    fc.assert(
      fc.property(
        fc.array(anyItem, { minLength: 3, maxLength: 12 }),
        fc.integer({ min: 25, max: 85 }),
        fc.integer({ min: 25, max: 85 }),
        (items, minutesPct, litresPct) => {
          const sum = (of: (i: Competing) => number): number => items.reduce((s, i) => s + of(i), 0);
          const caps = {
            minutes: (sum((i) => i.minutes) * minutesPct) / 100,
            litres: (sum((i) => i.litres) * litresPct) / 100,
          };
          const made = allocateDay(items, caps);
          const chosen = items.filter((_, i) => made[i]);
          expect(chosen.reduce((s, i) => s + i.minutes, 0)).toBeLessThanOrEqual(caps.minutes + 1e-6);
          expect(chosen.reduce((s, i) => s + i.litres, 0)).toBeLessThanOrEqual(caps.litres + 1e-6);
          const best = exact(items, caps);
          const got = chosen.reduce((s, i) => s + i.loss, 0);
          expect(got).toBeLessThanOrEqual(best + 1e-6);
          if (best > 0) gaps.push(1 - got / best);
        },
      ),
      { numRuns: 200, seed: 6 },
    );
    gaps.sort((a, b) => a - b);
    expect(gaps[Math.floor(gaps.length / 2)]).toBeLessThanOrEqual(0.02);
    expect(gaps.at(-1)).toBeLessThanOrEqual(0.1);
  });
});
