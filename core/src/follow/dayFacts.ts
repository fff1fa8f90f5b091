import { at, item } from '../units/at.ts';
import { thresholdOf, type School } from '../schools/schools.ts';
import { daysBetween } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import { isFrozen } from '../weather/groundWarmth.ts';
import { plantsOn } from './plantsOn.ts';
import { depthOf, gaugeOf, stepRun, trialOf, type PlaceNow, type PlaceRun, type PlantFacts } from './run.ts';
import { nextAsked, shutOn, type Shut } from './shut.ts';
import { shallowFill, type ShallowFill } from './droughtRoots.ts';
import { expectedDays } from './clockOf.ts';
import { dryDayCounts, dryDaysOf } from '../plants/dryBetween.ts';
import { cropOf } from '../plants/plantOnDay.ts';
import { seasonShare } from '../plants/restSeason.ts';
import { standingOn } from '../plants/standing.ts';
import type { PlantRhythm, SoakDue, SoakNow } from '../places/place.ts';
import type { PlanBed, PlannedWatering, Waiting } from './types.ts';
import { waitingCost, type Path } from './waiting.ts';
import { wiltsAt } from './wilts.ts';

/** How a day would end if no water came. mm deep in the watered ground, use over the whole bed. */
export interface Evening {
  depletionMm: number;
  readilyMm: number;
  totalMm: number;
  useTodayMm: number;
  cropUseMm: number;
  depletionFraction: number;
  /** How dry the top then is, 0 at field capacity, 1 at the wilting point. */
  topDryShare: number;
}

/** Everything a day's decision is made from. */
export interface DayFacts extends PlantFacts {
  day: SourcedDay;
  isToday: boolean;
  school: School;
  /** Gone from the root zone this morning, mm in the watered ground. */
  depletionMm: number;
  airlessDays: number;
  evening: Evening;
  /** Gone at the day's end beyond which a way of watering with a line of its own waters. */
  lineMm: number;
  /** Share of what is held that was gone when these plants wilted; null where nobody has seen it. */
  wiltedAt: number | null;
  /** It is given today, or a part of it: that was settled when the water was shared out. */
  shared: boolean;
  /** A lawn in drought is soaked no deeper than its roots lie by now; null else. */
  shallow: ShallowFill | null;
  wilting: boolean;
  /** The plants hang, and not from thirst. */
  hangsWet: boolean;
  /** A dry spell is over today. */
  soaks: boolean;
  /** The way of watering gives nothing at this stage. */
  stopped: boolean;
  byHand: NonNullable<PlanBed['fixed']>[number] | undefined;
  /** What a flat weekly rule gives today, mm over the bed, and the rain it counted. */
  weekly: { mm: number; rainMm: number };
  /** It is asked today whether it can wait. */
  asked: boolean;
  shut: Shut | null;
  /** The ground is frozen: no water goes in. */
  frozen: boolean;
  /** Rain that is likely before the next round, mm on the watered ground: so much less is given. */
  rainByThenMm: number;
  /** Least depth that water is carried for, mm. */
  leastMm: number;
  /** What waiting for the next round would cost; null where it is not asked. */
  waiting: Waiting | null;
  /** What forces a watering whatever the balance says, and the clock it goes by; depth that its balls want, mm. */
  forced: SoakDue | null;
  soak: SoakNow | null;
  ballMm: number;
  /** The rhythm of a young plant; null where none is kept. */
  rhythm: PlantRhythm | null;
  /** Its ground is to stand dry for days yet. */
  staysDry: boolean;
  /** How dry the top is this morning, and what it lacks, mm in the watered ground. */
  topDryShare: number;
  topLacksMm: number;
}

