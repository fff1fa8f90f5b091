import { bedModel, type BedInput, type BedModel } from '../balance/bedModel.ts';
import { cloneState, OUT, startState, type BedState } from '../balance/bedState.ts';
import {
  dailyRecord,
  irrigationSeries,
  weatherSeries,
  type DailyRecord,
  type Irrigation,
  type WeatherSeries,
} from '../balance/simulateBed.ts';
import { stepDay } from '../balance/stepDay.ts';
import {
  efficiencyOf,
  grossLitres,
  runPlan,
  wettedFractionOf,
  type Delivery,
  type RunPlan,
} from '../delivery/runPlan.ts';
import { plantOnDay, stageDates } from '../plants/plantOnDay.ts';
import { LAYER_MM } from '../soil/soilProfile.ts';
import type { StageName } from '../plants/types.ts';
import { addDays, daysBetween, type IsoDate } from '../units/dates.ts';
import { atLeast, within } from '../units/guard.ts';
import type { DaySource, SourcedDay } from '../weather/completeWeather.ts';
import type { ReferenceEtRoute } from '../weather/referenceEt.ts';
import {
  forecastEnsemble,
  type ForecastEnsemble,
  type RainClimatology,
} from '../weather/forecastEnsemble.ts';
import type { Site } from '../weather/types.ts';
import { bedSpread, quantile } from './dueWindow.ts';

/** A bed as the plan takes it: its ground and plants, its water, what it has had and how it began. */
export interface PlanBed {
  id: number;
  bed: BedInput;
  delivery: Delivery;
  irrigations: Irrigation[];
  /** First day of its balance, and the share of its available water on it (0–1). */
  startOn: IsoDate;
  startFullness: number;
  /** Watered, or left on purpose, today: no more is asked of it until tomorrow. */
  settledToday?: boolean;
}

export interface PlanOptions {
  today: IsoDate;
  /** Days ahead, today included, 1–28; default 14. */
  horizonDays?: number;
  /** Members of the ensemble behind the windows, 0–1000; default 200; 0 leaves the windows out. */
  members?: number;
  /** Seed of the ensemble; default 1. The same seed gives the same plan. */
  seed?: number;
  /** Rain of the season on days past the forecast; without it such days are dry. */
  climatology?: RainClimatology;
}

/** When the next watering falls due in 10, 50 and 90 % of the ways the weather may go; null past the horizon. */
export interface DueWindow {
  early: IsoDate | null;
  likely: IsoDate | null;
  late: IsoDate | null;
  /** Litres through the tap over the horizon: 10, 50 and 90 %. */
  litres: { low: number; middle: number; high: number };
}

/** Limits of the garden. What does not fit is left out, and said. */
export interface PlanConstraints {
  /** Minutes the taps may run on one day. */
  minutesPerDay?: number;
}

/** What a watering was decided on, as facts; the words are made where they are shown. mm deep in the watered ground. */
export interface WaterReason {
  code: 'refill line' | 'establishing';
  /** Gone from the root zone this morning, what it can spare today, and what it can hold. */
  depletionMm: number;
  readilyMm: number;
  totalMm: number;
  /** Use of the day over the bed if no water came, and what an unhindered crop would use. */
  useTodayMm: number;
  cropUseMm: number;
  /** Share of the store that may go, before the day's use moves it. */
  depletionShare: number;
}

/** Why a bed is left alone today. */
export type LeaveReason =
  | { code: 'enough in store'; daysInHand: number; depletionMm: number; readilyMm: number }
  | { code: 'rain coming'; on: IsoDate; rainMm: number; chance: number }
  | { code: 'too wet'; airlessDays: number }
  | { code: 'nothing growing' }
  | { code: 'settled today' };

export interface PlannedWatering {
  bedId: number;
  date: IsoDate;
  run: RunPlan;
  /** How deep the water will reach, mm. */
  reachesMm: number;
  reason: WaterReason;
  /** On a bed's first watering: how sure its date is. */
  window?: DueWindow;
}

