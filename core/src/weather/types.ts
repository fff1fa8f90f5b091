import type { IsoDate } from '../units/dates.ts';
import type { Climate } from './climate/types.ts';
import type { Air, Summers } from './summers.ts';

/** Where a garden lies. */
export interface Site {
  /** Degrees, north positive, −90 to 90. */
  latitudeDeg: number;
  /** Metres above sea level, −430 to 6000. */
  elevationM: number;
  /** Within about 20 km of a large body of water: temperature swings less under the same sun. */
  coastal?: boolean;
  /** The usual year there: for days nobody measured. */
  climate?: Climate;
  /** What summers are like there, and the air, in a word each, where no climate is given. Default by latitude, and average. */
  summers?: Summers;
  air?: Air;
}

/** One day's weather as the demand for water needs it. Only the two temperatures are required. */
export interface WeatherForEt {
  date: IsoDate;
  /** Lowest and highest air temperature of the day, °C. */
  tMinC: number;
  tMaxC: number;
  /** Lowest and highest relative humidity, %. */
  rhMinPct?: number;
  rhMaxPct?: number;
  /** Actual vapour pressure, kPa; wins over the humidities when given. */
  vapourPressureKPa?: number;
  /** Mean wind, m/s, at `windHeightM` above ground (default 2 m). */
  windMs?: number;
  windHeightM?: number;
  /** Solar radiation, MJ/m²/day; wins over sunshine hours when given. */
  solarMJ?: number;
  /** Hours of bright sunshine. */
  sunshineHours?: number;
  /** Soil heat flux, MJ/m²/day; 0 for a single day (FAO-56 eq. 42), not for a month's mean. */
  soilHeatMJ?: number;
}

/** A weather day as the balance takes it: the air, and the rain that fell, mm. */
export interface WeatherDay extends WeatherForEt {
  rainMm: number;
}

export interface ForecastDay extends WeatherDay {
  /** Chance of the stated rain, 0–1. */
  rainChance: number;
}

/** How often and how much it rains at this time of year, for days nobody forecast. */
export interface RainClimatology {
  /** Chance of a wet day, 0–1. */
  chance: number;
  /** Mean of a wet day, mm. */
  meanMm: number;
}
