import { at } from '../units/at.ts';
import { describe, expect, test } from '@jest/globals';
import { median, quantile, standardDeviation } from 'simple-statistics';
import { addDays } from '../units/dates.ts';
import { drySpell, weatherAlerts } from './alerts.ts';
import { seattle } from '../../tests/seattle.ts';
import { completeWeather, type SourcedDay } from './completeWeather.ts';
import { forecastEnsemble, rainClimatology } from './forecastEnsemble.ts';
import { placeFactors } from './placeFactors.ts';
import { referenceEt } from './referenceEt.ts';
import type { WeatherDay } from './types.ts';

const site = { latitudeDeg: 46.9, elevationM: 112 };
const day = (i: number, change: Partial<SourcedDay> = {}): SourcedDay => ({
  date: addDays('2026-07-14', i),
  tMinC: 15,
  tMaxC: 30,
  rainMm: 0,
  rainChance: 0,
  source: 'forecast',
  ...change,
});
const MEMBERS = 1000;
const column = (values: Float64Array, days: number, d: number): number[] =>
  Array.from({ length: MEMBERS }, (_, m) => at(values, m * days + d));

describe('the ensemble', () => {
  const days = Array.from({ length: 10 }, (_, i) => day(i, i === 5 ? { rainMm: 20, rainChance: 0.6 } : {}));
  const ensemble = forecastEnsemble({ days, site, members: MEMBERS, seed: 7 });

  test('the same seed gives the same members, another seed others', () => {
    expect(forecastEnsemble({ days, site, members: MEMBERS, seed: 7 })).toEqual(ensemble);
    expect(forecastEnsemble({ days, site, members: MEMBERS, seed: 8 }).et0).not.toEqual(ensemble.et0);
  });
  test('doubt grows with lead time, around the forecast', () => {
    const first = column(ensemble.et0, 10, 0);
    const last = column(ensemble.et0, 10, 9);
    expect(standardDeviation(last)).toBeGreaterThan(2 * standardDeviation(first));
    expect(Math.abs(median(last) / median(first) - 1)).toBeLessThan(0.1);
  });
  test('it rains in as many members as the chance says, and as much on average', () => {
    const rain = column(ensemble.rain, 10, 5);
    const wet = rain.filter((mm) => mm > 0);
    // Three standard errors of a share of 0.6 in 1000 draws are 0.047.
    expect(Math.abs(wet.length / MEMBERS - 0.6)).toBeLessThan(0.047);
    const mean = wet.reduce((a, b) => a + b, 0) / wet.length;
    expect(Math.abs(mean / 20 - 1)).toBeLessThan(0.1);
    expect(quantile(wet, 0.9)).toBeGreaterThan(20);
  });
  test('measured days are the same in every member, unforecast days follow the climatology', () => {
    const mixed = [day(0, { source: 'record', rainMm: 3 }), day(1, { source: 'own record' })];
    const spread = forecastEnsemble({
      days: mixed,
      site,
      members: MEMBERS,
      seed: 1,
      climatology: { chance: 0.3, meanMm: 6 },
    });
    expect(new Set(column(spread.et0, 2, 0)).size).toBe(1);
    expect(new Set(column(spread.rain, 2, 0))).toEqual(new Set([3]));
    const rain = column(spread.rain, 2, 1);
    expect(Math.abs(rain.filter((mm) => mm > 0).length / MEMBERS - 0.3)).toBeLessThan(0.045);
    expect(Math.abs(rain.reduce((a, b) => a + b, 0) / MEMBERS / 1.8 - 1)).toBeLessThan(0.2);
  });
  test('refuses no days and a thousand and one members', () => {
    expect(() => forecastEnsemble({ days: [], site, members: 5, seed: 1 })).toThrow(/days must hold/);
    expect(() => forecastEnsemble({ days, site, members: 1001, seed: 1 })).toThrow(/members/);
  });
  test('climatology counts wet days of 1 mm and more', () => {
    const record = [0, 0.4, 5, 7].map((rainMm, i): WeatherDay => ({
      date: addDays('2026-07-01', i),
      tMinC: 1,
      tMaxC: 2,
      rainMm,
    }));
    expect(rainClimatology(record)).toEqual({ chance: 0.5, meanMm: 6 });
  });
});

