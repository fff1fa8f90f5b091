import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { atLeast, within } from '../units/guard.ts';
import { climateTerm } from './climateTerm.ts';
import { LIKE, type SourcedDay } from './completeWeather.ts';
import { checkWeather, dayMinimumHumidity, dayWind, referenceEtUnder, skyOf } from './referenceEt.ts';
import { ordinaryRain, ordinarySpreadC } from './ordinaryDay.ts';
import { ENOUGH_DAYS, resampler } from './resample.ts';
import { WET_DAY_MM } from './wetDay.ts';
import type { RainClimatology, Site, WeatherDay } from './types.ts';

/** Many ways the days ahead may turn out; day `d` of member `m` stands at `m * days + d`. */
export interface ForecastEnsemble {
  members: number;
  days: number;
  /** mm. */
  et0: Float64Array;
  rain: Float64Array;
  /** Wind and humidity term of FAO-56 eq. 70. */
  climate: Float64Array;
  /** Lowest and highest of the day, °C. */
  tMin: Float64Array;
  tMax: Float64Array;
}

/** Spread of a forecast temperature, °C: at the first day, more with each day ahead, and at most. Judgement after usual verification scores. */
const TEMP_SD_C = 0.6;
const TEMP_SD_PER_DAY_C = 0.35;
const TEMP_SD_MOST_C = 4;
/** How much of a day's error lasts into the next. Judgement. */
const PERSISTENCE = 0.7;
/** Spread of the logarithm of a rain amount: at the first day, and more with each day ahead. Judgement. */
const RAIN_LOG_SD = 0.25;
const RAIN_LOG_SD_PER_DAY = 0.06;
/** Mean of a shower that was given a chance but no amount, mm. Judgement. */
const CHANCE_SHOWER_MM = 3;
/** What a wet day uses, of what a dry one does: 3.0 of 4.5 mm in four real summers at Seattle. */
const WET_DAY_USE = 0.67;
/** How often a day has the luck of the day before: rain comes in spells. Judgement; the same summers' wet days follow wet ones four times as often as dry ones. */
const SAME_LUCK = 0.3;
/** Spread of a day that was told in words, °C, beside what a forecast of its day has. Judgement. */
const SAID_SD_C = 2;
/** Spread of one season's demand about those of other years, in logarithms. Judgement after eight summers at Seattle and New York. */
const SEASON_SD = 0.13;
/** Spread of how much it rains in a season of which no earlier year is on record, in logarithms: the weeks before say little of it. Judgement. */
const WETNESS_SD = 1;
/**
 * Rain of a wet day by its luck, mm: mostly little, seldom much.
 * @param luck 0 to under 1
 * Source: Weibull with shape 0.75, Selker & Haith 1990, from memory.
 */
const wetDayMm = (luck: number, meanMm: number): number =>
  (meanMm / 1.191) * (-Math.log(1 - luck)) ** (4 / 3);
/** With no earlier year on record a season is known as well as from so many years. Judgement. */
const WITHOUT_YEARS = 0.5;
/** First draws of a generator, which still resemble its seed. */
const FIRST_DRAWS = 32;

/** Chance and size of rain in a record. Throws `RangeError` on an empty record. */
export function rainClimatology(record: readonly WeatherDay[]): RainClimatology {
  atLeast('record', record, 1);
  const wet = record.filter((day) => day.rainMm >= WET_DAY_MM);
  const total = wet.reduce((sum, day) => sum + day.rainMm, 0);
  return { chance: wet.length / record.length, meanMm: wet.length > 0 ? total / wet.length : 0 };
}

/** Latest measured days from which rain past the forecast is guessed, and the fewest that tell. Judgement. */
const CLIMATOLOGY_DAYS = 60;
const LEAST_CLIMATOLOGY_DAYS = 30;

/** Chance (0–1) and size (mm) of rain of late. Source: as `rainClimatology`, over days that are a judgement. @param record measured days in order @returns undefined where too few were measured */
export const latestClimatology = (record: readonly WeatherDay[]): RainClimatology | undefined =>
  record.length >= LEAST_CLIMATOLOGY_DAYS ? rainClimatology(record.slice(-CLIMATOLOGY_DAYS)) : undefined;

/** How many earlier years the days past the forecast are taken from: few summers tell little of the next. */
function yearsLike(days: readonly SourcedDay[]): number {
  const day = days.find((each) => each[LIKE]);
  const like = day?.[LIKE];
  if (!day || !like) return WITHOUT_YEARS;
  const years = new Set(like.at.map((index) => like.record[index]?.date.slice(0, 4)));
  years.delete(day.date.slice(0, 4));
  return Math.max(WITHOUT_YEARS, years.size);
}

/**
 * Spreads a forecast into members: temperatures with an error that grows and lasts, rain by its chance and amount.
 * Days past the forecast are real ones of the garden's own record, where that has enough of the season (see `resampler`);
 * else they have the season's mean with a wide spread, and rain by the climatology. Measured days are the same in every member.
 * @param options consecutive days from today on, site, members (1–1000), seed (a whole number: the same seed, the same members)
 * @throws RangeError on no day, or members outside 1–1000
 * Source: spreads are the judgements named in this file.
 */
