import { dayOfYear } from '../units/dates.ts';
import { extraterrestrialRadiation } from './solar.ts';
import type { ForecastDay, Site, WeatherDay } from './types.ts';

/** A day's weather in words, as somebody hears it on the radio or sees it from the door. */
export const HEATS = ['hot', 'warm', 'mild', 'cool'] as const;
export const SKIES = ['sun', 'mixed', 'grey'] as const;
export const RAINS = ['dry', 'showers', 'soaking'] as const;
export const WINDS = ['still', 'breeze', 'windy'] as const;

/** What somebody said of a day: words, or figures where they have them. What is not said is as it would be otherwise. */
export interface ManualForecast {
  heat?: (typeof HEATS)[number];
  sky?: (typeof SKIES)[number];
  rain?: (typeof RAINS)[number];
  wind?: (typeof WINDS)[number];
  /** °C. */
  tMinC?: number;
  tMaxC?: number;
}

/**
 * A heat as the day's highest temperature, °C: so much above what is usual, and as far as that goes at least at what the word
 * means anywhere. Judgements.
 */
const HEAT: Readonly<Record<NonNullable<ManualForecast['heat']>, (usualC: number) => number>> = {
  hot: (usual) => Math.max(usual + 6, Math.min(33, usual + 12)),
  warm: (usual) => Math.max(usual + 2, Math.min(26, usual + 6)),
  mild: (usual) => Math.min(usual, 24),
  cool: (usual) => Math.min(usual - 5, 18),
};

/** What a sky makes of a day: degrees from night to day, humidity in %, share of the sun above the air that comes through. Judgements. */
const SKY: Readonly<
  Record<NonNullable<ManualForecast['sky']>, { rangeC: number; sun: number; humid: number }>
> = {
  sun: { rangeC: 14, sun: 0.7, humid: -8 },
  mixed: { rangeC: 11, sun: 0.52, humid: 0 },
  grey: { rangeC: 7, sun: 0.28, humid: 18 },
};

/** A kind of rain: mm when it comes, and the chance of it, 0–1. Judgements. */
const RAIN: Readonly<Record<NonNullable<ManualForecast['rain']>, { mm: number; chance: number }>> = {
  dry: { mm: 0, chance: 0.05 },
  showers: { mm: 5, chance: 0.6 },
  soaking: { mm: 20, chance: 0.8 },
};

/** m/s at 2 m. Judgements. */
const WIND: Readonly<Record<NonNullable<ManualForecast['wind']>, number>> = {
  still: 1,
  breeze: 2.5,
  windy: 5.5,
};

/** What the last week was like, in three words, and what that says of each of its days. Judgements. */
export const WEEKS = ['hot and dry', 'as usual', 'wet'] as const;
export type Week = (typeof WEEKS)[number];
export const WEEK_DAYS: Readonly<Record<Week, ManualForecast | null>> = {
  'hot and dry': { heat: 'warm', sky: 'sun', rain: 'dry' },
  'as usual': null,
  wet: { sky: 'grey', rain: 'showers' },
};

/** What is left where nobody says how warm the night is, °C below the day. Judgement. */
const USUAL_RANGE_C = 11;

const humidity = (pct: number | undefined, more: number): number | undefined =>
  pct === undefined ? undefined : Math.max(5, Math.min(100, pct + more));

/**
 * A day as it was said, in figures.
 * @param said words or figures; `usual` what the day is like otherwise, and its chance of rain where there is a forecast
 * @returns the day with the chance of its rain, 0–1
 * Source: what the words mean is a judgement of this file; that a grey day has a narrow range and humid air is common practice.
 */
export function manualForecastDay(
  said: ManualForecast,
  usual: WeatherDay & { rainChance?: number },
  site: Site,
): ForecastDay {
  const sky = said.sky ? SKY[said.sky] : undefined;
  const usualRange = usual.tMaxC - usual.tMinC;
  const range = sky ? sky.rangeC : Math.max(2, usualRange || USUAL_RANGE_C);
  const given = said.heat || said.tMaxC !== undefined || said.tMinC !== undefined;
  const tMaxC =
    said.tMaxC ??
    (said.heat ? HEAT[said.heat](usual.tMaxC) : said.tMinC === undefined ? usual.tMaxC : said.tMinC + range);
  const tMinC = said.tMinC ?? (given || sky ? tMaxC - range : usual.tMinC);
  const rain = said.rain ? RAIN[said.rain] : { mm: usual.rainMm, chance: usual.rainChance ?? 0 };
  return {
    date: usual.date,
    tMinC: Math.min(tMinC, tMaxC),
    tMaxC,
    rhMinPct: humidity(usual.rhMinPct, sky?.humid ?? 0),
    rhMaxPct: humidity(usual.rhMaxPct, sky?.humid ?? 0),
    windMs: said.wind ? WIND[said.wind] : usual.windMs,
    solarMJ: sky
      ? sky.sun *
        extraterrestrialRadiation({ latitudeDeg: site.latitudeDeg, dayOfYear: dayOfYear(usual.date) })
      : usual.solarMJ,
    rainMm: rain.mm,
    rainChance: rain.chance,
  };
}

/** What somebody said of a day that has been: figures they read stand before the record, words only where there is none. */
export function saidOfPast(said: ManualForecast, record: WeatherDay): WeatherDay {
  const tMinC = said.tMinC ?? record.tMinC;
  const tMaxC = said.tMaxC ?? record.tMaxC;
  // A night read warmer than the day on record moves the day, and the other way about.
  return {
    ...record,
    tMinC: said.tMinC === undefined ? Math.min(tMinC, tMaxC) : tMinC,
    tMaxC: said.tMaxC === undefined ? Math.max(tMinC, tMaxC) : tMaxC,
  };
}
