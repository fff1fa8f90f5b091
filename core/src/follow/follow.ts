import { at, item } from '../units/at.ts';
import { handsOnMinutes } from '../delivery/handsOn.ts';
import { PASSES } from '../delivery/fittingRun.ts';
import type { RunPlan } from '../delivery/runPlan.ts';
import { plantCount } from '../plants/plantCount.ts';
import { cropOf, plantOnDay, stageDates } from '../plants/plantOnDay.ts';
import { standingOn, stands } from '../plants/standing.ts';
import type { PlaceKinds } from '../places/place.ts';
import type { DailyRecord } from '../places/dailyRecord.ts';
import { schoolOf } from '../schools/schools.ts';
import { SHORT_OF_WATER } from '../schools/shortOfWater.ts';
import { daysBetween, type IsoDate } from '../units/dates.ts';
import { once } from '../units/once.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import type { ForecastEnsemble } from '../weather/forecastEnsemble.ts';
import type { Site } from '../weather/types.ts';
import { isFrozen } from '../weather/groundWarmth.ts';
import type { WeatherSeries } from '../weather/weatherSeries.ts';
import { explainAmount, explainGoneOf, explainSpare, type Grounds } from './because.ts';
import { arrivingL, dayFacts, type DayFacts } from './dayFacts.ts';
import { plantsOn } from './plantsOn.ts';
import { clockAfter, clockOf, soakOutlook } from './clockOf.ts';
import type { BedStart, Morning } from './bedStart.ts';
import { becauseEnough, decide, type Decision } from './decide.ts';
import { dueDatesOf, windowOf } from './dueWindow.ts';
import { gateOf, type Held } from './gates.ts';
import { pathsAhead, pathsOfMembers } from './paths.ts';
import { askedDays, nextAsked } from './shut.ts';
import { addDay, keptAfter, shareOf, type StressTotals } from './sums.ts';
import { stepUnder, waitingCost, type Path } from './waiting.ts';
import { rootOutlooks, waysOfRoots } from './waysOfRoots.ts';
import { besideOthers, runInZone, zoneAsk, zoneRunOn, type ZoneAsk } from './zoneAsk.ts';
import {
  endAsLookedAhead,
  followPast,
  gaugeOf,
  recordRun,
  stepRun,
  trialOf,
  type PlaceNow,
  type PlaceRun,
} from './run.ts';
import type { BedOutlook, Cap, LeaveReason, PlanBed, PlannedWatering, Waiting, ZoneRun } from './types.ts';

/** Follows a place to this morning. */
export function startOf(
  input: PlanBed,
  weather: readonly SourcedDay[],
  series: WeatherSeries,
  first: IsoDate,
  options: {
    site: Site;
    today: IsoDate;
    ensemble: ForecastEnsemble | null;
    pastDays?: number;
    kinds: PlaceKinds;
  },
): BedStart {
  const { today, ensemble, site } = options;
  const follow = (bed: PlanBed, pastDays?: number): PlaceNow =>
    followPast(bed, weather, series, first, today, options.kinds, pastDays);
  const now = follow(input, options.pastDays);
  return {
    now,
    school: schoolOf(input.school ?? 'as seldom as it can'),
    site,
    ensemble,
    ways: waysOfRoots(input, now, (bed) => follow(bed, 0)),
  };
}

/** A place on the morning of a watering, from which it can be followed on. */
export interface Resume {
  index: number;
  paths: { state: unknown; sums: StressTotals; lostL: number; wantedL: number; missedL: number }[];
  waterings: readonly PlannedWatering[];
  shortDays: number;
  clock: unknown;
}

export interface AheadOptions {
  today: IsoDate;
  horizonDays: number;
  /** Leaves the days' records and the workings out: for trying one thing after another. */
  sketch?: boolean;
  /** Today is weighed by the expected weather too, not by every member, with roots of each depth or of the middle one: enough to choose round days by. */
  rough?: 'each depth' | 'middle depth';
  /** Works out only the first watering's reasons, so that a large garden's plan stays small. */
  firstReasons?: boolean;
  /** Goes no further than to the morning of this day, and tells what the bed asks of its zone there. */
  stopOn?: IsoDate;
  /** Goes no further than the first watering after this day, and can be taken up again there. */
  stopAfter?: IsoDate;
  resume?: Resume;
}

/** A place's plan: as it was tried, what comes of it, and what it is given. */
export interface Followed {
  bed: PlanBed;
  outlook: BedOutlook;
  waterings: PlannedWatering[];
  /** Followed only up to its last watering so far, or to the morning on which it was stopped; from here it goes on. */
  open?: Resume;
  /** What it asks of its zone on that morning. */
  ask?: ZoneAsk;
}

