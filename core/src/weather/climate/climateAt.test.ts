import { describe, expect, test } from '@jest/globals';
import { climateTowns } from '../../../tests/climateTowns.ts';
import { quantile } from '../../../tests/quantile.ts';
import { recordOf } from '../../../tests/seattle.ts';
import { climateAt, stationsLeftOut } from './climateAt.ts';
import { stations } from './stationTable.ts';

const YEARS = [2012, 2013, 2014, 2015];
const MONTHS = Array.from({ length: 12 }, (_, month) => month);
const sum = (list: readonly number[]): number => list.reduce((total, each) => total + each, 0);
const mean = (list: readonly number[]): number => sum(list) / list.length;

describe('the table of stations', () => {
  test('has twelve figures of each kind, that can be', () => {
    expect(stations().length).toBeGreaterThanOrEqual(150);
    expect(new Set(stations().map(({ name }) => name)).size).toBe(stations().length);
    for (const { highC, lowC, rainMm, wetDays, ...place } of stations()) {
      for (const row of [highC, lowC, rainMm, wetDays]) expect(row).toHaveLength(12);
      for (const month of MONTHS) {
        expect((highC[month] ?? 0) - (lowC[month] ?? 0)).toBeGreaterThan(2);
        expect(wetDays[month]).toBeLessThanOrEqual(Math.max(1, rainMm[month] ?? 0));
      }
      expect(Math.abs(place.latitudeDeg)).toBeLessThan(75);
      expect(place.elevationM).toBeLessThan(4000);
    }
  });

  // The packaged records of 2012 to 2015.
  test.each(['Seattle', 'New York'])(
    'has a year of %s that lies within the spread of its recorded years',
    (name) => {
      const station = stations().find((each) => each.name === name);
      const record = recordOf(name);
      const within = MONTHS.flatMap((month) => {
        const years = YEARS.map((year) =>
          record.filter(({ date }) => date.startsWith(`${year}-${String(month + 1).padStart(2, '0')}`)),
        );
        const figures: [told: number, measured: number[]][] = [
          [station?.highC[month] ?? NaN, years.map((days) => mean(days.map(({ tMaxC }) => tMaxC)))],
          [station?.lowC[month] ?? NaN, years.map((days) => mean(days.map(({ tMinC }) => tMinC)))],
          [station?.rainMm[month] ?? NaN, years.map((days) => sum(days.map(({ rainMm }) => rainMm)))],
          [
            station?.wetDays[month] ?? NaN,
            years.map((days) => days.filter(({ rainMm }) => rainMm >= 1).length),
          ],
        ];
        return figures.map(([told, measured]) => {
          const middle = mean(measured);
          const sd = Math.sqrt(sum(measured.map((each) => (each - middle) ** 2)) / (measured.length - 1));
          return Math.abs(told - middle) <= 2 * sd + 0.5;
        });
      });
      expect(within.filter(Boolean).length).toBeGreaterThanOrEqual(0.95 * within.length);
    },
  );
});

