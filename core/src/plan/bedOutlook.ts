import type { BedModel } from '../balance/bedModel.ts';
import { cloneState, copyState, OUT, type BedState } from '../balance/bedState.ts';
import type { DailyRecord, WeatherSeries } from '../balance/simulateBed.ts';
import { runPlan, wettedFractionOf, type RunPlan } from '../delivery/runPlan.ts';
import { cropOf, plantOnDay, stageDates, type PlantOnDay } from '../plants/plantOnDay.ts';
import type { PlantingInput } from '../plants/types.ts';
import { schoolOf, type School } from '../schools/schools.ts';
import { daysBetween, type IsoDate } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import { followPast, recordRun, stepRun, tryRun, type BedNow, type BedRun } from './bedRun.ts';
import { LEAST_MM, windowOf } from './dueWindow.ts';
import { likelyRain, rainWorthWaiting, type RainWait } from './rainWait.ts';
import { rootZoneCapacity, rootZoneDepletion } from './rootZone.ts';
import type { BedOutlook, DueWindow, LeaveReason, PlanBed, PlannedWatering, WaterReason } from './types.ts';
import type { ForecastEnsemble } from '../weather/forecastEnsemble.ts';

/** Water given on the day of planting out, mm, however moist the ground: it settles soil round the roots. Common practice; the depth is a judgement. */
const DRENCH_MM = 12;
/** Less than this no run is made for, mm: what a hand would not carry. */
const LEAST_RUN_MM = 0.5;
/** Missed waterings are looked for so many days back. */
const OVERDUE_DAYS = 7;

/** A bed followed to this morning, with what does not change however the days ahead are tried. */
export interface BedStart {
  now: BedNow;
  school: School;
  window: DueWindow | null;
}

/** How much the tenderest crop on a bed minds a shortage on a day (FAO-33 yield response); at least a half. */
export const tendernessOf = (plantings: readonly PlantingInput[], date: IsoDate): number =>
  Math.max(0.5, ...plantings.map((p) => (plantOnDay(p, date) ? cropOf(p).sensitivity : 0)));

/** Whether something with roots of its own is planted out on a day. */
const plantedOut = (plantings: readonly PlantingInput[], date: IsoDate): boolean =>
  plantings.some((p) => p.plantedOn === date && (p.method ?? cropOf(p).usualStart) !== 'direct-sown');

/** What stands on a day, of several the first. */
function standing(plantings: readonly PlantingInput[], date: IsoDate): PlantOnDay | null {
  for (const planting of plantings) {
    const plant = plantOnDay(planting, date);
    if (plant) return plant;
  }
  return null;
}

/** Why a bed is not watered on a day though it may be due, or null. */
type Shut = 'closed' | 'windy' | 'spared' | 'put off';
function shutOn(input: PlanBed, date: IsoDate): Shut | null {
  if (input.closed?.includes(date)) return 'closed';
  if (input.windy?.includes(date)) return 'windy';
  if (input.spared?.includes(date)) return 'spared';
  return input.blocked?.includes(date) ? 'put off' : null;
}

/** Days in a row after `d` on which it will not be watered by rule, and the rule of the first. */
function shutAfter(input: PlanBed, days: readonly SourcedDay[], d: number): { days: number; why: Shut } {
  let n = 0;
  let why: Shut = 'closed';
  for (; d + n + 1 < days.length; n += 1) {
    const shut = shutOn(input, (days[d + n + 1] as SourcedDay).date);
    if (shut === null || shut === 'put off') break;
    if (n === 0) why = shut;
  }
  return { days: n, why };
}

const AHEAD_OF: Readonly<Record<Shut, WaterReason['code']>> = {
  closed: 'before closed days',
  windy: 'before wind',
  spared: 'with this round',
  'put off': 'refill line',
};

