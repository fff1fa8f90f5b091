import type { Delivery, RunPlan } from '../delivery/runPlan.ts';
import type { DailyRecord } from '../places/dailyRecord.ts';
import type { BedInput } from '../places/ground/bedModel.ts';
import type { Earlier, Irrigation, SoakNow } from '../places/place.ts';
import type { Rank } from '../plants/rank.ts';
import type { RootBelief, RootDepth } from '../plants/rootBelief.ts';
import type { StageName } from '../plants/types.ts';
import type { Wilt } from './wilts.ts';
import type { DrySpell } from '../schools/drySpell.ts';
import type { SchoolId } from '../schools/schools.ts';
import type { IsoDate } from '../units/dates.ts';
import type { DaySource } from '../weather/completeWeather.ts';
import type { Known } from '../working/known.ts';
import type { Working } from '../working/types.ts';

/** Limits a watering may fail to fit, or that leave it only a part. */
export type Cap =
  | 'minutes a day'
  | 'turns of the tap'
  | 'litres a day'
  | 'litres a week'
  | 'its source'
  | 'open hours'
  | 'turns at a bed'
  | 'longest run'
  | 'fills a day'
  | 'its zone';

/** One run of a zone, settled for all of its beds. */
export interface ZoneRun {
  date: IsoDate;
  /** Minutes of water at each of its beds, the turns they come in, and the rest between two. */
  minutes: number;
  cycles: number;
  soakMinutes: number;
  /** Beds that it waters. */
  beds: number;
  /** The bed that could least wait. */
  lead: number;
  /** The limit that cut it to a part; null where none did. */
  why: Cap | null;
}

/** A bed as the plan takes it: its ground and plants, its water, what it has had and how it began. */
export interface PlanBed {
  id: number;
  /** What kind of place it is; default ground. */
  kind?: string;
  bed: BedInput;
  delivery: Delivery;
  /** How it was and was watered before, oldest first: each up to and without a day on which that changed. */
  earlier?: Earlier<BedInput>[];
  /** What of it is known better than assumed, for the working of its figures. */
  known?: Known;
  irrigations: Irrigation[];
  /** First day of its balance, and the share of its available water on it (0–1). */
  startOn: IsoDate;
  startFullness: number;
  /** How far off that may be, share, while it still matters. */
  startDoubt?: number;
  /** Watered, or left on purpose, today: no more is asked of it until tomorrow. */
  settledToday?: boolean;
  /** How it is decided; default as seldom as it can. */
  school?: SchoolId;
  /** Days on which it is asked whether it can wait; left out, every day. What hangs, is planted or set by hand is not bound to them. */
  asked?: readonly IsoDate[];
  /** Its round of this day was missed: it is asked today in its place. */
  carriedFrom?: IsoDate;
  /** How deep its roots are believed to go; default the usual belief. */
  rootBelief?: RootBelief;
  /** A dry spell on purpose, from which follow the two days below it. */
  drySpell?: DrySpell;
  /** Held dry on purpose up to and without this day. */
  holdUntil?: IsoDate;
  /** Soaked on this day: a dry spell is over. */
  soakOn?: IsoDate;
  /** The plants hang, and not from heat: water now, whatever the round and the hour, unless the ground is wet. */
  wilting?: boolean;
  /** Days on which the plants that stand there wilted from thirst. */
  wiltedOn?: IsoDate[];
  /** Somebody looked a hand deep: it is dry, or it is not. */
  foundDry?: boolean;
  /** Waterings set by hand: on that day, this much (mm on the wetted ground, and the litres that were told) or as the balance then asks. */
  fixed?: { date: IsoDate; localMm?: number; litres?: number }[];
  /** Days on which it is not watered: put off or left out. */
  blocked?: IsoDate[];
  /** Days closed to it by rule. */
  closed?: IsoDate[];
  /** Days too windy for what carries its water: the same, but hand and wilting overrule them. */
  windy?: IsoDate[];
  /** Most that one watering may be: litres through the tap, and minutes from first drop to last. A larger one is given in parts, day after day. */
  most?: { litres?: number; totalMinutes?: number; passes?: number; longestMinutes?: number; litresBy?: Cap };
  /** What was settled when the water was shared out: it is given so many litres on these days; by what limit only a part, if by one. */
  shared?: { date: IsoDate; litres: number; why: Cap | null }[];
  /** A set dose, mm where it falls: given in the place of what is gone, whenever it is due. */
  setMm?: number;
  /** Days on which it was left on purpose. */
  leftOn?: IsoDate[];
  /** The tap it draws from; beds without one share one. */
  tap?: number;
  /** The zone that it is watered in: one valve brings water to all beds of the zone at once, for the same time. */
  zone?: number;
  /** Runs of its zone ahead, where they are settled: it is watered on those days, as long as the zone runs, and on no others. */
  zoneRuns?: readonly ZoneRun[];
  /** Who is served first when water or time is short; default ordinary, turf last. */
  rank?: Rank;
}

