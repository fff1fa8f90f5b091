import { describe, expect, test } from '@jest/globals';
import type { PlanBed } from '../follow/types.ts';
import { addDays, daysBetween } from '../units/dates.ts';
import { climateAt } from '../weather/climate/climateAt.ts';
import { completeWeather } from '../weather/completeWeather.ts';
import { forecastEnsemble } from '../weather/forecastEnsemble.ts';
import { isFrozen } from '../weather/groundWarmth.ts';
import { weatherSeries } from '../weather/weatherSeries.ts';
import { followSeason } from './followSeason.ts';

/**
 * A garden's year in ten climates where nobody measures anything. What a rose bed of loam is given in the year, mm, from and
 * to: common practice (none to speak of where rain keeps up with use, most of a hot desert's demand by hand).
 */
const CLIMATES: readonly [
  name: string,
  latitudeDeg: number,
  longitudeDeg: number,
  least: number,
  most: number,
  frost: boolean,
][] = [
  ['Bergen', 60.4, 5.3, 0, 60, true],
  ['London', 51.5, -0.1, 20, 320, true],
  ['Minneapolis', 45, -93.3, 0, 420, true],
  ['Yellowknife', 62.5, -114.4, 20, 420, true],
  ['Zaragoza', 41.65, -0.9, 250, 850, true],
  ['Las Vegas', 36.2, -115.1, 700, 2000, true],
  ['Riyadh', 24.7, 46.7, 900, 2400, false],
  ['Singapore', 1.3, 103.8, 0, 260, false],
  ['Delhi', 28.6, 77.2, 300, 1300, false],
  ['Christchurch', -43.5, 172.6, 60, 600, true],
];
/** From the middle of winter, when the ground is full. */
const yearFrom = (latitudeDeg: number): string => (latitudeDeg < 0 ? '2024-07-01' : '2025-01-01');

const roses: PlanBed = {
  id: 1,
  bed: {
    areaM2: 10,
    ground: { horizons: [{ textureClass: 'loam' }] },
    plantings: [{ cropId: 'rose', plantedOn: '2020-03-01' }],
  },
  delivery: { method: 'hose wand', litresPerMinute: 20 },
  irrigations: [],
  startOn: '2025-01-01',
  startFullness: 0.9,
};

describe('a year without any reading', () => {
  test.each(CLIMATES)(
    'in %s has its rain, its frost and its dormancy',
    (_name, latitudeDeg, longitudeDeg, least, most, frost) => {
      const [from, to] = [yearFrom(latitudeDeg), addDays(yearFrom(latitudeDeg), 364)];
      const climate = climateAt({ latitudeDeg, longitudeDeg });
      const site = { latitudeDeg, elevationM: climate.elevationM, climate };
      // Two weeks more than the year: what waiting costs is asked past its end.
      const weather = completeWeather({
        record: [],
        forecast: [],
        site,
        from,
        to: addDays(to, 14),
        today: addDays(to, 15),
      });
      const year = weather.filter(({ date }) => date <= to);
      const rain = year.reduce((sum, { rainMm }) => sum + rainMm, 0);
      const usual = climate.months.reduce((sum, { rainMm }) => sum + rainMm, 0);
      expect(Math.abs(rain / usual - 1)).toBeLessThan(0.1);
      const bed = {
        ...roses,
        startOn: from,
        bed: { ...roses.bed, plantings: [{ cropId: 'rose', plantedOn: '2020-03-01', latitudeDeg }] },
      };
      const given = followSeason({ site, bed, weather, to });
      const mm = given.reduce((sum, { run }) => sum + run.litres, 0) / 10;
      expect(mm).toBeGreaterThanOrEqual(least);
      expect(mm).toBeLessThanOrEqual(most);
      // The ground is never watered while it is frozen.
      const { warmth } = weatherSeries(weather, site);
      for (const { date } of given) expect(isFrozen(warmth, daysBetween(from, date))).toBe(false);
      expect(year.some(({ tMinC, date }) => tMinC < 0 || frostIsUsual(date))).toBe(frost);

      function frostIsUsual(date: string): boolean {
        const days = weather
          .filter((day) => day.date === date)
          .map((day) => ({ ...day, rainMm: 0, rainChance: 0 }));
        const { tMin } = forecastEnsemble({ days, site, members: 50, seed: 3 });
        return tMin.filter((each) => each < 0).length > 5;
      }
    },
  );

  test('the ways a month may go rain and vary as its climate does', () => {
    for (const [, latitudeDeg, longitudeDeg] of CLIMATES) {
      const climate = climateAt({ latitudeDeg, longitudeDeg });
      const site = { latitudeDeg, elevationM: climate.elevationM, climate };
      const days = completeWeather({
        record: [],
        forecast: [],
        site,
        from: '2025-06-01',
        to: '2025-06-30',
        today: '2025-06-01',
      });
      const members = 400;
      const { rain } = forecastEnsemble({ days, site, members, seed: 7 });
      const june = climate.months[5];
      const sums = Array.from({ length: members }, (_, m) =>
        rain.slice(m * days.length, (m + 1) * days.length).reduce((sum, each) => sum + each, 0),
      );
      const mean = sums.reduce((sum, each) => sum + each, 0) / members;
      const sd = Math.sqrt(sums.reduce((sum, each) => sum + (each - mean) ** 2, 0) / members);
      // A tenth, half a millimetre a month (no gauge shows less), and what so many draws may be off by chance.
      const byChance = (3 * sd) / Math.sqrt(members);
      const wet = rain.filter((each) => each > 0).length / members;
      expect(Math.abs(mean - (june?.rainMm ?? 0))).toBeLessThan(0.1 * (june?.rainMm ?? 0) + 0.5 + byChance);
      expect(Math.abs(wet - (june?.wetDays ?? 0))).toBeLessThan(0.1 * (june?.wetDays ?? 0) + 0.5);
      // What is said of a day's chance is what the ways have.
      expect(days.reduce((sum, { rainChance }) => sum + rainChance, 0)).toBeCloseTo(june?.wetDays ?? 0, 0);
    }
  });
});
