import { addDays, daysBetween, type IsoDate } from '../units/dates.ts';
import { OutOfRange, atLeast, positive, within } from '../units/guard.ts';
import { dayMinimumHumidity, dayWind, referenceEt, type ReferenceEtRoute } from '../weather/referenceEt.ts';
import type { Site, WeatherDay } from '../weather/types.ts';
import { bedModel, type BedInput, type BedModel } from './bedModel.ts';
import { cloneState, OUT, startState, storedMm, type BedState } from './bedState.ts';
import { climateTerm } from './evaporation.ts';
import { stepDay } from './stepDay.ts';

/** Water that reached the soil of a bed on a day, mm over the whole bed. */
export interface Irrigation {
  date: IsoDate;
  netMm: number;
}

export interface SimulateOptions {
  site: Site;
  /** Share of the available water in the whole profile on the first day, 0–1; default 1, field capacity. */
  startFullness?: number;
  /** Roots answer to wetting and dryness; default true. Off, they follow the calendar alone. */
  rootResponse?: boolean;
  /** Carry every layer's water in the daily records; default true. */
  layers?: boolean;
}

/** One day of a bed. All mm over the whole bed, but for the four root-zone figures of its watered ground. */
export interface DailyRecord {
  date: IsoDate;
  et0Mm: number;
  et0Route: ReferenceEtRoute;
  rainMm: number;
  irrigationMm: number;
  runoffMm: number;
  evaporationMm: number;
  transpirationMm: number;
  /** Evaporation and transpiration together. */
  useMm: number;
  /** Water that sank past the present roots (it may still be caught by deeper ones later). */
  lostBelowRootsMm: number;
  /** Water that left the bottom of the profile for good. */
  drainageMm: number;
  /** Water gone from the root zone at the end of the day, and what it can hold and spare, mm deep there. */
  depletionMm: number;
  totalAvailableMm: number;
  readilyAvailableMm: number;
  rootDepthMm: number;
  /** 1 unhindered, 0 none: the FAO-56 stress coefficient, and lack of air. */
  stressCoefficient: number;
  /** Depth the day's water reached, mm; 0 when none came. */
  wetFrontMm: number;
  /** Days in a row with too little air at the roots. */
  airlessDays: number;
  /** mm of water in each 50 mm layer of the watered ground, top first. */
  layersMm?: number[];
}

export interface ClosingBalance {
  rainMm: number;
  irrigationMm: number;
  runoffMm: number;
  evaporationMm: number;
  transpirationMm: number;
  drainageMm: number;
  storeStartMm: number;
  storeEndMm: number;
  /** What does not add up, mm: rounding only. */
  errorMm: number;
}

export interface SimulationResult {
  days: DailyRecord[];
  closing: ClosingBalance;
  /** State at the end of the last day, to go on from. */
  finalState: BedState;
  model: BedModel;
}

/** Weather as the daily step takes it: demand, rain and the climate term, one number a day. */
export interface WeatherSeries {
  et0: Float64Array;
  rain: Float64Array;
  climate: Float64Array;
  routes: ReferenceEtRoute[];
}

/** Checks that weather days follow one another without a gap, and works out each day's demand. */
export function weatherSeries(weather: readonly WeatherDay[], site: Site): WeatherSeries {
  const series: WeatherSeries = {
    et0: new Float64Array(weather.length),
    rain: new Float64Array(weather.length),
    climate: new Float64Array(weather.length),
    routes: [],
  };
  for (const [d, day] of weather.entries()) {
    const before = d > 0 ? weather[d - 1] : undefined;
    if (before && daysBetween(before.date, day.date) !== 1) {
      throw new OutOfRange(
        `weather[${d}].date`,
        `be ${addDays(before.date, 1)}, the day after the one before`,
        day.date,
      );
    }
    const et0 = referenceEt(day, site);
    series.et0[d] = et0.mm;
    series.routes.push(et0.route);
    series.rain[d] = within(`weather[${d}].rainMm`, day.rainMm, 0, 1000, 'mm');
    series.climate[d] = climateTerm(Math.min(6, Math.max(1, dayWind(day).ms)), dayMinimumHumidity(day));
  }
  return series;
}

