import { describe, expect, test } from '@jest/globals';
import { addDays } from '../../units/dates.ts';
import { groundWarmth } from '../../weather/groundWarmth.ts';
import type { WeatherDay } from '../../weather/types.ts';
import type { BedInput } from './bedModel.ts';
import { ground } from './ground.ts';
import { simulateBed } from './simulateBed.ts';

const site = { latitudeDeg: 50, elevationM: 100 };
const bed: BedInput = {
  areaM2: 10,
  ground: { horizons: [{ textureClass: 'loam' }] },
  plantings: [{ cropId: 'kale', plantedOn: '2025-08-01' }],
};
const days = (first: string, temps: number[], rain = 0): WeatherDay[] =>
  temps.map((c, i) => ({ date: addDays(first, i), tMinC: c - 4, tMaxC: c + 4, rainMm: rain }));

describe('cold ground', () => {
  test('warmth follows the air of ten days: free from 5 °C, in proportion below, none when frozen', () => {
    expect(Array.from(groundWarmth([10, 10, 10]))).toEqual([1, 1, 1]);
    expect(groundWarmth(Array<number>(12).fill(2))[11]).toBeCloseTo(0.4, 12);
    expect(groundWarmth(Array<number>(12).fill(-3))[11]).toBe(0);
    // Nine days at 1 °C and one at −9 are a mean of 0: the frost of one night is not the ground's.
    expect(groundWarmth([...Array<number>(9).fill(3), -9])[9]).toBeGreaterThan(0);
  });

  test('what falls on frozen ground lies there, nothing moves in it, and no drop is lost when it thaws', () => {
    const weather = [
      ...days('2026-01-01', Array<number>(20).fill(-6), 3),
      ...days('2026-01-21', Array<number>(25).fill(9)),
    ];
    const { days: records, closing } = simulateBed(bed, weather, [], { site, startFullness: 0.5 });
    const frozen = records.slice(0, 20);
    for (const day of frozen)
      expect([day.evaporationMm, day.transpirationMm, day.drainageMm, day.runoffMm]).toEqual([0, 0, 0, 0]);
    expect(frozen.map((day) => day.depletionMm)).toEqual(frozen.map(() => frozen[0]?.depletionMm));
    expect(closing.rainMm).toBeCloseTo(60, 9);
    expect(Math.abs(closing.errorMm)).toBeLessThan(1e-9);
    expect(records.at(-1)?.depletionMm).toBeLessThan((frozen[0]?.depletionMm ?? 0) - 10);
  });

  test('cold roots take up less: at 2 °C two fifths of what the same air would ask', () => {
    const wanted = (c: number[]): number =>
      simulateBed(bed, days('2026-03-01', c), [], { site }).days.at(-1)?.transpirationWantedMm ?? 0;
    // The last day is the same; only what went before it differs. Ten days at 2 °C but the last at 12: a mean of 3.
    const cold = wanted([...Array<number>(9).fill(2), 12]);
    const warm = wanted([...Array<number>(9).fill(12), 12]);
    expect(cold / warm).toBeCloseTo(3 / 5, 9);
  });
});

describe('sheets over the ground', () => {
  const summer = (mulch?: BedInput['mulch'], rain = 0) =>
    simulateBed(
      { ...bed, mulch, plantings: [{ cropId: 'melon', plantedOn: '2026-06-01' }] },
      days('2026-06-01', Array<number>(10).fill(20), rain),
      [],
      { site },
    ).closing;
  test('plastic film stops 50–80 % of the evaporation (FAO-56 ch. 10), whatever its thickness; fabric less', () => {
    const of = (material: 'plastic film' | 'woven fabric'): number =>
      summer({ material, depthMm: 1 }).evaporationMm / summer().evaporationMm;
    expect(of('plastic film')).toBeGreaterThanOrEqual(0.2);
    expect(of('plastic film')).toBeLessThanOrEqual(0.5);
    expect(of('woven fabric')).toBeGreaterThan(of('plastic film'));
    expect(summer({ material: 'plastic film', depthMm: 30 })).toEqual(
      summer({ material: 'plastic film', depthMm: 1 }),
    );
  });
  test('film sheds rain, fabric lets it through', () => {
    expect(summer({ material: 'plastic film', depthMm: 1 }, 4).runoffMm).toBeCloseTo(0.7 * 40, 6);
    expect(summer({ material: 'woven fabric', depthMm: 1 }, 4).runoffMm).toBe(0);
  });
});

describe('leaves under a spray', () => {
  const place = (method: 'sprinkler' | 'drip', cropId: string) =>
    ground.prepare({
      bed: { ...bed, plantings: [{ cropId, plantedOn: '2026-05-01' }] },
      delivery: { method, litresPerMinute: 10, efficiency: 1, lowQuarterUniformity: 1 },
      startOn: '2026-07-15',
      dayCount: 2,
    });
  test('hold back up to a millimetre: it is sent, and does not reach the ground; drip loses none', () => {
    for (const [method, held] of [
      ['sprinkler', true],
      ['drip', false],
    ] as const) {
      const { leavesMm, litres, localMm, bedMm } = place(method, 'tomato').give(
        place(method, 'tomato').start(0.4),
        0,
        20,
      );
      expect(localMm).toBe(20);
      expect(leavesMm > 0.7 && leavesMm < 1).toBe(held);
      expect(litres).toBeCloseTo(10 * (bedMm + leavesMm), 9);
    }
  });
  test('bare ground catches all', () =>
    expect(
      ground
        .prepare({
          bed: { ...bed, plantings: [] },
          delivery: { method: 'sprinkler', litresPerMinute: 10 },
          startOn: '2026-07-15',
          dayCount: 1,
        })
        .leavesL?.(0),
    ).toBe(0));
});
