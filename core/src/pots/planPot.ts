import { COVER_C, type Night } from '../plants/frostKill.ts';
import { cropOf, plantOnDay, stageDates } from '../plants/plantOnDay.ts';
import { stands } from '../plants/standing.ts';
import { restOf } from '../plants/restSeason.ts';
import { runHours, stepVessel, pour, type VesselAct, type VesselState } from '../places/vessel/stepVessel.ts';
import { vesselDay, type VesselDay } from '../places/vessel/simulateVessel.ts';
import { vesselModel, type VesselModel } from '../places/vessel/vesselModel.ts';
import { likelyRain } from '../follow/likelyRain.ts';
import { at, item } from '../units/at.ts';
import { addDays, daysBetween, type IsoDate } from '../units/dates.ts';
import { quantile } from '../units/quantile.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import type { ForecastEnsemble } from '../weather/forecastEnsemble.ts';
import { isFrozen } from '../weather/groundWarmth.ts';
import { explainDose, explainHolds } from './explainPot.ts';
import { followPot, type PotNow, type PotWeather } from './followPot.ts';
import type { PotGiving } from './potGiving.ts';
import { potHere } from './potHere.ts';
import type { Pot } from './pots.ts';
import { POT_WAY_FACTS, potRests, type PotWayFacts } from './ways.ts';
import type { Working } from '../working/types.ts';

/** Why a pot is left alone. */
export type PotLeave =
  | { code: 'enough' }
  | { code: 'rests' }
  | { code: 'look if it is dry' }
  | { code: 'look for the signs' }
  | { code: 'nothing growing' }
  /** All that stands in it has ended. */
  | { code: 'ripened' | 'killed by frost'; on: IsoDate }
  | { code: 'frozen' }
  /** A dry spell on purpose, up to and without a day. */
  | { code: 'held dry'; until: IsoDate }
  | { code: 'seen to today' };

export interface PotPlan {
  potId: number;
  /** Litres of mix, what it holds for plants when it has drained, what it can still give now, mL. */
  mixL: number;
  holdsMl: number;
  heldMl: number;
  /** What goes before the plant slows, mL. */
  easyMl: number;
  /** It is watered when it can give no more than this: the line of its way, mL. */
  lineMl: number;
  /** What it uses on a day like today, mL, and how far off that may be, as a share. */
  dayUseMl: number;
  doubt: number;
  useFactor: number;
  /** Today's water; null when it is left alone, and then why. */
  give: PotGiving | null;
  because: Working | null;
  /** What it holds, opened. */
  holding: Working;
  leave: PotLeave | null;
  givings: PotGiving[];
  /** Days on which it is next due: as likely, and in 10 and 90 % of the ways the weather and its use may go. */
  next: { early: IsoDate | null; likely: IsoDate | null; late: IsoDate | null };
  /** Filled today, its plants would want for water from this day on; null when not within the plan. */
  lastsUntil: IsoDate | null;
  /** The same, stood together in the shade with water in a saucer. */
  lastsShaded: IsoDate | null;
  /** Water in the mix now, and at the line of its way, % by volume: what a good meter would show. */
  vwcPct: number;
  lineVwcPct: number;
  past: VesselDay[];
  ahead: VesselDay[];
  /** Water it wants and does not get over the plan, as a share of what it wants. */
  missedShare: number;
  shrunk: boolean;
  /** Water that stands in a pot without a hole, mL. */
  standsMl: number;
  resting: boolean;
  fullKg: number | null;
  weighedOn: IsoDate | null;
  spans: PotNow['spans'];
  found: PotNow['found'];
  /** It empties within a day when full. */
  emptiesInADay: boolean;
}

/** The morning's hour of watering, and the hour from which a second one comes too late. Judgement. */
const MORNING = 6;
const AFTERNOON = 14;
const LATEST_SHORT = 17;
/** Less than this of what it holds is not worth a can. Judgement. */
const LEAST_SHARE = 0.12;
/** A day no warmer thaws nothing, °C. Judgement. */
const THAWS_C = 1;
/** From so little drunk of what is wanted on a day a plant hangs. Judgement. */
const HANGS = 0.6;

export interface PotSpan {
  today: IsoDate;
  days: number;
  weather: PotWeather;
  sourced: readonly SourcedDay[];
  ensemble: ForecastEnsemble | null;
  /** Nights up to today, of which some may have killed; none where left out. */
  nights?: readonly Night[];
}