describe('days nobody forecast are like real ones (four summers at Seattle)', () => {
  const site = { latitudeDeg: 47.6, elevationM: 50 };
  const today = '2015-07-08';
  const days = completeWeather({
    record: seattle,
    forecast: [],
    site,
    from: today,
    to: addDays(today, 13),
    today: addDays(today, -1),
  });
  const { et0, rain, members, days: span } = forecastEnsemble({ days, site, members: 400, seed: 1 });
  // The real days of those summers, 23 June to 5 August, by their own figures.
  const real = seattle.filter(
    (d) => d.date.slice(5) >= '06-23' && d.date.slice(5) <= '08-05' && d.date < today,
  );
  const mean = (all: readonly number[]): number => all.reduce((a, b) => a + b, 0) / all.length;
  const spread = (all: readonly number[]): number => Math.sqrt(mean(all.map((x) => (x - mean(all)) ** 2)));
  const wetAfter = (wet: boolean): number => {
    let of = 0;
    let then = 0;
    for (let m = 0; m < members; m += 1)
      for (let d = 1; d < span; d += 1)
        if (at(rain, m * span + d - 1) >= 1 === wet) {
          of += 1;
          if (at(rain, m * span + d) >= 1) then += 1;
        }
    return then / of;
  };

  test('demand varies as much, and is as high, with a small part of what this June asked for above other Junes', () => {
    const theirs = real.map((day) => referenceEt(day, site).mm);
    const ours = Array.from(et0);
    const june = (isThis: boolean): number =>
      mean(
        seattle
          .filter((d) => d.date.slice(5) >= '06-08' && d.date.slice(5) <= '07-07')
          .filter((d) => d.date.startsWith('2015') === isThis)
          .map((day) => referenceEt(day, site).mm),
      );
    const above = june(true) / june(false) - 1;
    expect(above).toBeGreaterThan(0.3);
    const more = mean(ours) / mean(theirs) - 1;
    // A month above others was followed by a fortnight 0.1 (New York) to 0.4 (Seattle) times as far above in those summers.
    expect(more).toBeGreaterThan(0.1 * above);
    expect(more).toBeLessThan(0.4 * above);
    expect(spread(ours) / spread(theirs)).toBeGreaterThan(0.9);
    expect(spread(ours) / spread(theirs)).toBeLessThan(1.4);
  });
  test('it rains as often, wet days use less, and wet follows wet', () => {
    const wetShare = Array.from(rain).filter((mm) => mm >= 1).length / rain.length;
    const theirs = real.filter((day) => day.rainMm >= 1).length / real.length;
    expect(Math.abs(wetShare - theirs)).toBeLessThan(0.04);
    const use = (wet: boolean): number => mean(Array.from(et0).filter((_, k) => at(rain, k) >= 1 === wet));
    // Real wet days use 3.0 of 4.5 mm.
    expect(use(true) / use(false)).toBeLessThan(0.8);
    expect(wetAfter(true)).toBeGreaterThan(2 * wetAfter(false));
  });
});

describe('alerts (common practice limits)', () => {
  const codes = (days: WeatherDay[]): string[] => weatherAlerts(days).map((a) => a.code);
  test('three days of 32 °C are a heat wave, two are not', () => {
    expect(codes([0, 1, 2].map((i) => day(i, { tMaxC: 32 })))).toContain('heat wave');
    expect(codes([day(0, { tMaxC: 34 }), day(1, { tMaxC: 34 }), day(2, { tMaxC: 28 })])).not.toContain(
      'heat wave',
    );
  });
  test('hot, dry and windy together, not two of the three', () => {
    const fierce = { tMaxC: 38, rhMinPct: 18, windMs: 7 };
    expect(codes([day(0, fierce)])).toContain('hot dry wind');
    expect(codes([day(0, { ...fierce, windMs: 1 })])).not.toContain('hot dry wind');
    expect(codes([day(0, { ...fierce, rhMinPct: 45 })])).not.toContain('hot dry wind');
  });
  test('a dry spell counts back to the last 5 mm in all; showers of 1 mm do not end it', () => {
    const days = Array.from({ length: 20 }, (_, i) => day(i, { rainMm: i === 0 ? 12 : i === 8 ? 1 : 0 }));
    expect(drySpell(days, 5)).toEqual({ from: addDays('2026-07-14', 1), days: 19 });
    expect(codes(days)).toContain('dry spell');
  });
  test('soaking rain, hard frost and freezing ground', () => {
    expect(codes([day(0, { rainMm: 25 })])).toContain('soaking rain');
    const winter = [0, 1, 2].map((i) => day(i, { tMinC: -8, tMaxC: 1 }));
    expect(codes(winter)).toEqual(expect.arrayContaining(['hard frost', 'ground about to freeze']));
  });
});

test('shade and shelter lower demand, wind and a warm wall raise it, a tunnel keeps rain off', () => {
  expect(placeFactors({}).demandFactor).toBe(1);
  expect(placeFactors({ sun: 'half', wind: 'sheltered' }).demandFactor).toBeLessThan(0.8);
  expect(placeFactors({ wind: 'exposed', wall: true }).demandFactor).toBeGreaterThan(1.2);
  expect(placeFactors({ cover: 'tunnel' })).toEqual({ demandFactor: 0.7, underCover: true });
});
