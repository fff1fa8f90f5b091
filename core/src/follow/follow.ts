import { at, item } from '../units/at.ts';
import { plantOnDay, stageDates } from '../plants/plantOnDay.ts';
import { standingOn } from '../plants/standing.ts';
import type { PlaceKinds } from '../places/index.ts';
import type { DailyRecord } from '../places/dailyRecord.ts';
import { schoolOf, thresholdOf, type School } from '../schools/schools.ts';
import { SHORT_OF_WATER } from '../schools/shortOfWater.ts';
import { daysBetween, type IsoDate } from '../units/dates.ts';
import { once } from '../units/once.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import type { ForecastEnsemble } from '../weather/forecastEnsemble.ts';
import type { Site } from '../weather/types.ts';
import type { WeatherSeries } from '../weather/weatherSeries.ts';
import { explainAmount, explainGoneOf, explainSpare, type Grounds } from './because.ts';
import { dayFacts, lookAhead, type DayFacts } from './dayFacts.ts';
import { becauseEnough, decide, type Decision } from './decide.ts';
import { windowOf } from './dueWindow.ts';
import { gateOf, type Held } from './gates.ts';
import { rootOutlooks, waysOfRoots } from './waysOfRoots.ts';
import { likelyRain, type RainWait } from './rainWait.ts';
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
import type { BedOutlook, DueWindow, LeaveReason, PlanBed, PlannedWatering, RootOutlook } from './types.ts';

/** Missed waterings are looked for so many days back. */
const OVERDUE_DAYS = 7;
/** Today's rain is told as what spared a bed where at least so much was gone, mm. Judgement. */
const LEAST_MM = 4;

/** A place followed to this morning, with what does not change however the days ahead are tried. */
export interface BedStart {
  now: PlaceNow;
  school: School;
  /** How sure its first date is, worked out when first asked for; null when no ensemble was asked for. */
  window: (() => DueWindow) | null;
  /** How it stands if its roots are as deep as they may be. */
  roots: () => RootOutlook[];
  site: Site;
  /** What it is this morning; the same however the days ahead are tried. */
  morning?: ReturnType<typeof morningOf>;
}

/** Days up to yesterday on which it ended past its line and nobody watered it or left it on purpose. */
function overdueDays(input: PlanBed, { now, school }: BedStart): number {
  if (school.rhythm) return 0;
  let days = 0;
  for (const day of now.past.slice(-OVERDUE_DAYS).reverse()) {
    const line = thresholdOf(school, day.readilyAvailableMm, day.totalAvailableMm);
    const short = day.depletionMm > line && day.depletionMm >= school.leastMm && day.irrigationMm === 0;
    // Before this way of watering was chosen, another line held.
    const before = input.schoolSince !== undefined && day.date < input.schoolSince;
    if (!short || before || input.leftOn?.includes(day.date)) break;
    days += 1;
  }
  return days;
}

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
    kinds?: PlaceKinds;
  },
): BedStart {
  const { today, ensemble, site } = options;
  const now = followPast(input, weather, series, first, today, options.pastDays, options.kinds);
  const school = schoolOf(input.school ?? 'deep and seldom');
  const ways = once(() =>
    waysOfRoots(input, now, (bed) => followPast(bed, weather, series, first, today, 0, options.kinds)),
  );
  const roots = once(() => rootOutlooks(ways()));
  return {
    now,
    school,
    site,
    roots,
    window: ensemble && once(() => windowOf(input, ways(), ensemble, today, school)),
  };
}

/** A place on the morning of a watering, from which it can be followed on. */
export interface Resume {
  index: number;
  state: unknown;
  waterings: readonly PlannedWatering[];
  missedL: number;
  shortDays: number;
}

export interface AheadOptions {
  today: IsoDate;
  horizonDays: number;
  /** Leaves the days' records and the workings out: for trying one thing after another. */
  sketch?: boolean;
  /** Works out only the first watering's reasons, so that a large garden's plan stays small. */
  firstReasons?: boolean;
  /** Goes no further than the first watering after this day, and can be taken up again there. */
  stopAfter?: IsoDate;
  resume?: Resume;
}