interface Ahead {
  now: PotNow;
  way: PotWayFacts;
  span: PotSpan;
  offset: number;
  /** Rain of each day of the plan as one path has it, mm: what is likely. */
  rain: readonly number[];
  /** Why nothing is asked of it, by day, as far as that was asked. */
  left: Map<IsoDate, PotLeave | null>;
}

/** What is gone from which on it is due, L. */
const lineOf = (model: VesselModel, { due }: PotWayFacts): number =>
  due.share * model.holdsL * (due.of === 'all' ? 1 : model.p);

/** How a day would end without water, in a copy. */
function evening({ now }: Ahead, state: VesselState, d: number, et0: number, rain: number): VesselState {
  const trial = { ...state };
  if (d === now.todayIndex && now.hour > 0) runHours(now.model, trial, d, et0, now.hour, 24);
  else stepVessel(now.model, trial, d, et0, rain, []);
  return trial;
}

/** Whether it is due on a morning, by the line of its way. */
function isDue(on: Ahead, state: VesselState, d: number, et0: number, rain: number): boolean {
  const { now, way } = on;
  const { model } = now;
  const depletionL = model.holdsL - state.availableL;
  if (way.how === 'reservoir') return state.reservoirL <= 0.1 * model.reservoirL && depletionL >= 0;
  if (depletionL < LEAST_SHARE * model.holdsL) return false;
  if (way.asksDry) return depletionL >= lineOf(model, way);
  if (isBare(on, d)) return depletionL >= BARE_DRY * model.holdsL;
  const line =
    now.pot.seedlings && isCold(on, d)
      ? Math.min(0.9 * model.holdsL, COLD_TRAY * lineOf(model, way))
      : lineOf(model, way);
  return model.holdsL - evening(on, state, d, et0, rain).availableL > line;
}

/** What stands without leaves drinks next to nothing: its mix only must not dry out wholly, share gone. Judgement. */
const BARE_DRY = 0.85;
function isBare({ now, span }: Ahead, d: number): boolean {
  const date = addDays(span.today, d - now.todayIndex);
  const standing = now.pot.vessel.plantings.filter((planting) => stands(planting, date));
  return (
    standing.length > 0 &&
    standing.every((planting) => {
      const here = { latitudeDeg: span.weather.latitudeDeg, ...planting };
      return cropOf(planting).cycle === 'deciduous' && plantOnDay(here, date)?.stage === 'past';
    })
  );
}

/** In the cold seedlings are kept on the dry side: their line lies so much lower, below this night. Common practice; the figures are judgements. */
const COLD_TRAY = 1.3;
const COLD_NIGHT_C = 10;
const isCold = ({ now, span }: Ahead, d: number): boolean =>
  (span.sourced.find(({ date }) => date === addDays(span.today, d - now.todayIndex))?.tMinC ?? COLD_NIGHT_C) <
  COLD_NIGHT_C;

/** Litres by its way on a morning. */
function doseL({ now: { model }, way }: Ahead, state: VesselState): number {
  const depletionL = model.holdsL - state.availableL;
  return way.how === 'reservoir'
    ? depletionL + model.reservoirL - state.reservoirL
    : way.fills * depletionL + way.drains * model.holdsL;
}

