import { addDays, daysBetween, type IsoDate } from '../units/dates.ts';
import { isWoody } from './woody.ts';
import { shortDays } from './shortDays.ts';
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
  /** An annual past its ripening, or killed by frost: it stands, and asks for nothing. */
  over: 'ripened' | 'killed by frost' | null;
  /** Its roots have left the ball or the row they came in; until then it goes before others and is watered there. */
  rooted: boolean;
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
const stageStart = ({ stages }: CropEntry, stage: StageName): number => STARTS[stage](stages);

const STARTS: Readonly<Record<StageName, (stages: CropEntry['stages']) => number>> = {
  establishing: () => 0,
  growing: ({ ini }) => ini,
  'in full leaf': ({ ini, dev }) => ini + dev,
  ripening: ({ ini, dev, mid }) => ini + dev + mid,
  past: ({ ini, dev, mid, late }) => ini + dev + mid + late,
};

/** Days a start method gains or loses on the catalogue's stage table. Judgement: a module is about four weeks ahead of seed. */
function headStart(crop: CropEntry, method: StartMethod): number {
  if (method === crop.usualStart) return 0;
  const seed = (m: StartMethod): boolean => m === 'direct-sown';
  if (seed(method) && !seed(crop.usualStart)) return -28;
  if (!seed(method) && seed(crop.usualStart)) return Math.min(28, Math.round(crop.stages.ini / 2));
  return 0;
}

/** Coming into leaf in a temperate garden of the north, and of the south. Judgement; the gardener's own date wins. */
const LEAF_OUT_NORTH = '04-10';
const LEAF_OUT_SOUTH = '10-10';
/** Years a woody plant or perennial takes to its full root and crown. Common practice: three to establish. */
const YEARS_TO_ESTABLISH = 3;
/** Share of the full coefficient a first-year perennial uses. Judgement. */
const FIRST_YEAR_SHARE = 0.4;

/**
 * Days after planting in which a woody plant, and any other that lives on, roots into the ground round it: by its age, not by
 * the time of the year. Judgement; that a tree or shrub is new for a year is common practice.
 */
const ROOTED_AFTER_DAYS = { woody: 365, herbaceous: 60 };

/** An annual is rooted once its first stage is over, as the calendar or the gardener has it. */
const isRooted = (crop: CropEntry, stage: StageName, age: number): boolean =>
  crop.cycle === 'annual'
    ? stage !== 'establishing'
    : age >= (isWoody(crop) ? ROOTED_AFTER_DAYS.woody : ROOTED_AFTER_DAYS.herbaceous);

/** Usual day of coming into leaf on a hemisphere, MM-DD. */
export const usualLeafOut = (latitudeDeg: number): string =>
  latitudeDeg < 0 ? LEAF_OUT_SOUTH : LEAF_OUT_NORTH;

/** First day of the growing season that `date` falls in. */
function seasonStart(planting: PlantingInput, crop: CropEntry, date: IsoDate): IsoDate {
  if (crop.cycle === 'annual') return planting.plantedOn;
  const year = Number(date.slice(0, 4));
  const leafOut = `${date.slice(0, 4)}-${planting.leafOut ?? usualLeafOut(planting.latitudeDeg ?? 0)}`;
  return date >= leafOut ? leafOut : `${String(year - 1).padStart(4, '0')}-${leafOut.slice(5)}`;
}

/** Day of the season on the crop's own curve: the calendar, moved by what the gardener saw. */
export function seasonDay(planting: PlantingInput, date: IsoDate): number {
  const crop = cropOf(planting);
  const start = seasonStart(planting, crop, date);
  const method = planting.method ?? crop.usualStart;
  const annual = crop.cycle === 'annual';
  // An annual stands still in the short days: what is sown in autumn goes on in spring.
  const grown = (from: IsoDate): number =>
    daysBetween(from, date) - (annual ? shortDays(planting.latitudeDeg ?? 0, from, date) : 0);
  let day = grown(start) + (annual ? headStart(crop, method) : 0);
  let latest: IsoDate = start;
  for (const seen of planting.seen ?? []) {
    if (seen.on <= date && seen.on >= latest) {
      latest = seen.on;
      day = stageStart(crop, seen.stage) + grown(seen.on);
    }
  }
  return day;
}

/** The curve over the season; a deciduous plant without leaves uses no more than at bud break. */
function seasonalKcb(crop: CropEntry, day: number): number {
  const bare = crop.cycle === 'deciduous' && day >= stageStart(crop, 'past');
  return bare ? Math.min(crop.kcb.ini, crop.kcb.end) : curveAt(crop.stages, crop.kcb, day);
}

function stageOn(crop: CropEntry, day: number): StageName {
  const stage = STAGE_NAMES.findLast((one) => day >= stageStart(crop, one)) ?? 'establishing';
  return stage === 'past' && crop.cropsOn ? 'ripening' : stage;
}

