import type { Delivery, RunPlan } from '../delivery/runPlan.ts';
import type { PlantingInput } from '../plants/types.ts';
import type { IsoDate } from '../units/dates.ts';
import type { ReferenceEtRoute } from '../weather/referenceEt.ts';
import type { DailyRecord } from './dailyRecord.ts';

/** Water that reached the soil of a bed on a day, mm over the whole bed. */
export interface Irrigation {
  date: IsoDate;
  netMm: number;
}

/** What the plan must know of any growing place, whatever its kind. */
export interface PlaceInput {
  /** Surface that water and rain fall on, m². */
  areaM2: number;
  plantings: PlantingInput[];
  place?: { underCover?: boolean };
}

/** How a place was, and was watered, up to and without a day on which that changed. */
export interface Earlier<I> {
  until: IsoDate;
  bed: I;
  delivery: Delivery;
}

/** A place as its kind is handed it. */
export interface PlaceSpan<I> {
  bed: I;
  delivery: Delivery;
  /** How it was before, oldest first. */
  earlier?: readonly Earlier<I>[];
  /** First day of the span, and days in it. */
  startOn: IsoDate;
  dayCount: number;
  /** Most that one watering may be. */
  most?: { litres?: number; totalMinutes?: number; passes?: number; longestMinutes?: number };
}

/** What a day came to, litres. Gone, spare and held are of the watered ground, the rest of the whole place. */
export interface Gauge {
  depletionL: number;
  /** What may go before the plant slows, and the share of what it holds that this is before the day's use moves it. */
  readilyAvailableL: number;
  depletionFraction: number;
  holdsL: number;
  /** Transpiration wanted and had, and what dried from the surface. */
  wantedL: number;
  suppliedL: number;
  evaporatedL: number;
  lostL: number;
  /** 1 unhindered, 0 none. */
  ks: number;
  /** Depth the day's water reached, mm. */
  frontMm: number;
}

export const emptyGauge = (): Gauge => ({
  depletionL: 0,
  readilyAvailableL: 0,
  depletionFraction: 0,
  holdsL: 0,
  wantedL: 0,
  suppliedL: 0,
  evaporatedL: 0,
  lostL: 0,
  ks: 1,
  frontMm: 0,
});

/** What a place is drawn from: mm of water in each 50 mm layer of its watered ground, top first. */
export interface Drawn {
  rootDepthMm: number;
  /** Where the ground ends, mm: the lowest layer may be thinner than the others. */
  depthMm: number;
  layersMm: number[];
  fieldCapacityMm: number[];
  wiltingPointMm: number[];
  saturationMm: number[];
}

/**
 * A growing place laid out over a span of days. Litres cross this seam; what a kind counts in inside is its own.
 * `S` is its water on a day; `d` is a day's index in the span.
 */
export interface GrowingPlace<S = unknown> {
  /** Litres that one millimetre on the watered ground is, and the whole surface in m². */
  litresPerMm(d: number): number;
  areaM2(d: number): number;
  /** A share of its available water, 0–1. */
  start(fullness: number): S;
  clone(state: S): S;
  copy(from: S, to: S): void;
  /** On the morning of a day: the place becomes what it is from that day on, with the water that is in it. */
  dawn(state: S, d: number): void;
  /** One day, in place: demand and rain in mm, the wind and humidity term, litres that reached it, and how warm the ground is (`groundWarmth`). */
  step(
    state: S,
    d: number,
    et0: number,
    rain: number,
    climate: number,
    givenL: number,
    warmth?: number,
  ): void;
  /** Gone from its watered ground as it stands, and what that can hold. */
  depletionL(state: S): number;
  holdsL(state: S): number;
  /** How dry its top is in the watered ground, 0 at field capacity, 1 at the wilting point, and what it lacks, mm; none where it has no ground. */
  top?(state: S): { dryShare: number; lacksMm: number };
  /** Days in a row with too little air at the roots. */
  airlessDays(state: S): number;
  /** What the day just stepped came to, in `into` where a kind can write it there: thousands of days then leave nothing behind. */
  gauge(state: S, into?: Gauge): Gauge;
  /** What the leaves hold back of a watering, litres; none where they do not. */
  leavesL?(d: number): number;
  /** The run for a net depth on the watered ground, mm, or the part of it that one watering may be; set `byHand`, it is not cut to a person's passes, and `whole` not at all. */
  give(
    state: S,
    d: number,
    localMm: number,
    how?: { pulses?: { count: number; apartMinutes: number }; byHand?: boolean; whole?: boolean },
  ): RunPlan;
  /** Whether rain reaches it. */
  underCover(d: number): boolean;
  record(
    state: S,
    date: IsoDate,
    et0Mm: number,
    et0Route: ReferenceEtRoute,
    withLayers: boolean,
  ): DailyRecord;
  drawn(state: S): Drawn;
}

