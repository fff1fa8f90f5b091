import { within } from '../units/guard.ts';

/** The sun's disc shows, refraction counted, when its centre stands this far under the horizon, degrees. Source: the almanacs' convention. */
const HORIZON_DEG = -0.833;
/** Degrees of longitude the sun passes in an hour. */
const DEG_PER_HOUR = 15;

export interface SunOnClock {
  /** Hours of the garden's clock, 0–24; sunrise and sunset lie as far from noon as the day is long. */
  sunrise: number;
  noon: number;
  sunset: number;
}

/**
 * When the sun rises, stands highest and sets by the garden's clock.
 * @param options latitude in degrees (north positive), longitude in degrees (east positive; left out, the middle of the
 *   time zone is taken), hours the clock is ahead of universal time, summer time counted, and the day of the year
 * @returns hours of the clock; a day without a sunrise has it at noon − 12, a night without end at noon
 * @throws RangeError on a latitude, longitude, offset or day outside its range
 * Sources: declination FAO-56 eq. 24, the sun's seasonal correction FAO-56 eqs. 32–33. Good to a few minutes up to 60°.
 */
export function sunOnClock(options: {
  latitudeDeg: number;
  longitudeDeg?: number;
  utcOffsetHours: number;
  dayOfYear: number;
}): SunOnClock {
  const latitude = (within('latitudeDeg', options.latitudeDeg, -90, 90, 'degrees') * Math.PI) / 180;
  const offset = within('utcOffsetHours', options.utcOffsetHours, -14, 14, 'hours');
  const day = within('dayOfYear', options.dayOfYear, 1, 366);
  const longitude = within(
    'longitudeDeg',
    options.longitudeDeg ?? Math.max(-180, Math.min(180, offset * DEG_PER_HOUR)),
    -180,
    180,
    'degrees',
  );
  const declination = 0.409 * Math.sin((2 * Math.PI * day) / 365 - 1.39);
  const b = (2 * Math.PI * (day - 81)) / 364;
  const seasonal = 0.1645 * Math.sin(2 * b) - 0.1255 * Math.cos(b) - 0.025 * Math.sin(b);
  const noon = 12 + offset - longitude / DEG_PER_HOUR - seasonal;
  const cosine =
    (Math.sin((HORIZON_DEG * Math.PI) / 180) - Math.sin(latitude) * Math.sin(declination)) /
    (Math.cos(latitude) * Math.cos(declination));
  const half = (12 / Math.PI) * Math.acos(Math.min(1, Math.max(-1, cosine)));
  return { sunrise: noon - half, noon, sunset: noon + half };
}
