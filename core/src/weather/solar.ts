import { within } from '../units/guard.ts';

/** Solar constant, MJ/m²/min. Source: FAO-56 eq. 21. */
const SOLAR_CONSTANT = 0.082;

export interface SunPosition {
  /** Degrees, north positive, −90 to 90. */
  latitudeDeg: number;
  /** 1 to 366. */
  dayOfYear: number;
}

interface SolarAngles {
  latitude: number;
  declination: number;
  inverseDistance: number;
  sunsetAngle: number;
}

function angles({ latitudeDeg, dayOfYear }: SunPosition): SolarAngles {
  within('latitudeDeg', latitudeDeg, -90, 90, 'degrees');
  within('dayOfYear', dayOfYear, 1, 366);
  const latitude = (latitudeDeg * Math.PI) / 180;
  const season = (2 * Math.PI * dayOfYear) / 365;
  const declination = 0.409 * Math.sin(season - 1.39);
  // Beyond the polar circles the sun may not rise or set: the cosine is clipped to its end points.
  const cosine = -Math.tan(latitude) * Math.tan(declination);
  return {
    latitude,
    declination,
    inverseDistance: 1 + 0.033 * Math.cos(season),
    sunsetAngle: Math.acos(Math.min(1, Math.max(-1, cosine))),
  };
}

/**
 * Radiation that reaches the top of the air above a place in one day.
 * @returns MJ/m²/day; 0 in the polar night
 * @throws RangeError on a latitude or day outside its range
 * Source: FAO-56 eqs. 21 to 25.
 */
export function extraterrestrialRadiation(at: SunPosition): number {
  const { latitude, declination, inverseDistance, sunsetAngle } = angles(at);
  const geometry =
    sunsetAngle * Math.sin(latitude) * Math.sin(declination) +
    Math.cos(latitude) * Math.cos(declination) * Math.sin(sunsetAngle);
  return Math.max(0, ((24 * 60) / Math.PI) * SOLAR_CONSTANT * inverseDistance * geometry);
}

/**
 * Hours from sunrise to sunset (centre of the sun, no refraction).
 * @returns h, 0 to 24
 * @throws RangeError on a latitude or day outside its range
 * Source: FAO-56 eq. 34.
 */
export function daylightHours(at: SunPosition): number {
  return (24 / Math.PI) * angles(at).sunsetAngle;
}