describe('the climate of a place', () => {
  test('comes out at each station when that is left out, within what is said of it', () => {
    const found = stationsLeftOut();
    const air = found.flatMap(({ station, said }) =>
      said.months.flatMap(({ highC, lowC }, m) =>
        [highC - (station.highC[m] ?? 0), lowC - (station.lowC[m] ?? 0)].map((off) => ({
          off,
          held: Math.abs(off) <= said.doubt.tempC,
        })),
      ),
    );
    const wet = found.flatMap(({ station, said }) =>
      said.months.map(({ wetDays }, m) => {
        const off = wetDays - (station.wetDays[m] ?? 0);
        return { off, held: Math.abs(off) <= said.doubt.wetDays };
      }),
    );
    const rain = found.map(({ station, said }) => {
      const times = sum(said.months.map(({ rainMm }) => rainMm)) / sum(station.rainMm);
      return { off: times - 1, held: Math.abs(Math.log(times)) <= Math.log(1 + said.doubt.rainShare) };
    });
    const offs = (all: { off: number }[]): number[] => all.map(({ off }) => Math.abs(off));
    const held = (all: { held: boolean }[]): number => all.filter((each) => each.held).length / all.length;
    expect(quantile(offs(air), 0.5)).toBeLessThanOrEqual(2);
    expect(quantile(offs(air), 0.9)).toBeLessThanOrEqual(5);
    expect(quantile(offs(rain), 0.5)).toBeLessThanOrEqual(0.2);
    expect(quantile(offs(rain), 0.9)).toBeLessThanOrEqual(0.6);
    expect(quantile(offs(wet), 0.5)).toBeLessThanOrEqual(2);
    expect(quantile(offs(wet), 0.9)).toBeLessThanOrEqual(5);
    for (const share of [held(air), held(rain), held(wet)]) {
      expect(share).toBeGreaterThanOrEqual(0.75);
      expect(share).toBeLessThanOrEqual(0.95);
    }
  });

  test('is right for towns that are no stations', () => {
    const here = climateTowns.map((town) => ({ town, said: climateAt(town) }));
    const airs = here.flatMap(({ town, said }) =>
      said.months.flatMap(({ highC, lowC }, m) => [
        Math.abs(highC - (town.highC[m] ?? 0)),
        Math.abs(lowC - (town.lowC[m] ?? 0)),
      ]),
    );
    const rains = here.flatMap(({ town, said }) =>
      said.months.flatMap(({ rainMm }, m) => {
        const known = town.rainMm[m] ?? 0;
        return known > 0 ? [Math.abs(rainMm / known - 1)] : [];
      }),
    );
    const wets = here.flatMap(({ town, said }) =>
      said.months.map(({ wetDays }, m) => Math.abs(wetDays - (town.wetDays[m] ?? 0))),
    );
    expect(quantile(airs, 0.5)).toBeLessThanOrEqual(2.5);
    expect(quantile(rains, 0.5)).toBeLessThanOrEqual(0.25);
    expect(quantile(wets, 0.5)).toBeLessThanOrEqual(3);
    for (const { town, said } of here) {
      const winter = town.latitudeDeg > 0 ? 0 : 6;
      if ((town.lowC[winter] ?? 0) < -3) expect(said.months[winter]?.lowC).toBeLessThan(0);
    }
  });

  test('is colder the higher up, by about the usual 6.5 °C a kilometre of the standard atmosphere', () => {
    const at = (elevationM: number): number => {
      const { months } = climateAt({ latitudeDeg: 46.5, longitudeDeg: 8, elevationM, coastKm: 200 });
      return mean(months.map(({ highC, lowC }) => (highC + lowC) / 2));
    };
    const perKm = at(500) - at(1500);
    expect(perKm).toBeGreaterThan(4.5);
    expect(perKm).toBeLessThan(7.5);
  });

  test('takes height and shore from the stations around where nobody says them', () => {
    const { elevationM, coastal } = climateAt({ latitudeDeg: 39.7, longitudeDeg: -105 });
    expect(elevationM).toBeGreaterThan(1300);
    expect(coastal).toBe(false);
    expect(climateAt({ latitudeDeg: 53.3, longitudeDeg: -6.2 }).coastal).toBe(true);
  });

  test('refuses what is no place', () => {
    expect(() => climateAt({ latitudeDeg: 95, longitudeDeg: 0 })).toThrow(
      /latitudeDeg must be a number from -90 to 90/,
    );
    expect(() => climateAt({ latitudeDeg: 0, longitudeDeg: 181 })).toThrow(/longitudeDeg/);
    expect(() => climateAt({ latitudeDeg: 0, longitudeDeg: 0, elevationM: 9000 })).toThrow(/elevationM/);
    expect(() => climateAt({ latitudeDeg: 0, longitudeDeg: 0, coastKm: -1 })).toThrow(/coastKm/);
  });

  test('is there for every corner of the map, with figures that can be', () => {
    for (let latitudeDeg = -60; latitudeDeg <= 75; latitudeDeg += 15)
      for (let longitudeDeg = -180; longitudeDeg <= 180; longitudeDeg += 30) {
        const { months, doubt } = climateAt({ latitudeDeg, longitudeDeg });
        for (const { highC, lowC, rainMm, wetDays } of months) {
          expect(highC - lowC).toBeGreaterThanOrEqual(2 - 1e-9);
          expect(Math.abs(highC)).toBeLessThan(60);
          expect(rainMm).toBeGreaterThanOrEqual(0);
          expect(wetDays).toBeLessThan(31);
        }
        expect(doubt.tempC).toBeGreaterThan(0);
      }
  });
});