/** A day on which it is watered, in place; what comes of it, and a second watering where it runs dry before evening. */
function waterOn(on: Ahead, state: VesselState, d: number, et0: number, rain: number): PotGiving {
  const { now, way } = on;
  const { model } = now;
  const sheds = state.shrunk && way.how !== 'reservoir';
  const litres = sheds ? model.holdsL - state.availableL : doseL(on, state);
  const how = sheds || way.how === 'from below' ? ('below' as const) : ('above' as const);
  const from = d === now.todayIndex ? now.hour : 0;
  const first: VesselAct = { hour: MORNING, litres, how };
  const run = (into: VesselState, acts: readonly VesselAct[]): void => {
    if (way.how === 'twice') into.shrunk = false;
    if (from === 0) stepVessel(model, into, d, et0, rain, acts);
    else {
      for (const act of acts) {
        if (!('litres' in act)) continue;
        runHours(model, into, d, et0, Math.min(from, act.hour), Math.max(from, act.hour));
        pour(model, into, act.litres, act.how);
      }
      runHours(model, into, d, et0, Math.max(from, ...acts.map(({ hour }) => hour)), 24);
    }
  };
  const trial = { ...state };
  run(trial, [first]);
  let again: PotGiving['again'] = null;
  if (trial.shortFrom !== null && trial.shortFrom < LATEST_SHORT && trial.shortFrom > MORNING) {
    const hour = Math.max(AFTERNOON - 2, Math.min(AFTERNOON, trial.shortFrom));
    const half = { ...state };
    stepVessel(model, half, d, et0, rain, [
      first,
      { hour, see: (s) => void (again = { hour, millilitres: 1000 * (model.holdsL - s.availableL) }) },
    ]);
  }
  const second = again as PotGiving['again'];
  run(state, second ? [first, { hour: second.hour, litres: second.millilitres / 1000, how }] : [first]);
  return {
    date: addDays(on.span.today, d - now.todayIndex),
    millilitres: 1000 * litres,
    how: sheds ? 'from below' : way.how,
    again: second,
  };
}

/** Why and since when all that stands in a pot has ended; null while something lives. */
function endOf({ now, span }: Ahead, date: IsoDate): PotLeave | null {
  const standing = now.pot.vessel.plantings.filter((planting) => stands(planting, date));
  const ends = standing.map((planting) => {
    const here = { latitudeDeg: span.weather.latitudeDeg, ...planting };
    const over = plantOnDay(here, date)?.over;
    if (!over) return null;
    const past = stageDates(here, date).find(({ stage }) => stage === 'past')?.from;
    return { code: over, on: (over === 'ripened' ? past : planting.killedOn) ?? date };
  });
  return ends.every((end) => end !== null) ? (ends[0] ?? null) : null;
}

/** Why nothing is asked of it on a day, whatever it holds. It is the same however often the days ahead are tried. */
function held(on: Ahead, date: IsoDate): PotLeave | null {
  const known = on.left.get(date);
  if (known !== undefined) return known;
  const left = leftOn(on, date);
  on.left.set(date, left);
  return left;
}

/** Until when it is held dry on purpose; null when it is not, or it hung since: that ends the spell. */
function heldDryUntil({ now: { pot } }: Ahead): IsoDate | null {
  const spell = pot.entries.findLast(({ entry }) => entry.kind === 'dry spell');
  if (spell?.entry.kind !== 'dry spell' || spell.entry.what === 'end') return null;
  const hangs = pot.entries.some(
    ({ date, hour, entry }) =>
      entry.kind === 'seen' &&
      entry.sign === 'droops' &&
      (date > spell.date || (date === spell.date && hour >= spell.hour)),
  );
  if (hangs) return null;
  // A pot dries in days: rain refills it, but begins nothing anew.
  return addDays(spell.date, spell.entry.days);
}

/** A night as cold freezes a pot through, and its day does not thaw it in time, °C. Judgement. */
const HARD_NIGHT_C = -4;

function leftOn(on: Ahead, date: IsoDate): PotLeave | null {
  const { now, span } = on;
  const { vessel } = now.pot;
  if (!vessel.plantings.some((planting) => stands(planting, date))) return { code: 'nothing growing' };
  const ended = endOf(on, date);
  if (ended) return ended;
  const until = heldDryUntil(on);
  if (until !== null && date < until) return { code: 'held dry', until };
  const resting = potRests(vessel, date, span.weather.latitudeDeg);
  if (resting && vessel.plantings.every((p) => (restOf(cropOf(p))?.drinks ?? 1) < 0.3))
    return { code: 'rests' };
  if (!vessel.indoors) {
    const { potWarmth } = span.weather.series;
    const d = daysBetween(span.weather.from, date);
    if (!vessel.greenhouse && d < potWarmth.length && isFrozen(potWarmth, d)) return { code: 'frozen' };
    // By day it does not thaw: what is poured stands as ice.
    const day = span.sourced.find((one) => one.date === date);
    const warmer = vessel.greenhouse ? COVER_C : 0;
    if (day && (day.tMaxC + warmer < THAWS_C || day.tMinC + warmer <= HARD_NIGHT_C))
      return { code: 'frozen' };
  }
  return null;
}

