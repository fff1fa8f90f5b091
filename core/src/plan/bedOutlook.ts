import { bedModel, type BedInput, type BedModel } from '../balance/bedModel.ts';
import { cloneState, OUT, startState, type BedState } from '../balance/bedState.ts';
import {
  dailyRecord,
  irrigationSeries,
  type DailyRecord,
  type WeatherSeries,
} from '../balance/simulateBed.ts';
import { stepDay } from '../balance/stepDay.ts';
import { runPlan, wettedFractionOf } from '../delivery/runPlan.ts';
import { cropOf, plantOnDay, stageDates, type PlantOnDay } from '../plants/plantOnDay.ts';
import type { PlantingInput } from '../plants/types.ts';
import { daysBetween, type IsoDate } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import type { ForecastEnsemble } from '../weather/forecastEnsemble.ts';
import type { ReferenceEtRoute } from '../weather/referenceEt.ts';
import { schoolOf, type School } from '../schools/schools.ts';
import { LEAST_MM, windowOf } from './dueWindow.ts';
import { rootZoneCapacity, rootZoneDepletion } from './rootZone.ts';
import type { BedOutlook, LeaveReason, PlanBed, PlannedWatering, WaterReason } from './types.ts';

/** Rain is waited for when it is this likely, brings this share of what is missing, and comes within these days. Judgement. */
const LIKELY = 0.6;
const WORTH_SHARE = 0.5;
const WAIT_DAYS = 2;
/** How far past the refill line a bed may go while it waits for rain. Judgement. */
const WAIT_STRETCH = 1.15;

/** Water given on the day of planting out, mm, however moist the ground: it settles soil round the roots. Common practice; the depth is a judgement. */
const DRENCH_MM = 12;

/** Whether something with roots of its own is planted out on a day. */
const plantedOut = (plantings: readonly PlantingInput[], date: IsoDate): boolean =>
  plantings.some((p) => p.plantedOn === date && (p.method ?? cropOf(p).usualStart) !== 'direct-sown');

/** Less than this no run is made for, mm: what a hand would not carry. */
const LEAST_RUN_MM = 0.5;

/** Days in a row after `d` that are closed to the bed. */
function closedAfter(closed: readonly IsoDate[] | undefined, days: readonly SourcedDay[], d: number): number {
  if (!closed || closed.length === 0) return 0;
  let n = 0;
  while (d + n + 1 < days.length && closed.includes((days[d + n + 1] as SourcedDay).date)) n += 1;
  return n;
}

/** Depletion `n` days after a day if no water is given until then, likely rain counted. */
function depletionAfter(run: Run, days: readonly SourcedDay[], d: number, n: number): number {
  const trial: Run = { ...run, state: cloneState(run.state) };
  for (let k = d; k <= d + n; k += 1) step(trial, k, likelyRain(days[k] as SourcedDay), 0);
  return trial.state.out[OUT.depletion];
}

/** What stands on a day, of several the first. */
function standing(plantings: readonly PlantingInput[], date: IsoDate): PlantOnDay | null {
  for (const planting of plantings) {
    const plant = plantOnDay(planting, date);
    if (plant) return plant;
  }
  return null;
}

/** What a school with a rhythm gives on a day, mm over the bed: its depth less the rain since, every so many days; 0 on other days. */
function rhythmDepth(
  school: School,
  run: Run,
  d: number,
  todayIndex: number,
  given: Float64Array,
  waterings: readonly PlannedWatering[],
  days: readonly SourcedDay[],
): number {
  if (!school.rhythm) return 0;
  const { days: every, mm } = school.rhythm;
  let last = -1;
  for (let k = Math.max(0, d - every); k < Math.min(d, todayIndex); k += 1) if (given[k] > 0) last = k;
  const planned = waterings.at(-1);
  if (planned) last = Math.max(last, daysBetween((days[0] as SourcedDay).date, planned.date));
  if (last >= 0 && d - last < every) return 0;
  let rain = 0;
  for (let k = Math.max(0, d - every); k < d; k += 1) rain += run.series.rain[k];
  const short = mm - rain;
  return short >= school.leastMm ? short : 0;
}

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

