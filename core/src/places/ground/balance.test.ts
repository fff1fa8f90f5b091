import { at } from '../../units/at.ts';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seattle, seattleSite as site } from '../../../tests/seattle.ts';
import { cropCoefficient } from '../../plants/cropCoefficient.ts';
import { addDays } from '../../units/dates.ts';
import type { WeatherDay } from '../../weather/types.ts';
import { kcMax, evaporationCoefficient, evaporationReduction, totalEvaporableMm } from './evaporation.ts';
import { mulchEvaporationFactor } from './mulch.ts';
import { heightTerm } from './evaporation.ts';
import { weatherSeries } from '../../weather/weatherSeries.ts';
import { simulateBed } from './simulateBed.ts';
import { cropById } from '../../plants/catalogue/index.ts';
import { plantOnDay } from '../../plants/plantOnDay.ts';
import { soilOfClass } from '../../soil/soils.ts';
import { adjustedDepletionShare, dualStoreDay, singleStoreDay, totalAvailableWater } from './singleStore.ts';
import type { BedInput } from './bedModel.ts';
import { soilProfile } from '../../soil/soilProfile.ts';
import { TEXTURE_CLASSES } from '../../soil/textureClass.ts';

const summer2015 = seattle.filter((d) => d.date >= '2015-04-01' && d.date <= '2015-10-15');

const tomatoes: BedInput = {
  areaM2: 10,
  ground: { horizons: [{ textureClass: 'loam' }] },
  plantings: [{ cropId: 'tomato', plantedOn: '2015-05-15' }],
};

describe('the crop coefficient', () => {
  test('FAO-56 example 28, dry beans: 0.35, 0.85, 1.19 and 0.56 on days 20, 40, 70 and 95 (from memory)', () => {
    const on = (day: number): number =>
      cropCoefficient({
        stages: { ini: 25, dev: 25, mid: 30, late: 20 },
        values: { ini: 0.35, mid: 1.19, end: 0.35 },
        day,
      });
    expect(on(20)).toBeCloseTo(0.35, 2);
    expect(on(40)).toBeCloseTo(0.85, 2);
    expect(on(70)).toBeCloseTo(1.19, 2);
    expect(on(95)).toBeCloseTo(0.56, 2);
  });
});

describe('the root zone as one store', () => {
  test('FAO-56 example 37, tomato on silt under growing stress: printed Ks and depletion (from memory)', () => {
    const taw = totalAvailableWater({ fieldCapacity: 0.32, wiltingPoint: 0.12, rootDepthM: 0.8 });
    expect(taw).toBeCloseTo(160, 9);
    const raw = 0.4 * taw;
    expect(raw).toBeCloseTo(64, 9);
    let depletion = 55;
    const printed = [
      [1, 61],
      [1, 67],
      [0.97, 72.8],
      [0.91, 78.3],
      [0.85, 83.4],
    ] as const;
    for (const [ks, end] of printed) {
      const day = singleStoreDay({
        depletionMm: depletion,
        cropUseMm: 6,
        rainMm: 0,
        irrigationMm: 0,
        totalAvailableMm: taw,
        readilyAvailableMm: raw,
      });
      expect(Math.abs(day.stressCoefficient - ks)).toBeLessThan(0.006);
      expect(Math.abs(day.depletionMm - end)).toBeLessThan(0.15);
      depletion = day.depletionMm;
    }
  });

  test('FAO-56 table 22 note: p moves 0.04 per mm of use away from 5 mm', () => {
    expect(adjustedDepletionShare(0.5, 5)).toBeCloseTo(0.5, 12);
    expect(adjustedDepletionShare(0.5, 3)).toBeCloseTo(0.58, 12);
    expect(adjustedDepletionShare(0.2, 12)).toBeCloseTo(0.1, 12);
  });
});

