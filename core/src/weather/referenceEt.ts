import { dayOfYear, type IsoDate } from '../units/dates.ts';
import { ordered, within, withinIfGiven } from '../units/guard.ts';
import { esat, saturationSlope } from './saturationVapourPressure.ts';
import { daylightHours, extraterrestrialRadiation } from './solar.ts';
import type { Site, WeatherForEt } from './types.ts';

/** Which data each part of the demand came from, so that a screen can say how sure it is. */
export interface ReferenceEtRoute {
  humidity: 'vapour pressure' | 'highest and lowest humidity' | 'highest humidity' | 'night minimum';
  radiation: 'measured' | 'sunshine hours' | 'temperature range';
  wind: 'measured' | 'measured, brought to 2 m' | 'assumed 2 m/s';
}

export interface ReferenceEt {
  /** Reference evapotranspiration, mm/day. */
  mm: number;
  route: ReferenceEtRoute;
}

/** Wind assumed where none is known, m/s: the mean of over 2,000 stations. Source: FAO-56 ch. 3. */
export const ASSUMED_WIND_MS = 2;
/** Albedo of the reference grass. Source: FAO-56 eq. 38. */
const ALBEDO = 0.23;
/** Stefan–Boltzmann constant, MJ/K⁴/m²/day. Source: FAO-56 eq. 39. */
const STEFAN_BOLTZMANN = 4.903e-9;

/**
 * Wind at 2 m from wind measured at another height over short grass, m/s.
 * Source: FAO-56 eq. 47.
 */
export function windAt2m(windMs: number, heightM: number): number {
  within('windMs', windMs, 0, 75, 'm/s');
  within('windHeightM', heightM, 0.5, 200, 'm');
  return heightM === 2 ? windMs : (windMs * 4.87) / Math.log(67.8 * heightM - 5.42);
}

/** Actual vapour pressure of a day, kPa, and how it was found. Source: FAO-56 eqs. 17, 18, 48. */
export function actualVapourPressure(day: WeatherForEt): {
  kPa: number;
  route: ReferenceEtRoute['humidity'];
} {
  const { tMinC, tMaxC, rhMinPct, rhMaxPct, vapourPressureKPa } = day;
  if (vapourPressureKPa !== undefined) return { kPa: vapourPressureKPa, route: 'vapour pressure' };
  if (rhMaxPct !== undefined && rhMinPct !== undefined) {
    return {
      kPa: (esat(tMinC) * rhMaxPct + esat(tMaxC) * rhMinPct) / 200,
      route: 'highest and lowest humidity',
    };
  }
  if (rhMaxPct !== undefined) return { kPa: (esat(tMinC) * rhMaxPct) / 100, route: 'highest humidity' };
  return { kPa: esat(tMinC), route: 'night minimum' };
}

/**
 * Lowest relative humidity of the day, %, measured or from the vapour pressure at the warmest hour
 * (FAO-56 eq. 64 with actual vapour pressure), kept within 20 to 80 % as its crop-coefficient climate adjustment asks.
 */
export function dayMinimumHumidity(day: WeatherForEt): number {
  const rh = day.rhMinPct ?? (100 * actualVapourPressure(day).kPa) / esat(day.tMaxC);
  return Math.min(80, Math.max(20, rh));
}

/** Mean wind of the day at 2 m, m/s, or the assumed one. */
export function dayWind(day: WeatherForEt): { ms: number; route: ReferenceEtRoute['wind'] } {
  if (day.windMs === undefined) return { ms: ASSUMED_WIND_MS, route: 'assumed 2 m/s' };
  const height = day.windHeightM ?? 2;
  return {
    ms: windAt2m(day.windMs, height),
    route: height === 2 ? 'measured' : 'measured, brought to 2 m',
  };
}

function solarRadiation(
  day: WeatherForEt,
  site: Site,
  ra: number,
  doy: number,
): { mj: number; route: ReferenceEtRoute['radiation'] } {
  if (day.solarMJ !== undefined) return { mj: day.solarMJ, route: 'measured' };
  if (day.sunshineHours !== undefined) {
    const possible = daylightHours({ latitudeDeg: site.latitudeDeg, dayOfYear: doy });
    const share = possible > 0 ? Math.min(1, day.sunshineHours / possible) : 0;
    return { mj: (0.25 + 0.5 * share) * ra, route: 'sunshine hours' };
  }
  return { mj: rangeRadiationUnder(ra, day, site), route: 'temperature range' };
}

/** FAO-56 eq. 50; never above the clear sky (eq. 37). */
function rangeRadiationUnder(ra: number, { tMinC, tMaxC }: WeatherForEt, site: Site): number {
  const k = site.coastal ? 0.19 : 0.16;
  const clear = (0.75 + 2e-5 * site.elevationM) * ra;
  return Math.min(clear, k * Math.sqrt(tMaxC - tMinC) * ra);
}

/** Sun on a day by how far its temperature swings, MJ/m²/day. Source: FAO-56 eq. 50. */
export const rangeRadiation = (day: WeatherForEt, site: Site): number =>
  rangeRadiationUnder(
    extraterrestrialRadiation({ latitudeDeg: site.latitudeDeg, dayOfYear: dayOfYear(day.date) }),
    day,
    site,
  );