/** How long a place has stood since its last soak, in days and as its kind counts them, and the most it is to stand; gone from a store that its plants live on meanwhile, share, where it has one. */
export interface SoakNow {
  days: number;
  counted: number;
  /** A soak is on record; else its days are counted from how its ground was told to be. */
  onRecord: boolean;
  gapDays: number;
  ballGone: number | null;
}

/** What forces a watering: the longest gap, a young tree's own ball, or that of plugs that were planted out. */
export type SoakDue = 'gap' | 'ball' | 'plug';

/** A day as a place's clock reads it: reference demand and the rain that reaches the place, mm, and whether its plants stand without leaves. */
export interface ClockDay {
  date: IsoDate;
  et0Mm: number;
  rainMm: number;
  leafless: boolean;
}

/** Whether a plant was watered so lately that its rhythm gives it nothing yet, and the least and the most of one watering, mm where it falls, where those are known. */
export interface PlantRhythm {
  tooSoon: boolean;
  between: { leastMm: number; mostMm: number } | null;
}

/** What forces a watering of a place whatever its balance says. It delays one only by a young plant's `rhythm`. `C` is its clock on a morning. */
export interface MustWater<C = unknown> {
  /** The clock on the first day, by the share of its water the place then had, 0–1. */
  start(fullness: number): C;
  /** After another day, with what the place lacked that morning and was given, mm where it falls. */
  after(clock: C, day: ClockDay & { lacksMm: number; givenMm: number }): C;
  /** Once what was given today of what it lacked this morning, mm, is counted. */
  withToday(clock: C, givenMm: number, lacksMm: number): C;
  /** Whether it forces a watering on day `d`: it could not wait until day `until`, of `dayCount` days. */
  due(
    clock: C,
    days: { d: number; until: number; dayCount: number },
    dayOf: (k: number) => ClockDay,
  ): SoakDue | null;
  /** The first day from `d` on with which it has stood too long if no water comes; null within `dayCount`. */
  limit(clock: C, days: { d: number; dayCount: number }, dayOf: (k: number) => ClockDay): number | null;
  /** How long it has stood; null where nothing but its own store is counted. */
  now(clock: C): SoakNow | null;
  /** What its own store lacks, mm where water falls. */
  lacksMm(clock: C): number;
  /** The rhythm in which a young plant is watered whatever its ground lacks, and what one watering of it may be, mm where it falls; null where it has none. */
  rhythm?(clock: C): PlantRhythm | null;
}

/** A kind of growing place: how one is laid out over a span of days, and what forces water there, where anything does. */
export interface PlaceKind<I extends PlaceInput, S> {
  kind: string;
  prepare(span: PlaceSpan<I>): GrowingPlace<S>;
  /** @param from the first day on which it may force anything */
  mustWater?(bed: I, from: IsoDate): MustWater | null;
}

/** Kinds as the plan takes them, by name: what each counts in inside is its own. */
export type PlaceKinds = Readonly<Record<string, PlaceKind<PlaceInput, unknown>>>;
