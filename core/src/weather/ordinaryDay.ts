import { dayOfYear, type IsoDate } from '../units/dates.ts';
import { usualYear } from './climate/usualYear.ts';
import { rangeRadiation } from './referenceEt.ts';
import { extraterrestrialRadiation } from './solar.ts';
import type { Air, Summers } from './summers.ts';
import type { RainClimatology, Site, WeatherDay } from './types.ts';

/** Usual highest temperature in the middle of summer, °C. Judgement. */
const SUMMER_HIGH_C: Readonly<Record<Summers, number>> = { cool: 17, mild: 23, warm: 30, hot: 39 };

/**
 * What the air makes of a day: degrees from night to day, humidity in %, share of the sun above the air that comes through,
 * wind m/s, and how often and how much it rains. Judgements, held against FAO-56 table 2.
 */
const AIR: Readonly<
  Record<
    Air,
    {
      rangeC: number;
      rhPct: readonly [number, number];
      sun: number;
      windMs: number;
      rain: readonly [chance: number, meanMm: number];
    }
  >
> = {
  humid: { rangeC: 8, rhPct: [60, 95], sun: 0.45, windMs: 2, rain: [0.4, 6] },
  average: { rangeC: 11, rhPct: [48, 90], sun: 0.52, windMs: 2, rain: [0.28, 5] },
  dry: { rangeC: 15, rhPct: [18, 55], sun: 0.7, windMs: 2.5, rain: [0.06, 4] },
};

/** Where nobody said: by latitude, up to so many degrees. Judgement. */
const BY_LATITUDE: readonly (readonly [upTo: number, summers: Summers])[] = [
  [42, 'warm'],
  [57, 'mild'],
  [90, 'cool'],
];
/** What summers are like where nobody said. */
export const summersAt = (latitudeDeg: number): Summers =>
  BY_LATITUDE.find(([upTo]) => Math.abs(latitudeDeg) <= upTo)?.[1] ?? 'cool';

/** How much colder the middle of winter is, °C a degree of latitude. Judgement. */
const SWING_PER_DEGREE = 0.33;
/** Warmest day of the north's year. */
const WARMEST_DAY = 200;

/** A day by two words: what summers are like, and the air. */
function dayByWords(date: IsoDate, site: Site): WeatherDay {
  const { latitudeDeg } = site;
  const { rangeC, rhPct, sun, windMs } = AIR[site.air ?? 'average'];
  const summers = site.summers ?? summersAt(latitudeDeg);
  const season = Math.sign(latitudeDeg) * Math.cos((2 * Math.PI * (dayOfYear(date) - WARMEST_DAY)) / 365);
  const tMaxC = SUMMER_HIGH_C[summers] - (SWING_PER_DEGREE * Math.abs(latitudeDeg) * (1 - season)) / 2;
  return {
    date,
    tMinC: tMaxC - rangeC,
    tMaxC,
    rhMinPct: rhPct[0],
    rhMaxPct: rhPct[1],
    windMs,
    solarMJ: sun * extraterrestrialRadiation({ latitudeDeg, dayOfYear: dayOfYear(date) }),
    rainMm: 0,
  };
}

/**
 * An ordinary day of a season at a place where nothing was measured: air, sun and wind, without rain. By the place's climate
 * where that is known, else by the two words for it.
 * Source: the climate's; else judgements named above, held against FAO-56 table 2 (usual ET0 by region and temperature).
 */
export function ordinaryDay(date: IsoDate, site: Site): WeatherDay {
  const { climate, latitudeDeg } = site;
  if (!climate) return dayByWords(date, site);
  const { lowC, highC, rhMinPct, rhMaxPct, windMs } = usualYear(climate, latitudeDeg).day(date);
  const as = { date, tMinC: lowC, tMaxC: highC };
  const coastal = climate.coastal;
  return {
    ...as,
    rhMinPct,
    rhMaxPct,
    windMs,
    solarMJ: rangeRadiation(as, { ...site, coastal }),
    rainMm: 0,
  };
}

/** How often it rains there at that time of year, and how much at a time. */
export function ordinaryRain(date: IsoDate, site: Site): RainClimatology {
  if (site.climate) {
    const { wetChance, wetDayMm } = usualYear(site.climate, site.latitudeDeg).day(date);
    return { chance: wetChance, meanMm: wetDayMm };
  }
  const [chance, meanMm] = AIR[site.air ?? 'average'].rain;
  return { chance, meanMm };
}

/** Spread of an ordinary day nobody measured, °C, where all that is known is the season. Judgement. */
const UNKNOWN_SD_C = 4;
/** By how much an ordinary day's temperature may be off, as a standard deviation, °C. */
export const ordinarySpreadC = (date: IsoDate, { climate, latitudeDeg }: Site): number =>
  climate ? usualYear(climate, latitudeDeg).day(date).spreadC : UNKNOWN_SD_C;

/** Rain of a day that has been and that nobody measured, mm: as usual where the climate is known, else none. */
export const unmeasuredRainMm = (date: IsoDate, { climate, latitudeDeg }: Site): number =>
  climate ? usualYear(climate, latitudeDeg).rainOn(date) : 0;