/** How the day would end if no water came. */
function lookAhead(run: PlaceRun, d: number, rain: number): Evening {
  const trial = trialOf(run, 'evening');
  stepRun(trial, d, rain, 0);
  const gauge = gaugeOf(trial);
  const perMm = trial.place.litresPerMm(d);
  const areaM2 = trial.place.areaM2(d);
  return {
    depletionMm: gauge.depletionL / perMm,
    readilyMm: gauge.readilyAvailableL / perMm,
    totalMm: gauge.holdsL / perMm,
    useTodayMm: (gauge.evaporatedL + gauge.suppliedL) / areaM2,
    cropUseMm: (gauge.evaporatedL + gauge.wantedL) / areaM2,
    depletionFraction: gauge.depletionFraction,
    topDryShare: trial.place.top?.(trial.state).dryShare ?? 0,
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

/** Rain that soaks the roots of a succulent as a watering does, mm. Judgement. */
const SOAKING_RAIN_MM = 10;
/** A record that begins with so much of its water counts as begun by a soak, share. Judgement. */
const MOIST_START = 0.5;
/** Whether succulents are to stand dry on a day: they were soaked too lately, or they rest. */
function staysDry(input: PlanBed, now: PlaceNow, d: number, waterings: readonly PlannedWatering[]): boolean {
  const { date } = item(now.days, d);
  const planting = standingOn(input.bed.plantings, date);
  if (!planting) return false;
  const crop = cropOf(planting);
  // At rest it lives on what it stores for so much longer.
  const dryDays = dryDaysOf(crop) / seasonShare(crop, date, planting.latitudeDeg ?? 0);
  const planned = waterings.at(-1)?.date;
  let counted = 0;
  for (let k = d - 1; k >= 0; k -= 1) {
    const isSoaked =
      at(now.givenL, k) > 0 || item(now.days, k).date === planned || at(now.rain, k) >= SOAKING_RAIN_MM;
    counted += dryDayCounts(at(now.series.et0, k));
    if (counted >= dryDays) return false;
    if (isSoaked) return true;
  }
  // Its record began on moist ground.
  return input.startFullness >= MOIST_START;
}

/** Plants hang from thirst only where so much of what can be spared is gone. Judgement. */
const THIRSTY_SHARE = 0.5;
/** Whether it is thirst: somebody felt dry soil, or the log shows it. */
const isDry = ({ foundDry }: PlanBed, depletionMm: number, { readilyMm }: Evening): boolean =>
  foundDry ?? depletionMm >= THIRSTY_SHARE * readilyMm;

const NO_TOP = { dryShare: 0, lacksMm: 0 };

/** Of a small store it is worth carrying water for a tenth. Judgement. */
const LEAST_SHARE = 0.1;

/**
 * What a day's decision is made from.
 * @param from the run that morning and the day; the days on which it is asked; the waterings planned so far; the ways the days
 *   ahead may go, looked at only where they decide, or null where nothing is to be decided; what waiting costs where it was
 *   asked before, by the day until which
 */
export function dayFacts(
  input: PlanBed,
  now: PlaceNow,
  school: School,
  from: {
    run: PlaceRun;
    d: number;
    asked: readonly boolean[];
    waterings: readonly PlannedWatering[];
    paths: (() => readonly Path[]) | null;
    known?: Map<number, Waiting>;
    /** How its clock stands that morning; null where none runs, or nothing is to be decided. */
    clock?: unknown;
  },
): DayFacts {
  const { run, d, asked } = from;
  const day = item(now.days, d);
  const isToday = d === now.todayIndex;
  const airlessDays = run.place.airlessDays(run.state);
  const evening = lookAhead(run, d, at(now.rain, d));
  const plants = plantsOn(now, input, d);
  // The rest of what is given in part has its turn tomorrow: that is no reason to wait today.
  const share = input.shared?.find(({ date }) => date === day.date);
  const until = nextAsked(asked, share && share.why !== null ? d + 1 : d);
  const depletionMm = depthOf(run, d, run.place.depletionL(run.state));
  const leastMm = Math.min(school.leastMm, LEAST_SHARE * evening.totalMm);
  let rainByThenMm = 0;
  if (!run.place.underCover(d)) for (let k = d; k < until; k += 1) rainByThenMm += at(now.rain, k);
  const top = run.place.top?.(run.state) ?? NO_TOP;
  const isAsked = asked[d] ?? false;
  const shallow =
    now.droughtRootsMm === null ? null : shallowFill(run.place.drawn(run.state), now.droughtRootsMm);
  const wiltedAt = wiltsAt(now.wilts);
  const facts: DayFacts = {
    day,
    isToday,
    school,
    depletionMm,
    airlessDays,
    evening,
    lineMm: thresholdOf(school, evening.readilyMm, evening.totalMm, wiltedAt),
    wiltedAt,
    shallow,
    shared: share !== undefined,
    ...plants,
    wilting: isToday && Boolean(input.wilting) && airlessDays <= 1 && isDry(input, depletionMm, evening),
    hangsWet: isToday && Boolean(input.wilting) && !(airlessDays <= 1 && isDry(input, depletionMm, evening)),
    soaks: input.soakOn === day.date,
    stopped: school.stopsAt !== undefined && plants.stage === school.stopsAt,
    byHand: input.fixed?.find((f) => f.date === day.date),
    weekly: rhythmDepth(school, now, d, from.waterings),
    asked: isAsked,
    shut: shutOn(input, day.date),
    frozen: isFrozen(run.series.warmth, d),
    rainByThenMm,
    leastMm,
    staysDry: school.staysDry === true && staysDry(input, now, d, from.waterings),
    topDryShare: top.dryShare,
    topLacksMm: top.lacksMm,
    waiting: null,
    ...soakFacts(from.clock ?? null, { input, now, d, until: isAsked ? until : d + 1, plants }),
  };
  // What waiting costs is told of today whatever the day, and decides on the others on which it is asked.
  const weighed = school.line === 'growth' ? isAsked || isToday : isToday;
  if (from.paths && weighed && plants.growing && !facts.frozen && !facts.byHand && until > d) {
    facts.waiting =
      from.known?.get(until) ??
      waitingCost(from.paths(), {
        from: d,
        until,
        givenL: () => arrivingL(run, d, Math.max(leastMm, depletionMm - rainByThenMm)),
        weightOf: (k) => plantsOn(now, input, k),
        days: now.days,
      });
    from.known?.set(until, facts.waiting);
  }
  return facts;
}

/** What a place's clock says on a day. */
function soakFacts(
  clock: unknown,
  {
    input,
    now,
    d,
    until,
    plants,
  }: { input: PlanBed; now: PlaceNow; d: number; until: number; plants: PlantFacts },
): Pick<DayFacts, 'forced' | 'soak' | 'ballMm' | 'rhythm'> {
  const { must } = now;
  if (clock === null || !must || !plants.growing)
    return { forced: null, soak: null, ballMm: 0, rhythm: null };
  return {
    forced: must.due(clock, { d, until, dayCount: now.days.length }, expectedDays(input, now)),
    soak: must.now(clock),
    ballMm: must.lacksMm(clock),
    rhythm: must.rhythm?.(clock) ?? null,
  };
}

/** What would reach a place if so much were given now, litres. What limits leave of it is another question: the need is the plants'. */
export const arrivingL = (run: PlaceRun, d: number, localMm: number): number =>
  localMm > 0 ? run.place.give(run.state, d, localMm, { whole: true }).arrivesMm * run.place.areaM2(d) : 0;
