import { item } from '../units/at.ts';
import type { IsoDate } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import { gaugeOf, stepRun, trialOf, type PlaceRun } from './run.ts';

/** Rain the plan counts on is at least this likely. Judgement. */
const LIKELY = 0.6;
/** Rain worth waiting for brings this share of what is missing, within these days. Judgement. */
const WORTH_SHARE = 0.5;
const WAIT_DAYS = 2;
/** How far past the refill line a bed may go while it waits for rain. Judgement. */
const WAIT_STRETCH = 1.15;
/** A millimetre the plants miss weighs as much as so many carried for nothing. Judgement. */
const MISSED_WEIGHT = 20;

/** Rain the plan counts on, mm. */
export const likelyRain = (day: SourcedDay): number => (day.rainChance >= LIKELY ? day.rainMm : 0);

export interface RainWait {
  on: IsoDate;
  rainMm: number;
  chance: number;
  /** What the plants miss if it fails, mm over the bed and as a share of what they want until then. */
  missedMm: number;
  missedShare: number;
}

/**
 * Rain worth waiting for: the water it would save, times its chance, outweighs what the plants would miss meanwhile,
 * whether it comes or fails.
 * @param run the place this morning; `d` the day, `missingMm` gone from its root zone, `tender` how much its crop minds (FAO-33)
 * @returns the rain and its risk, or null
 * Source: expected loss on either side; the weights are the judgements of this file.
 */
export function rainWorthWaiting(
  run: PlaceRun,
  weather: readonly SourcedDay[],
  d: number,
  missingMm: number,
  tender: number,
): RainWait | null {
  if (run.place.underCover(d)) return null;
  const worth = (rain: number): boolean => rain > 0 && rain >= WORTH_SHARE * missingMm;
  if (!weather.slice(d, d + WAIT_DAYS + 1).some((day) => worth(likelyRain(day)))) return null;
  const counted = trialOf(run, 'rain comes');
  const failed = trialOf(run, 'rain fails');
  const areaM2 = run.place.areaM2(d);
  const missedOn = (trial: PlaceRun): number => {
    const { wantedL, suppliedL } = gaugeOf(trial);
    return (wantedL - suppliedL) / areaM2;
  };
  let missedMm = 0;
  let missedAnyway = 0;
  let wantedMm = 0;
  for (let k = d; k <= d + WAIT_DAYS && k < weather.length; k += 1) {
    const day = item(weather, k);
    const rain = likelyRain(day);
    stepRun(failed, k, 0, 0);
    wantedMm += gaugeOf(failed).wantedL / areaM2;
    missedMm += missedOn(failed);
    stepRun(counted, k, rain, 0);
    missedAnyway += missedOn(counted);
    if (worth(rain)) {
      const { rainMm, rainChance: chance } = day;
      const saved = chance * Math.min(rainMm, missingMm);
      const missed = (1 - chance) * missedMm + chance * missedAnyway;
      if (saved < missed * tender * MISSED_WEIGHT) return null;
      return { on: day.date, rainMm, chance, missedMm, missedShare: wantedMm > 0 ? missedMm / wantedMm : 0 };
    }
    const { goneL, spareL } = gaugeOf(counted);
    if (goneL > WAIT_STRETCH * spareL) return null;
  }
  return null;
}
