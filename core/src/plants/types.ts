/** Where a catalogue value comes from. FAO-56 figures are written from memory of the printed tables. */
export type Source = `FAO-56 table ${number}` | 'ANSI/ASABE S623' | `judgement: ${string}`;

export type CropGroup =
  | 'vegetables'
  | 'herbs'
  | 'soft fruit'
  | 'fruit trees'
  | 'ornamental trees'
  | 'shrubs and roses'
  | 'perennials'
  | 'houseplants'
  | 'cacti and succulents'
  | 'turf';

/** How a plant's year runs: one season from planting, leaf-out to leaf-fall each year, or always in leaf. */
export type LifeCycle = 'annual' | 'deciduous' | 'evergreen';

/** How a planting was started. */
export const START_METHODS = ['direct-sown', 'module', 'pot', 'bare-root', 'cloves', 'tubers'] as const;
export type StartMethod = (typeof START_METHODS)[number];

/** Which group rule for a planned dry spell applies. */
export type ToughenRule =
  'legume' | 'root' | 'tomato' | 'cucurbit' | 'onion' | 'potted potato' | 'never' | 'not needed';

export type FrostClass = 'tender' | 'half-hardy' | 'hardy';

/** A value per stage of the crop coefficient curve. */
export interface Coefficients {
  ini: number;
  mid: number;
  end: number;
  source: Source;
}

export interface CropEntry {
  id: string;
  name: string;
  group: CropGroup;
  cycle: LifeCycle;
  /** Single crop coefficient: soil and plant together. */
  kc: Coefficients;
  /** Basal crop coefficient: the plant alone, on a dry surface. */
  kcb: Coefficients;
  /** Tallest the crop gets, m. */
  heightM: number;
  heightSource: Source;
  /** Share of the ground its leaves cover when full, where that does not follow from the coefficient (FAO-56 eq. 76). */
  leafCover?: number;
  /** Its numbers are of one plant as it stands today, not of the kind full grown. */
  asItStands?: boolean;
  /** Picked for as long as it lives: an annual that does not end by its calendar, but by frost or when it is cleared. */
  cropsOn?: boolean;
  /** Days of each stage from planting (from leaf-out for deciduous plants). */
  stages: { ini: number; dev: number; mid: number; late: number; source: Source };
  /** Range of the greatest rooting depth, m. Watering is planned on the shallow end (FAO-56 note to table 22). */
  roots: { minM: number; maxM: number; source: Source };
  /** Share of the available water that may go before the plant slows, at 5 mm/day. */
  p: { value: number; source: Source };
  /** Usual spacing, mm: in the row and between rows. Common practice. */
  spacing: { inRowMm: number; betweenRowsMm: number };
  usualStart: StartMethod;
  /** What shortage or wetness does to it. Common practice. */
  traits: {
    foliageDiseaseProne: boolean;
    splits: boolean;
    blossomEndRot: boolean;
    boltsWhenDry: boolean;
    likesAcidWater: boolean;
    leafyGreen: boolean;
    dislikesWetFeet: boolean;
  };
  frost: FrostClass;
  toughening: ToughenRule;
  /** When water matters most, in a gardener's words. */
  thirstiest: string;
  /** Yield lost per share of water use missed in the tender stage (FAO-33 ky where there is one; else judgement). */
  sensitivity: number;
}

/** A planting on a bed. */
export interface PlantingInput {
  cropId: string;
  plantedOn: string;
  endedOn?: string;
  method?: StartMethod;
  /** Share of the bed's area, 0–1; default 1. */
  share?: number;
  /** Stages the gardener saw begin: each re-anchors the rest of the curve. */
  seen?: { stage: StageName; on: string }[];
  /** Days from sowing after which it is usually up at the temperatures of its place; default the usual ones. */
  upAfter?: number;
  /** The day on which a sowing was seen to be up. */
  upOn?: string;
  /** Month and day (MM-DD) on which a perennial comes into leaf; default the usual one at its latitude. */
  leafOut?: string;
  /** Where it grows, for its winter: the days of the season in which nothing grows. Default: without a winter, in the north. */
  latitudeDeg?: number;
  /** Where in the catalogue's range its roots go: 0 the shallow end, by which watering is planned, 1 the deep one. Default 0. */
  rootsAt?: number;
  /** Share of what its roots can hold that may go before it slows, 0–1, as the gardener settled it; default the crop's. */
  ownLine?: { share: number; on: string };
  /** The morning after the night whose frost killed it. */
  killedOn?: string;
  /** A plant of the gardener's own, or one whose numbers were changed. */
  custom?: CropEntry;
}

export const STAGE_NAMES = ['establishing', 'growing', 'in full leaf', 'ripening', 'past'] as const;
export type StageName = (typeof STAGE_NAMES)[number];
