import { at } from '../../units/at.ts';
import { cropOf, plantsOnDay } from '../../plants/plantOnDay.ts';
import type { CropEntry, PlantingInput } from '../../plants/types.ts';
import { addDays, type IsoDate } from '../../units/dates.ts';
import { OutOfRange, within, withinIfGiven } from '../../units/guard.ts';
import { placeFactors, type PlaceWords } from '../../weather/placeFactors.ts';
import {
  GREENHOUSE_FACTOR,
  indoorDemandMm,
  LIGHTS,
  ROOM_AIRS,
  WARMTHS,
  type IndoorWords,
} from './indoors.ts';
import { DRESSINGS, MATERIALS, type Dressing, type Material } from './materials.ts';
import { availableOf, MIXES, type Mix } from './mixes.ts';
import { drinksAtNight, seasonShare } from '../../plants/restSeason.ts';
import { vesselShape, type VesselShape } from './size.ts';

/** A pot, planter or tray as it is described. SI: litres, metres. */
export interface VesselInput {
  /** Litres to its rim; or its measures: across the top and base, height, in m. Of a trough, length, width and height. */
  volumeL?: number;
  topM?: number;
  baseM?: number;
  heightM?: number;
  trough?: boolean;
  mix: Mix;
  material: Material;
  dressing?: Dressing;
  /** A saucer under it, or what it holds, L. */
  saucer?: boolean | number;
  /** It has no hole: what is too much stands in it. */
  noHole?: boolean;
  /** Water stored beneath that it draws up, L. */
  reservoirL?: number;
  plantings: PlantingInput[];
  /** In a room; its light, warmth and air where they are known. */
  indoors?: boolean | IndoorWords;
  greenhouse?: boolean;
  /** Where it stands outdoors. */
  place?: PlaceWords & { underCover?: boolean; demandFactor?: number };
  /** Leaves, m² of ground they would shade, or how far they reach across, m; default by the kind of plant and the pot. */
  canopyM2?: number;
  acrossM?: number;
  /** It hangs: air and sun come at it from below too, and what grows in it trails over its rim. */
  hung?: boolean;
  /** How far roots have filled it. */
  roots?: RootFill;
  /** What it drinks of what is reckoned, once it was weighed. */
  useFactor?: number;
}

export const ROOT_FILLS = ['young', 'filled', 'root-bound'] as const;
export type RootFill = (typeof ROOT_FILLS)[number];
/**
 * Share of the mix that gives its water to roots, and leaves over a pot's usual ones. Judgements; common practice: a root-bound
 * pot dries fastest, and one whose plant is new lasts half as long again at least.
 */
const ROOTED = {
  young: { reach: 0.75, leaves: 0.6 },
  filled: { reach: 1, leaves: 1 },
  'root-bound': { reach: 0.75, leaves: 1.5 },
} as const;

/** Leaves, of the pot's open top, when it is filled. Judgements. */
const SPREAD: Readonly<Record<CropEntry['group'], number>> = {
  vegetables: 2,
  herbs: 1.4,
  'soft fruit': 1.8,
  'fruit trees': 2.2,
  'ornamental trees': 2.2,
  'shrubs and roses': 1.8,
  perennials: 1.6,
  houseplants: 1.8,
  'cacti and succulents': 0.9,
  turf: 1,
};

/** A pot that stands free takes heat from all sides: FAO-56 ch. 9 gives 1.2 to 1.4 of grass for small stands in the open. */
const STANDS_FREE = 1.2;
const HANGS_FREE = 1.4;
/** What trails over the rim of a basket, of the leaves of a pot. Judgement. */
const TRAILS = 1.4;
/** Leaves hold rain off the mix. Judgement. */
const UMBRELLA = 0.5;
/** Where a saucer is, and nobody measured it: of the mix. Judgement. */
const SAUCER_SHARE = 0.06;
/** Air between the grains of a drained mix, of its room: where nothing runs out, so much water stands there. Nursery mixes have 15 to 25 % (Yeager et al., from memory). */
const AIR_SHARE = 0.15;
const saucerOf = ({ saucer, noHole }: VesselInput, volumeL: number): number => {
  if (noHole) return AIR_SHARE * volumeL;
  return typeof saucer === 'number' ? saucer : saucer ? SAUCER_SHARE * volumeL : 0;
};

/**
 * Of what a mix has for plants so much comes easily: held between 1 and 5 kPa, 20–30 % of the volume (de Boodt & Verdonck 1972, from
 * memory), two thirds of what is available. FAO-56’s p is meant for soil; a pot is taken half way between the two. Judgement.
 */
const EASY = 2 / 3;
const easyShare = (plantings: readonly PlantingInput[]): number =>
  plantings.length === 0
    ? EASY
    : (EASY + Math.min(...plantings.map((planting) => cropOf(planting).p.value))) / 2;

/** Of a day on which every leaf hangs over the pot, so much of the mix is in shade at most. Judgement. */
const MOST_SHADE = 0.85;

/** A pot laid out over days. Litres and millilitres apart: everything here is litres. */
export interface VesselModel {
  input: VesselInput;
  shape: VesselShape;
  /** Water for plants when it has drained, and that nobody gets, L. */
  holdsL: number;
  tightL: number;
  /** What its saucer can hold; of a pot without a hole what can stand in its mix. */
  saucerL: number;
  reservoirL: number;
  /** Rain reaches it. */
  rained: boolean;
  shrinksUnderL: number;
  /** L a day for each mm of the garden's demand, by day; and the demand of its own place where it is in a room, mm. */
  leafLPerMm: Float64Array;
  openLPerMm: Float64Array;
  wallLPerMm: number;
  ownMm: Float64Array | null;
  rainLPerMm: Float64Array;
  /** Share of the store that may go before the plant slows. */
  p: number;
  atNight: boolean;
  /** What it uses of what is reckoned; a weighing changes it. */
  useFactor: number;
  /** Leaves, m² of ground that they would shade when it is filled. */
  leafM2: number;
}

