import { at, item } from '../units/at.ts';
import type { DailyRecord } from '../places/dailyRecord.ts';
import {
  emptyGauge,
  type Gauge,
  type GrowingPlace,
  type MustWater,
  type PlaceInput,
  type PlaceKind,
  type PlaceKinds,
} from '../places/place.ts';
import { irrigationSeries } from '../places/irrigationSeries.ts';
import type { StageName } from '../plants/types.ts';
import { daysBetween, type IsoDate } from '../units/dates.ts';
import { OutOfRange } from '../units/guard.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import type { WeatherSeries } from '../weather/weatherSeries.ts';
import { droughtRootsMm } from './droughtRoots.ts';
import { likelyRain } from './likelyRain.ts';
import { keptAfter } from './sums.ts';
import type { PlanBed } from './types.ts';
import type { Wilt } from './wilts.ts';

/** A place on its way through the days. */
export interface PlaceRun {
  place: GrowingPlace;
  state: unknown;
  /** What the day came to, when last read. */
  gauge: Gauge;
  series: WeatherSeries;
  /** Runs to try things on, one for each purpose, made once a place. */
  trials: Partial<Record<Purpose, PlaceRun>>;
}
type Purpose = 'days ahead' | 'evening' | 'waits' | 'is watered' | 'drains';

/** What stands on a place on a day, as far as it decides. */
export interface PlantFacts {
  growing: boolean;
  /** Something stands, but all of it has ended: why the main crop did, and since when. */
  ended: { why: 'ripened' | 'killed by frost'; on: IsoDate } | null;
  /** Stage of what takes most room. */
  stage: StageName | undefined;
  /** Something on it is not yet rooted; something is planted out today; seed is sown today, or lies there and is not up yet. */
  young: boolean;
  plantedOut: boolean;
  sownToday: boolean;
  germinating: boolean;
  /** Yield response of what stands there, by what each part of it drinks. */
  ky: number;
  /** Share of the growth that may be lost, and how freely it is to drink on the worst day (FAO-56 Ks). */
  lossShare: number;
  floor: number;
}

/** A place followed up to this morning: from here the same past serves every try at the days ahead. */
export interface PlaceNow extends PlaceRun {
  /** What forces a watering whatever the balance says. */
  must: MustWater | null;
  /** Days from the place's first on, and the litres that reached it on each. */
  days: readonly SourcedDay[];
  givenL: Float64Array;
  todayIndex: number;
  /** Rain of each day as a single path has it, mm. */
  rain: Float64Array;
  /** Of each day up to yesterday: transpiration wanted and missed, litres, and what its water left of the sums before it. */
  pastWantedL: Float64Array;
  pastMissedL: Float64Array;
  pastKept: Float64Array;
  /** What the watered ground lacked on each morning, mm. */
  pastLacksMm: Float64Array;
  past: DailyRecord[];
  /** A lawn after weeks of drought: how deep its roots are taken to lie, mm. */
  droughtRootsMm: number | null;
  /** Its wiltings on record, oldest first. */
  wilts: Wilt[];
  /** What stands on each day, as far as it was asked for. */
  plants: PlantFacts[];
}

/** One day of a run, in place. */
export function stepRun(run: PlaceRun, d: number, rain: number, givenL: number): void {
  const { et0, climate, warmth } = run.series;
  run.place.step(run.state, d, at(et0, d), rain, at(climate, d), givenL, at(warmth, d));
}

/** Ends a day on which no water came: it was looked ahead to already. What stood that morning is written over next. */
export function endAsLookedAhead(run: PlaceRun): void {
  const { evening } = run.trials;
  if (evening) [run.state, evening.state] = [evening.state, run.state];
}

/** A run to try things on, set to where another stands; the last of the same purpose is over with that. */
export function trialOf({ place, state, series, trials }: PlaceRun, purpose: Purpose): PlaceRun {
  const known = trials[purpose];
  if (!known)
    return (trials[purpose] = { place, state: place.clone(state), gauge: emptyGauge(), series, trials });
  place.copy(state, known.state);
  return known;
}

/** Depth of water on the watered ground that litres in it are, mm. */
export const depthOf = (run: PlaceRun, d: number, litres: number): number =>
  litres / run.place.litresPerMm(d);