/** A path through the days ahead, with what its plants wanted and missed on it, litres. */
interface Ahead extends Path {
  lostL: number;
  wantedL: number;
  missedL: number;
}

/** A day of a path with the water it is given. */
function stepPath(path: Ahead, d: number, givenL: number, isLookedAhead: boolean): void {
  const { run, sums, sky } = path;
  const { place } = run;
  const rain = at(sky.rain, d - sky.from);
  if (givenL > 0 || rain > 0) {
    const enteredL = givenL + (place.underCover(d) ? 0 : rain * place.litresPerMm(d));
    const kept = keptAfter(place.depletionL(run.state), enteredL, place.holdsL(run.state));
    sums.missedL *= kept;
    sums.wantedL *= kept;
    sums.allowedL *= kept;
  }
  if (isLookedAhead) endAsLookedAhead(run);
  else stepUnder(run, sky, d, givenL);
}

/** Counts a path's day just stepped. */
function countDay(path: Ahead, facts: DayFacts): void {
  const { run, sums } = path;
  const gauge = gaugeOf(run);
  const missedL = gauge.wantedL - gauge.suppliedL;
  path.missedL += missedL;
  path.lostL += facts.ky * missedL;
  path.wantedL += gauge.wantedL;
  addDay(sums, gauge, facts, run.place.airlessDays(run.state) > 0);
}