describe('evaporation from the surface', () => {
  test('FAO-56 example 35, ten days after wetting a sandy loam: Kr, Ke and ETc of the first days (from memory)', () => {
    const tew = 18;
    const rew = 8;
    const maxK = kcMax({ windMs: 1.6, rhMinPct: 35, heightM: 0.3, kcb: 0.3 });
    expect(maxK).toBeCloseTo(1.21, 2);
    let depleted = 0;
    const expected = [
      [4.5, 1, 5.5],
      [5.0, 1, 6.1],
      [3.9, 0.72, 3.7],
      [4.2, 0.4, 2.8],
    ] as const;
    for (const [et0, kr, etc] of expected) {
      const reduction = evaporationReduction({
        depletionMm: depleted,
        readilyEvaporableMm: rew,
        totalEvaporableMm: tew,
      });
      const ke = evaporationCoefficient({ reduction, kcMax: 1.21, kcb: 0.3, exposedWetted: 0.8 });
      expect(Math.abs(reduction - kr)).toBeLessThan(0.02);
      expect(Math.abs((ke + 0.3) * et0 - etc)).toBeLessThan(0.08);
      depleted += (ke * et0) / 0.8;
    }
  });

  test('FAO-56 eq. 73: sandy loam, 0.23 and 0.10, 0.1 m deep holds 18 mm that can evaporate', () => {
    expect(totalEvaporableMm(0.23, 0.1, 0.1)).toBeCloseTo(18, 9);
  });

  test('mulch: FAO-56 half at full plain cover, common practice 70 % when thick, never more with less', () => {
    expect(mulchEvaporationFactor(undefined)).toBe(1);
    expect(mulchEvaporationFactor({ material: 'straw', depthMm: 25, cover: 0.1 })).toBeCloseTo(0.95, 9);
    expect(mulchEvaporationFactor({ material: 'straw', depthMm: 25 })).toBeCloseTo(0.5, 9);
    expect(mulchEvaporationFactor({ material: 'straw', depthMm: 120 })).toBeCloseTo(0.3, 9);
  });
});

describe('a season of the real record', () => {
  const irrigations = [30, 60, 85, 100, 115, 130].map((day) => ({
    date: addDays('2015-05-15', day),
    netMm: 35,
  }));
  const result = simulateBed(tomatoes, summer2015, irrigations, { site });

  test('the balance closes', () => {
    const { closing } = result;
    expect(Math.abs(closing.errorMm)).toBeLessThan(1e-6);
    const rain = summer2015.reduce((sum, d) => sum + d.rainMm, 0);
    expect(closing.rainMm).toBeCloseTo(rain, 9);
    expect(closing.irrigationMm).toBe(210);
  });

  test('a dry July costs what a dry July costs: 3.5–8 mm a day of demand, depletion grows', () => {
    const july = result.days.filter((d) => d.date >= '2015-07-01' && d.date <= '2015-07-13');
    const mean = july.reduce((sum, d) => sum + d.et0Mm, 0) / july.length;
    expect(mean).toBeGreaterThan(3.5);
    expect(mean).toBeLessThan(8);
  });

  test('on uniform loam with deep refills the layers stay within 3 % of the root zone of FAO-56’s own two stores on the mean, and 5 % while what is too much drains', () => {
    // The stores work out their own evaporation, stress and use; nothing is taken from the layered run but its calendar.
    const crop = cropById('tomato');
    const profile = soilProfile(tomatoes.ground);
    const series = weatherSeries(summer2015, site);
    const waterOn = new Map<string, number>();
    const deep: { date: string; netMm: number }[] = [];
    let state = { surfaceMm: 0, rootZoneMm: 0 };
    const theirs: { date: string; rootZoneMm: number; totalMm: number }[] = [];
    summer2015.forEach((weather, d) => {
      const plant = plantOnDay({ cropId: 'tomato', plantedOn: '2015-05-15' }, weather.date);
      const rootMm = plant?.rootDepthMm ?? 150;
      const totalMm = ((at(profile.fieldCapacityMm, 0) - at(profile.wiltingPointMm, 0)) * rootMm) / 50;
      // A deep refill whenever 40 % of the root zone is gone: what is missing and 10 mm more, which both let through.
      if (plant && state.rootZoneMm > 0.4 * totalMm && rootMm > 300) {
        deep.push({ date: weather.date, netMm: state.rootZoneMm + 10 });
        waterOn.set(weather.date, state.rootZoneMm + 10);
      }
      const height = heightTerm(plant?.heightM ?? 0);
      const climate = at(series.climate, d);
      const table = plant?.kcb ?? 0;
      const kcb = table > 0.45 ? table + climate * height : table;
      state = dualStoreDay(state, {
        et0Mm: at(series.et0, d),
        waterMm: weather.rainMm + (waterOn.get(weather.date) ?? 0),
        kcb,
        kcMax: Math.max(1.2 + climate * height, kcb + 0.05),
        exposed: Math.max(0.01, 1 - (plant?.canopyCover ?? 0)),
        readilyEvaporableMm: profile.readilyEvaporableMm,
        totalEvaporableMm: profile.totalEvaporableMm,
        totalAvailableMm: totalMm,
        p: plant?.p ?? crop.p.value,
        surfaceDepthMm: 100,
        rootDepthMm: rootMm,
      });
      theirs.push({ date: weather.date, rootZoneMm: state.rootZoneMm, totalMm });
    });
    expect(deep.length).toBeGreaterThan(3);
    const ours = simulateBed({ ...tomatoes, form: 'basin' }, summer2015, deep, { site, rootResponse: false });
    const apart = theirs.map((t, d) => Math.abs(t.rootZoneMm - (ours.days[d]?.depletionMm ?? 0)) / t.totalMm);
    const first = deep[0]?.date ?? '';
    const since = apart.filter((_, d) => (theirs[d]?.date ?? '') >= first);
    expect(since.length).toBeGreaterThan(100);
    expect(since.reduce((sum, share) => sum + share, 0) / since.length).toBeLessThan(0.03);
    expect(Math.max(...since)).toBeLessThan(0.05);
  });
});

