import { describe, expect, test } from '@jest/globals';
import * as core from './index.ts';
import { RING_FORTNIGHT_MM, RING_MONTH_MM } from './plants/ringDoses.ts';

const site = { latitudeDeg: 46.9, elevationM: 112 };
const day = { date: '2026-07-01', tMinC: 12, tMaxC: 28, rainMm: 0 };
const bed = {
  areaM2: 10,
  ground: { horizons: [{ textureClass: 'loam' as const }] },
  plantings: [{ cropId: 'tomato', plantedOn: '2026-06-01' }],
};

/** Each function of the public face with one number to spoil, and the field that must be named. */
const CALLS: readonly (readonly [string, field: string, call: (bad: number) => unknown])[] = [
  ['saturationVapourPressure', 'tempC', (x) => core.saturationVapourPressure(x)],
  [
    'extraterrestrialRadiation',
    'latitudeDeg',
    (x) => core.extraterrestrialRadiation({ latitudeDeg: x, dayOfYear: 100 }),
  ],
  ['daylightHours', 'dayOfYear', (x) => core.daylightHours({ latitudeDeg: 40, dayOfYear: x })],
  ['referenceEt', 'tMaxC', (x) => core.referenceEt({ ...day, tMaxC: x }, site)],
  ['referenceEt', 'elevationM', (x) => core.referenceEt(day, { ...site, elevationM: x })],
  [
    'hargreavesEt',
    'tMinC',
    (x) => core.hargreavesEt({ tMinC: x, tMaxC: 20, latitudeDeg: 40, dayOfYear: 100 }),
  ],
  [
    'soilFromFractions',
    'sandPct',
    (x) => core.soilFromFractions({ sandPct: x, clayPct: 20, organicMatterPct: 2 }),
  ],
  ['jarTest', 'siltMm', (x) => core.jarTest({ sandMm: 10, siltMm: x, clayMm: 5 })],
  ['canTest', 'depthsMm[1]', (x) => core.canTest({ depthsMm: [3, x], minutes: 30 })],
  ['canTest', 'minutes', (x) => core.canTest({ depthsMm: [3, 4], minutes: x })],
  ['bucketTest', 'seconds', (x) => core.bucketTest({ litres: 10, seconds: x })],
  [
    'dripRate',
    'lineSpacingM',
    (x) => core.dripRate({ emitterLitresPerHour: 2, emitterSpacingM: 0.3, lineSpacingM: x }),
  ],
  [
    'cycleAndSoak',
    'netMm',
    (x) => core.cycleAndSoak({ netMm: x, rateMmPerHour: 20, infiltrationMmPerHour: 10, surfaceStorageMm: 5 }),
  ],
  [
    'cycleAndSoak',
    'surfaceStorageMm',
    (x) =>
      core.cycleAndSoak({ netMm: 10, rateMmPerHour: 20, infiltrationMmPerHour: 10, surfaceStorageMm: x }),
  ],
  [
    'wetFrontDepth',
    'appliedMm',
    (x) =>
      core.wetFrontDepth({
        appliedMm: x,
        profile: [{ thicknessMm: 50, fieldCapacity: 0.3, waterContent: 0.1 }],
      }),
  ],
  ['weighTest', 'wetKg', (x) => core.weighTest({ wetKg: x, laterKg: 1, hours: 24 })],
  ['roofHarvest', 'rainMm', (x) => core.roofHarvest({ roofM2: 20, rainMm: x, runoffCoefficient: 0.8 })],
  ['simulateBed', 'areaM2', (x) => core.simulateBed({ ...bed, areaM2: x }, [day], [], { site })],
  ['simulateBed', 'rainMm', (x) => core.simulateBed(bed, [{ ...day, rainMm: x }], [], { site })],
  ['simulateBed', 'startFullness', (x) => core.simulateBed(bed, [day], [], { site, startFullness: x })],
  [
    'planGarden',
    'horizonDays',
    (x) =>
      core.planGarden(
        {
          site,
          beds: [
            {
              id: 1,
              bed,
              delivery: { method: 'drip', litresPerMinute: 2 },
              irrigations: [],
              startOn: day.date,
              startFullness: 1,
            },
          ],
        },
        [{ ...day, source: 'record', rainChance: 0 }],
        {},
        { today: day.date, horizonDays: x },
      ),
  ],
  ['treeRing', 'outerRadiusM', (x) => core.treeRing({ innerRadiusM: 0, outerRadiusM: x, depthMm: 50 })],
  ['daysInStore', 'useMmPerDay', (x) => core.daysInStore({ storeMm: 100, useMmPerDay: x })],
];

describe.each([Number.NaN, Number.POSITIVE_INFINITY, -1e9])('%p is refused everywhere, by name', (bad) => {
  test.each(CALLS)('%s: %s', (_name, field, call) => {
    expect(() => call(bad)).toThrow(RangeError);
    expect(() => call(bad)).toThrow(field);
  });
});

describe('figures of the trade (common practice)', () => {
  test('an inch a week: 10 mm of rain leave 15 mm', () => {
    expect(core.fixedWeekShortfall({ weekRainMm: 10 })).toBe(15);
    expect(core.fixedWeekShortfall({ weekRainMm: 40 })).toBe(0);
  });
  test('125 mm last about three weeks at 6 mm a day, about four at 4.5', () => {
    expect(core.daysInStore({ storeMm: 125, useMmPerDay: 6 }) / 7).toBeCloseTo(3, 0);
    expect(core.daysInStore({ storeMm: 125, useMmPerDay: 4.5 }) / 7).toBeCloseTo(4, 0);
  });
  test('51 mm a fortnight is 3.6 mm a day, 76 mm a month 2.5, 30 % less', () => {
    expect(RING_FORTNIGHT_MM).toBeCloseTo(51, 0);
    expect(RING_MONTH_MM).toBeCloseTo(76, 0);
    expect(core.RING_FORTNIGHT_MM_A_DAY).toBeCloseTo(3.6, 1);
    expect(core.RING_MONTH_MM_A_DAY).toBeCloseTo(2.5, 1);
    expect(1 - core.RING_MONTH_MM_A_DAY / core.RING_FORTNIGHT_MM_A_DAY).toBeCloseTo(0.3, 1);
  });
  test('200 gal a day for 14 days are 2 in over a circle of 8.1 m', () => {
    const { litres } = core.treeRing({ innerRadiusM: 0, outerRadiusM: 8.13, depthMm: core.inchesToMm(2) });
    expect(core.litresToGallons(litres) / 14 / 200).toBeCloseTo(1, 1);
  });
});