/** Waterings as one figure a day. Throws `RangeError` on a watering outside the days or of an impossible depth. */
export function irrigationSeries(
  irrigations: readonly Irrigation[],
  firstDate: IsoDate,
  dayCount: number,
): Float64Array {
  const series = new Float64Array(dayCount);
  for (const [i, watering] of irrigations.entries()) {
    within(`irrigations[${i}].netMm`, watering.netMm, 0, 1000, 'mm');
    const d = daysBetween(firstDate, watering.date);
    if (d < 0 || d >= dayCount) {
      throw new OutOfRange(
        `irrigations[${i}].date`,
        `lie from ${firstDate} to ${addDays(firstDate, dayCount - 1)}`,
        watering.date,
      );
    }
    series[d] += watering.netMm;
  }
  return series;
}

/** The day just stepped as plain data. */
export function dailyRecord(
  model: BedModel,
  state: BedState,
  date: IsoDate,
  et0Mm: number,
  et0Route: ReferenceEtRoute,
  withLayers: boolean,
): DailyRecord {
  const { out } = state;
  const record: DailyRecord = {
    date,
    et0Mm,
    et0Route,
    rainMm: out[OUT.rain],
    irrigationMm: out[OUT.irrigation],
    runoffMm: out[OUT.runoff],
    evaporationMm: out[OUT.evaporation],
    transpirationMm: out[OUT.transpiration],
    useMm: out[OUT.evaporation] + out[OUT.transpiration],
    lostBelowRootsMm: out[OUT.belowRoots],
    drainageMm: out[OUT.drainage],
    depletionMm: out[OUT.depletion],
    totalAvailableMm: out[OUT.available],
    readilyAvailableMm: out[OUT.readily],
    rootDepthMm: out[OUT.rootDepth],
    stressCoefficient: out[OUT.stress],
    wetFrontMm: out[OUT.front],
    airlessDays: out[OUT.wetDays],
  };
  if (withLayers) record.layersMm = Array.from(state.water.subarray(0, model.profile.layers));
  return record;
}

/**
 * Runs a bed through its weather day by day, in 50 mm layers with the dual crop coefficient.
 * @param bed area m², ground, plantings, mulch, form, share wetted
 * @param weather consecutive days, oldest first
 * @param irrigations net waterings within those days, mm over the bed
 * @param options site and starting state
 * @returns a record per day, and the balance: rain + irrigation = runoff + evaporation + transpiration
 *   + drainage + change in store, to 1e-9 mm
 * @throws RangeError naming the field, the value and the allowed range
 * Source: see `stepDay`.
 */
export function simulateBed(
  bed: BedInput,
  weather: readonly WeatherDay[],
  irrigations: readonly Irrigation[],
  options: SimulateOptions,
): SimulationResult {
  atLeast('weather', weather, 1);
  positive('areaM2', bed.areaM2, 1_000_000, 'm²');
  const fullness = within('startFullness', options.startFullness ?? 1, 0, 1);
  const firstDate = (weather[0] as WeatherDay).date;
  const series = weatherSeries(weather, options.site);
  const watering = irrigationSeries(irrigations, firstDate, weather.length);
  const model = bedModel(bed, firstDate, weather.length, { rootResponse: options.rootResponse });
  const state = startState(model, fullness);
  const storeStartMm = storedMm(model, state);

  const closing: ClosingBalance = {
    rainMm: 0,
    irrigationMm: 0,
    runoffMm: 0,
    evaporationMm: 0,
    transpirationMm: 0,
    drainageMm: 0,
    storeStartMm,
    storeEndMm: storeStartMm,
    errorMm: 0,
  };
  const days: DailyRecord[] = [];
  for (let d = 0; d < weather.length; d += 1) {
    stepDay(model, state, d, series.et0[d], series.rain[d], watering[d], series.climate[d]);
    const day = weather[d] as WeatherDay;
    const route = series.routes[d] as ReferenceEtRoute;
    const record = dailyRecord(model, state, day.date, series.et0[d], route, options.layers ?? true);
    days.push(record);
    closing.rainMm += record.rainMm;
    closing.irrigationMm += record.irrigationMm;
    closing.runoffMm += record.runoffMm;
    closing.evaporationMm += record.evaporationMm;
    closing.transpirationMm += record.transpirationMm;
    closing.drainageMm += record.drainageMm;
  }
  closing.storeEndMm = storedMm(model, state);
  const came = closing.rainMm + closing.irrigationMm;
  const went = closing.runoffMm + closing.evaporationMm + closing.transpirationMm + closing.drainageMm;
  closing.errorMm = came - went - (closing.storeEndMm - storeStartMm);
  return { days, closing, finalState: cloneState(state), model };
}