/** One bed up to this morning, then ahead through the weather with the plan followed. */
export function outlookOf(
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
  const school = schoolOf(input.school ?? 'deep and seldom');
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

  const depletionMm = rootZoneDepletion(model, run.state);
  const layersMm = Array.from(run.state.water.subarray(0, model.profile.layers));
  const rootDepthMm = run.state.rootMm;
  const planting = bed.plantings.find((p) => plantOnDay(p, options.today) !== null);
  const plant = planting ? plantOnDay(planting, options.today) : null;

  const window =
    ensemble && windowOf(input, run, todayIndex, ensemble, given[todayIndex], options.today, school);
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
    const before = rootZoneDepletion(model, run.state);
    const airless = run.state.wetDays;
    const plant0 = standing(bed.plantings, day.date);
    const byHand = input.fixed?.find((f) => f.date === day.date);
    const wilting = isToday && Boolean(input.wilting) && airless <= 1;
    const stopped = school.stopsAt !== undefined && plant0?.stage === school.stopsAt;
    const line = school.threshold(trial.readilyMm, trial.totalMm);
    const weekly = rhythmDepth(school, run, d, todayIndex, given, waterings, days);
    // Before days on which it may not be watered, what they will take counts as well.
    const ahead0 = closedAfter(input.closed, days, d);
    const dryBy = ahead0 > 0 ? depletionAfter(run, days, d, ahead0) : trial.depletionMm;
    const past =
      !stopped &&
      (byHand !== undefined || wilting || weekly > 0 || (dryBy > line && before >= school.leastMm));
    const toughening = input.holdUntil !== undefined && day.date < input.holdUntil && !wilting;
    const shut = Boolean(input.closed?.includes(day.date));
    const blocked = shut || (!byHand && Boolean(input.blocked?.includes(day.date)));
    const held =
      !growing ||
      (isToday && input.settledToday) ||
      irrigationMm > 0 ||
      toughening ||
      (blocked && (shut || !wilting));
    const drench = irrigationMm === 0 && plantedOut(bed.plantings, day.date);
    const insist = drench || wilting || byHand !== undefined || weekly > 0;
    const wait = past && !held && !insist ? rainWorthWaiting(run, days, d, before) : null;
    // Today's own rain can be what spares the bed: then that is the reason told.
    const spared = isToday && !past && !held && rain > 0 && before >= LEAST_MM;
    const withoutRain = spared ? lookAhead(run, d, 0) : null;
    const rainToday =
      withoutRain && withoutRain.depletionMm > withoutRain.readilyMm
        ? { on: day.date, rainMm: day.rainMm, chance: day.rainChance }
        : null;
    if ((past || drench) && !held && !wait) {
      const plan = runPlan({
        localMm:
          byHand?.localMm ??
          (weekly > 0
            ? weekly / wettedFractionOf(input.delivery)
            : drench
              ? Math.max(before, DRENCH_MM)
              : Math.max(LEAST_RUN_MM, school.refill * before)),
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
        reason: {
          ...trial,
          code: wilting
            ? 'wilting'
            : byHand
              ? 'set by hand'
              : weekly > 0
                ? 'fixed week'
                : drench
                  ? 'planting drench'
                  : young
                    ? 'establishing'
                    : 'refill line',
          depletionMm: before,
        },
      });
    } else if (isToday) {
      leave = leaveReason({
        growing,
        settled: Boolean(input.settledToday) || irrigationMm > 0,
        toughening: toughening ? (input.holdUntil ?? null) : null,
        blocked: blocked && past,
        wait: wait ?? rainToday,
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
      depletionMm,
      readilyMm: readilyNow,
    };
  }
  return {
    outlook: {
      bedId: input.id,
      past,
      ahead,
      aheadSources: days.slice(todayIndex).map((day) => day.source),
      depletionMm,
      readilyMm: readilyNow,
      totalMm: rootZoneCapacity(model, run.state),
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

function leaveReason(facts: {
  growing: boolean;
  settled: boolean;
  toughening: IsoDate | null;
  blocked: boolean;
  wait: { on: IsoDate; rainMm: number; chance: number } | null;
  airless: number;
}): LeaveReason {
  if (facts.settled) return { code: 'settled today' };
  if (!facts.growing) return { code: 'nothing growing' };
  if (facts.toughening) return { code: 'toughening', until: facts.toughening };
  if (facts.airless > 1) return { code: 'too wet', airlessDays: facts.airless };
  if (facts.blocked) return { code: 'not on this day', on: null };
  if (facts.wait) return { code: 'rain coming', ...facts.wait };
  return { code: 'enough in store', daysInHand: 0, depletionMm: 0, readilyMm: 0 };
}