const overOn = (
  crop: CropEntry,
  planting: PlantingInput,
  stage: StageName,
  date: IsoDate,
): PlantOnDay['over'] => {
  if (planting.killedOn !== undefined && date >= planting.killedOn) return 'killed by frost';
  return crop.cycle === 'annual' && stage === 'past' ? 'ripened' : null;
};

/** Share of the ground its leaves cover. */
const coverOf = (crop: CropEntry, kcb: number, heightM: number): number =>
  crop.leafCover === undefined
    ? canopyCoverFrom(kcb, heightM)
    : Math.min(crop.leafCover, (crop.leafCover * kcb) / crop.kcb.mid);

/** Growth to full root and height, 0–1: over the season for annuals (FAO-56 ch. 8, linear), over years for the rest. */
function growthShare(crop: CropEntry, day: number, age: number): number {
  if (crop.asItStands) return 1;
  if (crop.cycle !== 'annual') return Math.min(1, age / (365 * YEARS_TO_ESTABLISH));
  return Math.min(1, Math.max(0, day / (crop.stages.ini + crop.stages.dev)));
}

/** Canopy cover from the basal coefficient. Source: FAO-56 eq. 76, in the table's standard climate. */
export function canopyCoverFrom(kcb: number, heightM: number): number {
  const share = Math.max(0, (kcb - KC_MIN) / (KC_MAX_STANDARD - KC_MIN));
  return Math.min(0.99, share ** (1 + 0.5 * heightM));
}

/**
 * The planting on one day, or `null` before it is planted and after it is cleared.
 * Sources: FAO-56 eqs. 66 and 76, ch. 8; winter rest as `shortDays`; start depths and head starts are judgements named in this file.
 */
export function plantOnDay(planting: PlantingInput, date: IsoDate): PlantOnDay | null {
  if (date < planting.plantedOn) return null;
  if (planting.endedOn !== undefined && date >= planting.endedOn) return null;
  const crop = cropOf(planting);
  const day = seasonDay(planting, date);
  const age = daysBetween(planting.plantedOn, date);
  const growth = growthShare(crop, day, age);
  const young = crop.cycle === 'annual' ? 1 : FIRST_YEAR_SHARE + (1 - FIRST_YEAR_SHARE) * growth;
  const stage = stageOn(crop, day);
  const over = overOn(crop, planting, stage, date);
  const kcb = over ? 0 : young * seasonalKcb(crop, day);
  const heightM = crop.heightM * (START_HEIGHT_SHARE + (1 - START_HEIGHT_SHARE) * growth);
  // What came in a small pot has no deeper roots than the kind ever makes.
  const { minM, maxM } = crop.roots;
  const fullMm = 1000 * (minM + (planting.rootsAt ?? 0) * (maxM - minM));
  const startMm = Math.min(1000 * minM, START_ROOT_MM[planting.method ?? crop.usualStart]);
  return {
    stage,
    age,
    over,
    rooted: isRooted(crop, stage, age),
    kcb,
    heightM,
    canopyCover: coverOf(crop, kcb, heightM),
    rootDepthMm: startMm + (fullMm - startMm) * growth,
    p: planting.ownLine?.share ?? crop.p.value,
  };
}

/** A planting that stands on a day, with what it is then. */
export interface Standing {
  planting: PlantingInput;
  plant: PlantOnDay;
}

/** Everything that stands on a place on a day. */
export const plantsOnDay = (plantings: readonly PlantingInput[], date: IsoDate): Standing[] =>
  plantings.flatMap((planting) => {
    const plant = plantOnDay(planting, date);
    return plant ? [{ planting, plant }] : [];
  });

/** First day of each stage of this planting, as the curve stands on `date`; what is picked as long as it lives has no last one. */
export function stageDates(planting: PlantingInput, date: IsoDate): { stage: StageName; from: IsoDate }[] {
  const crop = cropOf(planting);
  const asOf = crop.cycle === 'annual' && date < planting.plantedOn ? planting.plantedOn : date;
  const day = seasonDay(planting, asOf);
  const resting = crop.cycle === 'annual' ? (planting.latitudeDeg ?? 0) : 0;
  return STAGE_NAMES.filter((stage) => !(stage === 'past' && crop.cropsOn)).map((stage) => ({
    stage,
    from: afterGrowing(asOf, stageStart(crop, stage) - day, resting),
  }));
}

/** The first day on which so many more days have been grown in, or had been before; the short ones do not count. */
function afterGrowing(date: IsoDate, days: number, latitudeDeg: number): IsoDate {
  let found = addDays(date, days);
  for (;;) {
    const rest = days < 0 ? -shortDays(latitudeDeg, found, date) : shortDays(latitudeDeg, date, found);
    const next = addDays(date, days + rest);
    if (next === found) break;
    found = next;
  }
  // What was reached as the short days began was reached on all of them.
  while (days < 0 && shortDays(latitudeDeg, addDays(found, -1), found) > 0) found = addDays(found, -1);
  return found;
}
