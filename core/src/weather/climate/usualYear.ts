import { item } from '../../units/at.ts';
import { addDays, dayOfYear, type IsoDate } from '../../units/dates.ts';
import { esat } from '../saturationVapourPressure.ts';
import { hargreavesEt } from '../hargreavesEt.ts';
import { daysOfMonth } from './daysOfMonth.ts';
import { dewBelowLow } from './dryAir.ts';
import type { Climate, ClimateMonth } from './types.ts';
import { yearCourse } from './yearCourse.ts';

/** What a day of the year is usually like at a place. */
export interface UsualDay {
  lowC: number;
  highC: number;
  /** Standard deviation of a day's temperature about them, °C. */
  spreadC: number;
  /** Lowest and highest relative humidity, %. */
  rhMinPct: number;
  rhMaxPct: number;
  /** m/s at 2 m. */
  windMs: number;
  /** Chance of at least 1 mm of rain, 0–1, and the mean of such a day, mm. */
  wetChance: number;
  wetDayMm: number;
}

/** Wind by the kind of climate, m/s at 2 m. Judgements about the 2 m/s that FAO-56 gives as the mean of all stations. */
const WIND_MS = { coastal: 3, dry: 2.5, other: 2 };
/** A year with less rain than this share of what the air could take is dry. Source: semi-arid and drier by UNEP's index. */
const DRY_SHARE = 0.5;
/**
 * Day-to-day spread of temperature, °C: by how much the warmest month differs from the coldest, more in a continent's winter.
 * Judgements after usual spreads of Singapore (1), London (3), New York (5 in January, 3.5 in July) and Winnipeg (7 in January).
 */
const SPREAD = { leastC: 1.3, mostMoreC: 2.2, swingC: 8, winterFromC: 12, winterPerC: 0.16 };
const LEAST_RH_PCT = 5;

const MONTHS = 12;
const middle = ({ lowC, highC }: ClimateMonth): number => (lowC + highC) / 2;
/** The middle of a month, in a year without a leap day. */
const middleOf = (month: number): IsoDate => `2025-${String(month + 1).padStart(2, '0')}-15`;

function spreads(months: readonly ClimateMonth[]): number[] {
  const means = months.map(middle);
  const [coldest, warmest] = [Math.min(...means), Math.max(...means)];
  const swing = warmest - coldest;
  const { leastC, mostMoreC, swingC, winterFromC, winterPerC } = SPREAD;
  const summer = leastC + mostMoreC * (1 - Math.exp(-swing / swingC));
  const winter = winterPerC * Math.max(0, swing - winterFromC);
  return means.map((mean) => summer + (swing > 0 ? (winter * (warmest - mean)) / swing : 0));
}

/** What the air of each month could take of a day, mm. */
const demands = (months: readonly ClimateMonth[], latitudeDeg: number): number[] =>
  months.map(({ lowC, highC }, month) =>
    hargreavesEt({
      tMinC: Math.min(lowC, highC),
      tMaxC: highC,
      latitudeDeg,
      dayOfYear: dayOfYear(middleOf(month)),
    }),
  );

function daysOf({ months, coastal }: Climate, latitudeDeg: number): (date: IsoDate) => UsualDay {
  const demand = demands(months, latitudeDeg);
  const rain = (month: number): number => item(months, (month + MONTHS) % MONTHS).rainMm;
  const yearMm = months.reduce((sum, { rainMm }) => sum + rainMm, 0);
  const couldTakeMm = demand.reduce((sum, mm, month) => sum + mm * daysOfMonth(month), 0);
  const windMs = coastal ? WIND_MS.coastal : yearMm < DRY_SHARE * couldTakeMm ? WIND_MS.dry : WIND_MS.other;
  const below = months.map(({ lowC, highC }, month) =>
    dewBelowLow({
      lowC,
      highC,
      demandMm: item(demand, month),
      seasonMm: rain(month) + rain(month - 1) + rain(month - 2),
      coastal,
    }),
  );
  const low = yearCourse(months.map(({ lowC }) => lowC));
  const high = yearCourse(months.map(({ highC }) => highC));
  const spread = yearCourse(spreads(months));
  const dewBelow = yearCourse(below);
  const chance = yearCourse(
    months.map(({ wetDays }, month) => wetDays / daysOfMonth(month)),
    0,
  );
  const rainMm = yearCourse(
    months.map(({ rainMm: mm }, month) => mm / daysOfMonth(month)),
    0,
  );
  const read = (date: IsoDate): UsualDay => {
    const highC = high(date);
    const lowC = Math.min(low(date), highC);
    const air = esat(lowC - Math.max(0, dewBelow(date)));
    const wetChance = Math.min(1, Math.max(0, chance(date)));
    const humidity = (tempC: number): number =>
      Math.max(LEAST_RH_PCT, Math.min(100, (100 * air) / esat(tempC)));
    return {
      lowC,
      highC,
      spreadC: spread(date),
      rhMinPct: humidity(highC),
      rhMaxPct: humidity(lowC),
      windMs,
      wetChance,
      wetDayMm: wetChance > 0 ? Math.max(0, rainMm(date)) / wetChance : 0,
    };
  };
  return read;
}

/** A usual year of a climate, by the month and day of a date. */
export interface UsualYear {
  day: (date: IsoDate) => UsualDay;
  /**
   * Rain of a day that nobody measured, mm: as often and as much as is usual, evenly spread, so that months come to their sums.
   */
  rainOn: (date: IsoDate) => number;
}

/** Any leap year: it has every date. */
const EVERY_DATE = '2024';
const seasonOf = (date: IsoDate): string => date.slice(5);

function yearOf(climate: Climate, latitudeDeg: number): UsualYear {
  const read = daysOf(climate, latitudeDeg);
  const days = new Map<string, UsualDay>();
  const rain = new Map<string, number>();
  // The first wet day comes in the middle of its chance, as the last does.
  let [wet, mm, last] = [0.5, 0, ''];
  for (let date = `${EVERY_DATE}-01-01`; date.startsWith(EVERY_DATE); date = addDays(date, 1)) {
    const day = read(date);
    days.set(seasonOf(date), day);
    // A day is wet when the chances since New Year pass the next whole number; it brings what came together since the last.
    const before = Math.floor(wet);
    wet += day.wetChance;
    mm += day.wetChance * day.wetDayMm;
    if (Math.floor(wet) > before) {
      last = seasonOf(date);
      rain.set(last, mm);
      mm = 0;
    }
  }
  if (last) rain.set(last, (rain.get(last) ?? 0) + mm);
  return {
    day: (date) => days.get(seasonOf(date)) ?? read(date),
    rainOn: (date) => rain.get(seasonOf(date)) ?? 0,
  };
}

const byClimate = new WeakMap<Climate, Map<number, UsualYear>>();

/**
 * The usual year of a climate, worked out once for each.
 * @param latitudeDeg −90 to 90
 * @returns figures by date, in °C, %, m/s and mm
 * Source: the climate’s months; humidity as `dewBelowLow`; spread and wind are the judgements named above
 */
export function usualYear(climate: Climate, latitudeDeg: number): UsualYear {
  const known = byClimate.get(climate) ?? new Map<number, UsualYear>();
  byClimate.set(climate, known);
  const year = known.get(latitudeDeg) ?? yearOf(climate, latitudeDeg);
  known.set(latitudeDeg, year);
  return year;
}
