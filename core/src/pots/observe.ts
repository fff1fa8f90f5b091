import { MIXES } from '../places/vessel/mixes.ts';
import { pour, type VesselState } from '../places/vessel/stepVessel.ts';
import type { VesselModel } from '../places/vessel/vesselModel.ts';
import { daysBetween, type IsoDate } from '../units/dates.ts';
import type { DatedPotEntry, Felt, PotEntry, PotEntryKind, Sign } from './entries.ts';

/** What was found, against what had been calculated, mL that it could still give. */
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

/** A kitchen scale is right within so much, kg; a large one within a share. Judgement. */
const SCALE_KG = 0.005;
const SCALE_SHARE = 0.002;
/** What a day’s weather and plant are off beside that, as a share. Judgement. */
const SPAN_DOUBT = 0.08;
/** Less than this lost says nothing, L. */
const LEAST_LOST_L = 0.01;
/** How far a use factor may be from what is calculated. */
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

/** A pot on its way through the days: its model, and what is known of it from what was found. */
export interface Following {
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

/** An entry of one kind, on its day. */
type Of<K extends PotEntryKind> = Omit<DatedPotEntry, 'entry'> & { entry: Extract<PotEntry, { kind: K }> };

/** What was found takes the place of what had been calculated. @param share of what the pot holds for plants */
function levelFound(
  { model, found }: Following,
  state: VesselState,
  date: IsoDate,
  what: string,
  share: number,
): void {
  const foundL = Math.max(0, Math.min(model.holdsL, share * model.holdsL));
  found.push({ date, what, reckonedMl: 1000 * state.availableL, foundMl: 1000 * foundL });
  state.availableL = foundL;
}
const shareOf = ({ model }: Following, state: VesselState): number => state.availableL / model.holdsL;

/** A weight: where the pot stands, and what it used since the one before. */
function weighed(
  on: Following,
  state: VesselState,
  { date, hour, entry: { kg, full } }: Of<'weighed'>,
): void {
  const { model, last } = on;
  if (last) {
    const lostL = last.kg - kg;
    const calculatedL = last.levelL - state.availableL;
    const hours = 24 * daysBetween(last.date, date) + hour - last.hour;
    if (!full && lostL > 0 && calculatedL > LEAST_LOST_L && hours > 0) {
      on.spans.push({
        from: last.date,
        until: date,
        hours,
        lostMl: 1000 * lostL,
        reckonedMl: 1000 * calculatedL,
      });
      const scale = Math.max(SCALE_KG, SCALE_SHARE * kg);
      const noise = (scale / Math.max(lostL, scale)) ** 2 + SPAN_DOUBT ** 2;
      const gain = on.doubt ** 2 / (on.doubt ** 2 + noise);
      model.useFactor = Math.min(
        MOST_FACTOR,
        Math.max(LEAST_FACTOR, model.useFactor * Math.exp(gain * Math.log(lostL / calculatedL))),
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
    // it was calculated to be.
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

/** What a sign says of the share of its water that a pot still has: at most so much. Signs that are not here say nothing of it. Judgements. */
const MOST_SHARE: Partial<Record<Sign, (model: VesselModel) => number>> = {
  'shrunk from the side': ({ shrinksUnderL, holdsL }) => shrinksUnderL / holdsL,
  'wholly dry': () => 0.03,
  droops: ({ p }) => 0.5 * (1 - p),
};

/**
 * What each kind of entry moves of a pot that is followed, when its hour comes. Source: common practice for what each of them
 * says; the bands and weights are the judgements named above.
 */
export const OBSERVE: { [K in PotEntryKind]: (on: Following, state: VesselState, of: Of<K>) => void } = {
  given(on, state, { entry: { millilitres, how } }) {
    on.last = null;
    // In two rounds a mix that has drawn back takes it.
    if (how === 'twice') state.shrunk = false;
    pour(on.model, state, millilitres / 1000, how === 'from below' ? 'below' : 'above');
  },
  weighed,
  heft(on, state, { date, entry: { by, felt } }) {
    const what = by === 'foot' ? 'push of a foot' : 'weight in the hand';
    levelFound(on, state, date, what, into(shareOf(on, state), HEFT[felt]));
  },
  finger(on, state, { date, entry: { found } }) {
    // A dry top says little of a deep pot, and nothing beside a weight of the same day.
    const isMute = on.weighedOn === date || (on.model.shape.heightM > DEEP_M && found === 'dry');
    const share = shareOf(on, state);
    levelFound(on, state, date, 'finger', isMute ? share : into(share, FINGER[found]));
  },
  meter(on, state, { date, entry: { pct, meter } }) {
    const { volumeL } = on.model.shape;
    const level = volumeL * (pct / 100 - MIXES[on.model.input.mix].unavailable);
    const sd = METER_SD[meter] * volumeL;
    const gain = on.levelSdL ** 2 / (on.levelSdL ** 2 + sd ** 2);
    const levelL = state.availableL + gain * (level - state.availableL);
    levelFound(on, state, date, 'meter', levelL / on.model.holdsL);
  },
  seen(on, state, { date, entry: { sign } }) {
    const most = MOST_SHARE[sign]?.(on.model);
    if (most !== undefined) levelFound(on, state, date, sign, Math.min(shareOf(on, state), most));
    if (sign === 'shrunk from the side') state.shrunk = true;
  },
  'dry spell': () => undefined,
  left: () => undefined,
};

/** What an entry moves, when its hour comes. */
export function observe(on: Following, dated: DatedPotEntry, state: VesselState): void {
  const rule = OBSERVE[dated.entry.kind] as (on: Following, state: VesselState, of: DatedPotEntry) => void;
  rule(on, state, dated);
}