/** A place ahead through the weather from this morning, with the plan followed: each day gates, the rules, the step. */
export function followAhead(start: BedStart, input: PlanBed, options: AheadOptions): Followed {
  const { now, school, ways } = start;
  const { days, todayIndex } = now;
  const weighed =
    options.rough === 'middle depth'
      ? ways.filter(({ counted }) => counted).map((way) => ({ ...way, share: 1 }))
      : ways;
  const morning = (start.morning ??= morningOf(start, input, options));
  const { resume } = options;
  const paths = pathsAhead(weighed).map((path, i): Ahead => {
    const before = resume?.paths[i];
    if (!before) return { ...path, lostL: 0, wantedL: 0, missedL: 0 };
    path.run.place.copy(before.state, path.run.state);
    return { ...path, ...before, sums: { ...before.sums } };
  });
  const main = item(
    paths,
    weighed.findIndex(({ counted }) => counted),
  );
  const { run } = main;
  const asked = askedDays(input, days, todayIndex);
  const members = once(() => (start.ensemble ? pathsOfMembers(ways, start.ensemble) : paths));
  const waterings: PlannedWatering[] = [...(resume?.waterings ?? [])];
  const ahead: DailyRecord[] = [];
  let leave: LeaveReason | null = null;
  let waiting: Waiting | null = null;
  let shortDays = resume?.shortDays ?? 0;
  let open: Resume | undefined;
  let ask: ZoneAsk | undefined;
  const clockNow = clockOf(input, now);
  let clock = resume ? resume.clock : clockNow;
  const end = Math.min(days.length, todayIndex + options.horizonDays);
  for (let d = resume?.index ?? todayIndex; d < end && !open; d += 1) {
    for (const { run: each } of paths) each.place.dawn(each.state, d);
    const isToday = d === todayIndex;
    let givenL = at(now.givenL, d);
    const settled = givenL > 0 || (isToday && Boolean(input.settledToday));
    const byMembers = isToday && !options.rough;
    const facts = dayFacts(input, now, school, {
      run,
      d,
      asked,
      waterings,
      clock: settled ? null : clock,
      paths: settled ? null : () => (byMembers ? members() : paths),
      known: byMembers ? (start.waitingToday ??= new Map()) : undefined,
    });
    const asks = givenL > 0 ? null : decide(facts, input);
    const held = gateOf(facts, asks, input);
    if (isToday && facts.waiting) waiting = facts.waiting;
    const resumeHere = (): Resume => ({
      index: d,
      paths: paths.map(({ run: each, sums, lostL, wantedL, missedL }) => ({
        state: each.place.clone(each.state),
        sums: { ...sums },
        lostL,
        wantedL,
        missedL,
      })),
      waterings: [...waterings],
      shortDays,
      clock,
    });
    if (options.stopOn !== undefined && facts.day.date >= options.stopOn) {
      ask = zoneAsk(facts, asks, held, { run, d });
      open = resumeHere();
      break;
    }
    const zoneRun = settled ? undefined : zoneRunOn(input, facts);
    const own = held.by ? null : asks;
    // In a zone whose runs are settled it is watered with the others, whatever it asks itself.
    const decision = input.zoneRuns ? (zoneRun ? (own ?? besideOthers(facts)) : null) : own;
    if (decision) {
      if (options.stopAfter !== undefined && facts.day.date > options.stopAfter) open = resumeHere();
      const explained = !options.sketch && !(options.firstReasons && waterings.length > 0);
      const watering = planned(decision, facts, { start, input, run, d, zoneRun }, explained);
      givenL = watering.run.arrivesMm * run.place.areaM2(d);
      waterings.push(watering);
    } else if (isToday) {
      leave = leaveReason(facts, held, {
        settled,
        wait: settled || asks ? null : rainComing(facts, { now, input, paths, asked, d }),
        input,
        asks,
        thawsOn: facts.frozen ? thawOf(now, d) : null,
        airOn: facts.airlessDays > 1 ? airBackOn(run, now, d) : null,
      });
    }
    for (const path of paths) {
      // How the day ends without water was looked ahead to already.
      stepPath(path, d, givenL, path === main && givenL <= 0);
      countDay(path, facts);
    }
    if (now.must)
      clock = clockAfter(
        now.must,
        clock,
        { input, now, d },
        { et0Mm: at(now.series.et0, d), rainMm: at(now.rain, d), givenL, lacksMm: facts.depletionMm },
      );
    const evening = gaugeOf(run);
    if (evening.ks < SHORT_OF_WATER) shortDays += 1;
    if (!options.sketch) ahead.push(recordRun(run, days, d));
    const last = waterings.at(-1);
    if (last && last.date === facts.day.date) last.reachesMm = evening.frontMm;
  }
  const next = waterings[0] ?? null;
  if (leave?.code === 'its zone waits') leave = { ...leave, on: next?.date ?? null };
  if (leave?.code === 'enough in store') {
    const daysInHand = next ? daysBetween(options.today, next.date) : options.horizonDays;
    const because = once(() => becauseEnough(morning.grounds, daysInHand, waiting));
    leave = {
      code: 'enough in store',
      daysInHand,
      depletionMm: morning.figures.depletionMm,
      readilyMm: morning.figures.readilyMm,
      get because() {
        return because();
      },
    };
  }
  const mean = (of: (path: Ahead) => number): number =>
    paths.reduce((sum, path) => sum + path.share * of(path), 0);
  const missedL = mean((path) => path.missedL);
  const lostL = mean((path) => path.lostL);
  const wantedL = mean((path) => path.wantedL);
  const shallow = item(paths, 0);
  /** What waiting costs, as a part of all that the plan wants. */
  const ofPlan = (waited: Waiting | null): Waiting | null =>
    waited && {
      ...waited,
      planShare: shareOf(waited.lostL, wantedL),
      planHighShare: shareOf(waited.highL, wantedL),
    };
  for (const { reason } of waterings) reason.waiting = ofPlan(reason.waiting);
  const outlook: BedOutlook = {
    bedId: input.id,
    past: now.past,
    ahead,
    ...morning.figures,
    next,
    shortDays,
    missedL,
    missedMm: missedL / now.place.areaM2(todayIndex),
    lostL,
    wantedL,
    lostShare: shareOf(lostL, wantedL),
    lostIfShallow: shareOf(shallow.lostL, shallow.wantedL),
    allowedShare: plantsOn(now, input, todayIndex).lossShare,
    waiting: ofPlan(waiting),
    window: null,
    dates: null,
    get roots() {
      return rootOutlooks(ways);
    },
    leave,
    wilts: now.wilts,
    soak: soakOutlook(clockNow, input, now),
  };
  const { ensemble } = start;
  // Dozens of ways of the weather for each bed: followed only for those whose window somebody looks at. A bed in a zone has
  // no window of its own: it is watered when its zone runs.
  if (ensemble && !options.sketch && !input.zoneRuns) {
    const window = once(() => windowOf(input, start, ensemble, options));
    const dates = once(() => dueDatesOf(input, start, ensemble, options));
    for (const shown of next ? [outlook, next] : [outlook])
      Object.defineProperties(shown, {
        window: { get: window, enumerable: true },
        dates: { get: dates, enumerable: true },
      });
  }
  return { bed: input, outlook, waterings, open, ask };
}

