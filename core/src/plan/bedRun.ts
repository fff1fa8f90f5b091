import { bedModel, type BedInput, type BedModel } from '../balance/bedModel.ts';
import { cloneState, startState, type BedState } from '../balance/bedState.ts';
import {
  dailyRecord,
  irrigationSeries,
  type DailyRecord,
  type WeatherSeries,
} from '../balance/simulateBed.ts';
import { stepDay } from '../balance/stepDay.ts';
import { wettedFractionOf } from '../delivery/runPlan.ts';
import { daysBetween, type IsoDate } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import type { ReferenceEtRoute } from '../weather/referenceEt.ts';
import type { PlanBed } from './types.ts';

/** A bed on its way through the days. */
export interface BedRun {
  model: BedModel;
  state: BedState;
  series: WeatherSeries;
}

/** A bed followed up to this morning: from here the same past serves every try at the days ahead. */
export interface BedNow extends BedRun {
  /** Days from the bed's first on, and the water given on each, mm. */
  days: readonly SourcedDay[];
  given: Float64Array;
  todayIndex: number;
  past: DailyRecord[];
}

/** One day of a run, in place. */
export function stepRun(run: BedRun, d: number, rain: number, irrigationMm: number): void {
  stepDay(run.model, run.state, d, run.series.et0[d], rain, irrigationMm, run.series.climate[d]);
}

/** A copy to try things on. */
export const tryRun = (run: BedRun): BedRun => ({ ...run, state: cloneState(run.state) });

/** What a day of a run came to. */
export const recordRun = (
  run: BedRun,
  days: readonly SourcedDay[],
  d: number,
  withLayers = true,
): DailyRecord =>
  dailyRecord(
    run.model,
    run.state,
    (days[d] as SourcedDay).date,
    run.series.et0[d],
    run.series.routes[d] as ReferenceEtRoute,
    withLayers,
  );

/** Days back for which every layer's water is kept: what a section is drawn from. */
const LAYER_DAYS = 14;

/** A bed from its first day up to this morning, with the records of its last `pastDays`. */
export function followPast(
  input: PlanBed,
  weather: readonly SourcedDay[],
  series: WeatherSeries,
  first: IsoDate,
  today: IsoDate,
  pastDays = Number.POSITIVE_INFINITY,
): BedNow {
  const bed: BedInput = { ...input.bed, wettedFraction: wettedFractionOf(input.delivery) };
  const offset = daysBetween(first, input.startOn);
  const days = weather.slice(offset);
  const model = bedModel(bed, input.startOn, days.length);
  const now: BedNow = {
    model,
    state: startState(model, input.startFullness),
    series: {
      et0: series.et0.subarray(offset),
      rain: series.rain.subarray(offset),
      climate: series.climate.subarray(offset),
      routes: series.routes.slice(offset),
    },
    days,
    given: irrigationSeries(
      input.irrigations.filter((i) => i.date >= input.startOn && i.date <= today),
      input.startOn,
      days.length,
    ),
    todayIndex: daysBetween(input.startOn, today),
    past: [],
  };
  for (let d = 0; d < now.todayIndex; d += 1) {
    stepRun(now, d, now.series.rain[d], now.given[d]);
    if (d >= now.todayIndex - pastDays)
      now.past.push(recordRun(now, days, d, d >= now.todayIndex - LAYER_DAYS));
  }
  return now;
}
