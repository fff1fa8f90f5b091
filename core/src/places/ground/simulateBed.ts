import { at, listed } from '../../units/at.ts';
import type { IsoDate } from '../../units/dates.ts';
import { frostyNights } from '../../plants/frostKill.ts';
import { plantingsHere } from '../../plants/plantingsHere.ts';
import { atLeast, positive, within } from '../../units/guard.ts';
import type { ReferenceEtRoute } from '../../weather/referenceEt.ts';
import type { Site, WeatherDay } from '../../weather/types.ts';
import { weatherSeries } from '../../weather/weatherSeries.ts';
import type { DailyRecord } from '../dailyRecord.ts';
import { irrigationSeries } from '../irrigationSeries.ts';
import type { Irrigation } from '../place.ts';
import { bedModel, type BedInput, type BedModel } from './bedModel.ts';
import { cloneState, OUT, startState, storedMm, type BedState } from './bedState.ts';
import { stepDay } from './stepDay.ts';

export interface SimulateOptions {
  site: Site;
  /** Share of the available water in the whole profile on the first day, 0–1; default 1, field capacity. */
  startFullness?: number;
  /** Roots answer to wetting and dryness; default true. Off, they follow the calendar alone. */
  rootResponse?: boolean;
  /** Carry every layer's water in the daily records; default true. */
  layers?: boolean;
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
    rainMm: at(out, OUT.rain),
    irrigationMm: at(out, OUT.irrigation),
    runoffMm: at(out, OUT.runoff),
    evaporationMm: at(out, OUT.evaporation),
    transpirationMm: at(out, OUT.transpiration),
    transpirationWantedMm: at(out, OUT.transpirationWanted),
    useMm: at(out, OUT.evaporation) + at(out, OUT.transpiration),
    lostBelowRootsMm: at(out, OUT.belowRoots),
    drainageMm: at(out, OUT.drainage),
    depletionMm: at(out, OUT.depletion),
    totalAvailableMm: at(out, OUT.available),
    readilyAvailableMm: at(out, OUT.readily),
    rootDepthMm: Math.min(model.profile.depthMm, at(out, OUT.rootDepth)),
    stressCoefficient: at(out, OUT.stress),
    wetFrontMm: Math.min(model.profile.depthMm, at(out, OUT.front)),
    airlessDays: at(out, OUT.wetDays),
  };
  if (withLayers) record.layersMm = listed(state.water, model.profile.layers);
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
  const plantings = plantingsHere(bed.plantings, {
    latitudeDeg: options.site.latitudeDeg,
    frosts: frostyNights(weather),
    underCover: bed.place?.underCover,
  });
  const model = bedModel({ ...bed, plantings }, firstDate, weather.length, {
    rootResponse: options.rootResponse,
  });
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
    stepDay(
      model,
      state,
      d,
      at(series.et0, d),
      at(series.rain, d),
      at(watering, d),
      at(series.climate, d),
      at(series.warmth, d),
    );
    const day = weather[d] as WeatherDay;
    const route = series.routes[d] as ReferenceEtRoute;
    const record = dailyRecord(model, state, day.date, at(series.et0, d), route, options.layers ?? true);
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