/** What a place is this morning, with the working of it. */
function morningOf(
  { now, school, site }: Omit<BedStart, 'morning'>,
  input: PlanBed,
  options: AheadOptions,
): Morning {
  const { todayIndex: d } = now;
  const facts = dayFacts(input, now, school, { run: now, d, asked: [], waterings: [], paths: null });
  const drawn = now.place.drawn(now.state);
  const grounds: Grounds = { facts, input, site, drawn, days: d };
  const planting = standingOn(input.bed.plantings, options.today);
  const plant = planting ? plantOnDay(planting, options.today) : null;
  return {
    grounds,
    figures: {
      aheadSources: now.days.slice(d).map((day) => day.source),
      depletionMm: facts.depletionMm,
      readilyMm: facts.evening.readilyMm,
      totalMm: now.place.holdsL(now.state) / now.place.litresPerMm(d),
      ...drawn,
      stage: plant?.stage ?? null,
      stages: planting ? stageDates(planting, options.today) : [],
      gone: explainGoneOf(grounds),
      spare: explainSpare(grounds),
    },
  };
}

interface At {
  start: BedStart;
  input: PlanBed;
  run: PlaceRun;
  d: number;
  /** The run of its zone that brings the water. */
  zoneRun: ZoneRun | undefined;
}

/** Plants that a bubbler is moved between. */
const spotsOf = ({ plantings, areaM2 }: PlanBed['bed'], date: IsoDate): number =>
  Math.max(
    1,
    plantings
      .filter((planting) => stands(planting, date))
      .reduce((sum, p) => sum + plantCount({ areaM2, share: p.share, spacing: cropOf(p).spacing }), 0),
  );

/** A decision as a watering: its run, why, and the working of both. */
function planned(decision: Decision, facts: DayFacts, at: At, explained: boolean): PlannedWatering {
  const { input, run, d, zoneRun } = at;
  const { readilyMm, totalMm, useTodayMm, cropUseMm, depletionFraction } = facts.evening;
  const give = (localMm: number): RunPlan =>
    run.place.give(run.state, d, localMm, {
      pulses: facts.school.pulses,
      // What was set by hand, or goes by the calendar, is not given in parts.
      byHand: facts.byHand?.localMm !== undefined || decision.code === 'fixed week',
    });
  const whole = zoneRun ? runInZone(run, d, zoneRun) : give(decision.localMm);
  const part = input.shared?.find(({ date }) => date === facts.day.date);
  const isPart = !zoneRun && part !== undefined && part.litres < whole.litres;
  const made = isPart ? upTo(part.litres, whole, give) : whole;
  const grounds: Grounds | null = explained
    ? { facts, input, site: at.start.site, drawn: run.place.drawn(run.state), days: d }
    : null;
  return {
    bedId: input.id,
    date: facts.day.date,
    run: made,
    // One valve is opened for all the beds of a zone.
    handsOnMinutes:
      handsOnMinutes(input.delivery, made, input.delivery.spots ?? spotsOf(input.bed, facts.day.date)) /
      (zoneRun?.beds ?? 1),
    because: grounds && explainAmount(decision.because(grounds), made, grounds, zoneRun),
    reachesMm: 0,
    reason: {
      readilyMm,
      totalMm,
      useTodayMm,
      cropUseMm,
      depletionShare: depletionFraction,
      code: decision.code,
      depletionMm: facts.depletionMm,
      carriedFrom: facts.isToday ? (input.carriedFrom ?? null) : null,
      wantedMm: decision.localMm,
      waiting: facts.waiting,
      soak: facts.soak,
      shallowMm: facts.shallow?.depthMm ?? null,
      partBy: isPart
        ? part.why
        : zoneRun
          ? shortOfZone(made, decision.localMm, zoneRun)
          : limitOf(input, made, decision.localMm),
      zone: zoneRun ?? null,
    },
  };
}

/** Less than so much short of what is wanted is no part, share. */
const WHOLE = 0.98;
/** How near to a limit it is that limit. */
const AT_LIMIT = 0.97;
/** A zone that runs no longer leaves some of its beds a part of what they want. */
const shortOfZone = (made: RunPlan, wantedMm: number, { why }: ZoneRun): Cap | null =>
  made.localMm >= WHOLE * wantedMm ? null : (why ?? 'its zone');

/** What leaves a watering only a part of what it wants, by what one watering of its place may be; null where nothing does. */
function limitOf({ most, delivery }: PlanBed, made: RunPlan, wantedMm: number): Cap | null {
  if (made.localMm >= WHOLE * wantedMm) return null;
  if (made.litres >= AT_LIMIT * (most?.litres ?? Number.POSITIVE_INFINITY))
    return most?.litresBy ?? 'litres a day';
  if (!delivery.timer && made.cycles >= (most?.passes ?? PASSES)) return 'turns at a bed';
  const { totalMinutes = Number.POSITIVE_INFINITY, longestMinutes = Number.POSITIVE_INFINITY } = most ?? {};
  if (made.totalMinutes < AT_LIMIT * Math.min(totalMinutes, longestMinutes)) return null;
  return longestMinutes < totalMinutes ? 'longest run' : 'open hours';
}

