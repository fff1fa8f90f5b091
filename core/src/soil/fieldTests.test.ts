import { describe, expect, test } from '@jest/globals';
import { feelKey } from './feelKey.ts';
import { holeTest } from './holeTest.ts';
import { jarTest } from './jarTest.ts';
import { intakeRate } from './soilProfile.ts';

describe('jar test', () => {
  test('heights to shares and a class: 40, 40, 20 is a loam of the USDA triangle', () => {
    const jar = jarTest({ sandMm: 40, siltMm: 40, clayMm: 20 });
    expect(jar.sandPct).toBeCloseTo(40, 9);
    expect(jar.siltPct).toBeCloseTo(40, 9);
    expect(jar.clayPct).toBeCloseTo(20, 9);
    expect(jar.textureClass).toBe('loam');
  });
  test.each([
    [{ sandMm: 0, siltMm: 0, clayMm: 0 }, /nothing has settled/],
    [{ sandMm: -1, siltMm: 10, clayMm: 5 }, /sandMm .*got -1/],
    [{ sandMm: Number.NaN, siltMm: 1, clayMm: 1 }, /sandMm/],
  ])('refuses %p', (heights, message) => expect(() => jarTest(heights)).toThrow(message));
});

describe('feel key (flow chart of Thien 1979)', () => {
  test.each([
    [{ ball: false, ribbon: false, rub: 'gritty' }, 'sand'],
    [{ ball: true, ribbon: false, rub: 'gritty' }, 'loamy sand'],
    [{ ball: true, ribbon: true, ribbonLength: 'under 25 mm', rub: 'gritty' }, 'sandy loam'],
    [{ ball: true, ribbon: true, ribbonLength: 'under 25 mm', rub: 'smooth' }, 'silt loam'],
    [{ ball: true, ribbon: true, ribbonLength: '25 to 50 mm', rub: 'neither' }, 'clay loam'],
    [{ ball: true, ribbon: true, ribbonLength: 'over 50 mm', rub: 'gritty' }, 'sandy clay'],
    [{ ball: true, ribbon: true, ribbonLength: 'over 50 mm', rub: 'neither' }, 'clay'],
  ] as const)('%p is %s', (answers, name) => expect(feelKey(answers)).toBe(name));
  test('a ribbon without a length is asked for', () =>
    expect(() => feelKey({ ball: true, ribbon: true, rub: 'smooth' })).toThrow(/ribbonLength/));
});

describe('hole test', () => {
  test('50 mm in an hour is good drainage, 10 mm in four hours is very poor (common practice)', () => {
    expect(holeTest({ fallMm: 50, minutes: 60 })).toEqual({ mmPerHour: 50, drainageClass: 'good' });
    expect(holeTest({ fallMm: 10, minutes: 240 }).drainageClass).toBe('very poor');
  });
  test('refuses no time at all', () => expect(() => holeTest({ fallMm: 50, minutes: 0 })).toThrow(/minutes/));
});

test('slope and crust lower intake, mulch and organic matter raise it, a measured figure wins (common practice)', () => {
  const horizons = [{ textureClass: 'loam' as const }];
  const level = intakeRate({ horizons });
  expect(intakeRate({ horizons, slopePct: 12 })).toBeLessThan(level);
  expect(intakeRate({ horizons, crusted: true })).toBeLessThan(level);
  expect(intakeRate({ horizons }, true)).toBeGreaterThan(level);
  expect(intakeRate({ horizons: [{ textureClass: 'loam', organicMatterPct: 6 }] })).toBeGreaterThan(level);
  expect(intakeRate({ horizons, crusted: true, infiltrationMmPerHour: 7 })).toBe(7);
});