/** Dates of the first due day over the members, with the use as uncertain as it is. */
function windowOf(on: Ahead): PotPlan['next'] {
  const { now, span } = on;
  const { ensemble } = span;
  if (!ensemble) return { early: null, likely: null, late: null };
  const { model } = now;
  const factor = model.useFactor;
  const members = Math.min(WINDOW_MEMBERS, ensemble.members);
  const found: number[] = [];
  for (let m = 0; m < members; m += 1) {
    // The use is spread evenly over its doubt, in another order than the weather.
    const z = ((m * 7) % members) / Math.max(1, members - 1);
    model.useFactor = factor * Math.exp(now.doubt * 1.6 * (2 * z - 1));
    const state = { ...now.state };
    let due = span.days;
    for (let k = 0; k < span.days; k += 1) {
      const i = m * ensemble.days + k;
      const d = now.todayIndex + k;
      const et0 = at(ensemble.et0, i);
      const rain = k === 0 && now.hour > 0 ? 0 : at(ensemble.rain, i);
      if (
        !held(on, addDays(span.today, k)) &&
        !(k === 0 && now.givenToday) &&
        isDue(on, state, d, et0, rain)
      ) {
        due = k;
        break;
      }
      Object.assign(state, evening(on, state, d, et0, rain));
    }
    found.push(due);
  }
  model.useFactor = factor;
  found.sort((a, b) => a - b);
  const dateAt = (q: number): IsoDate | null => {
    const k = Math.round(quantile(Float64Array.from(found), q));
    return k >= span.days ? null : addDays(span.today, k);
  };
  return { early: dateAt(0.1), likely: dateAt(0.5), late: dateAt(0.9) };
}
const WINDOW_MEMBERS = 24;

/** Filled this morning and left: the day on which it hangs. */
function lastsUntil({ now, span, offset, rain }: Ahead, model: VesselModel): IsoDate | null {
  const { et0 } = span.weather.series;
  const state = {
    ...now.morning,
    availableL: model.holdsL,
    saucerL: model.input.noHole ? 0 : model.saucerL,
    reservoirL: model.reservoirL,
  };
  for (let k = 0; k < span.days; k += 1) {
    const d = now.todayIndex + k;
    stepVessel(model, state, d, at(et0, offset + d), item(rain, k), []);
    if (state.wantedL > 0 && state.drunkL < HANGS * state.wantedL) return addDays(span.today, k);
  }
  return null;
}

/** Rain of the days ahead: of a forecast what is likely, of a day on record what fell. */
function rainAhead({ today, days, sourced, weather }: PotSpan, from: number): number[] {
  const said = new Map(sourced.map((day) => [day.date, day]));
  return Array.from({ length: days }, (_, k) => {
    const day = said.get(addDays(today, k));
    return day ? likelyRain(day) : at(weather.series.rain, from + k);
  });
}

/** A saucer as large as is filled before days away, of the mix. Judgement. */
const FILLED_SAUCER = 0.12;

/** A pot as it stands when somebody leaves: with the others in the shade, water under it; in a room, only that. */
function shadedModel({ model, pot, todayIndex }: PotNow, { days, weather }: PotSpan): VesselModel {
  const { vessel } = pot;
  const shaded = vesselModel(
    {
      ...vessel,
      saucer: FILLED_SAUCER * model.shape.volumeL,
      place: vessel.indoors
        ? vessel.place
        : { ...vessel.place, sun: 'shade', wind: 'sheltered', wall: false },
    },
    {
      startOn: pot.startOn,
      dayCount: todayIndex + days,
      latitudeDeg: weather.latitudeDeg,
      warmth: weather.series.potWarmth.subarray(daysBetween(weather.from, pot.startOn)),
    },
  );
  shaded.useFactor = model.useFactor;
  return shaded;
}

/** Water by volume, %, with so much that plants can have. */
const vwc = ({ tightL, shape }: VesselModel, availableL: number): number =>
  (100 * (tightL + availableL)) / shape.volumeL;

/**
 * A pot's plan: followed to this moment, then ahead day by day, watered when a day would take it past the line of its way.
 * @param declared the pot with its entries; `span` today, days ahead, the garden's weather and, for the windows, its ensemble
 * @throws RangeError on a pot that cannot be
 * Source: the lines are common practice (`ways`); the balance as `stepVessel`.
 */
