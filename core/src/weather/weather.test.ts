import { describe, expect, test } from '@jest/globals';
import * as Astronomy from 'astronomy-engine';
import psychrolib from 'psychrolib';
import { addDays } from '../units/dates.ts';
import { completeWeather } from './completeWeather.ts';
import { hargreavesEt } from './hargreavesEt.ts';
import { referenceEt, windAt2m } from './referenceEt.ts';
import { saturationVapourPressure } from './saturationVapourPressure.ts';
import { daylightHours, extraterrestrialRadiation } from './solar.ts';

// Worked examples of FAO-56 (Allen et al. 1998), inputs and printed results written from memory.

describe('saturation vapour pressure', () => {
  test('FAO-56 example 3 and annex table 2.3: printed values', () => {
    expect(saturationVapourPressure(24.5)).toBeCloseTo(3.075, 2);
    expect(saturationVapourPressure(15)).toBeCloseTo(1.705, 3);
    expect(saturationVapourPressure(20)).toBeCloseTo(2.338, 3);
  });

  test.each([1, 10, 20, 30, 40, 50])('within 0.5 %% of the ASHRAE equation of psychrolib at %i °C', (t) => {
    psychrolib.SetUnitSystem(psychrolib.SI);
    const ashrae = psychrolib.GetSatVapPres(t) / 1000;
    expect(Math.abs(saturationVapourPressure(t) / ashrae - 1)).toBeLessThan(0.005);
  });

  test.each([Number.NaN, Number.POSITIVE_INFINITY, 200])('refuses %p and says what is allowed', (t) => {
    expect(() => saturationVapourPressure(t)).toThrow(RangeError);
    expect(() => saturationVapourPressure(t)).toThrow(/tempC must be .*-60 to 70/);
  });
});

describe('the sun', () => {
  test('FAO-56 example 8: 3 September at 20° S, 32.2 MJ/m²/day', () => {
    expect(extraterrestrialRadiation({ latitudeDeg: -20, dayOfYear: 246 })).toBeCloseTo(32.2, 1);
  });

  test('FAO-56 example 9: 3 September at 20° S, 11.7 h', () => {
    expect(daylightHours({ latitudeDeg: -20, dayOfYear: 246 })).toBeCloseTo(11.7, 1);
  });

  test.each([
    [46.9, '2026-03-20'],
    [46.9, '2026-06-21'],
    [46.9, '2026-12-21'],
    [-33, '2026-01-15'],
    [0, '2026-08-01'],
    [60, '2026-05-01'],
  ])('day length agrees with astronomy-engine at %p° on %s', (latitudeDeg, date) => {
    const noon = new Date(`${date}T12:00:00Z`);
    const sun = Astronomy.Equator(Astronomy.Body.Sun, noon, new Astronomy.Observer(0, 0, 0), true, true);
    const radians = Math.PI / 180;
    const cosine = -Math.tan(latitudeDeg * radians) * Math.tan(sun.dec * radians);
    const hours = (24 / Math.PI) * Math.acos(cosine);
    const doy = Math.floor((noon.getTime() - Date.UTC(2026, 0, 1)) / 86_400_000) + 1;
    // FAO-56 describes the declination by one sine; it is off by up to about half a degree near the equinoxes.
    const tolerance = Math.abs(latitudeDeg) > 55 ? 0.15 : 0.1;
    expect(Math.abs(daylightHours({ latitudeDeg, dayOfYear: doy }) - hours)).toBeLessThan(tolerance);
  });

  test('polar night and midnight sun', () => {
    expect(daylightHours({ latitudeDeg: 80, dayOfYear: 355 })).toBe(0);
    expect(daylightHours({ latitudeDeg: 80, dayOfYear: 172 })).toBeCloseTo(24, 6);
    expect(extraterrestrialRadiation({ latitudeDeg: 80, dayOfYear: 355 })).toBeCloseTo(0, 6);
  });

  test('the south mirrors the north half a year on', () => {
    for (const latitudeDeg of [15, 35, 55]) {
      const north = daylightHours({ latitudeDeg, dayOfYear: 172 });
      const south = daylightHours({ latitudeDeg: -latitudeDeg, dayOfYear: 355 });
      expect(Math.abs(north - south)).toBeLessThan(0.05);
    }
  });
});

