import type { StationDay, StationForecastDay } from '@kibble/contract';
import { addDays, dayOfYear, extraterrestrialRadiation } from '@kibble/core';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** This station measures everything. */
type MeasuredDay = Required<StationDay>;

/** An invented dry inland plain: the same seed and date give the same day, whenever and in whatever order it is asked for. */
export interface Climate {
  seed: number;
  latitudeDeg: number;
}

/** Days with a story, month-day to what happens: a heat wave, a storm, a soaking rain, the first frosts. Invented. */
const STORY: Readonly<Record<string, Partial<MeasuredDay>>> = {
  '07-16': { tMaxC: 34.2, tMinC: 18.4, windMs: 3.1, rainMm: 0, rhMinPct: 24 },
  '07-17': { tMaxC: 35.1, tMinC: 19.3, windMs: 3.6, rainMm: 0, rhMinPct: 21 },
  '07-18': { tMaxC: 36.4, tMinC: 20.1, windMs: 4.4, rainMm: 0, rhMinPct: 18 },
  '07-19': { tMaxC: 34.6, tMinC: 19.5, windMs: 3.9, rainMm: 0, rhMinPct: 22 },
  '07-22': { tMaxC: 27.8, tMinC: 17.2, windMs: 5.2, rainMm: 31.5, rhMinPct: 55, rhMaxPct: 97, solarMJ: 14 },
  '08-12': { tMaxC: 24.1, tMinC: 14.8, rainMm: 17.2, rhMinPct: 58, rhMaxPct: 97, solarMJ: 11 },
  '11-09': { tMinC: -4.2, tMaxC: 5.1, rainMm: 0 },
  '11-17': { tMinC: -8.6, tMaxC: 1.4, rainMm: 0 },
};

/** Rain falls on this share of days by month, and this much on a rainy one, mm. Invented. */
const WET_SHARE = [0.25, 0.22, 0.22, 0.24, 0.26, 0.2, 0.08, 0.12, 0.16, 0.2, 0.26, 0.28];
const WET_MM = [4, 4, 5, 6, 7, 7, 5, 7, 7, 6, 5, 4];

/** Numbers 0–1 that belong to a date alone. */
function dice(seed: number, date: string, salt: number): () => number {
  const day = Math.round(Date.parse(`${date}T00:00:00Z`) / 86_400_000);
  const generator = xoroshiro128plus((seed * 2_654_435_761 + day * 40_503 + salt * 97) | 0);
  for (let i = 0; i < 4; i += 1) uniformFloat64(generator);
  return () => uniformFloat64(generator);
}

/** Slow swings of a few days: the mean of the dice of nearby days. */
function swing(seed: number, date: string): number {
  let sum = 0;
  for (let k = -2; k <= 2; k += 1) sum += dice(seed, addDays(date, k), 7)() - 0.5;
  return sum / 2;
}

/** The weather that was, or will have been, on a date. */
export function weatherOn(climate: Climate, date: string): MeasuredDay {
  const roll = dice(climate.seed, date, 1);
  const doy = dayOfYear(date);
  const month = Number(date.slice(5, 7)) - 1;
  const north = climate.latitudeDeg >= 0 ? 1 : -1;
  const season = -north * Math.cos((2 * Math.PI * (doy - 18)) / 365);
  const mean = 10.8 + 12.2 * season + 4.5 * swing(climate.seed, date);
  const wet = roll() < (WET_SHARE[month] ?? 0);
  const range = (wet ? 8 : 12.5) + 2.2 * season + (roll() - 0.5) * 2.5;
  const above = extraterrestrialRadiation({ latitudeDeg: climate.latitudeDeg, dayOfYear: doy });
  const day: MeasuredDay = {
    date,
    tMinC: mean - range / 2,
    tMaxC: mean + range / 2,
    rhMinPct: (wet ? 55 : 34 - 6 * season) + (roll() - 0.5) * 8,
    rhMaxPct: (wet ? 96 : 84) + (roll() - 0.5) * 6,
    windMs: 1.6 + 2 * roll(),
    solarMJ: above * ((wet ? 0.36 : 0.62) + (roll() - 0.5) * 0.12),
    rainMm: wet ? 0.4 - Math.log(1 - 0.98 * roll()) * (WET_MM[month] ?? 0) : 0,
    ...STORY[date.slice(5)],
  };
  return tidy(day);
}

const tenth = (value: number): number => Math.round(value * 10) / 10;

function tidy<T extends MeasuredDay>(day: T): T {
  const tMinC = tenth(Math.min(day.tMinC, day.tMaxC - 1));
  return {
    ...day,
    tMinC,
    tMaxC: tenth(day.tMaxC),
    rhMinPct: Math.round(Math.min(95, Math.max(10, day.rhMinPct))),
    rhMaxPct: Math.round(Math.min(100, Math.max(day.rhMinPct + 5, day.rhMaxPct))),
    windMs: tenth(day.windMs),
    solarMJ: tenth(day.solarMJ),
    rainMm: tenth(day.rainMm),
  };
}

/** What a forecast issued on the morning of `today` says of the day `lead` days on: right today, vaguer with every day. */
export function forecastOn(climate: Climate, today: string, lead: number): Required<StationForecastDay> {
  const truth = weatherOn(climate, addDays(today, lead));
  const roll = dice(climate.seed, truth.date, 1000 + lead + 31 * dayOfYear(today));
  const doubt = Math.min(1, lead / 10);
  const error = (roll() + roll() - 1) * 5 * doubt;
  const wetTruth = truth.rainMm >= 1;
  const falseAlarm = !wetTruth && roll() < 0.12 * doubt;
  const missed = wetTruth && roll() < 0.35 * doubt;
  const said = (wetTruth && !missed) || falseAlarm;
  const rainMm = falseAlarm ? 2 + 8 * roll() : truth.rainMm * (1 + (roll() - 0.5) * doubt);
  return tidy({
    ...truth,
    tMinC: truth.tMinC + error * 0.7,
    tMaxC: truth.tMaxC + error,
    rainMm: said ? rainMm : 0,
    rainChance: said ? tenth(0.9 - 0.35 * doubt) : tenth(0.05 + 0.15 * doubt),
  });
}
