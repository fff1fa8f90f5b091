import { DEMAND_DOUBT } from '../places/vessel/indoors.ts';
import {
  newDay,
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
import type { DatedPotEntry } from './entries.ts';
import { observe, type Following, type PotFound, type WeighedSpan } from './observe.ts';
import type { Pot } from './pots.ts';

/** Weather of the garden from a day on. */
export interface PotWeather {
  from: IsoDate;
  series: WeatherSeries;
  latitudeDeg: number;
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

/** How fast what was weighed stops being true as a plant grows, share a day. Judgement. */
const GROWS = 0.008;
/** What happens to a pot on a day, in the order of the clock. */
const actsOf = (on: Following, entries: readonly DatedPotEntry[]): VesselAct[] =>
  [...entries]
    .sort((x, y) => x.hour - y.hour)
    .map((dated) => ({ hour: dated.hour, see: (state) => observe(on, dated, state) }));

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
      warmth: weather.series.potWarmth.subarray(offset),
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
