import { MIXES } from '../places/vessel/mixes.ts';
import { DEMAND_DOUBT } from '../places/vessel/indoors.ts';
import {
  newDay,
  pour,
  runHours,
  startVessel,
  stepVessel,
  type VesselAct,
  type VesselState,
} from '../places/vessel/stepVessel.ts';
import { vesselDay, type VesselDay } from '../places/vessel/simulateVessel.ts';
import { vesselModel, type VesselModel } from '../places/vessel/vesselModel.ts';
import { at, item } from '../units/at.ts';
import { addDays, daysBetween, type IsoDate } from '../units/dates.ts';
import type { WeatherSeries } from '../weather/weatherSeries.ts';
import type { DatedPotEntry, Felt } from './entries.ts';
import type { Pot } from './pots.ts';

/** Weather of the garden from a day on. */
export interface PotWeather {
  from: IsoDate;
  series: WeatherSeries;
  latitudeDeg: number;
}

/** What was found, against what had been reckoned, mL that it could still give. */
export interface PotFound {
  date: IsoDate;
  what: string;
  reckonedMl: number;
  foundMl: number;
}

/** A weighing with what it said of the use since the one before. */
export interface WeighedSpan {
  from: IsoDate;
  until: IsoDate;
  hours: number;
  lostMl: number;
  reckonedMl: number;
}

/** A pot followed to this morning, with today's water and looks in it. */
export interface PotNow {
  pot: Pot;
  model: VesselModel;
  /** This morning, and as it stands after what happened today. */
  morning: VesselState;
  state: VesselState;
  /** The hour up to which today is followed: that of the last entry. */
  hour: number;
  /** Rain of today, mm, as it is expected. */
  rainMm: number;
  todayIndex: number;
  past: VesselDay[];
  /** What it uses of what is reckoned, and how far off that may be, as a share. */
  useFactor: number;
  doubt: number;
  /** Its weight when it has been filled and has drained, kg, and since when. */
  fullKg: number | null;
  fullOn: IsoDate | null;
  weighedOn: IsoDate | null;
  spans: WeighedSpan[];
  found: PotFound[];
  givenToday: boolean;
  leftToday: boolean;
}

/** A kitchen scale is right within so much, kg; a large one within a share. Judgement. */
const SCALE_KG = 0.005;
const SCALE_SHARE = 0.002;
/** What a day’s weather and plant are off beside that, as a share. Judgement. */
const SPAN_DOUBT = 0.08;
/** How fast what was weighed stops being true as a plant grows, share a day. Judgement. */
const GROWS = 0.008;
/** Less than this lost says nothing, L. */
const LEAST_LOST_L = 0.01;
/** How far a use factor may be from what is reckoned. */
const LEAST_FACTOR = 0.15;
const MOST_FACTOR = 5;

/** Share of its water that a pot lifted or pushed has when it feels light, medium or heavy. Judgement. */
const HEFT: Readonly<Record<Felt, readonly [number, number]>> = {
  light: [0, 0.35],
  medium: [0.25, 0.75],
  heavy: [0.6, 1],
};
/** The same of a finger in the top, and what it says is less in a deep pot. Judgement. */
const FINGER = { dry: [0, 0.5], damp: [0.3, 0.95], wet: [0.75, 1] } as const;
const DEEP_M = 0.2;
/** What a meter may be off, of the volume. Judgement: cheap ones are mistrusted. */
const METER_SD = { 'cheap probe': 0.1, 'good probe': 0.025 };
/** The nearest share in a band. */
const into = (share: number, [low, high]: readonly [number, number]): number =>
  Math.min(high, Math.max(low, share));

interface Following {
  model: VesselModel;
  doubt: number;
  fullKg: number | null;
  fullOn: IsoDate | null;
  /** The last weighing while nothing came since. */
  last: { date: IsoDate; hour: number; levelL: number; factor: number; kg: number } | null;
  weighedOn: IsoDate | null;
  /** How far off the level may be, L. */
  levelSdL: number;
  found: PotFound[];
  spans: WeighedSpan[];
}

const LABELS = { finger: 'finger', meter: 'meter', heft: 'weight in the hand' } as const;