/** When the next watering falls due in 10, 50 and 90 % of the ways the weather may go; null past the horizon. */
export interface DueDates {
  early: IsoDate | null;
  likely: IsoDate | null;
  late: IsoDate | null;
  /** The share of those ways, 0–1, in which it falls on each day of the plan; in the rest it falls past it. */
  onDays: readonly number[];
}

/** The same, with what comes of it over the plan. */
export interface DueWindow extends DueDates {
  /** Litres through the tap over the horizon: 10, 50 and 90 %. */
  litres: { low: number; middle: number; high: number };
  /** Water gone from the root zone at the end of each day ahead, mm: 10 and 90 %. */
  fan: { date: IsoDate; lowMm: number; highMm: number }[];
}

/** What a watering was decided on, as facts; the words are made where they are shown. mm deep in the watered ground. */
export interface WaterReason {
  code:
    /** Waiting would cost more growth than its goal allows; or would take it under the floor of its goal. */
    | 'growth'
    | 'floor'
    /** Past the line of another way of watering. */
    | 'refill line'
    /** Its longest gap would be passed, or its ball dry out, before the next round. */
    | 'gap'
    | 'ball'
    /** The balls of what was planted out would dry. */
    | 'plug'
    /** Seed is sown today, or not up yet, and its top would dry out. */
    | 'seedbed'
    | 'planting drench'
    | 'after the dry spell'
    | 'wilting'
    | 'set by hand'
    | 'fixed week'
    /** It could wait itself: the zone that it is watered in runs for other beds. */
    | 'its zone';
  /** Gone from the root zone this morning, what it can spare today, and what it can hold. */
  depletionMm: number;
  readilyMm: number;
  totalMm: number;
  /** Use of the day over the bed if no water came, and what an unhindered crop would use. */
  useTodayMm: number;
  cropUseMm: number;
  /** Share of the store that may go, before the day's use moves it. */
  depletionShare: number;
  /** The round of this day was missed; told of today's watering. */
  carriedFrom: IsoDate | null;
  /** What would fill it, mm on the wetted ground: more than is given when a day's limits allow only a part. */
  wantedMm: number;
  /** What waiting for the next round instead would cost; null where that was not asked. */
  waiting: Waiting | null;
  /** How long a woody place has stood since its last soak; null of others. */
  soak: SoakNow | null;
  /** A lawn after weeks of drought is soaked only so deep, mm; null of others. */
  shallowMm: number | null;
  /** The limit that leaves it only a part of what it wants; null where none does. */
  partBy: Cap | null;
  /** The run of its zone that brings it; null where it is watered by itself. */
  zone: ZoneRun | null;
}

/**
 * What it would cost a place to wait for its next round instead of being watered now, over the ways the weather and its roots
 * may go. Growth is transpiration weighed by the yield response of its stage.
 */
export interface Waiting {
  /** The next day on which it is asked. */
  until: IsoDate;
  /** Growth that waiting loses: share of the growth wanted until then, on the mean and in the worst tenth, 0–1. */
  lostShare: number;
  highShare: number;
  /** The same as shares of the growth wanted over the whole plan: what it comes to for the crop. */
  planShare: number;
  planHighShare: number;
  /** And in litres of transpiration weighed by the yield response. */
  lostL: number;
  highL: number;
  /** Missed since its last full watering, with what waiting adds, and what may be: shares of the growth wanted from then on. */
  missedShare: number;
  allowedShare: number;
  /** How freely the plants drink on the worst day by waiting (FAO-56 Ks, mean of the ways), by being watered now, and the least it is to be. */
  lowestKs: number;
  reachableKs: number;
  floor: number;
  /** That is too much: more growth than its goal allows, or a day under its floor. */
  due: 'growth' | 'floor' | null;
  /** Counted as missed until now and allowed until the next round, litres weighed by the yield response: a zone adds them up over its beds. */
  spentL: number;
  allowedL: number;
}

