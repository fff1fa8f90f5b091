import { item } from '../../units/at.ts';
import { withinIfGiven, within } from '../../units/guard.ts';
import { once } from '../../units/once.ts';
import { daysOfMonth } from './daysOfMonth.ts';
import { krige, type Estimate } from './krige.ts';
import { stations, type Station } from './stationTable.ts';
import type { Climate, ClimateDoubt } from './types.ts';

/** A place on the map. */
export interface ClimatePlace {
  /** −90 to 90, north positive. */
  latitudeDeg: number;
  /** −180 to 180, east positive. */
  longitudeDeg: number;
  /** Metres above the sea; the stations around tell where nobody does. */
  elevationM?: number;
  /** Kilometres to the nearest shore; the stations around tell where nobody does. */
  coastKm?: number;
}

/** A climate read off the stations around, and how sure that is. */
export interface ClimateOfPlace extends Climate {
  doubt: ClimateDoubt;
  /** The height that was taken, m. */
  elevationM: number;
}

/** A point as two of them are compared. */
interface Point {
  latitudeDeg: number;
  /** On the unit sphere. */
  xyz: readonly [number, number, number];
  /** Logarithm of the kilometres to the shore: the first few count most. */
  inland: number;
  elevationM: number;
}

const EARTH_KM = 6371;
const RADIANS = Math.PI / 180;
/**
 * Over so much of a difference two places grow unlike, by a factor of e: along the ground, towards the pole, from the shore and
 * in height. Chosen so that the stations foretell one another best; a third more or less of any changes little.
 */
const REACH = { km: 3000, latitudeDeg: 25, inland: 12, heightM: 8000 };
/** What a place has for itself alone, as a share of the variance. Chosen likewise. */
const OWN_SHARE = 0.06;
/** So near the shore all places are alike, km. */
const SHORE_KM = 10;
/** A place so near the shore is coastal, km. Source: FAO-56 eq. 50 tells coastal from inland places without a figure; judgement. */
const COASTAL_KM = 20;
/** Rain is compared as a logarithm of itself and so much more, mm: a desert's few drops are no great difference. */
const DRY_MONTH_MM = 6;
/** Four in five lie within so many standard deviations, by the normal curve. */
const FOUR_IN_FIVE = 1.28;
/** Least degrees from a mean low to a mean high, °C, and least rain of a wet day, mm: stations have no less. */
const LEAST_RANGE_C = 2;
const LEAST_WET_DAY_MM = 1.2;
/** Most days of a month that are wet. */
const MOST_WET = 0.97;

const pointOf = (place: {
  latitudeDeg: number;
  longitudeDeg: number;
  elevationM: number;
  coastKm: number;
}): Point => {
  const [lat, lon] = [place.latitudeDeg * RADIANS, place.longitudeDeg * RADIANS];
  return {
    latitudeDeg: place.latitudeDeg,
    xyz: [Math.cos(lat) * Math.cos(lon), Math.cos(lat) * Math.sin(lon), Math.sin(lat)],
    inland: Math.log(place.coastKm + SHORE_KM),
    elevationM: place.elevationM,
  };
};

const apartKm = ({ xyz: a }: Point, { xyz: b }: Point): number =>
  EARTH_KM * Math.acos(Math.min(1, Math.max(-1, a[0] * b[0] + a[1] * b[1] + a[2] * b[2])));

const alike = (a: Point, b: Point): number =>
  Math.exp(
    -apartKm(a, b) / REACH.km -
      Math.abs(a.latitudeDeg - b.latitudeDeg) / REACH.latitudeDeg -
      Math.abs(a.inland - b.inland) / REACH.inland -
      Math.abs(a.elevationM - b.elevationM) / REACH.heightM,
  );

/** Towards the pole and from the shore: what may be followed in a straight line. The numbers set how freely. */
const rainTrend = ({ xyz, inland }: Point): number[] => {
  const north = xyz[2];
  return [1, 0.7 * north, 0.7 * north ** 2, 0.7 * north ** 3, 0.2 * (inland - 5)];
};
/** Temperatures follow height too: that is the lapse rate, which the stations tell. */
const airTrend = (point: Point): number[] => {
  const [north, inland] = [point.xyz[2], point.inland - 5];
  return [
    5,
    4 * north,
    4 * north ** 2,
    4 * north ** 3,
    inland,
    inland * north,
    2.5 * (point.elevationM / 1000),
  ];
};

const MONTHS = Array.from({ length: 12 }, (_, month) => month);
const logOf = (rainMm: number): number => Math.log(rainMm + DRY_MONTH_MM);
const rainOf = (log: number): number => Math.max(0, Math.exp(log) - DRY_MONTH_MM);
const yearOf = (months: readonly number[]): number => months.reduce((sum, each) => sum + each, 0);

/** Stations that are asked, the nearest of all: those further away say nothing new. */
const ASKED = 40;

/** Twelve highs, then twelve lows. */
const airOf = ({ highC, lowC }: Station): number[] => [...highC, ...lowC];
/** Twelve logarithms of rain, twelve roots of wet days, and the logarithm of the year's rain. */
const waterOf = ({ rainMm, wetDays }: Station): number[] => [
  ...rainMm.map(logOf),
  ...wetDays.map(Math.sqrt),
  logOf(yearOf(rainMm) / 12),
];