/** A place's plan: as it was tried, what comes of it, and what it is given. */
export interface Followed {
  bed: PlanBed;
  outlook: BedOutlook;
  waterings: PlannedWatering[];
  /** Followed only up to its last watering so far; from here it goes on. */
  open?: Resume;
}

/** A place ahead through the weather from this morning, with the plan followed: each day gates, the rules, the step. */
export function followAhead(start: BedStart, input: PlanBed, options: AheadOptions): Followed {
  const { now, school } = start;
  const { days, todayIndex } = now;
  const morning = (start.morning ??= morningOf(start, input, options));
  const run = trialOf(now, 'days ahead');
  const waterings: PlannedWatering[] = [...(options.resume?.waterings ?? [])];
  const ahead: DailyRecord[] = [];
  let leave: LeaveReason | null = null;
  let missedL = options.resume?.missedL ?? 0;
  let shortDays = options.resume?.shortDays ?? 0;
  if (options.resume) run.place.copy(options.resume.state, run.state);
  let open: Resume | undefined;
  for (let d = options.resume?.index ?? todayIndex; d < days.length && !open; d += 1) {
    run.place.dawn(run.state, d);
    const rain = rainOf(item(days, d));
    const facts = dayFacts(input, now, school, { run, d, rain, waterings });
    let givenL = at(now.givenL, d);
    const decision = givenL > 0 ? null : decide(facts, input);
    const held = gateOf(facts, decision, { input, run, days, d });
    if (decision && !held.by) {
      if (options.stopAfter !== undefined && facts.day.date > options.stopAfter)
        open = { index: d, state: run.place.clone(run.state), waterings: [...waterings], missedL, shortDays };
      const explained = !options.sketch && !(options.firstReasons && waterings.length > 0);
      const watering = planned(decision, facts, { start, input, run, d }, explained);
      if (facts.isToday) watering.reason.overdueDays = overdueDays(input, start);
      givenL = watering.run.arrivesMm * run.place.areaM2(d);
      waterings.push(watering);
    } else if (facts.isToday) {
      leave = leaveReason(facts, held, {
        settled: Boolean(input.settledToday) || givenL > 0,
        wait: held.wait ?? (decision ? null : rainToday(facts, held, { run, d, rain })),
        input,
        airOn: facts.airlessDays > 1 ? airBackOn(run, days, d) : null,
      });
    }
    if (givenL > 0) stepRun(run, d, rain, givenL);
    else endAsLookedAhead(run);
    const evening = gaugeOf(run);
    missedL += evening.wantedL - evening.suppliedL;
    if (evening.ks < SHORT_OF_WATER) shortDays += 1;
    if (!options.sketch) ahead.push(recordRun(run, days, d));
    const last = waterings.at(-1);
    if (last && last.date === facts.day.date) last.reachesMm = evening.frontMm;
  }
  const next = waterings[0] ?? null;
  if (leave?.code === 'enough in store') {
    const daysInHand = next ? daysBetween(options.today, next.date) : options.horizonDays;
    leave = {
      code: 'enough in store',
      daysInHand,
      depletionMm: morning.told.depletionMm,
      readilyMm: morning.told.readilyMm,
      because: options.sketch ? null : becauseEnough(morning.grounds, daysInHand),
    };
  }
  const outlook: BedOutlook = {
    bedId: input.id,
    past: now.past,
    ahead,
    ...morning.told,
    next,
    missedL,
    shortDays,
    missedMm: missedL / now.place.areaM2(todayIndex),
    window: null,
    get roots() {
      return start.roots();
    },
    leave,
  };
  // Hundreds of ways of the weather for each bed: followed only for those whose window somebody looks at.
  if (start.window && !options.sketch)
    for (const told of next ? [outlook, next] : [outlook])
      Object.defineProperty(told, 'window', { get: start.window, enumerable: true });
  return { bed: input, outlook, waterings, open };
}

/** Rain of a day as the plan takes it: what fell, or what is likely to. */
const rainOf = (day: SourcedDay): number => (day.source === 'record' ? day.rainMm : likelyRain(day));