export interface BedOutlook {
  bedId: number;
  /** Every day of the balance up to yesterday. */
  past: DailyRecord[];
  /** The days of the horizon, with the plan's waterings in them, and what each day's weather rests on. */
  ahead: DailyRecord[];
  aheadSources: DaySource[];
  /** Today's morning: water gone from the root zone, what it can spare and hold, mm deep in the watered ground. */
  depletionMm: number;
  readilyMm: number;
  totalMm: number;
  rootDepthMm: number;
  layersMm: number[];
  fieldCapacityMm: number[];
  wiltingPointMm: number[];
  saturationMm: number[];
  stage: StageName | null;
  stages: { stage: StageName; from: IsoDate }[];
  next: PlannedWatering | null;
  /** Null when no ensemble was asked for. */
  window: DueWindow | null;
  /** Present when nothing is asked of the bed today. */
  leave: LeaveReason | null;
}

export interface GardenPlan {
  waterings: PlannedWatering[];
  /** All of today’s waterings together: minutes one after another, litres through the taps. */
  todayTotals: { minutes: number; litres: number };
  leftOut: { bedId: number; date: IsoDate; minutes: number; why: 'minutes a day' }[];
  beds: BedOutlook[];
}

/** Rain is waited for when it is this likely, brings this share of what is missing, and comes within these days. Judgement. */
const LIKELY = 0.6;
const WORTH_SHARE = 0.5;
const WAIT_DAYS = 2;
/** How far past the refill line a bed may go while it waits for rain. Judgement. */
const WAIT_STRETCH = 1.15;
/** Least depth worth carrying water for, mm. Judgement. */
const LEAST_MM = 4;

const DEFAULT_MEMBERS = 200;

const likelyRain = (day: SourcedDay): number => (day.rainChance >= LIKELY ? day.rainMm : 0);

interface Run {
  model: BedModel;
  state: BedState;
  series: WeatherSeries;
  first: IsoDate;
}

function step(run: Run, d: number, rain: number, irrigationMm: number): void {
  stepDay(run.model, run.state, d, run.series.et0[d], rain, irrigationMm, run.series.climate[d]);
}

/** How the day would end if no water came: a look ahead on a copy. */
function lookAhead(run: Run, d: number, rain: number): Omit<WaterReason, 'code'> {
  const trial: Run = { ...run, state: cloneState(run.state) };
  step(trial, d, rain, 0);
  const { out } = trial.state;
  return {
    depletionMm: out[OUT.depletion],
    readilyMm: out[OUT.readily],
    totalMm: out[OUT.available],
    useTodayMm: out[OUT.evaporation] + out[OUT.transpiration],
    cropUseMm: out[OUT.evaporation] + out[OUT.transpirationWanted],
    depletionShare: run.model.p[d],
  };
}

/** Root-zone depletion and capacity of the watered ground as the state stands, mm. */
function morning(run: Run): { depletion: number; total: number } {
  const { profile } = run.model;
  const root = run.state.rootMm;
  let depletion = 0;
  let total = 0;
  for (let i = 0; i * LAYER_MM < root && i < profile.layers; i += 1) {
    const part = Math.min(1, (root - i * LAYER_MM) / LAYER_MM);
    const held = profile.fieldCapacityMm[i] - profile.wiltingPointMm[i];
    depletion += part * Math.max(0, profile.fieldCapacityMm[i] - run.state.water[i]);
    total += part * held;
  }
  return { depletion, total };
}

/** Rain worth waiting for within the next days, if the bed can stand the wait. */
function rainWorthWaiting(
  run: Run,
  weather: readonly SourcedDay[],
  d: number,
  missing: number,
): { on: IsoDate; rainMm: number; chance: number } | null {
  const trial: Run = { ...run, state: cloneState(run.state) };
  for (let k = d; k <= d + WAIT_DAYS && k < weather.length; k += 1) {
    const day = weather[k] as SourcedDay;
    if (likelyRain(day) >= WORTH_SHARE * missing && likelyRain(day) > 0) {
      return { on: day.date, rainMm: day.rainMm, chance: day.rainChance };
    }
    step(trial, k, likelyRain(day), 0);
    if (trial.state.out[OUT.depletion] > WAIT_STRETCH * trial.state.out[OUT.readily]) return null;
  }
  return null;
}