/** What an entry does to what is reckoned, when its hour comes. */
function seen(on: Following, { date, hour, entry }: DatedPotEntry): (state: VesselState) => void {
  return (state) => {
    const { model } = on;
    const observed = (what: string, shareNow: number): void => {
      const foundL = Math.max(0, Math.min(model.holdsL, shareNow * model.holdsL));
      on.found.push({ date, what, reckonedMl: 1000 * state.availableL, foundMl: 1000 * foundL });
      state.availableL = foundL;
    };
    const share = state.availableL / model.holdsL;
    switch (entry.kind) {
      case 'weighed': {
        weighedNow(on, state, date, hour, entry);
        return;
      }
      case 'heft':
        observed(entry.by === 'foot' ? 'push of a foot' : LABELS.heft, into(share, HEFT[entry.felt]));
        return;
      case 'finger':
        // A dry top says little of a deep pot, and nothing beside a weight of the same day.
        if (on.weighedOn === date || (model.shape.heightM > DEEP_M && entry.found === 'dry'))
          on.found.push({
            date,
            what: LABELS.finger,
            reckonedMl: 1000 * state.availableL,
            foundMl: 1000 * state.availableL,
          });
        else observed(LABELS.finger, into(share, FINGER[entry.found]));
        return;
      case 'meter': {
        const { volumeL } = model.shape;
        const level = volumeL * (entry.pct / 100 - MIXES[model.input.mix].unavailable);
        const sd = METER_SD[entry.meter] * volumeL;
        const gain = on.levelSdL ** 2 / (on.levelSdL ** 2 + sd ** 2);
        observed(LABELS.meter, (state.availableL + gain * (level - state.availableL)) / model.holdsL);
        return;
      }
      case 'seen':
        if (entry.sign === 'shrunk from the side') {
          observed(entry.sign, Math.min(share, model.shrinksUnderL / model.holdsL));
          state.shrunk = true;
        } else if (entry.sign === 'wholly dry') observed(entry.sign, Math.min(share, 0.03));
        else if (entry.sign === 'droops') observed(entry.sign, Math.min(share, 0.5 * (1 - model.p)));
        return;
      default:
        return;
    }
  };
}

/** A weight: where the pot stands, and what it used since the one before. */
function weighedNow(
  on: Following,
  state: VesselState,
  date: IsoDate,
  hour: number,
  { kg, full }: { kg: number; full?: boolean },
): void {
  const { model } = on;
  const { last } = on;
  if (last) {
    const lostL = last.kg - kg;
    const reckonedL = last.levelL - state.availableL;
    const hours = 24 * daysBetween(last.date, date) + hour - last.hour;
    if (!full && lostL > 0 && reckonedL > LEAST_LOST_L && hours > 0) {
      on.spans.push({
        from: last.date,
        until: date,
        hours,
        lostMl: 1000 * lostL,
        reckonedMl: 1000 * reckonedL,
      });
      const scale = Math.max(SCALE_KG, SCALE_SHARE * kg);
      const noise = (scale / Math.max(lostL, scale)) ** 2 + SPAN_DOUBT ** 2;
      const gain = on.doubt ** 2 / (on.doubt ** 2 + noise);
      model.useFactor = Math.min(
        MOST_FACTOR,
        Math.max(LEAST_FACTOR, model.useFactor * Math.exp(gain * Math.log(lostL / reckonedL))),
      );
      on.doubt *= Math.sqrt(1 - gain);
    }
  }
  const most = model.shape.volumeL * MIXES[model.input.mix].containerCapacity;
  if (full) {
    on.fullKg = kg;
    on.fullOn = date;
  } else if (on.fullKg === null || on.fullKg - kg > most) {
    // The first weight of a pot that was not just filled, or one that shows the full weight to have been a slip: as full as
    // it was reckoned to be.
    on.fullKg = kg + (model.holdsL - state.availableL);
    on.fullOn = date;
  }
  const level = full
    ? model.holdsL
    : Math.max(0, Math.min(model.holdsL, model.holdsL - ((on.fullKg ?? kg) - kg)));
  on.found.push({ date, what: 'weight', reckonedMl: 1000 * state.availableL, foundMl: 1000 * level });
  state.availableL = level;
  on.weighedOn = date;
  on.levelSdL = Math.max(SCALE_KG, SCALE_SHARE * kg);
  on.last = { date, hour, levelL: level, factor: model.useFactor, kg };
}

/** What happens to a pot on a day, in the order of the clock. */
function actsOf(on: Following, entries: readonly DatedPotEntry[]): VesselAct[] {
  return [...entries]
    .sort((a, b) => a.hour - b.hour)
    .map((dated): VesselAct => {
      const { entry, hour } = dated;
      if (entry.kind !== 'given') return { hour, see: seen(on, dated) };
      const litres = entry.millilitres / 1000;
      return {
        hour,
        see: (state) => {
          on.last = null;
          pourAs(on.model, state, litres, entry.how);
        },
      };
    });
}