/** What a place is this morning, with the working of it. */
function morningOf({ now, school, site }: Omit<BedStart, 'morning'>, input: PlanBed, options: AheadOptions) {
  const { todayIndex: d } = now;
  const facts = dayFacts(input, now, school, {
    run: now,
    d,
    rain: rainOf(item(now.days, d)),
    waterings: [],
  });
  const drawn = now.place.drawn(now.state);
  const grounds: Grounds = { facts, input, site, drawn, days: d };
  const planting = standingOn(input.bed.plantings, options.today);
  const plant = planting ? plantOnDay(planting, options.today) : null;
  return {
    grounds,
    told: {
      aheadSources: now.days.slice(d).map((day) => day.source),
      depletionMm: facts.goneMm,
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
}

/** A decision as a watering: its run, why, and the working of both. */
function planned(decision: Decision, facts: DayFacts, at: At, explained: boolean): PlannedWatering {
  const { input, run, d } = at;
  const { depletionMm, readilyMm, totalMm, useTodayMm, cropUseMm, spareShare } = facts.evening;
  const made = run.place.give(run.state, d, decision.localMm, {
    pulses: facts.school.pulses,
    // What was set by hand, or goes by the calendar, is not given in parts.
    told: facts.byHand?.localMm !== undefined || decision.code === 'fixed week',
  });
  const grounds: Grounds | null = explained
    ? { facts, input, site: at.start.site, drawn: run.place.drawn(run.state), days: d }
    : null;
  return {
    bedId: input.id,
    date: facts.day.date,
    run: made,
    because: grounds && explainAmount(decision.because(grounds), made, grounds),
    reachesMm: 0,
    reason: {
      readilyMm,
      totalMm,
      useTodayMm,
      cropUseMm,
      depletionShare: spareShare,
      code: decision.code,
      depletionMm: facts.goneMm,
      wantedMm: decision.localMm,
      overdueDays: 0,
      sparedByRainMm: run.place.underCover(d) ? 0 : Math.max(0, depletionMm - facts.lineMm),
    },
  };
}

/** Today's own rain can be what spares a bed: then that is the reason told. */
function rainToday(
  facts: DayFacts,
  held: Held,
  { run, d, rain }: { run: PlaceRun; d: number; rain: number },
): RainWait | null {
  if (held.by || rain <= 0 || facts.goneMm < LEAST_MM) return null;
  const { depletionMm, readilyMm } = lookAhead(run, d, 0, 'no rain');
  const { date, rainMm, rainChance } = facts.day;
  return depletionMm > readilyMm
    ? { on: date, rainMm, chance: rainChance, missedMm: 0, missedShare: 0 }
    : null;
}

/** The day on which a bed's roots have air again, when it gets no more than the rain that is likely; null past the plan. */
function airBackOn(run: PlaceRun, days: readonly SourcedDay[], d: number): IsoDate | null {
  const trial = trialOf(run, 'drains');
  for (let k = d; k < days.length; k += 1) {
    stepRun(trial, k, rainOf(item(days, k)), 0);
    if (trial.place.airlessDays(trial.state) === 0) return item(days, k).date;
  }
  return null;
}

/** Why a bed is left alone today, in the order in which it is told. */
function leaveReason(
  facts: DayFacts,
  held: Held,
  {
    settled,
    wait,
    input,
    airOn,
  }: { settled: boolean; wait: RainWait | null; input: PlanBed; airOn: IsoDate | null },
): LeaveReason {
  if (settled) return { code: 'settled today' };
  if (facts.ended) return { code: facts.ended.why, on: facts.ended.on };
  if (!facts.growing) return { code: 'nothing growing' };
  if (facts.frozen) return { code: 'frozen' };
  if (held.by === 'toughening' && input.holdUntil) return { code: 'toughening', until: input.holdUntil };
  if (facts.airlessDays > 1) return { code: 'too wet', airlessDays: facts.airlessDays, airOn };
  if (held.due && facts.shut === 'windy') return { code: 'too windy', windMs: facts.day.windMs ?? 0 };
  if (held.due && facts.shut === 'spared') return { code: 'round spared' };
  if (held.due && facts.shut) return { code: 'not on this day', on: null };
  if (wait) return { code: 'rain coming', ...wait };
  return { code: 'enough in store', daysInHand: 0, depletionMm: 0, readilyMm: 0 };
}