describe('reference evapotranspiration', () => {
  test('FAO-56 example 17, Bangkok in April, monthly means with soil heat flux: 5.7 mm/day', () => {
    const et0 = referenceEt(
      {
        date: '2025-04-15',
        tMinC: 25.6,
        tMaxC: 34.8,
        vapourPressureKPa: 2.85,
        windMs: 2,
        sunshineHours: 8.5,
        soilHeatMJ: 0.14,
      },
      { latitudeDeg: 13 + 44 / 60, elevationM: 2 },
    );
    expect(et0.mm).toBeCloseTo(5.72, 1);
    expect(et0.route).toEqual({ humidity: 'vapour pressure', radiation: 'sunshine hours', wind: 'measured' });
  });

  test('FAO-56 example 18, Uccle on 6 July, daily: 3.9 mm/day', () => {
    const et0 = referenceEt(
      {
        date: '2025-07-06',
        tMinC: 12.3,
        tMaxC: 21.5,
        rhMinPct: 63,
        rhMaxPct: 84,
        windMs: 10 / 3.6,
        windHeightM: 10,
        sunshineHours: 9.25,
      },
      { latitudeDeg: 50.8, elevationM: 100 },
    );
    expect(et0.mm).toBeCloseTo(3.88, 1);
    expect(et0.route.wind).toBe('measured, brought to 2 m');
  });

  test('FAO-56 example 20, Lyon in July, temperatures alone: 4.56 mm/day, and 5.0 by Hargreaves', () => {
    const et0 = referenceEt(
      { date: '2025-07-15', tMinC: 14.8, tMaxC: 26.6 },
      { latitudeDeg: 45.72, elevationM: 200 },
    );
    expect(et0.mm).toBeCloseTo(4.56, 1);
    expect(et0.route).toEqual({
      humidity: 'night minimum',
      radiation: 'temperature range',
      wind: 'assumed 2 m/s',
    });
    const check = hargreavesEt({ tMinC: 14.8, tMaxC: 26.6, latitudeDeg: 45.72, dayOfYear: 196 });
    expect(check).toBeCloseTo(5.0, 1);
  });

  test('FAO-56 example 14: 3.2 m/s at 10 m is 2.4 m/s at 2 m', () => {
    expect(windAt2m(3.2, 10)).toBeCloseTo(2.4, 1);
  });

  test.each([
    [{ tMinC: 30, tMaxC: 20 }, /tMinC \(30\) must not be above tMaxC \(20\)/],
    [{ tMinC: 10, tMaxC: 20, rhMaxPct: 140 }, /rhMaxPct must be .*0 to 100 %; got 140/],
    [{ tMinC: 10, tMaxC: 20, windMs: -1 }, /windMs must be .*0 to 75 m\/s; got -1/],
    [{ tMinC: Number.NaN, tMaxC: 20 }, /tMinC must be .*got NaN/],
  ])('refuses %p', (given, message) => {
    expect(() => referenceEt({ date: '2025-07-01', ...given }, { latitudeDeg: 45, elevationM: 0 })).toThrow(
      message,
    );
  });

  test('refuses a date that is not a day', () => {
    expect(() =>
      referenceEt({ date: '2025-02-30', tMinC: 1, tMaxC: 2 }, { latitudeDeg: 45, elevationM: 0 }),
    ).toThrow(/YYYY-MM-DD/);
  });
});

describe('weather nobody measured', () => {
  const site = { latitudeDeg: 46.9, elevationM: 112 };

  test('a garden living in the past does not see its own future', () => {
    const record = Array.from({ length: 40 }, (_, i) => ({
      date: addDays('2015-07-01', i),
      tMinC: 12,
      tMaxC: 24,
      rainMm: i === 30 ? 50 : 0,
    }));
    const days = completeWeather({
      record,
      forecast: [],
      site,
      from: '2015-07-01',
      to: '2015-08-09',
      today: '2015-07-20',
    });
    expect(days).toHaveLength(40);
    expect(
      days
        .filter((d) => d.source === 'record')
        .map((d) => d.date)
        .at(-1),
    ).toBe('2015-07-20');
    expect(days.reduce((sum, d) => sum + d.rainMm, 0)).toBe(0);
    expect(days[30]?.source).toBe('own record');
    expect(days[30]?.tMaxC).toBeCloseTo(24, 9);
  });
});