test('a little every day keeps roots shallow; deep waterings with drying between take them down (common practice)', () => {
  const weather = Array.from({ length: 70 }, (_, i): WeatherDay => ({
    date: addDays('2026-06-01', i),
    tMinC: 12,
    tMaxC: 22,
    windMs: 1,
    rhMinPct: 50,
    rhMaxPct: 95,
    rainMm: 0,
  }));
  const bed: BedInput = { ...tomatoes, plantings: [{ cropId: 'tomato', plantedOn: '2026-06-01' }] };
  const depth = (every: number, netMm: number, rootResponse = true): number => {
    const irrigations = weather.filter((_, d) => d % every === 0).map((day) => ({ date: day.date, netMm }));
    return simulateBed(bed, weather, irrigations, { site, rootResponse }).days.at(-1)?.rootDepthMm ?? 0;
  };
  expect(depth(1, 5)).toBeLessThan(0.8 * depth(8, 40));
  // With the switch off the calendar alone decides.
  expect(depth(1, 5, false)).toBeCloseTo(depth(8, 40, false), 9);
});

test('sand never holds more than loam (common practice), whatever the organic matter', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 8, noNaN: true }), (om) => {
      const held = (name: 'sand' | 'loam'): number =>
        soilOfClass(name, om).fieldCapacity - soilOfClass(name, om).wiltingPoint;
      expect(held('sand')).toBeLessThan(held('loam'));
    }),
  );
});

test('a southern garden half a year on uses what its northern mirror does, but for the earth’s nearer sun', () => {
  const season = (start: string, latitudeDeg: number): number => {
    const weather = Array.from({ length: 90 }, (_, i): WeatherDay => ({
      date: addDays(start, i),
      tMinC: 14,
      tMaxC: 28,
      windMs: 2,
      rainMm: 0,
    }));
    const bed: BedInput = { ...tomatoes, plantings: [{ cropId: 'tomato', plantedOn: start }] };
    const { closing } = simulateBed(
      bed,
      weather,
      [
        { date: addDays(start, 30), netMm: 40 },
        { date: addDays(start, 50), netMm: 40 },
      ],
      { site: { latitudeDeg, elevationM: 50 } },
    );
    return closing.evaporationMm + closing.transpirationMm;
  };
  // FAO-56 eq. 23: the sun is 3.3 % stronger in January and weaker in July than the mean.
  const ratio = season('2025-12-01', -40) / season('2026-06-01', 40);
  expect(ratio).toBeGreaterThan(0.98);
  expect(ratio).toBeLessThan(1.08);
});

