import type { BedInput } from '../balance/bedModel.ts';
import type { DailyRecord, Irrigation } from '../balance/simulateBed.ts';
import type { Delivery, RunPlan } from '../delivery/runPlan.ts';
import type { StageName } from '../plants/types.ts';
import type { SchoolId } from '../schools/schools.ts';
import type { IsoDate } from '../units/dates.ts';
import type { DaySource } from '../weather/completeWeather.ts';
import type { RainClimatology } from '../weather/forecastEnsemble.ts';
import type { SunOnClock } from '../weather/sunOnClock.ts';
import type { DayLines, RunSlot } from './daySchedule.ts';
import type { Span } from './openSpans.ts';
import type { Rank } from './rank.ts';

/** A bed as the plan takes it: its ground and plants, its water, what it has had and how it began. */
export interface PlanBed {
  id: number;
  bed: BedInput;
  delivery: Delivery;
  irrigations: Irrigation[];
  /** First day of its balance, and the share of its available water on it (0–1). */
  startOn: IsoDate;
  startFullness: number;
  /** Watered, or left on purpose, today: no more is asked of it until tomorrow. */
  settledToday?: boolean;
  /** How it is decided; default deep and seldom. */
  school?: SchoolId;
  /** Held dry on purpose up to and without this day. */
  holdUntil?: IsoDate;
  /** The plants hang, and not from heat: water now, whatever the line and the hour. */
  wilting?: boolean;
  /** Waterings set by hand: on that day, this much (mm on the wetted ground) or as the balance then asks. */
  fixed?: { date: IsoDate; localMm?: number }[];
  /** Days on which it is not watered: put off or left out. */
  blocked?: IsoDate[];
  /** Days closed to it by rule: it is filled before them if it would run dry on them. */
  closed?: IsoDate[];
  /** Days too windy for what carries its water, and days on which a round is spared: the same, but hand and wilting overrule them. */
  windy?: IsoDate[];
  spared?: IsoDate[];
  /** Most that one watering may be: litres through the tap, and minutes from first drop to last. A larger one is given in parts, day after day. */
  most?: { litres?: number; totalMinutes?: number };
  /** Days on which it was left on purpose. */
  leftOn?: IsoDate[];
  /** The tap it draws from; beds without one share one. */
  tap?: number;
  /** Who is served first when water or time is short; default ordinary, turf last. */
  rank?: Rank;
}

export interface PlanOptions {
  today: IsoDate;
  /** Days ahead, today included, 1–28; default 14. */
  horizonDays?: number;
  /** Members of the ensemble behind the windows, 0–1000; default 200; 0 leaves the windows out. */
  members?: number;
  /** Seed of the ensemble; default 1. The same seed gives the same plan. */
  seed?: number;
  /** Rain of the season on days past the forecast; without it such days are dry. */
  climatology?: RainClimatology;
  /** Days of the past whose records are kept; default all. */
  pastDays?: number;
  /** Called as beds are followed: how many of how many. */
  onProgress?: (done: number, of: number) => void;
}

/** When the next watering falls due in 10, 50 and 90 % of the ways the weather may go; null past the horizon. */
export interface DueWindow {
  early: IsoDate | null;
  likely: IsoDate | null;
  late: IsoDate | null;
  /** Litres through the tap over the horizon: 10, 50 and 90 %. */
  litres: { low: number; middle: number; high: number };
  /** Water gone from the root zone at the end of each day ahead, mm: 10 and 90 %. */
  fan: { date: IsoDate; lowMm: number; highMm: number }[];
}

/** Limits of the garden. What does not fit is put off, and said. */
export interface PlanConstraints {
  /** Minutes the taps may run on one day, and litres they may give. */
  minutesPerDay?: number;
  litresPerDay?: number;
  /** Litres the taps may give from Monday to Sunday, and what they have given this week so far. */
  litresPerWeek?: number;
  litresThisWeek?: number;
  /** What the taps have given today already: it counts against the day's limits. */
  givenToday?: { minutes: number; litres: number };
  /** Days of the week on which it may be watered, Sunday 0; absent means all. */
  weekdays?: number[];
  /** Hours of the clock in which it may be watered; absent means all. */
  hours?: Span[];
  /** Days and hours hold for everything, or for sprinklers and sprays alone; default everything. */
  restricts?: 'everything' | 'sprays';
  /** Mean wind of a day over which what throws water rests, m/s at 2 m; default `WIND_HOLD_MS`. */
  windHoldMs?: number;
  /** The clock of the garden; without it the day's runs are not put on it, and hours do not count. */
  clock?: { longitudeDeg?: number; utcOffsetHours: number };
  /** What can run at once. */
  lines?: DayLines;
  /** Go round on fewer days where beds can be filled a little early without loss; default false. */
  fewRounds?: boolean;
}