function checked(input: VesselInput): VesselInput {
  if (!Object.hasOwn(MIXES, input.mix))
    throw new OutOfRange('mix', `be one of ${Object.keys(MIXES).join(', ')}`, input.mix);
  if (!Object.hasOwn(MATERIALS, input.material))
    throw new OutOfRange('material', `be one of ${Object.keys(MATERIALS).join(', ')}`, input.material);
  if (input.dressing !== undefined && !Object.hasOwn(DRESSINGS, input.dressing))
    throw new OutOfRange('dressing', `be one of ${Object.keys(DRESSINGS).join(', ')}`, input.dressing);
  withinIfGiven('reservoirL', input.reservoirL, 0, 200, 'L');
  withinIfGiven('canopyM2', input.canopyM2, 1e-6, 1000, 'm²');
  withinIfGiven('acrossM', input.acrossM, 0.01, 6, 'm');
  withinIfGiven('useFactor', input.useFactor, 0.1, 6);
  if (typeof input.saucer === 'number') within('saucer', input.saucer, 0, 100_000, 'L');
  if (typeof input.indoors === 'object') {
    const allowed = { light: LIGHTS, warmth: WARMTHS, air: ROOM_AIRS } as const;
    for (const field of ['light', 'warmth', 'air'] as const) {
      const word = input.indoors[field];
      if (word !== undefined && !(allowed[field] as readonly string[]).includes(word))
        throw new OutOfRange(field, `be one of ${allowed[field].join(', ')}`, word);
    }
  }
  return input;
}

/**
 * Lays a pot out over days.
 * @param input the pot; `startOn` the first day, `dayCount` days; how freely its roots take up water in the cold on each of them, 0–1, where it stands outdoors
 * @throws RangeError naming the field on what cannot be: no size, an unknown mix or material, a measure out of range
 * Source: the figures of `mixes`, `materials`, `indoors` and this file, each with where it comes from.
 */
export function vesselModel(
  input: VesselInput,
  options: { startOn: IsoDate; dayCount: number; latitudeDeg: number; warmth?: Float64Array },
): VesselModel {
  const { plantings, useFactor = 1 } = checked(input);
  const { startOn, dayCount, latitudeDeg, warmth } = options;
  const shape = vesselShape(input);
  const { reach, leaves } = ROOTED[input.roots ?? 'filled'];
  const mix = MIXES[input.mix];
  const holdsL = shape.volumeL * availableOf(input.mix) * reach;
  const material = MATERIALS[input.material];
  const indoors = input.indoors !== undefined && input.indoors !== false;
  const place = placeFactors({ ...input.place, cover: input.greenhouse ? 'none' : input.place?.cover });
  const here = indoors
    ? 1
    : (input.place?.demandFactor ?? place.demandFactor) *
      (input.greenhouse ? GREENHOUSE_FACTOR : input.hung ? HANGS_FREE : STANDS_FREE);
  const heat = indoors ? 1 : material.heat;
  const model: VesselModel = {
    input,
    shape,
    holdsL,
    tightL: shape.volumeL * mix.unavailable,
    saucerL: saucerOf(input, shape.volumeL),
    reservoirL: input.reservoirL ?? 0,
    rained: !(indoors || input.greenhouse || input.place?.underCover || place.underCover),
    shrinksUnderL: mix.shrinksUnder * holdsL,
    leafLPerMm: new Float64Array(dayCount),
    openLPerMm: new Float64Array(dayCount),
    wallLPerMm: here * shape.wallM2 * material.wallShare,
    ownMm: indoors ? new Float64Array(dayCount) : null,
    rainLPerMm: new Float64Array(dayCount),
    p: easyShare(plantings),
    atNight: plantings.length > 0 && plantings.every((planting) => drinksAtNight(cropOf(planting))),
    useFactor,
    leafM2: 0,
  };
  const declaredLeaves =
    input.canopyM2 ?? (input.acrossM === undefined ? undefined : (Math.PI * input.acrossM ** 2) / 4);
  const words = typeof input.indoors === 'object' ? input.indoors : {};
  const dressing = DRESSINGS[input.dressing ?? 'bare'].evaporates;
  const standing = plantings.map((planting) => ({ latitudeDeg, ...planting }));
  for (let d = 0; d < dayCount; d += 1) {
    const date = addDays(startOn, d);
    let leafM2 = 0;
    let cover = 0;
    for (const { planting, plant } of plantsOnDay(standing, date)) {
      const crop = cropOf(planting);
      const share = planting.share ?? 1;
      const full =
        declaredLeaves ?? shape.openingM2 * SPREAD[crop.group] * leaves * (input.hung ? TRAILS : 1);
      if (d === 0) model.leafM2 += share * full;
      leafM2 += share * full * plant.kcb * seasonShare(crop, date, latitudeDeg);
      cover += share * plant.canopyCover;
    }
    const open = 1 - Math.min(MOST_SHADE, cover);
    // Cold roots take up slowly; in a room and under glass they are not cold.
    const warm = warmth && model.rained ? at(warmth, d) : 1;
    model.leafLPerMm[d] = here * heat * leafM2 * warm;
    model.openLPerMm[d] = here * shape.openingM2 * open * dressing;
    model.rainLPerMm[d] = model.rained ? shape.openingM2 * (1 - UMBRELLA * Math.min(1, cover)) : 0;
    if (model.ownMm) model.ownMm[d] = indoorDemandMm(words, latitudeDeg, date);
  }
  return model;
}