/** Depletion `n` days after a day if no water is given until then, likely rain counted. */
function depletionAfter(run: BedRun, days: readonly SourcedDay[], d: number, n: number): number {
  const trial = tryRun(run);
  for (let k = d; k <= d + n; k += 1) stepRun(trial, k, likelyRain(days[k] as SourcedDay), 0);
  return trial.state.out[OUT.depletion];
}

/** What a school with a rhythm gives on a day, mm over the bed: its depth less the rain since, every so many days; 0 on other days. */
function rhythmDepth(school: School, now: BedNow, d: number, waterings: readonly PlannedWatering[]): number {
  if (!school.rhythm) return 0;
  const { days: every, mm } = school.rhythm;
  let last = -1;
  for (let k = Math.max(0, d - every); k < Math.min(d, now.todayIndex); k += 1)
    if (now.given[k] > 0) last = k;
  const planned = waterings.at(-1);
  if (planned) last = Math.max(last, daysBetween((now.days[0] as SourcedDay).date, planned.date));
  if (last >= 0 && d - last < every) return 0;
  let rain = 0;
  for (let k = Math.max(0, d - every); k < d; k += 1) rain += now.series.rain[k];
  const short = mm - rain;
  return short >= school.leastMm ? short : 0;
}

/** How the day would end if no water came: a look ahead on `trial`, which is made like `run` first. */
function lookAhead(run: BedRun, trial: BedRun, d: number, rain: number) {
  copyState(run.state, trial.state);
  stepRun(trial, d, rain, 0);
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

/** Days up to yesterday on which it ended past its line and nobody watered it or left it on purpose. */
function overdueDays(input: PlanBed, { now, school }: BedStart): number {
  if (school.rhythm) return 0;
  let days = 0;
  for (const day of now.past.slice(-OVERDUE_DAYS).reverse()) {
    const line = school.threshold(day.readilyAvailableMm, day.totalAvailableMm);
    const short = day.depletionMm > line && day.depletionMm >= school.leastMm && day.irrigationMm === 0;
    if (!short || input.leftOn?.includes(day.date)) break;
    days += 1;
  }
  return days;
}

/** Follows a bed to this morning. */
export function startOf(
  input: PlanBed,
  weather: readonly SourcedDay[],
  series: WeatherSeries,
  first: IsoDate,
  today: IsoDate,
  ensemble: ForecastEnsemble | null,
  pastDays?: number,
): BedStart {
  const now = followPast(input, weather, series, first, today, pastDays);
  const school = schoolOf(input.school ?? 'deep and seldom');
  const window =
    ensemble && windowOf(input, now, now.todayIndex, ensemble, now.given[now.todayIndex], today, school);
  return { now, school, window };
}

/** A bed on the morning of a watering, from which it can be followed on. */
export interface Resume {
  index: number;
  state: BedState;
  waterings: readonly PlannedWatering[];
  missedMm: number;
}

export interface AheadOptions {
  today: IsoDate;
  horizonDays: number;
  /** Leaves the days' records out: for trying one thing after another. */
  sketch?: boolean;
  /** Goes no further than the first watering after this day, and can be taken up again there. */
  stopAfter?: IsoDate;
  resume?: Resume;
}

interface Decision {
  code: WaterReason['code'];
  localMm: number;
}

/** Less than this is no watering, mm: where the limits leave less, so much is asked for and put off. Judgement. */
const LEAST_PART_MM = 0.01;
/** Tries at making a run short enough; each comes closer. */
const TRIES = 12;

/** The run for a depth, or the part of it that one watering may be. */
function fittingRun(input: PlanBed, model: BedModel, school: School, localMm: number): RunPlan {
  const of = (mm: number): RunPlan =>
    runPlan({
      localMm: Math.max(LEAST_PART_MM, mm),
      areaM2: input.bed.areaM2,
      delivery: input.delivery,
      infiltrationMmPerHour: model.profile.infiltrationMmPerHour,
      pulses: school.pulses,
    });
  let run = of(localMm);
  const { litres = Number.POSITIVE_INFINITY, totalMinutes = Number.POSITIVE_INFINITY } = input.most ?? {};
  if (run.litres > litres) run = of((run.localMm * litres) / run.litres);
  for (let i = 0; i < TRIES && run.totalMinutes > totalMinutes; i += 1)
    run = of(run.localMm * Math.min(0.95, totalMinutes / run.totalMinutes));
  return run;
}

/** One bed ahead through the weather from this morning, with the plan followed. */
export function followAhead(
  start: BedStart,
  input: PlanBed,
  options: AheadOptions,
): { outlook: BedOutlook; waterings: PlannedWatering[]; open?: Resume } {
  const { now, school, window } = start;
  const { model, days, given, todayIndex } = now;
  const { plantings } = input.bed;
  const run: BedRun = tryRun(now);
  const scratch: BedRun = tryRun(now);
  const depletionMm = rootZoneDepletion(model, run.state);
  const totalMm = rootZoneCapacity(model, run.state);
  const layersMm = Array.from(run.state.water.subarray(0, model.profile.layers));
  const rootDepthMm = run.state.rootMm;
  const overdue = overdueDays(input, start);
  const planting = plantings.find((p) => plantOnDay(p, options.today) !== null);
  const plant = planting ? plantOnDay(planting, options.today) : null;

  const ahead: DailyRecord[] = [];
  const waterings: PlannedWatering[] = [...(options.resume?.waterings ?? [])];
  let leave: LeaveReason | null = null;
  let readilyNow = 0;
  let missedMm = options.resume?.missedMm ?? 0;
  if (options.resume) copyState(options.resume.state, run.state);
  let open: Resume | undefined;
  for (let d = options.resume?.index ?? todayIndex; d < days.length && !open; d += 1) {
    const day = days[d] as SourcedDay;
    const isToday = d === todayIndex;
    const rain = day.source === 'record' ? day.rainMm : likelyRain(day);
    const trial = lookAhead(run, scratch, d, rain);
    if (isToday) readilyNow = trial.readilyMm;
    const line = school.threshold(trial.readilyMm, trial.totalMm);
    const before = rootZoneDepletion(model, run.state);
    const airless = run.state.wetDays;
    let irrigationMm = given[d];

    const growing = plantings.some((p) => plantOnDay(p, day.date) !== null);
    const stage = standing(plantings, day.date)?.stage;
    const byHand = input.fixed?.find((f) => f.date === day.date);
    const wilting = isToday && Boolean(input.wilting) && airless <= 1;
    const stopped = school.stopsAt !== undefined && stage === school.stopsAt;
    const weekly = rhythmDepth(school, now, d, waterings);
    // Before days on which it may not be watered, what they will take counts as well.
    const shutSoon = shutAfter(input, days, d);
    const dryBy = shutSoon.days > 0 ? depletionAfter(run, days, d, shutSoon.days) : trial.depletionMm;
    const decide = (): Decision | null => {
      const refill = Math.max(LEAST_RUN_MM, school.refill * before);
      if (wilting && !stopped) return { code: 'wilting', localMm: byHand?.localMm ?? refill };
      if (byHand) return { code: 'set by hand', localMm: byHand.localMm ?? refill };
      if (stopped) return null;
      if (weekly > 0) return { code: 'fixed week', localMm: weekly / wettedFractionOf(input.delivery) };
      if (plantedOut(plantings, day.date))
        return { code: 'planting drench', localMm: Math.max(before, DRENCH_MM) };
      if (before < school.leastMm || dryBy <= line) return null;
      if (trial.depletionMm <= line) return { code: AHEAD_OF[shutSoon.why], localMm: refill };
      const young = plantings.some((p) => plantOnDay(p, day.date)?.stage === 'establishing');
      return { code: young ? 'establishing' : 'refill line', localMm: refill };
    };
    const due = irrigationMm > 0 ? null : decide();
    const toughening = input.holdUntil !== undefined && day.date < input.holdUntil && !wilting;
    const shut = shutOn(input, day.date);
    // A rule of the garden holds for all; wind and a spared round give way to hand and wilting.
    const shutHolds =
      shut === 'closed' || (shut !== null && !wilting && !byHand && due?.code !== 'planting drench');
    const held = !growing || (isToday && Boolean(input.settledToday)) || toughening || shutHolds;
    const maySpare = due?.code === 'refill line' || due?.code === 'establishing';
    const wait =
      due && !held && (maySpare || due.code.startsWith('before') || due.code === 'with this round')
        ? rainWorthWaiting(run, days, d, before, tendernessOf(plantings, day.date))
        : null;
    if (due && !held && !wait) {
      const plan = fittingRun(input, model, school, due.localMm);
      irrigationMm = plan.bedMm;
      if (options.stopAfter !== undefined && day.date > options.stopAfter)
        open = { index: d, state: cloneState(run.state), waterings: [...waterings], missedMm };
      waterings.push({
        bedId: input.id,
        date: day.date,
        run: plan,
        reachesMm: 0,
        reason: {
          ...trial,
          code: due.code,
          depletionMm: before,
          wantedMm: due.localMm,
          overdueDays: isToday ? overdue : 0,
          sparedByRainMm: model.underCover ? 0 : Math.max(0, trial.depletionMm - line),
        },
      });
    } else if (isToday) {
      // Today's own rain can be what spares the bed: then that is the reason told.
      const spared = !due && !held && rain > 0 && before >= LEAST_MM;
      const withoutRain = spared ? lookAhead(run, scratch, d, 0) : null;
      const rainToday: RainWait | null =
        withoutRain && withoutRain.depletionMm > withoutRain.readilyMm
          ? { on: day.date, rainMm: day.rainMm, chance: day.rainChance, missedMm: 0, missedShare: 0 }
          : null;
      leave = leaveReason({
        growing,
        settled: Boolean(input.settledToday) || irrigationMm > 0,
        toughening: toughening ? (input.holdUntil ?? null) : null,
        shut: due ? shut : null,
        windMs: day.windMs ?? 0,
        wait: wait ?? rainToday,
        airless,
      });
    }
    stepRun(run, d, rain, irrigationMm);
    missedMm += run.state.out[OUT.transpirationWanted] - run.state.out[OUT.transpiration];
    if (!options.sketch) ahead.push(recordRun(run, days, d));
    const last = waterings.at(-1);
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
      past: now.past,
      ahead,
      aheadSources: days.slice(todayIndex).map((day) => day.source),
      depletionMm,
      readilyMm: readilyNow,
      totalMm,
      rootDepthMm,
      layersMm,
      fieldCapacityMm: Array.from(model.profile.fieldCapacityMm),
      wiltingPointMm: Array.from(model.profile.wiltingPointMm),
      saturationMm: Array.from(model.profile.saturationMm),
      stage: plant?.stage ?? null,
      stages: planting ? stageDates(planting, options.today) : [],
      next,
      missedMm,
      window,
      leave,
    },
    waterings,
    open,
  };
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
  return followAhead(startOf(input, weather, series, first, options.today, ensemble), input, options);
}

function leaveReason(facts: {
  growing: boolean;
  settled: boolean;
  toughening: IsoDate | null;
  shut: Shut | null;
  windMs: number;
  wait: RainWait | null;
  airless: number;
}): LeaveReason {
  if (facts.settled) return { code: 'settled today' };
  if (!facts.growing) return { code: 'nothing growing' };
  if (facts.toughening) return { code: 'toughening', until: facts.toughening };
  if (facts.airless > 1) return { code: 'too wet', airlessDays: facts.airless };
  if (facts.shut === 'windy') return { code: 'too windy', windMs: facts.windMs };
  if (facts.shut === 'spared') return { code: 'round spared' };
  if (facts.shut) return { code: 'not on this day', on: null };
  if (facts.wait) return { code: 'rain coming', ...facts.wait };
  return { code: 'enough in store', daysInHand: 0, depletionMm: 0, readilyMm: 0 };
}
