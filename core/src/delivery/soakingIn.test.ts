import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { capillaryPullMm } from '../places/ground/capillaryPull.ts';
import { soilProfile } from '../soil/soilProfile.ts';
import type { TextureClass } from '../soil/textureClass.ts';
import { cycleAndSoak } from './cycleAndSoak.ts';
import { hoursToTakeIn, takenIn } from './greenAmpt.ts';
import { wettedFractionOf } from './runPlan.ts';
import { onSoil } from './wettedStrip.ts';

describe('Green–Ampt: worked examples of Chow, Maidment & Mays 1988, ch. 5 (from memory)', () => {
  // Silt loam, 30 % of its pores full: suction 167 mm, room 0.34, K 6.5 mm/h.
  const pull = 167 * 0.34;
  test('ponded for an hour it takes in 31.7 mm', () => {
    expect(hoursToTakeIn(0, 31.7, 6.5, pull)).toBeCloseTo(1, 2);
    expect(takenIn(0, 1, 10_000, 6.5, pull)).toBeCloseTo(31.7, 0);
  });
  test('under 50 mm/h it ponds after 10 minutes at 8.5 mm, and has taken in 30.2 mm after an hour', () => {
    // Up to 8.5 mm all of it goes in; a little later water stands on the ground.
    expect(takenIn(0, 8.4 / 50, 50, 6.5, pull)).toBeCloseTo(8.4, 6);
    expect(takenIn(0, 10.5 / 50, 50, 6.5, pull)).toBeLessThan(10.45);
    expect(takenIn(0, 1, 50, 6.5, pull)).toBeCloseTo(30.2, 0);
  });
  test('agrees with its own rate followed in steps of a second', () => {
    const figure = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(
        figure(1, 30),
        figure(5, 120),
        figure(1.1, 10),
        figure(0, 40),
        (intake, pull, times, from) => {
          const rate = times * intake;
          let depth = Math.max(from, 1e-6);
          let pond = 0;
          for (let s = 0; s < 3600; s += 1) {
            const most = (intake * (1 + pull / depth)) / 3600;
            pond += rate / 3600;
            const goes = Math.min(pond, most);
            pond -= goes;
            depth += goes;
          }
          expect(Math.abs(takenIn(from, 1, rate, intake, pull) - depth)).toBeLessThan(0.02 * depth + 0.05);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('passes on dry ground', () => {
  const wand = { rateMmPerHour: 120, surfaceStorageMm: 8 };
  const on = (textureClass: TextureClass, fullness: number) => {
    const profile = soilProfile({ horizons: [{ textureClass }] });
    const water = profile.wiltingPointMm.map((mm, i) => mm + fullness * (profile.availableMm[i] ?? 0));
    return cycleAndSoak({
      ...wand,
      netMm: 30,
      infiltrationMmPerHour: profile.infiltrationMmPerHour,
      capillaryPullMm: capillaryPullMm(profile, water),
    });
  };
  test('30 mm by wand on dry clay is a few passes within a morning; wet, it would be a day’s', () => {
    const dry = on('clay', 0.2);
    expect(dry.cycles).toBeLessThanOrEqual(4);
    expect(dry.totalMinutes).toBeLessThan(240);
    const wet = cycleAndSoak({ ...wand, netMm: 30, infiltrationMmPerHour: 3 });
    expect(wet.totalMinutes).toBeGreaterThan(400);
    // The drier, the faster.
    expect(on('clay', 0.1).totalMinutes).toBeLessThan(on('clay', 0.7).totalMinutes);
  });
  test('no pass pools more than the surface holds, followed second by second, and one pass fewer would', () => {
    const figure = (min: number, max: number) => fc.double({ min, max, noNaN: true });
    fc.assert(
      fc.property(
        figure(3, 60),
        figure(1.5, 20),
        figure(2, 20),
        figure(5, 100),
        (netMm, intake, storage, pull) => {
          const rate = 120;
          const plan = cycleAndSoak({
            netMm,
            rateMmPerHour: rate,
            infiltrationMmPerHour: intake,
            surfaceStorageMm: storage,
            capillaryPullMm: pull,
          });
          const highest = (cycles: number, soakMinutes: number): number => {
            let depth = 1e-6;
            let pond = 0;
            let most = 0;
            const run = ((netMm / rate) * 3600) / cycles;
            for (let c = 0; c < cycles; c += 1) {
              for (let s = 0; s < run + 60 * soakMinutes; s += 1) {
                if (s < run) pond += (rate / 3600) * Math.min(1, run - s);
                const goes = Math.min(pond, (intake * (1 + pull / depth)) / 3600);
                pond -= goes;
                depth += goes;
                most = Math.max(most, pond);
              }
            }
            return most;
          };
          expect(highest(plan.cycles, plan.soakMinutes)).toBeLessThan(storage + 0.15);
          if (plan.cycles > 1) expect(highest(plan.cycles - 1, 2000)).toBeGreaterThan(storage - 0.15);
        },
      ),
      { numRuns: 25 },
    );
  });
});

describe('what lines and spots wet (common practice: narrow on sand, wide on clay)', () => {
  const share = (method: 'drip' | 'soaker hose' | 'bubbler' | 'hose wand', texture: TextureClass): number =>
    wettedFractionOf(onSoil({ method, litresPerMinute: 4 }, texture));
  test('grows from sand to clay for lines and spots, and not for what is thrown', () => {
    for (const method of ['drip', 'soaker hose', 'bubbler'] as const) {
      expect(share(method, 'sand')).toBeLessThan(share(method, 'loam'));
      expect(share(method, 'loam')).toBeLessThan(share(method, 'clay'));
      expect(share(method, 'clay')).toBeLessThanOrEqual(1);
    }
    expect(share('hose wand', 'sand')).toBe(share('hose wand', 'clay'));
    // Two rounds of half the width cover a quarter of the ground each.
    expect(share('bubbler', 'sand') / share('bubbler', 'loam')).toBeCloseTo((0.3 / 0.55) ** 2, 9);
  });
  test('what was measured stands', () =>
    expect(onSoil({ method: 'drip', litresPerMinute: 4, wettedFraction: 0.42 }, 'sand').wettedFraction).toBe(
      0.42,
    ));
});