/** What the day just stepped came to; it holds until the run is read again. */
export const gaugeOf = (run: PlaceRun): Gauge => run.place.gauge(run.state, run.gauge);

/** What a day of a run came to. */
export const recordRun = (
  run: PlaceRun,
  days: readonly SourcedDay[],
  d: number,
  withLayers = true,
): DailyRecord =>
  run.place.record(
    run.state,
    item(days, d).date,
    at(run.series.et0, d),
    item(run.series.routes, d),
    withLayers,
  );

/** Days back for which every layer's water is kept: what a section is drawn from. */
const LAYER_DAYS = 14;

/** The kind of a place. */
function kindOf(input: PlanBed, kinds: PlaceKinds): PlaceKind<PlaceInput, unknown> {
  const name = input.kind ?? 'ground';
  const kind = Object.hasOwn(kinds, name) ? kinds[name] : undefined;
  if (!kind) throw new OutOfRange('kind', `be one of ${Object.keys(kinds).join(', ')}`, name);
  return kind;
}

/** A day of the past, with what it counts for the rule. */
function countedStep(now: PlaceNow, d: number): void {
  const { place, state } = now;
  const rain = at(now.rain, d);
  const givenL = at(now.givenL, d);
  now.pastLacksMm[d] = place.depletionL(state) / place.litresPerMm(d);
  if (givenL > 0 || rain > 0) {
    const enteredL = givenL + (place.underCover(d) ? 0 : rain * place.litresPerMm(d));
    now.pastKept[d] = keptAfter(place.depletionL(state), enteredL, place.holdsL(state));
  } else now.pastKept[d] = 1;
  stepRun(now, d, rain, givenL);
  const { wantedL, suppliedL } = gaugeOf(now);
  now.pastWantedL[d] = wantedL;
  now.pastMissedL[d] = place.airlessDays(state) > 0 ? 0 : wantedL - suppliedL;
}

/** A place from its first day up to this morning, with the records of its last `pastDays`. */
export function followPast(
  input: PlanBed,
  weather: readonly SourcedDay[],
  series: WeatherSeries,
  first: IsoDate,
  today: IsoDate,
  kinds: PlaceKinds,
  pastDays = Number.POSITIVE_INFINITY,
): PlaceNow {
  const offset = daysBetween(first, input.startOn);
  const days = weather.slice(offset);
  const kind = kindOf(input, kinds);
  const place = kind.prepare({ ...input, dayCount: days.length });
  const given = irrigationSeries(
    input.irrigations.filter((i) => i.date >= input.startOn && i.date <= today),
    input.startOn,
    days.length,
  );
  const todayIndex = daysBetween(input.startOn, today);
  const now: PlaceNow = {
    place,
    must: kind.mustWater?.(input.bed, today) ?? null,
    state: place.start(input.startFullness),
    gauge: emptyGauge(),
    series: {
      et0: series.et0.subarray(offset),
      rain: series.rain.subarray(offset),
      climate: series.climate.subarray(offset),
      warmth: series.warmth.subarray(offset),
      potWarmth: series.potWarmth.subarray(offset),
      routes: series.routes.slice(offset),
    },
    days,
    givenL: given.map((mm, d) => mm * place.areaM2(d)),
    todayIndex,
    rain: Float64Array.from(days, (day, d) => (d < todayIndex ? day.rainMm : likelyRain(day))),
    pastWantedL: new Float64Array(todayIndex),
    pastMissedL: new Float64Array(todayIndex),
    pastKept: new Float64Array(todayIndex),
    pastLacksMm: new Float64Array(todayIndex),
    past: [],
    droughtRootsMm: null,
    wilts: [],
    plants: [],
    trials: {},
  };
  const wiltedOn = new Set(input.wiltedOn);
  for (let d = 0; d < now.todayIndex; d += 1) {
    const { date } = item(days, d);
    if (wiltedOn.has(date))
      now.wilts.push({ on: date, goneShare: place.depletionL(now.state) / place.holdsL(now.state) });
    countedStep(now, d);
    if (d >= now.todayIndex - pastDays)
      now.past.push(recordRun(now, days, d, d >= now.todayIndex - LAYER_DAYS));
  }
  now.droughtRootsMm = droughtRootsMm(input, now);
  place.dawn(now.state, now.todayIndex);
  return now;
}
