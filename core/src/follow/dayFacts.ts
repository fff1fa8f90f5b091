import { at, item } from '../units/at.ts';
import { cropOf, plantOnDay, stageDates } from '../plants/plantOnDay.ts';
import { standingOn } from '../plants/standing.ts';
import type { PlantingInput } from '../plants/types.ts';
import { thresholdOf, type School } from '../schools/schools.ts';
import { daysBetween, type IsoDate } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import { isFrozen } from '../weather/groundWarmth.ts';
import { easeOf, isDue } from './isDue.ts';
import { likelyRain } from './rainWait.ts';
import { depthOf, gaugeOf, stepRun, trialOf, type PlaceNow, type PlaceRun, type PlantFacts } from './run.ts';
import { tendernessOf } from './tenderness.ts';
import { shutAfter, shutOn, type Shut } from './shut.ts';
import type { PlanBed, PlannedWatering } from './types.ts';

/** How a day would end if no water came. mm deep in the watered ground, use over the whole bed. */
export interface Evening {
  depletionMm: number;
  readilyMm: number;
  totalMm: number;
  useTodayMm: number;
  cropUseMm: number;
  spareShare: number;
}

/** Everything a day's decision is made from. */
export interface DayFacts extends PlantFacts {
  day: SourcedDay;
  isToday: boolean;
  school: School;
  /** Gone from the root zone this morning, mm in the watered ground. */
  goneMm: number;
  airlessDays: number;
  evening: Evening;
  /** Gone at the day's end beyond which the way of watering waters. */
  lineMm: number;
  wilting: boolean;
  /** The way of watering gives nothing at this stage. */
  stopped: boolean;
  byHand: NonNullable<PlanBed['fixed']>[number] | undefined;
  /** What a flat weekly rule gives today, mm over the bed, and the rain it counted. */
  weekly: { mm: number; rainMm: number };
  shut: Shut | null;
  /** The ground is frozen: no water goes in. */
  frozen: boolean;
  /** The days after this one on which it will not be watered by rule, what will be gone at their end, and what missed over them, mm over the bed. */
  ahead: { days: number; why: Shut; goneMm: number; missedMm: number };
  /** Whether the line, or days without water that would cost, ask for it today. */
  due: boolean;
}

/** What stands on a place on a day, as far as it decides. It is the same however often the days ahead are tried. */
function plantFacts(plantings: readonly PlantingInput[], date: IsoDate): PlantFacts {
  const plants = plantings.flatMap((p) => plantOnDay(p, date) ?? []);
  const main = standingOn(plantings, date);
  const growing = plants.some((plant) => !plant.over);
  return {
    growing,
    ended: main && !growing ? endOf(main, date) : null,
    stage: main ? plantOnDay(main, date)?.stage : undefined,
    young: plants.some((plant) => !plant.over && !plant.rooted),
    plantedOut: somethingPlantedOut(plantings, date),
    tender: tendernessOf(plantings, date),
    easeMm: easeOf(plantings, date),
  };
}

/** Why and when a planting that still stands came to its end. */
function endOf(planting: PlantingInput, date: IsoDate): PlantFacts['ended'] {
  if (!plantOnDay(planting, date)?.over) return null;
  const past = stageDates(planting, date).find(({ stage }) => stage === 'past')?.from;
  // What had ripened was no longer there to be killed.
  const { killedOn } = planting;
  return killedOn !== undefined && (past === undefined || killedOn < past)
    ? { why: 'killed by frost', on: killedOn }
    : { why: 'ripened', on: past ?? date };
}

/** What stands on a place on a day of its span. */
export const plantsOn = (now: PlaceNow, plantings: readonly PlantingInput[], d: number): PlantFacts =>
  (now.plants[d] ??= plantFacts(plantings, item(now.days, d).date));

/** Whether something with roots of its own is planted out on a day. */
const somethingPlantedOut = (plantings: readonly PlantingInput[], date: IsoDate): boolean =>
  plantings.some((p) => p.plantedOn === date && (p.method ?? cropOf(p).usualStart) !== 'direct-sown');