function outlookOf(
  input: PlanBed,
  weather: readonly SourcedDay[],
  series: WeatherSeries,
  first: IsoDate,
  options: { today: IsoDate; horizonDays: number },
  ensemble: ForecastEnsemble | null,
): { outlook: BedOutlook; waterings: PlannedWatering[] } {
  const bed: BedInput = { ...input.bed, wettedFraction: wettedFractionOf(input.delivery) };
  const offset = daysBetween(first, input.startOn);
  const mine: WeatherSeries = {
    et0: series.et0.subarray(offset),
    rain: series.rain.subarray(offset),
    climate: series.climate.subarray(offset),
    routes: series.routes.slice(offset),
  };
  const days = weather.slice(offset);
  const model = bedModel(bed, input.startOn, days.length);
  const run: Run = {
    model,
    state: startState(model, input.startFullness),
    series: mine,
    first: input.startOn,
  };
  const given = irrigationSeries(
    input.irrigations.filter((i) => i.date >= input.startOn && i.date <= options.today),
    input.startOn,
    days.length,
  );
  const todayIndex = daysBetween(input.startOn, options.today);
  const record = (d: number): DailyRecord =>
    dailyRecord(
      model,
      run.state,
      (days[d] as SourcedDay).date,
      mine.et0[d],
      mine.routes[d] as ReferenceEtRoute,
      true,
    );

  const past: DailyRecord[] = [];
  for (let d = 0; d < todayIndex; d += 1) {
    step(run, d, mine.rain[d], given[d]);
    past.push(record(d));
  }

  const now = morning(run);
  const layersMm = Array.from(run.state.water.subarray(0, model.profile.layers));
  const rootDepthMm = run.state.rootMm;
  const planting = bed.plantings.find((p) => plantOnDay(p, options.today) !== null);
  const plant = planting ? plantOnDay(planting, options.today) : null;

  const window = ensemble && windowOf(input, run, todayIndex, ensemble, given[todayIndex], options.today);
  const ahead: DailyRecord[] = [];
  const waterings: PlannedWatering[] = [];
  let leave: LeaveReason | null = null;
  let readilyNow = 0;
  for (let d = todayIndex; d < days.length; d += 1) {
    const day = days[d] as SourcedDay;
    const isToday = d === todayIndex;
    const rain = day.source === 'record' ? day.rainMm : likelyRain(day);
    const growing = bed.plantings.some((p) => plantOnDay(p, day.date) !== null);
    let irrigationMm = given[d];
    const trial = lookAhead(run, d, rain);
    if (isToday) readilyNow = trial.readilyMm;
    const before = morning(run).depletion;
    const airless = run.state.wetDays;
    const past = trial.depletionMm > trial.readilyMm && before >= LEAST_MM;
    const held = !growing || (isToday && input.settledToday) || irrigationMm > 0;
    const wait = past && !held ? rainWorthWaiting(run, days, d, before) : null;
    if (past && !held && !wait) {
      const plan = runPlan({
        localMm: before,
        areaM2: bed.areaM2,
        delivery: input.delivery,
        infiltrationMmPerHour: model.profile.infiltrationMmPerHour,
      });
      irrigationMm = plan.bedMm;
      const young = growing && bed.plantings.some((p) => plantOnDay(p, day.date)?.stage === 'establishing');
      waterings.push({
        bedId: input.id,
        date: day.date,
        run: plan,
        reachesMm: 0,
        reason: { ...trial, code: young ? 'establishing' : 'refill line', depletionMm: before },
      });
    } else if (isToday) {
      leave = leaveReason({
        growing,
        settled: Boolean(input.settledToday) || irrigationMm > 0,
        wait,
        airless,
      });
    }
    step(run, d, rain, irrigationMm);
    ahead.push(record(d));
    const last = waterings[waterings.length - 1];
    if (last && last.date === day.date) last.reachesMm = run.state.out[OUT.front];
  }

  const next = waterings[0] ?? null;
  if (next && window) next.window = window;
  if (leave?.code === 'enough in store') {
    leave = {
      code: 'enough in store',
      daysInHand: next ? daysBetween(options.today, next.date) : options.horizonDays,
      depletionMm: now.depletion,
      readilyMm: readilyNow,
    };
  }
  return {
    outlook: {
      bedId: input.id,
      past,
      ahead,
      aheadSources: days.slice(todayIndex).map((day) => day.source),
      depletionMm: now.depletion,
      readilyMm: readilyNow,
      totalMm: now.total,
      rootDepthMm,
      layersMm,
      fieldCapacityMm: Array.from(model.profile.fieldCapacityMm),
      wiltingPointMm: Array.from(model.profile.wiltingPointMm),
      saturationMm: Array.from(model.profile.saturationMm),
      stage: plant?.stage ?? null,
      stages: planting ? stageDates(planting, options.today) : [],
      next,
      window,
      leave,
    },
    waterings,
  };
}

