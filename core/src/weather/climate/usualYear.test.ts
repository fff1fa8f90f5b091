import { describe, expect, test } from '@jest/globals';
import { addDays } from '../../units/dates.ts';
import { ordinaryDay } from '../ordinaryDay.ts';
import { referenceEt } from '../referenceEt.ts';
import { climateAt, type ClimatePlace } from './climateAt.ts';
import { usualYear } from './usualYear.ts';
import { yearCourse } from './yearCourse.ts';

const DAYS = Array.from({ length: 365 }, (_, d) => addDays('2025-01-01', d));
const ofMonth = (month: number): string[] => DAYS.filter((date) => Number(date.slice(5, 7)) === month + 1);
const mean = (list: readonly number[]): number => list.reduce((sum, each) => sum + each, 0) / list.length;

const PLACES: Record<string, ClimatePlace & { elevationM: number }> = {
  'Las Vegas': { latitudeDeg: 36.1, longitudeDeg: -115.2, elevationM: 660, coastKm: 370 },
  Delhi: { latitudeDeg: 28.6, longitudeDeg: 77.2, elevationM: 215, coastKm: 950 },
  Athens: { latitudeDeg: 37.9, longitudeDeg: 23.7, elevationM: 100, coastKm: 8 },
  London: { latitudeDeg: 51.5, longitudeDeg: -0.1, elevationM: 25, coastKm: 43 },
  Singapore: { latitudeDeg: 1.3, longitudeDeg: 103.9, elevationM: 10, coastKm: 5 },
  Winnipeg: { latitudeDeg: 49.9, longitudeDeg: -97.2, elevationM: 240, coastKm: 900 },
};
const placeOf = (name: string) => {
  const place = PLACES[name];
  if (!place) throw new Error(name);
  return { ...place, climate: climateAt(place) };
};
const et0 = (name: string, date: string): number => {
  const site = placeOf(name);
  return referenceEt(ordinaryDay(date, site), site).mm;
};

test('a course through the year has the months’ means', () => {
  const means = [-9, -6, 1, 9, 15, 21, 24, 22, 17, 10, 2, -6];
  const on = yearCourse(means);
  for (const [month, each] of means.entries()) {
    expect(Math.abs(mean(ofMonth(month).map(on)) - each)).toBeLessThan(0.15);
  }
  // Between two months it lies between them.
  expect(on('2025-04-01')).toBeGreaterThan(1);
  expect(on('2025-04-01')).toBeLessThan(9);
});

describe('a usual year', () => {
  // Usual reference evapotranspiration in mm a day, from memory of published tables.
  test.each([
    ['Las Vegas', '2025-07-15', 7.7, 9.7],
    ['Las Vegas', '2025-01-15', 1.3, 2.4],
    ['Delhi', '2025-05-15', 6.5, 9],
    ['Athens', '2025-07-15', 6, 7.6],
    ['London', '2025-07-15', 3.2, 4.5],
    ['London', '2025-12-15', 0.2, 0.7],
    ['Singapore', '2025-06-15', 3.3, 4.8],
    ['Winnipeg', '2025-07-15', 4.2, 5.8],
    ['Winnipeg', '2025-01-15', 0, 0.6],
  ])('takes in %s on %s from %d to %d mm', (name, date, least, most) => {
    expect(et0(name, date)).toBeGreaterThanOrEqual(least);
    expect(et0(name, date)).toBeLessThanOrEqual(most);
  });

  // Usual afternoon humidity, %, from memory.
  test.each([
    ['Las Vegas', '2025-06-15', 5, 22],
    ['Delhi', '2025-05-15', 15, 40],
    ['Delhi', '2025-08-15', 55, 80],
    ['London', '2025-01-15', 65, 90],
    ['Singapore', '2025-01-15', 60, 80],
  ])('is as dry in %s on %s as it is known to be: %d to %d %%', (name, date, least, most) => {
    const { climate, latitudeDeg } = placeOf(name);
    const { rhMinPct } = usualYear(climate, latitudeDeg).day(date);
    expect(rhMinPct).toBeGreaterThanOrEqual(least);
    expect(rhMinPct).toBeLessThanOrEqual(most);
  });

  test('rains what its climate says, on as many days', () => {
    for (const name of Object.keys(PLACES)) {
      const { climate, latitudeDeg } = placeOf(name);
      const { rainOn } = usualYear(climate, latitudeDeg);
      const falls = DAYS.map(rainOn);
      const year = climate.months.reduce((sum, { rainMm }) => sum + rainMm, 0);
      const wet = climate.months.reduce((sum, { wetDays }) => sum + wetDays, 0);
      expect(Math.abs(falls.reduce((sum, mm) => sum + mm, 0) / year - 1)).toBeLessThan(0.05);
      expect(Math.abs(falls.filter((mm) => mm > 0).length - wet)).toBeLessThan(2);
    }
  });

  test('varies from day to day as it is known to: little at the equator, much in a continent’s winter', () => {
    const spread = (name: string, date: string): number => {
      const { climate, latitudeDeg } = placeOf(name);
      return usualYear(climate, latitudeDeg).day(date).spreadC;
    };
    expect(spread('Singapore', '2025-07-15')).toBeLessThan(2);
    expect(spread('London', '2025-01-15')).toBeLessThan(4.5);
    expect(spread('Winnipeg', '2025-01-15')).toBeGreaterThan(5);
    expect(spread('Winnipeg', '2025-07-15')).toBeLessThan(4.5);
  });
});