/** How the day would end if no water came, or no rain either. */
export function lookAhead(
  run: PlaceRun,
  d: number,
  rain: number,
  purpose: 'evening' | 'no rain' = 'evening',
): Evening {
  const trial = trialOf(run, purpose);
  stepRun(trial, d, rain, 0);
  const gauge = gaugeOf(trial);
  const perMm = trial.place.litresPerMm(d);
  const areaM2 = trial.place.areaM2(d);
  return {
    depletionMm: gauge.goneL / perMm,
    readilyMm: gauge.spareL / perMm,
    totalMm: gauge.holdsL / perMm,
    useTodayMm: (gauge.evaporatedL + gauge.suppliedL) / areaM2,
    cropUseMm: (gauge.evaporatedL + gauge.wantedL) / areaM2,
    spareShare: gauge.spareShare,
  };
}

/** What is gone `n` days after a day if no water is given until then, and missed meanwhile, likely rain counted. */
function afterDays(run: PlaceRun, days: readonly SourcedDay[], d: number, n: number) {
  const trial = trialOf(run, 'shut days');
  let missedL = 0;
  for (let k = d; k <= d + n; k += 1) {
    stepRun(trial, k, likelyRain(item(days, k)), 0);
    const { wantedL, suppliedL } = gaugeOf(trial);
    if (k > d) missedL += wantedL - suppliedL;
  }
  return {
    goneMm: depthOf(trial, d + n, gaugeOf(trial).goneL),
    missedMm: missedL / trial.place.areaM2(d),
  };
}

/** What a school with a rhythm gives on a day, mm over the bed: its depth less the rain since, every so many days; 0 on other days. */
function rhythmDepth(
  school: School,
  now: PlaceNow,
  d: number,
  waterings: readonly PlannedWatering[],
): DayFacts['weekly'] {
  const none = { mm: 0, rainMm: 0 };
  if (!school.rhythm) return none;
  const { days: every, mm } = school.rhythm;
  let last = -1;
  for (let k = Math.max(0, d - every); k < Math.min(d, now.todayIndex); k += 1)
    if (at(now.givenL, k) > 0) last = k;
  const planned = waterings.at(-1);
  if (planned) last = Math.max(last, daysBetween(item(now.days, 0).date, planned.date));
  if (last >= 0 && d - last < every) return none;
  let rainMm = 0;
  for (let k = Math.max(0, d - every); k < d; k += 1) rainMm += at(now.series.rain, k);
  const short = mm - rainMm;
  return short >= school.leastMm ? { mm: short, rainMm } : none;
}

/**
 * What a day's decision is made from.
 * @param from the run that morning, the day, the rain counted on, the waterings planned so far
 */
export function dayFacts(
  input: PlanBed,
  now: PlaceNow,
  school: School,
  from: {
    run: PlaceRun;
    d: number;
    rain: number;
    waterings: readonly PlannedWatering[];
  },
): DayFacts {
  const { run, d } = from;
  const day = item(now.days, d);
  const { plantings } = input.bed;
  const isToday = d === now.todayIndex;
  const airlessDays = run.place.airlessDays(run.state);
  const evening = lookAhead(run, d, from.rain);
  const { growing, ended, stage, young, plantedOut, tender, easeMm } = plantsOn(now, plantings, d);
  const { days, why } = shutAfter(input, now.days, d);
  const after = days > 0 ? afterDays(run, now.days, d, days) : { goneMm: evening.depletionMm, missedMm: 0 };
  const lineMm = thresholdOf(school, evening.readilyMm, evening.totalMm);
  return {
    day,
    isToday,
    school,
    goneMm: depthOf(run, d, run.place.goneL(run.state)),
    airlessDays,
    evening,
    lineMm,
    growing,
    ended,
    stage,
    young,
    plantedOut,
    tender,
    easeMm,
    wilting: isToday && Boolean(input.wilting) && airlessDays <= 1,
    stopped: school.stopsAt !== undefined && stage === school.stopsAt,
    byHand: input.fixed?.find((f) => f.date === day.date),
    weekly: rhythmDepth(school, now, d, from.waterings),
    shut: shutOn(input, day.date),
    frozen: isFrozen(run.series.warmth, d),
    ahead: { days, why, ...after },
    due: isDue({
      eveningGone: evening.depletionMm,
      line: lineMm,
      ahead: days > 0 ? { why, gone: after.goneMm, missedMm: after.missedMm } : null,
      easeMm,
    }),
  };
}