/** What a watering was decided on, as facts; the words are made where they are shown. mm deep in the watered ground. */
export interface WaterReason {
  code:
    | 'refill line'
    | 'establishing'
    | 'planting drench'
    | 'wilting'
    | 'set by hand'
    | 'fixed week'
    | 'before closed days'
    | 'before wind'
    | 'with this round';
  /** Gone from the root zone this morning, what it can spare today, and what it can hold. */
  depletionMm: number;
  readilyMm: number;
  totalMm: number;
  /** Use of the day over the bed if no water came, and what an unhindered crop would use. */
  useTodayMm: number;
  cropUseMm: number;
  /** Share of the store that may go, before the day's use moves it. */
  depletionShare: number;
  /** Days it has been past its line already without water: missed, or put off. */
  overdueDays: number;
  /** What would fill it, mm on the wetted ground: more than is given when a day's limits allow only a part. */
  wantedMm: number;
  /** Rain today that would spare it, mm. */
  sparedByRainMm: number;
}

/** Why a bed is left alone today. */
export type LeaveReason =
  | { code: 'enough in store'; daysInHand: number; depletionMm: number; readilyMm: number }
  | {
      code: 'rain coming';
      on: IsoDate;
      rainMm: number;
      chance: number;
      missedMm: number;
      missedShare: number;
    }
  | { code: 'too wet'; airlessDays: number }
  | { code: 'toughening'; until: IsoDate }
  | { code: 'not on this day'; on: IsoDate | null }
  | { code: 'too windy'; windMs: number }
  | { code: 'round spared' }
  | { code: 'nothing growing' }
  | { code: 'settled today' };

export interface PlannedWatering {
  bedId: number;
  date: IsoDate;
  run: RunPlan;
  /** How deep the water will reach, mm. */
  reachesMm: number;
  reason: WaterReason;
  /** On a bed's first watering: how sure its date is. */
  window?: DueWindow;
}

export interface BedOutlook {
  bedId: number;
  /** The days of the balance up to yesterday, all or the last `pastDays`; the last fortnight with every layer's water. */
  past: DailyRecord[];
  /** The days of the horizon, with the plan's waterings in them, and what each day's weather rests on. */
  ahead: DailyRecord[];
  aheadSources: DaySource[];
  /** Today's morning: water gone from the root zone, what it can spare and hold, mm deep in the watered ground. */
  depletionMm: number;
  readilyMm: number;
  totalMm: number;
  rootDepthMm: number;
  layersMm: number[];
  fieldCapacityMm: number[];
  wiltingPointMm: number[];
  saturationMm: number[];
  stage: StageName | null;
  stages: { stage: StageName; from: IsoDate }[];
  next: PlannedWatering | null;
  /** Water the plants will want over the horizon and not get, mm over the bed. */
  missedMm: number;
  /** Null when no ensemble was asked for. */
  window: DueWindow | null;
  /** Present when nothing is asked of the bed today. */
  leave: LeaveReason | null;
}

/** Limits a watering may fail to fit. */
export type Cap = 'minutes a day' | 'litres a day' | 'litres a week' | 'open hours';

export interface GardenPlan {
  waterings: PlannedWatering[];
  /** All of today’s waterings together: minutes one after another, litres through the taps. */
  todayTotals: { minutes: number; litres: number };
  leftOut: {
    bedId: number;
    date: IsoDate;
    minutes: number;
    litres: number;
    why: Cap;
    /** The day on which it finds room after all; null when not within the plan. */
    until: IsoDate | null;
  }[];
  /** What the limits cost each bed they touch: days its plants run short more than without them, and mm they miss more. */
  givenUp: { bedId: number; shortDays: number; missedMm: number }[];
  /** Rounds spared by filling beds a little early. */
  sparedRounds: IsoDate[];
  /** The runs of each day on the clock; empty without a clock, and of more than sixty beds the first week. */
  schedule: { date: IsoDate; sun: SunOnClock; slots: RunSlot[] }[];
  beds: BedOutlook[];
  /** Beds that the engine could not compute; the rest of the garden is planned without them. */
  unplanned: Unplanned[];
}

/** A bed that cannot be planned, and why. */
export interface Unplanned {
  bedId: number;
  message: string;
  /** The figure that cannot be, where the core's own guard refused it; null for a fault of the program. */
  range: { field: string; allowed: string; got: string } | null;
  /** Where a fault of the program was thrown, for the log. */
  stack: string | null;
}
