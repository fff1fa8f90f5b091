import { describe, expect, test } from '@jest/globals';
import { checkFirst } from '../checks/checkFirst.ts';
import { leafWetHours } from './leafWet.ts';
import { runPlan } from './runPlan.ts';

const sun = { sunrise: 5.5, noon: 13, sunset: 20.5 };

// Common practice: late water means a wet night; dry air dries leaves within the hour.
describe('how long leaves stay wet', () => {
  test('in the morning an hour or two, in the evening until the next morning', () => {
    expect(leafWetHours({ endHour: 8, sun })).toEqual({ hours: 1, overNight: false });
    expect(leafWetHours({ endHour: 8, sun, rhMinPct: 70 }).hours).toBeGreaterThan(1);
    const late = leafWetHours({ endHour: 20, sun });
    expect(late.overNight).toBe(true);
    expect(late.hours).toBeGreaterThan(8);
  });
  test('later is never drier, from sunrise on', () => {
    let before = 0;
    for (let endHour = 6; endHour <= 20; endHour += 0.5) {
      const { overNight } = leafWetHours({ endHour, sun });
      expect(Number(overNight)).toBeGreaterThanOrEqual(before);
      before = Number(overNight);
    }
  });
  test('an hour that is none is refused by name', () =>
    expect(() => leafWetHours({ endHour: 25, sun })).toThrow(/endHour .* 0 to 24/));
});

describe('whether to look first', () => {
  const today = '2026-07-14';
  const sure = { today, startOn: '2026-05-01', rootDepthMm: 300 };
  test('not when the plan is sure; when it is young, unsure or was found moist, with the depth to look', () => {
    expect(checkFirst({ ...sure, window: { early: today, late: '2026-07-15' } })).toBeNull();
    expect(checkFirst({ ...sure, window: { early: today, late: '2026-07-19' } })).toEqual({
      code: 'date is unsure',
      depthMm: 150,
    });
    expect(checkFirst({ ...sure, startOn: '2026-07-10' })?.code).toBe('balance is young');
    expect(checkFirst({ ...sure, foundMoistOn: '2026-07-13' })?.code).toBe('found moist');
    expect(checkFirst({ ...sure, foundMoistOn: '2026-07-02' })).toBeNull();
  });
  // Common practice: look 75 to 150 mm down.
  test('shallow roots are looked at from 75 mm, deep ones no deeper than a trowel goes', () => {
    const young = { ...sure, startOn: '2026-07-10' };
    expect(checkFirst({ ...young, rootDepthMm: 80 })?.depthMm).toBe(75);
    expect(checkFirst({ ...young, rootDepthMm: 900 })?.depthMm).toBe(150);
  });
});

describe('pulses', () => {
  // Common practice: four runs of five minutes at 5 L/min are 100 L a day.
  test('the same litres in so many runs, never closer than the soil asks', () => {
    const bed = {
      areaM2: 100,
      delivery: {
        method: 'drip' as const,
        litresPerMinute: 5,
        efficiency: 1,
        wettedFraction: 1,
        lowQuarterUniformity: 1,
      },
      infiltrationMmPerHour: 20,
      localMm: 1,
    };
    const plan = runPlan({ ...bed, pulses: { count: 4, apartMinutes: 120 } });
    expect(plan.litres).toBeCloseTo(100, 9);
    expect(plan.cycles).toBe(4);
    expect(plan.runMinutes).toBeCloseTo(5, 9);
    expect(plan.soakMinutes).toBe(120);
    expect(plan.totalMinutes).toBeCloseTo(20 + 3 * 120, 9);
    expect(plan.litres).toBeCloseTo(runPlan(bed).litres, 9);
  });
  // Common practice: a light wetting, ten minutes, then the rest.
  test('where water left patches dry, the same litres come in two turns ten minutes apart', () => {
    const bed = {
      areaM2: 10,
      delivery: { method: 'hose wand' as const, litresPerMinute: 20 },
      infiltrationMmPerHour: 30,
      localMm: 6,
    };
    const once = runPlan(bed);
    const plan = runPlan({ ...bed, delivery: { ...bed.delivery, turns: 2 } });
    expect(once.cycles).toBe(1);
    expect(plan.cycles).toBe(2);
    expect(plan.litres).toBeCloseTo(once.litres, 9);
    expect(plan.totalMinutes).toBeCloseTo(once.minutes + 10, 9);
  });
});