/** Litres that a part may be off. */
const NEAR_L = 0.01;
/** A watering of so many litres at most, of one that would be larger. */
function upTo(litres: number, whole: RunPlan, give: (localMm: number) => RunPlan): RunPlan {
  let made = whole;
  // Litres and depth are nearly in proportion.
  for (let k = 0; k < 8 && (made.litres > litres || litres - made.litres > NEAR_L); k += 1)
    made = give(made.localMm * (Math.max(0, litres - NEAR_L / 2) / made.litres));
  return made;
}

/** Rain that spares a place today's watering: without it, it could not wait. */
function rainComing(
  facts: DayFacts,
  at: { now: PlaceNow; input: PlanBed; paths: readonly Path[]; asked: readonly boolean[]; d: number },
): RainWait | null {
  const { now, input, asked, d } = at;
  if (!facts.asked || facts.waiting === null || now.place.underCover(d)) return null;
  const until = nextAsked(asked, d);
  const wet = now.days.slice(d, until).find((day) => day.rainMm > 0 && day.rainChance > 0);
  if (!wet) return null;
  const dry = at.paths.map((path) => ({
    ...path,
    sky: { ...path.sky, rain: NO_RAIN(path.sky.rain.length) },
  }));
  const without = waitingCost(dry, {
    from: d,
    until,
    givenL: () => arrivingL(now, d, Math.max(facts.leastMm, facts.depletionMm)),
    weightOf: (k) => plantsOn(now, input, k),
    days: now.days,
  });
  return without.due
    ? { on: wet.date, rainMm: wet.rainMm, chance: wet.rainChance, lostIfNotShare: without.lostShare }
    : null;
}
type RainWait = Omit<Extract<LeaveReason, { code: 'rain coming' }>, 'code'>;
const NO_RAIN = (days: number): Float64Array => new Float64Array(days);

/** The day on which frozen ground has thawed; null past the plan. */
const thawOf = ({ series, days }: PlaceNow, d: number): IsoDate | null =>
  days.slice(d + 1).find((_, k) => !isFrozen(series.warmth, d + 1 + k))?.date ?? null;

/** The day on which a bed's roots have air again, when it gets no more than the rain that is likely; null past the plan. */
function airBackOn(run: PlaceRun, now: PlaceNow, d: number): IsoDate | null {
  const trial = trialOf(run, 'drains');
  for (let k = d; k < now.days.length; k += 1) {
    stepRun(trial, k, at(now.rain, k), 0);
    if (trial.place.airlessDays(trial.state) === 0) return item(now.days, k).date;
  }
  return null;
}

/** The day on which something is to be sown or planted next; null where nobody said. */
const nextSown = ({ bed }: PlanBed, today: IsoDate): IsoDate | null =>
  bed.plantings
    .map(({ plantedOn }) => plantedOn)
    .filter((day) => day > today)
    .sort()[0] ?? null;

/** Why a bed is left alone today, in the order in which it is told. */
function leaveReason(
  facts: DayFacts,
  held: Held,
  {
    settled,
    wait,
    input,
    asks,
    airOn,
    thawsOn,
  }: {
    settled: boolean;
    wait: RainWait | null;
    input: PlanBed;
    asks: Decision | null;
    airOn: IsoDate | null;
    thawsOn: IsoDate | null;
  },
): LeaveReason {
  if (settled) return { code: 'settled today' };
  if (facts.ended) return { code: facts.ended.why, on: facts.ended.on };
  if (!facts.growing) return { code: 'nothing growing', until: nextSown(input, facts.day.date) };
  if (facts.frozen) return { code: 'frozen', until: thawsOn };
  if (facts.hangsWet) return { code: 'hangs in wet ground' };
  if (held.by === 'toughening' && input.holdUntil) return { code: 'toughening', until: input.holdUntil };
  if (facts.airlessDays > 1) return { code: 'too wet', airlessDays: facts.airlessDays, airOn };
  const due = held.due || (facts.waiting !== null && facts.waiting.due !== null);
  if (due && facts.shut === 'windy') return { code: 'too windy', windMs: facts.day.windMs ?? 0 };
  if (due && !facts.asked) return { code: 'not on this day', on: facts.waiting?.until ?? null };
  if (asks && !held.by && input.zoneRuns) return { code: 'its zone waits', on: null };
  if (wait) return { code: 'rain coming', ...wait };
  return { code: 'enough in store', daysInHand: 0, depletionMm: 0, readilyMm: 0 };
}
