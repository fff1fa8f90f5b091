import { dayOfYear, type IsoDate } from '../units/dates.ts';
import { extraterrestrialRadiation } from './solar.ts';
import type { WeatherDay } from './types.ts';

/** Weather in a gardener's words, for days no instrument saw. */
export interface WeatherWords {
  warmth: 'cool' | 'mild' | 'hot' | 'very hot';
  air: 'damp' | 'dry' | 'very dry';
  wind: 'still' | 'breezy' | 'windy';
  sky: 'overcast' | 'mixed' | 'sunny';
}

/** All numbers are judgements: a temperate day each word would bring to mind. */
const WARMTH = { cool: [8, 16], mild: [12, 22], hot: [17, 30], 'very hot': [20, 37] } as const;
const HUMIDITY = { damp: [60, 95], dry: [35, 80], 'very dry': [15, 55] } as const;
const WIND_MS = { still: 1, breezy: 2.5, windy: 5 } as const;
/** Share of the sun above the air that reaches the ground; FAO-56 eq. 35 with 10, 50 and 90 % of possible sunshine. */
const SUN_SHARE = { overcast: 0.3, mixed: 0.5, sunny: 0.7 } as const;

/** A weather day from words: temperatures °C, humidity %, wind m/s, sun MJ/m²/day, no rain. */
export function weatherFromWords(date: IsoDate, words: WeatherWords, latitudeDeg: number): WeatherDay {
  const [tMinC, tMaxC] = WARMTH[words.warmth];
  const [rhMinPct, rhMaxPct] = HUMIDITY[words.air];
  const above = extraterrestrialRadiation({ latitudeDeg, dayOfYear: dayOfYear(date) });
  return {
    date,
    tMinC,
    tMaxC,
    rhMinPct,
    rhMaxPct,
    windMs: WIND_MS[words.wind],
    solarMJ: SUN_SHARE[words.sky] * above,
    rainMm: 0,
  };
}