/** Why a bed is left alone today. */
export type LeaveReason =
  | {
      code: 'enough in store';
      /** Days until its next watering, as planned. */
      daysInHand: number;
      depletionMm: number;
      readilyMm: number;
      /** Worked out when first read. */
      readonly because?: Working;
    }
  | {
      /** Without that rain it would be watered; what is lost if it fails, share of the growth wanted until the next round. */
      code: 'rain coming';
      on: IsoDate;
      rainMm: number;
      chance: number;
      lostIfNotShare: number;
    }
  /** Days without air at the roots, and the day on which they have it again; null when not within the plan. */
  | { code: 'too wet'; airlessDays: number; airOn: IsoDate | null }
  | { code: 'toughening'; until: IsoDate }
  /** The plants hang though the ground has water: roots without air, or a sickness. */
  | { code: 'hangs in wet ground' }
  /** It cannot well wait, but this is no day for it: the next one, if within the plan. */
  | { code: 'not on this day'; on: IsoDate | null }
  | { code: 'too windy'; windMs: number }
  /** Bare ground; the day on which something is to be sown or planted, where that was said. */
  | { code: 'nothing growing'; until: IsoDate | null }
  /** Until the day on which the ground has thawed, as the weather ahead is expected; null when not within the plan. */
  | { code: 'frozen'; until: IsoDate | null }
  | { code: 'ripened' | 'killed by frost'; on: IsoDate }
  | { code: 'settled today' }
  /** It alone would be watered; its zone as a whole can wait, until that day if within the plan. */
  | { code: 'its zone waits'; on: IsoDate | null };

export interface PlannedWatering {
  bedId: number;
  date: IsoDate;
  run: RunPlan;
  /** What of it is a person's own time, minutes. */
  handsOnMinutes: number;
  /** Its minutes, opened down to what the decision was made from; null where only the amount was asked for. */
  because: Working | null;
  /** How deep the water will reach, mm. */
  reachesMm: number;
  reason: WaterReason;
  /** On a bed's first watering: how sure its date is. Worked out when first read. */
  readonly window?: DueWindow;
  /** Only its dates: followed no further than to the first watering. Worked out when first read. */
  readonly dates?: DueDates;
}

/** A bed as it stands if its roots go so deep, mm in the watered ground. */
export interface RootOutlook {
  depth: RootDepth;
  /** How much it is believed, 0–1. */
  share: number;
  /** It is the depth that the plan counts on. */
  counted: boolean;
  rootDepthMm: number;
  depletionMm: number;
  readilyMm: number;
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
  /** Water the plants will want over the horizon and not get: mm over the bed, and litres. */
  missedMm: number;
  missedL: number;
  /** Days of the horizon on which they drink less than they want (FAO-56 Ks under 0.95). */
  shortDays: number;
  /** Growth lost over the plan, litres of transpiration weighed by the yield response of its stage. */
  lostL: number;
  /** What its plants want to drink over the plan, litres. */
  wantedL: number;
  /** Growth lost as a share of what is wanted: as deep as its roots are believed to go, and if they are shallow. */
  lostShare: number;
  lostIfShallow: number;
  /** What its goal lets it lose, the same share. */
  allowedShare: number;
  /** What waiting from today for the next round would cost it; null where nothing is asked of it. */
  waiting: Waiting | null;
  /** The working of what is gone and of what can be spared this morning. */
  gone: Working;
  spare: Working;
  /** Null when no ensemble was asked for. Worked out when first read. */
  readonly window: DueWindow | null;
  readonly dates: DueDates | null;
  /** How deep its roots may go, and how it then stands this morning. Worked out when first read. */
  readonly roots: RootOutlook[];
  /** Present when nothing is asked of the bed today. */
  leave: LeaveReason | null;
  /** Its wiltings on record, oldest first. */
  wilts: readonly Wilt[];
  /** A woody place's clock this morning, and the day on which it passes its longest gap if no water comes; null of others, and past the plan. */
  soak: (SoakNow & { limitOn: IsoDate | null }) | null;
}
