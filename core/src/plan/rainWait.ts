import { cloneState, OUT } from '../balance/bedState.ts';
import type { IsoDate } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import { stepRun, type BedRun } from './bedRun.ts';

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
 * @param run the bed this morning; `d` the day, `missingMm` gone from its root zone, `tender` how much its crop minds (FAO-33)
 * @returns the rain and its risk, or null
 * Source: expected loss on either side; the weights are the judgements of this file.
 */
export function rainWorthWaiting(
  run: BedRun,
  weather: readonly SourcedDay[],
  d: number,
  missingMm: number,
  tender: number,
): RainWait | null {
  if (run.model.underCover) return null;
  const counted: BedRun = { ...run, state: cloneState(run.state) };
  const failed: BedRun = { ...run, state: cloneState(run.state) };
  const missedOn = ({ state: { out } }: BedRun): number =>
    out[OUT.transpirationWanted] - out[OUT.transpiration];
  let missedMm = 0;
  let missedAnyway = 0;
  let wantedMm = 0;
  for (let k = d; k <= d + WAIT_DAYS && k < weather.length; k += 1) {
    const day = weather[k] as SourcedDay;
    const rain = likelyRain(day);
    stepRun(failed, k, 0, 0);
    wantedMm += failed.state.out[OUT.transpirationWanted];
    missedMm += missedOn(failed);
    stepRun(counted, k, rain, 0);
    missedAnyway += missedOn(counted);
    if (rain > 0 && rain >= WORTH_SHARE * missingMm) {
      const { rainMm, rainChance: chance } = day;
      const saved = chance * Math.min(rainMm, missingMm);
      const missed = (1 - chance) * missedMm + chance * missedAnyway;
      if (saved < missed * tender * MISSED_WEIGHT) return null;
      return { on: day.date, rainMm, chance, missedMm, missedShare: wantedMm > 0 ? missedMm / wantedMm : 0 };
    }
    if (counted.state.out[OUT.depletion] > WAIT_STRETCH * counted.state.out[OUT.readily]) return null;
  }
  return null;
}
