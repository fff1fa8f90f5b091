import { once } from '../../units/once.ts';
import { AFRICA } from './stations/africa.ts';
import { ASIA } from './stations/asia.ts';
import { EUROPE } from './stations/europe.ts';
import { NORTH_AMERICA } from './stations/northAmerica.ts';
import { OCEANIA } from './stations/oceania.ts';
import { SOUTH_AMERICA } from './stations/southAmerica.ts';

/** A place whose usual year is known. The lists run from January to December. */
export interface Station {
  name: string;
  latitudeDeg: number;
  longitudeDeg: number;
  elevationM: number;
  /** To the nearest shore of a sea, km. */
  coastKm: number;
  /** Mean highest and lowest temperature of a day, °C. */
  highC: readonly number[];
  lowC: readonly number[];
  /** Rain of the month, mm. */
  rainMm: readonly number[];
  /** Days with at least 1 mm. */
  wetDays: readonly number[];
}

const numbers = (text = ''): number[] => text.split(' ').map(Number);

/**
 * Each line: name, degrees north, degrees east, metres above the sea, kilometres to the shore, then by month the highs, the
 * lows, the rain and the days with rain, in the units of `Station`.
 */
function stationOf(line: string): Station {
  const [name = '', latitude, longitude, elevation, coast, high, low, rain, wet] = line.split('|');
  return {
    name,
    latitudeDeg: Number(latitude),
    longitudeDeg: Number(longitude),
    elevationM: Number(elevation),
    coastKm: Number(coast),
    highC: numbers(high),
    lowC: numbers(low),
    rainMm: numbers(rain),
    wetDays: numbers(wet),
  };
}

/** The stations of a table, a line for each. */
export const stationsOf = (table: string): Station[] => table.trim().split('\n').map(stationOf);

/**
 * Reference stations of all climates.
 * Source: usual years of the last decades, written down from memory, in whole degrees; the distance to the shore is measured
 * on the world outline that the server has.
 */
export const stations: () => readonly Station[] = once(() =>
  [EUROPE, NORTH_AMERICA, SOUTH_AMERICA, AFRICA, ASIA, OCEANIA].flatMap(stationsOf),
);