export function planPot(declared: Pot, span: PotSpan): PotPlan {
  const { today, days, weather } = span;
  const pot = potHere(declared, span.nights ?? []);
  const now = followPot(pot, weather, today, days);
  const on: Ahead = {
    now,
    way: POT_WAY_FACTS[pot.way],
    span,
    offset: daysBetween(weather.from, pot.startOn),
    rain: rainAhead(span, daysBetween(weather.from, today)),
    left: new Map(),
  };
  const { model } = now;
  const { et0 } = weather.series;
  const state = { ...now.state };
  const givings: PotGiving[] = [];
  const ahead: VesselDay[] = [];
  let missedL = 0;
  let wantedL = 0;
  for (let k = 0; k < days; k += 1) {
    const d = now.todayIndex + k;
    const date = addDays(today, k);
    const demand = at(et0, on.offset + d);
    const wet = k === 0 && now.hour > 0 ? 0 : item(on.rain, k);
    const left = held(on, date);
    const seenTo = k === 0 && (now.givenToday || now.leftToday);
    if (!left && !seenTo && isDue(on, state, d, demand, wet))
      givings.push(waterOn(on, state, d, demand, wet));
    else Object.assign(state, evening(on, state, d, demand, wet));
    ahead.push(vesselDay(date, state));
    missedL += state.wantedL - state.drunkL;
    wantedL += state.wantedL;
  }
  const planned = givings[0]?.date === today ? givings[0] : null;
  // Seedlings and what is to dry out are asked by what is seen.
  const asks = on.way.asksDry || pot.seedlings;
  const confirmed =
    now.pot.entries.some(
      ({ date, entry }) =>
        date === today &&
        entry.kind === 'seen' &&
        (entry.sign === 'wholly dry' || entry.sign === 'shrunk from the side' || entry.sign === 'droops'),
    ) ||
    now.pot.entries.some(
      ({ date, entry }) => date === today && entry.kind === 'heft' && entry.felt === 'light',
    );
  const give = planned && (!asks || confirmed) ? planned : null;
  const full = { ...now.morning, availableL: model.holdsL };
  stepVessel(model, full, now.todayIndex, at(et0, on.offset + now.todayIndex), 0, []);
  const useL = full.wantedL + full.driedL;
  const leave = give ? null : leaveOf(on, planned !== null);
  const easyL = model.p * model.holdsL;
  return {
    potId: pot.id,
    mixL: model.shape.volumeL,
    holdsMl: 1000 * model.holdsL,
    heldMl: 1000 * now.state.availableL,
    easyMl: 1000 * easyL,
    lineMl: 1000 * (model.holdsL - lineOf(model, on.way)),
    dayUseMl: 1000 * useL,
    doubt: now.doubt,
    useFactor: now.useFactor,
    give,
    because: give ? explainDose(now, on.way, give) : null,
    holding: explainHolds(now),
    leave,
    givings: give || !planned ? givings : givings.slice(1),
    next: windowOf(on),
    // What is to dry out lives on its own body meanwhile: dry mix is no want.
    lastsUntil: on.way.asksDry ? null : lastsUntil(on, model),
    lastsShaded: on.way.asksDry ? null : lastsUntil(on, shadedModel(now, span)),
    vwcPct: vwc(model, now.state.availableL),
    lineVwcPct: vwc(model, model.holdsL - lineOf(model, on.way)),
    past: now.past,
    ahead,
    missedShare: wantedL > 0 && !on.way.asksDry ? missedL / wantedL : 0,
    shrunk: now.state.shrunk,
    standsMl: model.input.noHole ? 1000 * now.state.saucerL : 0,
    resting: potRests(pot.vessel, today, weather.latitudeDeg),
    fullKg: now.fullKg,
    weighedOn: now.weighedOn,
    spans: now.spans,
    found: now.found,
    emptiesInADay: useL > easyL,
  };
}

function leaveOf(on: Ahead, due: boolean): PotLeave {
  const { now, span } = on;
  if (now.givenToday || now.leftToday) return { code: 'seen to today' };
  const why = held(on, span.today);
  if (why) return why;
  if (due) return { code: now.pot.seedlings ? 'look for the signs' : 'look if it is dry' };
  return { code: 'enough' };
}