/** Refuses weather that cannot be: the words name the field, the value and the range. */
export function checkWeather(day: WeatherForEt): void {
  within('tMinC', day.tMinC, -60, 60, '°C');
  within('tMaxC', day.tMaxC, -60, 60, '°C');
  ordered('tMinC', day.tMinC, 'tMaxC', day.tMaxC);
  withinIfGiven('rhMinPct', day.rhMinPct, 0, 100, '%');
  withinIfGiven('rhMaxPct', day.rhMaxPct, 0, 100, '%');
  if (day.rhMinPct !== undefined && day.rhMaxPct !== undefined) {
    ordered('rhMinPct', day.rhMinPct, 'rhMaxPct', day.rhMaxPct);
  }
  withinIfGiven('vapourPressureKPa', day.vapourPressureKPa, 0, 10, 'kPa');
  withinIfGiven('windMs', day.windMs, 0, 75, 'm/s');
  withinIfGiven('windHeightM', day.windHeightM, 0.5, 200, 'm');
  withinIfGiven('solarMJ', day.solarMJ, 0, 50, 'MJ/m²/day');
  withinIfGiven('sunshineHours', day.sunshineHours, 0, 24, 'h');
  withinIfGiven('soilHeatMJ', day.soilHeatMJ, -20, 20, 'MJ/m²/day');
}

/** Refuses a place that is not on land on this planet. */
export function checkSite(site: Site): void {
  within('latitudeDeg', site.latitudeDeg, -90, 90, 'degrees');
  within('elevationM', site.elevationM, -430, 6000, 'm');
}

/** What of a day's demand hangs on the date and the place alone: the same for every way its weather may turn out. */
export interface WeatherPath {
  /** 1 to 366. */
  dayOfYear: number;
  /** Radiation above the air, MJ/m²/day. */
  ra: number;
  /** Psychrometric constant, kPa/°C. */
  gamma: number;
}

/** Throws `RangeError` when the site or the date cannot be. Source: FAO-56 eqs. 7, 8 and 21–25. */
export function skyOf(date: IsoDate, site: Site): WeatherPath {
  checkSite(site);
  const doy = dayOfYear(date);
  const pressure = 101.3 * ((293 - 0.0065 * site.elevationM) / 293) ** 5.26;
  return {
    dayOfYear: doy,
    ra: extraterrestrialRadiation({ latitudeDeg: site.latitudeDeg, dayOfYear: doy }),
    gamma: 0.000665 * pressure,
  };
}

/** `referenceEt` under a known sky, for weather that has been checked. */
export function referenceEtUnder(sky: WeatherPath, day: WeatherForEt, site: Site): ReferenceEt {
  const { tMinC, tMaxC } = day;
  const { ra, gamma } = sky;
  const tMean = (tMinC + tMaxC) / 2;
  const slope = saturationSlope(tMean);
  const es = (esat(tMinC) + esat(tMaxC)) / 2;
  const air = actualVapourPressure(day);
  const ea = Math.min(air.kPa, es);
  const wind = dayWind(day);

  const sun = solarRadiation(day, site, ra, sky.dayOfYear);
  const clearSky = (0.75 + 2e-5 * site.elevationM) * ra;
  // In the polar night the ratio has no meaning; a half-clouded sky is FAO-56's advice for lack of data.
  const relativeSun = clearSky > 0 ? Math.min(1, sun.mj / clearSky) : 0.5;
  const k4 = ((tMaxC + 273.16) ** 4 + (tMinC + 273.16) ** 4) / 2;
  const netLongwave = STEFAN_BOLTZMANN * k4 * (0.34 - 0.14 * Math.sqrt(ea)) * (1.35 * relativeSun - 0.35);
  const net = (1 - ALBEDO) * sun.mj - netLongwave - (day.soilHeatMJ ?? 0);

  const mm =
    (0.408 * slope * net + ((gamma * 900) / (tMean + 273)) * wind.ms * (es - ea)) /
    (slope + gamma * (1 + 0.34 * wind.ms));
  return {
    mm: Math.max(0, mm),
    route: { humidity: air.route, radiation: sun.route, wind: wind.route },
  };
}

/**
 * Reference evapotranspiration: water that a well-watered short grass would use in a day.
 * What was not measured falls back variable by variable, and the answer says which way it went.
 * @param day air temperatures in °C, and whatever else is known (units in `WeatherForEt`)
 * @param site latitude in degrees, elevation in m
 * @returns mm/day, never below 0, and the route taken
 * @throws RangeError when a value is impossible (tMinC above tMaxC, humidity above 100 %…)
 * Source: FAO-56 Penman–Monteith, eq. 6 with eqs. 7, 8, 11–13, 17–18, 21–25, 34–40, 47–48 and 50.
 */
export function referenceEt(day: WeatherForEt, site: Site): ReferenceEt {
  checkWeather(day);
  return referenceEtUnder(skyOf(day.date, site), day, site);
}