const mean = (estimates: readonly Estimate[], of: (estimate: Estimate) => number): number =>
  estimates.reduce((sum, estimate) => sum + of(estimate), 0) / estimates.length;

function climateOf(
  air: readonly Estimate[],
  rain: readonly Estimate[],
): Omit<Climate, 'coastal'> & { doubt: ClimateDoubt } {
  const months = MONTHS.map((month) => {
    const [high, low] = [item(air, month).mean, item(air, 12 + month).mean];
    const narrow = Math.max(0, LEAST_RANGE_C - (high - low)) / 2;
    const rainMm = rainOf(item(rain, month).mean);
    const wetDays = Math.max(0, item(rain, 12 + month).mean) ** 2;
    return {
      highC: high + narrow,
      lowC: low - narrow,
      rainMm,
      wetDays: Math.min(wetDays, rainMm / LEAST_WET_DAY_MM, MOST_WET * daysOfMonth(month)),
    };
  });
  return {
    months,
    doubt: {
      tempC: FOUR_IN_FIVE * mean(air, ({ sd }) => sd),
      rainShare: Math.exp(FOUR_IN_FIVE * item(rain, 24).sd) - 1,
      // A root's doubt, as days of a month like the mean of the year's.
      wetDays: FOUR_IN_FIVE * mean(rain.slice(12, 24), (root) => 2 * Math.max(0.5, root.mean) * root.sd),
    },
  };
}

interface Located {
  station: Station;
  point: Point;
}
const located = once((): Located[] => stations().map((station) => ({ station, point: pointOf(station) })));

const nearest = (to: Point, count: number, table: readonly Located[]): Located[] =>
  table
    .map((each) => ({ each, km: apartKm(to, each.point) }))
    .sort((a, b) => a.km - b.km)
    .slice(0, count)
    .map(({ each }) => each);

function readOff(
  point: Point,
  table: readonly Located[],
): Omit<Climate, 'coastal'> & { doubt: ClimateDoubt } {
  const asked = nearest(point, ASKED, table);
  const rows = (of: (station: Station) => number[]): number[][] => {
    const columns = asked.map(({ station }) => of(station));
    return item(columns, 0).map((_, row) => columns.map((column) => item(column, row)));
  };
  const points = asked.map((each) => each.point);
  return climateOf(
    krige(point, points, rows(airOf), { alike, trend: airTrend, ownShare: OWN_SHARE }),
    krige(point, points, rows(waterOf), { alike, trend: rainTrend, ownShare: OWN_SHARE }),
  );
}

/** Stations that say what is not known of a place itself, and how near they must be to say it alone, km. Judgements. */
const NEIGHBOURS = 4;
const NEXT_DOOR_KM = 30;

/** What the stations around say of a figure of a place, the nearest most. */
function around(latitudeDeg: number, longitudeDeg: number, of: (station: Station) => number): number {
  const here = pointOf({ latitudeDeg, longitudeDeg, elevationM: 0, coastKm: 0 });
  const weighed = nearest(here, NEIGHBOURS, located()).map(({ station, point }) => ({
    weight: 1 / (NEXT_DOOR_KM + apartKm(here, point)) ** 2,
    value: of(station),
  }));
  const sum = (each: (one: { weight: number; value: number }) => number): number =>
    weighed.reduce((total, one) => total + each(one), 0);
  return sum(({ weight, value }) => weight * value) / sum(({ weight }) => weight);
}

/**
 * The usual year of any place, read off the reference stations around it by distance, height and distance to the sea.
 * @param place degrees; height −430 to 6000 m; kilometres to the shore 0 to 3000
 * @returns the months in °C, mm and days, and how far they may be off
 * @throws RangeError on a place that is not on this planet
 * Source: `stationTable.ts` from memory, interpolated as `krige` does; how near it comes is printed by `npm run figures`.
 */
export function climateAt(place: ClimatePlace): ClimateOfPlace {
  const latitudeDeg = within('latitudeDeg', place.latitudeDeg, -90, 90, 'degrees');
  const longitudeDeg = within('longitudeDeg', place.longitudeDeg, -180, 180, 'degrees');
  const elevationM =
    withinIfGiven('elevationM', place.elevationM, -430, 6000, 'm') ??
    around(latitudeDeg, longitudeDeg, (station) => station.elevationM);
  const coastKm =
    withinIfGiven('coastKm', place.coastKm, 0, 3000, 'km') ??
    Math.exp(around(latitudeDeg, longitudeDeg, (station) => Math.log(station.coastKm + SHORE_KM))) - SHORE_KM;
  const point = pointOf({ latitudeDeg, longitudeDeg, elevationM, coastKm });
  return { ...readOff(point, located()), coastal: coastKm < COASTAL_KM, elevationM };
}

/** A reference station with what the others say of it: how good the table is. Units as in `Station`. */
export const stationsLeftOut = (): {
  station: Station;
  said: Omit<Climate, 'coastal'> & { doubt: ClimateDoubt };
}[] =>
  located().map((left) => ({
    station: left.station,
    said: readOff(
      left.point,
      located().filter((each) => each !== left),
    ),
  }));