/** Due dates and litres over the members of the ensemble. */
function windowOf(
  input: PlanBed,
  run: Run,
  todayIndex: number,
  ensemble: ForecastEnsemble,
  givenTodayMm: number,
  today: IsoDate,
): DueWindow {
  const grows = Array.from({ length: ensemble.days }, (_, d) =>
    input.bed.plantings.some((p) => plantOnDay(p, addDays(today, d)) !== null),
  );
  const spread = bedSpread({
    model: run.model,
    state: run.state,
    todayIndex,
    ensemble,
    grows,
    leastMm: LEAST_MM,
    givenTodayMm,
    settledToday: Boolean(input.settledToday) || givenTodayMm > 0,
  });
  const date = (share: number): IsoDate | null => {
    const day = quantile(spread.dueDay, share);
    return day < ensemble.days ? addDays(today, day) : null;
  };
  const litres = (share: number): number =>
    grossLitres(quantile(spread.bedMm, share), input.bed.areaM2, efficiencyOf(input.delivery));
  return {
    early: date(0.1),
    likely: date(0.5),
    late: date(0.9),
    litres: { low: litres(0.1), middle: litres(0.5), high: litres(0.9) },
  };
}

function leaveReason(facts: {
  growing: boolean;
  settled: boolean;
  wait: { on: IsoDate; rainMm: number; chance: number } | null;
  airless: number;
}): LeaveReason {
  if (facts.settled) return { code: 'settled today' };
  if (!facts.growing) return { code: 'nothing growing' };
  if (facts.airless > 1) return { code: 'too wet', airlessDays: facts.airless };
  if (facts.wait) return { code: 'rain coming', ...facts.wait };
  return { code: 'enough in store', daysInHand: 0, depletionMm: 0, readilyMm: 0 };
}

/**
 * The garden's waterings from today on: for each bed the balance up to this morning, then ahead through the
 * forecast, refilling the root zone on the morning of the day it would pass its refill line.
 * Likely rain that would do a good part of the job is waited for while the bed can stand it.
 * @param garden site and beds
 * @param weather an unbroken series from the earliest `startOn` to the last day of the horizon
 * @param constraints limits of the garden; today's waterings beyond them are left out, driest last
 * @param options today, and how many days ahead
 * @returns waterings in date order, what was left out, and every bed's outlook
 * @throws RangeError when the weather does not cover the days asked for, or a bed is impossible
 * Source: refill at the readily available water, FAO-56 ch. 8; waiting for rain is a judgement named above.
 */