describe('what always holds', () => {
  const weatherOf = (values: { range: number; low: number; rain: number }[]): WeatherDay[] =>
    values.map((v, i) => ({
      date: addDays('2026-05-01', i),
      tMinC: v.low,
      tMaxC: v.low + v.range,
      rainMm: v.rain,
      windMs: 2,
    }));
  const day = fc.record({
    range: fc.double({ min: 1, max: 22, noNaN: true }),
    low: fc.double({ min: -3, max: 24, noNaN: true }),
    rain: fc.oneof(fc.constant(0), fc.double({ min: 0, max: 90, noNaN: true })),
  });
  const bed = fc.record({
    textureClass: fc.constantFrom(...TEXTURE_CLASSES),
    below: fc.constantFrom(...TEXTURE_CLASSES),
    wetted: fc.constantFrom(1, 0.5, 0.25),
    form: fc.constantFrom('flat' as const, 'basin' as const),
    bedrockMm: fc.constantFrom(undefined, 400),
    mulchMm: fc.constantFrom(0, 60),
    drainage: fc.constantFrom(undefined, 0.2, 20),
    crop: fc.constantFrom('tomato', 'lettuce', 'sweetcorn', 'onion'),
  });
  const asBed = (b: {
    textureClass: (typeof TEXTURE_CLASSES)[number];
    below: (typeof TEXTURE_CLASSES)[number];
    wetted: number;
    form: 'flat' | 'basin';
    bedrockMm?: number;
    mulchMm: number;
    drainage?: number;
    crop: string;
  }): BedInput => ({
    areaM2: 8,
    ground: {
      horizons: [{ thicknessMm: 300, textureClass: b.textureClass }, { textureClass: b.below }],
      bedrockMm: b.bedrockMm,
      drainageMmPerHour: b.drainage,
    },
    plantings: [{ cropId: b.crop, plantedOn: '2026-05-05' }],
    wettedFraction: b.wetted,
    form: b.form,
    mulch: b.mulchMm > 0 ? { material: 'straw', depthMm: b.mulchMm } : undefined,
  });

  test('water balances to 1e-9 mm and every layer stays between air-dry and full', () => {
    fc.assert(
      fc.property(
        bed,
        fc.array(day, { minLength: 20, maxLength: 60 }),
        fc.double({ min: 0, max: 60, noNaN: true }),
        (b, values, watering) => {
          const weather = weatherOf(values);
          const input = asBed(b);
          const profile = soilProfile(input.ground);
          const irrigations = [{ date: addDays('2026-05-01', 10), netMm: watering }];
          const { days, closing } = simulateBed(input, weather, irrigations, { site, startFullness: 0.6 });
          expect(Math.abs(closing.errorMm)).toBeLessThan(1e-9);
          const wrong = days.filter(
            ({ stressCoefficient, runoffMm, layersMm }) =>
              !(stressCoefficient >= 0 && stressCoefficient <= 1 && runoffMm >= 0) ||
              layersMm?.some(
                (mm, i) =>
                  !(mm >= at(profile.airDryMm, i) - 1e-9 && mm <= at(profile.saturationMm, i) + 1e-9),
              ),
          );
          expect(wrong).toEqual([]);
        },
      ),
      { numRuns: 150 },
    );
  });

  test('more mulch never means more evaporation', () => {
    fc.assert(
      fc.property(fc.array(day, { minLength: 15, maxLength: 40 }), (values) => {
        const weather = weatherOf(values);
        const bare = (depthMm: number): number =>
          simulateBed(
            {
              ...tomatoes,
              plantings: [],
              mulch: depthMm ? { material: 'straw', depthMm } : undefined,
              form: 'basin',
            },
            weather,
            [],
            { site },
          ).closing.evaporationMm;
        const [none, thin, thick] = [bare(0), bare(30), bare(110)];
        expect(thin).toBeLessThanOrEqual(none + 1e-9);
        expect(thick).toBeLessThanOrEqual(thin + 1e-9);
      }),
      { numRuns: 60 },
    );
  });

  test('refuses what cannot be, by name', () => {
    const weather = weatherOf([
      { range: 10, low: 10, rain: 0 },
      { range: 10, low: 10, rain: 0 },
    ]);
    expect(() => simulateBed({ ...tomatoes, areaM2: 0 }, weather, [], { site })).toThrow(/areaM2/);
    expect(() => simulateBed(tomatoes, weather, [{ date: '2026-05-01', netMm: -3 }], { site })).toThrow(
      /irrigations\[0\].netMm .*got -3/,
    );
    expect(() => simulateBed(tomatoes, weather, [{ date: '2027-05-01', netMm: 3 }], { site })).toThrow(
      /irrigations\[0\].date/,
    );
    const gap = [weather[0], { ...weather[1], date: '2026-05-09' }] as WeatherDay[];
    expect(() => simulateBed(tomatoes, gap, [], { site })).toThrow(/weather\[1\].date must be 2026-05-02/);
  });
});