export function forecastEnsemble(options: {
  days: readonly SourcedDay[];
  site: Site;
  members: number;
  seed: number;
  climatology?: RainClimatology;
  /** The last day before them, which weather goes on from. */
  yesterday?: WeatherDay;
}): ForecastEnsemble {
  const { days, site } = options;
  atLeast('days', days, 1);
  const members = within('members', options.members, 1, 1000);
  const random = xoroshiro128plus(within('seed', options.seed, -(2 ** 31), 2 ** 31) | 0);
  const uniform = (): number => uniformFloat64(random);
  for (let i = 0; i < FIRST_DRAWS; i += 1) uniform();
  const resample = resampler(site, uniform);
  const normal = (): number => Math.sqrt(-2 * Math.log(1 - uniform())) * Math.cos(2 * Math.PI * uniform());
  const size = members * days.length;
  const ensemble: ForecastEnsemble = {
    members,
    days: days.length,
    et0: new Float64Array(size),
    rain: new Float64Array(size),
    climate: new Float64Array(size),
    tMin: new Float64Array(size),
    tMax: new Float64Array(size),
  };

  const steady = Math.sqrt(1 - PERSISTENCE ** 2);
  // What is the same in every member is worked out once a day.
  const each = days.map((day, d) => {
    checkWeather(day);
    const known = day.source === 'record';
    return {
      day,
      known,
      sky: skyOf(day.date, site),
      windMs: Math.min(6, Math.max(1, dayWind(day).ms)),
      sd: known
        ? 0
        : day.source === 'ordinary day'
          ? ordinarySpreadC(day.date, site)
          : Math.min(
              TEMP_SD_MOST_C,
              TEMP_SD_C + TEMP_SD_PER_DAY_C * d + (day.source === 'said' ? SAID_SD_C : 0),
            ),
      usualRain: options.climatology ?? ordinaryRain(day.date, site),
      forecastGiven: day.source === 'forecast' || day.source === 'said',
      like: day.source === 'own record' && (day[LIKE]?.at.length ?? 0) >= ENOUGH_DAYS ? day[LIKE] : undefined,
      member: { ...day },
    };
  });
  const years = yearsLike(days);
  const seasonSd = SEASON_SD * Math.sqrt(1 + 1 / years);
  const wetnessSd = years < 1 && days.some((day) => day[LIKE]) ? WETNESS_SD : 0;
  for (let m = 0; m < members; m += 1) {
    let error = normal();
    let luck = uniform();
    const season = Math.exp(seasonSd * normal());
    const wetness = wetnessSd > 0 ? Math.exp(wetnessSd * normal() - wetnessSd ** 2 / 2) : 1;
    // The day before: of the record, or only whether it was wet.
    let before: number | boolean | null = options.yesterday ? options.yesterday.rainMm >= WET_DAY_MM : null;
    for (const [
      d,
      { day, known, forecastGiven, usualRain, sky, windMs, sd, like, member },
    ] of each.entries()) {
      const at = m * days.length + d;
      if (like) {
        const { et0, rain, climate, index } = resample(like, day.date, before);
        ensemble.et0[at] = season * et0;
        ensemble.rain[at] = wetness * rain;
        ensemble.climate[at] = climate;
        ensemble.tMin[at] = like.record[index]?.tMinC ?? day.tMinC;
        ensemble.tMax[at] = like.record[index]?.tMaxC ?? day.tMaxC;
        before = index;
        continue;
      }
      error = PERSISTENCE * error + steady * normal();
      const shift = Math.max(-60 - day.tMinC, Math.min(60 - day.tMaxC, sd * error));
      member.tMinC = day.tMinC + shift;
      member.tMaxC = day.tMaxC + shift;
      ensemble.tMin[at] = member.tMinC;
      ensemble.tMax[at] = member.tMaxC;
      const et0 = referenceEtUnder(sky, member, site).mm;
      ensemble.climate[at] = climateTerm(windMs, dayMinimumHumidity(member));
      // Both draws are made every day, so that one day's rain never shifts the next day's luck.
      const other = uniform();
      if (uniform() > SAME_LUCK) luck = other;
      const amount = normal();
      const chance = known ? 0 : forecastGiven ? day.rainChance : usualRain.chance;
      if (known) ensemble.rain[at] = day.rainMm;
      else if (forecastGiven) {
        const sdLog = RAIN_LOG_SD + RAIN_LOG_SD_PER_DAY * d;
        const mean = day.rainMm > 0 ? day.rainMm : CHANCE_SHOWER_MM;
        ensemble.rain[at] = luck < day.rainChance ? mean * Math.exp(sdLog * amount - sdLog ** 2 / 2) : 0;
      } else {
        // The part of the luck under the chance, stretched to 0–1, gives the amount.
        ensemble.rain[at] = luck < usualRain.chance ? wetDayMm(luck / usualRain.chance, usualRain.meanMm) : 0;
      }
      // Wet days use less and dry ones more than the mean of both, which is what a forecast tells.
      const dryUse = 1 / (1 - chance * (1 - WET_DAY_USE));
      ensemble.et0[at] = et0 * (chance > 0 ? dryUse * (luck < chance ? WET_DAY_USE : 1) : 1);
      before = ensemble.rain[at] >= WET_DAY_MM;
    }
  }
  return ensemble;
}
