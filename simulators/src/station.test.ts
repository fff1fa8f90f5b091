import { describe, expect, test } from '@jest/globals';
import { addDays, referenceEt } from '@kibble/core';
import { stationDays, stationForecast } from '@kibble/contract';
import request from 'supertest';
import { forecastOn, weatherOn } from './climate.ts';
import { stationApp } from './station.ts';

const climate = { seed: 46, latitudeDeg: 46.9 };
const year = Array.from({ length: 365 }, (_, i) => weatherOn(climate, addDays('2026-01-01', i)));

describe('the simulated weather', () => {
  test('is the same whenever it is asked for, and another seed is another year', () => {
    expect(weatherOn(climate, '2026-07-20')).toEqual(weatherOn(climate, '2026-07-20'));
    expect(weatherOn({ ...climate, seed: 47 }, '2026-07-20')).not.toEqual(weatherOn(climate, '2026-07-20'));
  });

  test('is possible weather every day of the year', () => {
    for (const day of year)
      expect(referenceEt(day, { latitudeDeg: 46.9, elevationM: 112 }).mm).toBeLessThan(13);
  });

  test('has the year it promises: a heat wave and a storm in July, frost in November', () => {
    const hot = year.filter((d) => d.date >= '2026-07-16' && d.date <= '2026-07-19');
    expect(hot.every((d) => d.tMaxC >= 32)).toBe(true);
    expect(year.find((d) => d.date === '2026-07-22')?.rainMm).toBeGreaterThan(25);
    expect(year.filter((d) => d.date.startsWith('2026-11')).some((d) => d.tMinC < 0)).toBe(true);
  });

  test('a forecast is right today and vaguer with every day', () => {
    const error = (lead: number): number => {
      let sum = 0;
      for (let i = 0; i < 200; i += 1) {
        const today = addDays('2026-01-01', i);
        sum += Math.abs(
          forecastOn(climate, today, lead).tMaxC - weatherOn(climate, addDays(today, lead)).tMaxC,
        );
      }
      return sum / 200;
    };
    expect(error(0)).toBe(0);
    expect(error(3)).toBeGreaterThan(0.2);
    expect(error(9)).toBeGreaterThan(error(3));
  });
});

describe('the station over HTTP', () => {
  const app = stationApp(climate);
  test('gives past days and a ten-day forecast in the agreed form', async () => {
    const days = stationDays.parse((await request(app).get('/days?from=2026-07-01&to=2026-07-13')).body);
    expect(days.days).toHaveLength(13);
    const forecast = stationForecast.parse((await request(app).get('/forecast?today=2026-07-14')).body);
    expect(forecast.days.map((d) => d.date).slice(0, 2)).toEqual(['2026-07-14', '2026-07-15']);
    expect(forecast.days).toHaveLength(10);
  });
  test('refuses days that are none', async () => {
    expect((await request(app).get('/days?from=2026-07-13&to=2026-07-01')).status).toBe(400);
    expect((await request(app).get('/forecast?today=soon')).status).toBe(400);
  });
});