export function planGarden(
  garden: { site: Site; beds: readonly PlanBed[] },
  weather: readonly SourcedDay[],
  constraints: PlanConstraints,
  options: PlanOptions,
): GardenPlan {
  const horizonDays = within('horizonDays', options.horizonDays ?? 14, 1, 28, 'days');
  const { today } = options;
  if (garden.beds.length === 0)
    return { waterings: [], todayTotals: { minutes: 0, litres: 0 }, leftOut: [], beds: [] };
  atLeast('weather', weather, 1);
  const first = (weather[0] as SourcedDay).date;
  const end = addDays(today, horizonDays - 1);
  const last = (weather[weather.length - 1] as SourcedDay).date;
  if (last < end) throw new RangeError(`weather must reach ${end}; got days up to ${last}`);
  const days = weather.slice(0, daysBetween(first, end) + 1);
  const series = weatherSeries(days, garden.site);

  const members = within('members', options.members ?? DEFAULT_MEMBERS, 0, 1000);
  const ensemble =
    members > 0
      ? forecastEnsemble({
          days: days.slice(daysBetween(first, today)),
          site: garden.site,
          members,
          seed: options.seed ?? 1,
          climatology: options.climatology,
        })
      : null;

  const waterings: PlannedWatering[] = [];
  const beds: BedOutlook[] = [];
  for (const bed of garden.beds) {
    if (bed.startOn < first || bed.startOn > today) {
      throw new RangeError(`startOn must lie from ${first} to ${today}; got ${bed.startOn}`);
    }
    within('startFullness', bed.startFullness, 0, 1);
    const { outlook, waterings: mine } = outlookOf(
      bed,
      days,
      series,
      first,
      { today, horizonDays },
      ensemble,
    );
    beds.push(outlook);
    waterings.push(...mine);
  }
  waterings.sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : a.bedId - b.bedId));
  const leftOut = overLimit(waterings, constraints, today);
  const kept = waterings.filter((w) => !leftOut.some((l) => l.bedId === w.bedId && l.date === w.date));
  const now = kept.filter((w) => w.date === today);
  const todayTotals = {
    minutes: now.reduce((sum, w) => sum + w.run.minutes, 0),
    litres: now.reduce((sum, w) => sum + w.run.litres, 0),
  };
  return { waterings: kept, todayTotals, leftOut, beds };
}

/**
 * What a gardener who followed the plan every day would have done on one bed over a stretch of known weather.
 * @param options site, the bed (its `irrigations` count as given), known weather covering the days, first and last day
 * @returns the waterings, oldest first
 * @throws RangeError when the weather does not cover the days or the bed is impossible
 */
export function followSeason(options: {
  site: Site;
  bed: PlanBed;
  weather: readonly SourcedDay[];
  to: IsoDate;
}): PlannedWatering[] {
  const { bed, weather, to } = options;
  const first = (atLeast('weather', weather, 1)[0] as SourcedDay).date;
  const days = weather.filter((day) => day.date <= to);
  const series = weatherSeries(days, options.site);
  const horizonDays = within('days', daysBetween(bed.startOn, to) + 1, 1, 2000, 'days');
  return outlookOf(bed, days, series, first, { today: bed.startOn, horizonDays }, null).waterings;
}

/** Today's waterings that do not fit the minutes of the day: those furthest below their line are kept. */
function overLimit(
  waterings: readonly PlannedWatering[],
  constraints: PlanConstraints,
  today: IsoDate,
): GardenPlan['leftOut'] {
  if (constraints.minutesPerDay === undefined) return [];
  const need = (w: PlannedWatering): number => w.reason.depletionMm / Math.max(1e-9, w.reason.readilyMm);
  const ranked = waterings.filter((w) => w.date === today).sort((a, b) => need(b) - need(a));
  const leftOut: GardenPlan['leftOut'] = [];
  let used = 0;
  for (const watering of ranked) {
    if (used + watering.run.minutes <= constraints.minutesPerDay) used += watering.run.minutes;
    else {
      leftOut.push({
        bedId: watering.bedId,
        date: watering.date,
        minutes: watering.run.minutes,
        why: 'minutes a day',
      });
    }
  }
  return leftOut;
}
