import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { bucketTest } from './bucketTest.ts';
import { cycleAndSoak } from './cycleAndSoak.ts';
import { runPlan } from './runPlan.ts';

describe('flow by bucket (common practice)', () => {
  test('15.1 L in 45 s is 20.2 L/min, and 30 s of it 10.1 L', () => {
    const { litresPerMinute } = bucketTest({ litres: 15.142, seconds: 45 });
    expect(litresPerMinute).toBeCloseTo(20.19, 2);
    expect(litresPerMinute / 2).toBeCloseTo(10.1, 1);
  });
  test.each([
    [{ litres: 0, seconds: 45 }, /litres/],
    [{ litres: 10, seconds: 0 }, /seconds/],
    [{ litres: Number.NaN, seconds: 3 }, /litres/],
  ])('refuses %p', (given, field) => expect(() => bucketTest(given)).toThrow(field));
});

describe('cycles and soaks', () => {
  test('what soaks in as fast as it comes runs in one go: 125 mm at 20 mm/h is 6 h 15 min (common practice rounds to 6 h)', () => {
    const plan = cycleAndSoak({
      netMm: 125,
      rateMmPerHour: 20,
      infiltrationMmPerHour: 25,
      surfaceStorageMm: 5,
    });
    expect(plan).toEqual({ cycles: 1, runMinutes: 375, soakMinutes: 0, totalMinutes: 375 });
  });

  test('never pools more than the surface holds, brings all the water, and rests until the pool is gone', () => {
    const positive = (max: number) => fc.double({ min: 0.5, max, noNaN: true });
    fc.assert(
      fc.property(positive(80), positive(60), positive(40), positive(20), (netMm, rate, intake, storage) => {
        const plan = cycleAndSoak({
          netMm,
          rateMmPerHour: rate,
          infiltrationMmPerHour: intake,
          surfaceStorageMm: storage,
        });
        const pooled = Math.max(0, ((rate - intake) * plan.runMinutes) / 60);
        expect(pooled).toBeLessThanOrEqual(storage + 1e-9);
        expect((plan.cycles * plan.runMinutes * rate) / 60).toBeCloseTo(netMm, 6);
        if (plan.cycles > 1) expect((plan.soakMinutes * intake) / 60).toBeGreaterThanOrEqual(pooled - 1e-9);
      }),
    );
  });

  test('a surface that holds nothing under a fast rate is refused with the reason', () => {
    expect(() =>
      cycleAndSoak({ netMm: 10, rateMmPerHour: 40, infiltrationMmPerHour: 5, surfaceStorageMm: 0 }),
    ).toThrow(/surfaceStorageMm must be above 0/);
  });
});

test('drip wets a part: depth there and litres over the bed are different numbers', () => {
  const run = runPlan({
    localMm: 20,
    areaM2: 10,
    delivery: {
      method: 'drip',
      litresPerMinute: 4,
      efficiency: 1,
      wettedFraction: 0.5,
      lowQuarterUniformity: 1,
    },
    infiltrationMmPerHour: 60,
  });
  expect(run.bedMm).toBeCloseTo(10, 9);
  expect(run.litres).toBeCloseTo(100, 9);
  expect(run.minutes).toBeCloseTo(25, 9);
});