/** Water given in a way: in two rounds a mix that has drawn back takes it. */
function pourAs(model: VesselModel, state: VesselState, litres: number, how: string): void {
  if (how === 'twice') state.shrunk = false;
  pour(model, state, litres, how === 'from below' ? 'below' : 'above');
}
/**
 * A pot from its first day to this morning, with what was given, weighed, lifted and seen on the way.
 * A weight sets its level (what it weighs less than full is water gone; 1 g is 1 mL) and, against the one before, how much it
 * uses of what that weather was reckoned to take: so one weighing serves the season.
 * @param pot with its entries; weather from a day not after its first; `today`
 * Source: common practice for the weighing; the filter and its spreads are judgements of this file.
 */
export function followPot(pot: Pot, weather: PotWeather, today: IsoDate, dayCount: number): PotNow {
  const offset = daysBetween(weather.from, pot.startOn);
  const todayIndex = daysBetween(pot.startOn, today);
  const modelOf = (vessel: Pot['vessel']): VesselModel =>
    vesselModel(vessel, {
      startOn: pot.startOn,
      dayCount: todayIndex + dayCount,
      latitudeDeg: weather.latitudeDeg,
    });
  const periods = [...(pot.earlier ?? []), { until: addDays(today, dayCount + 1), vessel: pot.vessel }];
  let period = 0;
  const doubtOf = (vessel: Pot['vessel']): number =>
    vessel.indoors ? DEMAND_DOUBT.indoors : DEMAND_DOUBT.outdoors;
  const on: Following = {
    model: modelOf(item(periods, 0).vessel),
    doubt: doubtOf(item(periods, 0).vessel),
    fullKg: null,
    fullOn: null,
    last: null,
    weighedOn: null,
    levelSdL: 0,
    found: [],
    spans: [],
  };
  on.levelSdL = 0.15 * on.model.holdsL;
  const state = startVessel(on.model, pot.startFullness);
  const byDay = new Map<IsoDate, DatedPotEntry[]>();
  for (const entry of pot.entries) byDay.set(entry.date, [...(byDay.get(entry.date) ?? []), entry]);
  const { et0, rain } = weather.series;
  const past: VesselDay[] = [];
  for (let d = 0; d <= todayIndex; d += 1) {
    const date = addDays(pot.startOn, d);
    while (date >= item(periods, period).until) {
      period += 1;
      const { vessel } = item(periods, period);
      const moved = JSON.stringify(item(periods, period - 1).vessel) !== JSON.stringify(vessel);
      const factor = on.model.useFactor;
      const before = on.model;
      on.model = modelOf(vessel);
      if (moved) {
        // In another place or pot what was weighed is only a hint.
        on.model.useFactor = factor;
        on.doubt = Math.max(on.doubt, 0.7 * doubtOf(vessel));
        on.last = null;
        if (before.shape.volumeL !== on.model.shape.volumeL) on.fullKg = null;
      }
      state.availableL = Math.min(on.model.holdsL, state.availableL);
    }
    if (d === todayIndex) break;
    stepVessel(
      on.model,
      state,
      d,
      at(et0, offset + d),
      at(rain, offset + d),
      actsOf(on, byDay.get(date) ?? []),
    );
    if (state.rainL > 0) on.last = null;
    on.levelSdL = Math.min(0.3 * on.model.holdsL, on.levelSdL + on.doubt * (state.drunkL + state.driedL));
    on.doubt = Math.min(doubtOf(on.model.input), on.doubt + GROWS * on.doubt);
    past.push(vesselDay(date, state));
  }
  newDay(state);
  const morning = { ...state };
  const mine = byDay.get(today) ?? [];
  let hour = 0;
  for (const act of actsOf(on, mine)) {
    const until = Math.floor(act.hour);
    runHours(on.model, state, todayIndex, at(et0, offset + todayIndex), hour, until);
    hour = Math.max(hour, until);
    if ('see' in act) act.see(state);
  }
  return {
    pot,
    model: on.model,
    morning,
    state,
    hour,
    rainMm: at(rain, offset + todayIndex),
    todayIndex,
    past,
    useFactor: on.model.useFactor,
    doubt: on.doubt,
    fullKg: on.fullKg,
    fullOn: on.fullOn,
    weighedOn: on.weighedOn,
    spans: on.spans,
    found: on.found,
    givenToday: mine.some(({ entry }) => entry.kind === 'given'),
    leftToday: mine.some(({ entry }) => entry.kind === 'left'),
  };
}
