import { addDays, daysBetween, type IsoDate } from '../units/dates.ts';
import { cropById } from './catalogue/index.ts';
import { curveAt } from './cropCoefficient.ts';
import {
  STAGE_NAMES,
  type CropEntry,
  type PlantingInput,
  type StageName,
  type StartMethod,
} from './types.ts';

/** What a planting is on one day: everything the water balance asks of the plant. */
export interface PlantOnDay {
  stage: StageName;
  /** Days since planting, 0 on the day. */
  age: number;
  /** Basal coefficient, before the day's climate adjustment. */
  kcb: number;
  heightM: number;
  /** Share of the ground the leaves cover, 0–1. */
  canopyCover: number;
  /** Depth the roots could have reached, mm. */
  rootDepthMm: number;
  /** Share of the available water that may go, at 5 mm/day. */
  p: number;
}

/** Rooting depth on the day of planting, mm, by start method. FAO-56 ch. 8 asks 150–200 mm; the rest is judgement. */
const START_ROOT_MM: Readonly<Record<StartMethod, number>> = {
  'direct-sown': 150,
  module: 150,
  pot: 250,
  'bare-root': 300,
  cloves: 150,
  tubers: 250,
};

/** Height of a seedling or a fresh transplant, as a share of the full height. Judgement. */
const START_HEIGHT_SHARE = 0.1;

/** Kc of bare dry soil, and of a soil–plant surface at full wetness in the standard climate: FAO-56 eq. 76 and table 12's climate. */
const KC_MIN = 0.15;
const KC_MAX_STANDARD = 1.2;

export const cropOf = (planting: PlantingInput): CropEntry => planting.custom ?? cropById(planting.cropId);

/** Day of the season on which a stage begins. */
function stageStart(crop: CropEntry, stage: StageName): number {
  const { ini, dev, mid, late } = crop.stages;
  return {
    establishing: 0,
    growing: ini,
    'in full leaf': ini + dev,
    ripening: ini + dev + mid,
    past: ini + dev + mid + late,
  }[stage];
}

/** Days a start method gains or loses on the catalogue's stage table. Judgement: a module is about four weeks ahead of seed. */
function headStart(crop: CropEntry, method: StartMethod): number {
  if (method === crop.usualStart) return 0;
  const seed = (m: StartMethod): boolean => m === 'direct-sown';
  if (seed(method) && !seed(crop.usualStart)) return -28;
  if (!seed(method) && seed(crop.usualStart)) return Math.min(28, Math.round(crop.stages.ini / 2));
  return 0;
}

/** Day of the season on the crop's own curve: the calendar, moved by what the gardener saw. */
export function seasonDay(planting: PlantingInput, date: IsoDate): number {
  const crop = cropOf(planting);
  const method = planting.method ?? crop.usualStart;
  let day = daysBetween(planting.plantedOn, date) + headStart(crop, method);
  let latest: IsoDate = planting.plantedOn;
  for (const seen of planting.seen ?? []) {
    if (seen.on <= date && seen.on >= latest) {
      latest = seen.on;
      day = stageStart(crop, seen.stage) + daysBetween(seen.on, date);
    }
  }
  return day;
}

function stageOn(crop: CropEntry, day: number): StageName {
  const found = [...STAGE_NAMES].reverse().find((stage) => day >= stageStart(crop, stage));
  return found ?? 'establishing';
}

/** Growth from planting to full leaf, 0–1: roots and height follow it. Source: FAO-56 ch. 8 (linear with time). */
function growthShare(crop: CropEntry, day: number): number {
  return Math.min(1, Math.max(0, day / (crop.stages.ini + crop.stages.dev)));
}

/** Canopy cover from the basal coefficient. Source: FAO-56 eq. 76, in the table's standard climate. */
export function canopyCoverFrom(kcb: number, heightM: number): number {
  const share = Math.max(0, (kcb - KC_MIN) / (KC_MAX_STANDARD - KC_MIN));
  return Math.min(0.99, share ** (1 + 0.5 * heightM));
}

/**
 * The planting on one day, or `null` before it is planted and after it is cleared.
 * Sources: FAO-56 eqs. 66 and 76, ch. 8; start depths and head starts are judgements named in this file.
 */
export function plantOnDay(planting: PlantingInput, date: IsoDate): PlantOnDay | null {
  if (date < planting.plantedOn) return null;
  if (planting.endedOn !== undefined && date >= planting.endedOn) return null;
  const crop = cropOf(planting);
  const day = seasonDay(planting, date);
  const growth = growthShare(crop, day);
  const kcb = curveAt(crop.stages, crop.kcb, day);
  const heightM = crop.heightM * (START_HEIGHT_SHARE + (1 - START_HEIGHT_SHARE) * growth);
  const startMm = START_ROOT_MM[planting.method ?? crop.usualStart];
  const fullMm = Math.max(startMm, crop.roots.minM * 1000);
  return {
    stage: stageOn(crop, day),
    age: daysBetween(planting.plantedOn, date),
    kcb,
    heightM,
    canopyCover: canopyCoverFrom(kcb, heightM),
    rootDepthMm: startMm + (fullMm - startMm) * growth,
    p: crop.p.value,
  };
}

/** First day of each stage of this planting, as the curve stands on `date`. */
export function stageDates(planting: PlantingInput, date: IsoDate): { stage: StageName; from: IsoDate }[] {
  const crop = cropOf(planting);
  const day = seasonDay(planting, date);
  return STAGE_NAMES.map((stage) => ({ stage, from: addDays(date, stageStart(crop, stage) - day) }));
}
