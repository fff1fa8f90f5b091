import type { DripLayoutInput } from '../delivery/dripLayout.ts';
import type { Method } from '../delivery/methods.ts';
import type { StageName } from '../plants/types.ts';
import type { FeelAnswers } from '../soil/feelKey.ts';
import type { Tellable } from '../working/tellable.ts';
import type { TextureClass } from '../soil/textureClass.ts';
import type { IsoDate } from '../units/dates.ts';
import type { PlaceWords } from '../weather/placeFactors.ts';

/** Where water went when it was dyed, or in a pot of the bed's own soil. */
export const WATER_PATHS = ['evenly down', 'sideways', 'down one channel'] as const;
export type WaterPath = (typeof WATER_PATHS)[number];

/** What a look into the ground was done with, and what it found. */
export const LOOK_TOOLS = ['finger', 'trowel', 'core'] as const;
export type LookTool = (typeof LOOK_TOOLS)[number];
export const LOOK_STATES = ['dry', 'damp', 'wet'] as const;
export type LookState = (typeof LOOK_STATES)[number];
export const DEPTH_TOOLS = ['screwdriver', 'probe', 'stiff wire', 'trowel'] as const;

/** What a test, a look or a person found out about a bed's ground or its water, as it was read. SI. */
export type FindingInput =
  | { kind: 'feel'; horizon: 'top' | 'below'; answers: FeelAnswers }
  | { kind: 'jar'; horizon: 'top' | 'below'; sandMm: number; siltMm: number; clayMm: number }
  | { kind: 'dig'; topsoilMm: number; belowClass?: TextureClass; stonesPct?: number; rockMm?: number }
  | { kind: 'hole'; fallMm: number; minutes: number }
  | { kind: 'pot'; path: WaterPath; fallMm: number; minutes: number }
  | { kind: 'dye'; path: WaterPath; depthMm: number }
  | {
      kind: 'site';
      slopePct: number;
      sun: NonNullable<PlaceWords['sun']>;
      wind: NonNullable<PlaceWords['wind']>;
      wall: boolean;
      crusted: boolean;
    }
  | { kind: 'organic'; organicMatterPct: number }
  | { kind: 'amended'; material: string; depthMm: number }
  | { kind: 'bucket'; litres: number; seconds: number }
  | { kind: 'cans'; grid: number[][]; minutes: number; canHeightMm?: number }
  | ({ kind: 'drip' } & Omit<DripLayoutInput, 'supplyLitresPerMinute'>)
  | { kind: 'soaker'; litres: number; minutes: number; caughtM: number; lengthM: number }
  | { kind: 'slow-bucket'; litres: number; minutesToEmpty: number; buckets: number }
  | { kind: 'pooling'; minutes: number }
  | { kind: 'spread'; widthM: number; spacingM: number }
  | {
      kind: 'depth';
      tool: (typeof DEPTH_TOOLS)[number];
      pointsMm: number[];
      targetMm: number;
      minutes: number;
      mulchMoved: boolean;
      predictedMm?: number;
    }
  | {
      kind: 'look';
      tool: LookTool;
      depthMm: number;
      state: LookState;
      mulchMoved: boolean;
    }
  | { kind: 'told'; field: Tellable; value: number }
  | { kind: 'stage'; plantingId: number; stage: StageName }
  | { kind: 'stand'; plantingId: number; lost: number }
  | { kind: 'mulch'; what: 'moved aside' | 'put back' | 'looked at' }
  | { kind: 'toughen'; plantingId: number; what: 'start' | 'end'; days: number }
  | { kind: 'wilt'; recovers: boolean }
  | { kind: 'plan'; date: IsoDate; to?: IsoDate; litres?: number }
  | { kind: 'changed'; what: 'nozzle' | 'pressure or height' | 'number of beds on the line' };

export type FindingKind = FindingInput['kind'];

/** A finding with its day, and how the bed was watered then. */
export type Finding = FindingInput & { id?: number; on: IsoDate; method?: Method; ofTap?: boolean };

export interface FindingFacts {
  label: string;
  about: 'ground' | 'water' | 'check' | 'plant' | 'plan';
  /** About how long it takes, min; waiting not counted. Judgement. */
  minutes: number;
  /** Days after which it is asked for again; absent when age alone does not spoil it. Judgement. */
  goodForDays?: number;
  /** Compost and the like change what it measured. */
  spoiledByAmendment?: boolean;
  /** A new nozzle, pressure, height or number of beds changes what it measured. */
  spoiledByChange?: boolean;
  /** Holds only for the way of watering it was done with. */
  ofMethod?: boolean;
}

const YEAR = 365;
const SEASON = 150;

/** Common practice asks for a new flow each season and a new look at the soil each year or after compost; days are judgements. */
export const FINDING_FACTS: Readonly<Record<FindingKind, FindingFacts>> = {
  feel: { label: 'Feel', about: 'ground', minutes: 10, goodForDays: 2 * YEAR, spoiledByAmendment: true },
  jar: { label: 'Jar', about: 'ground', minutes: 15, goodForDays: 4 * YEAR, spoiledByAmendment: true },
  dig: { label: 'Dig', about: 'ground', minutes: 20, goodForDays: 10 * YEAR },
  hole: { label: 'Hole', about: 'ground', minutes: 15, goodForDays: 3 * YEAR, spoiledByAmendment: true },
  pot: { label: 'Pot', about: 'ground', minutes: 20, goodForDays: 2 * YEAR, spoiledByAmendment: true },
  dye: { label: 'Dye', about: 'ground', minutes: 20, goodForDays: YEAR, spoiledByAmendment: true },
  site: { label: 'Slope and exposure', about: 'ground', minutes: 5 },
  organic: {
    label: 'Organic matter',
    about: 'ground',
    minutes: 5,
    goodForDays: 3 * YEAR,
    spoiledByAmendment: true,
  },
  amended: { label: 'Amendment', about: 'ground', minutes: 2 },
  bucket: {
    label: 'Bucket',
    about: 'water',
    minutes: 10,
    goodForDays: SEASON,
    spoiledByChange: true,
    ofMethod: true,
  },
  cans: {
    label: 'Cans',
    about: 'water',
    minutes: 40,
    goodForDays: 2 * SEASON,
    spoiledByChange: true,
    ofMethod: true,
  },
  drip: {
    label: 'Drip lines',
    about: 'water',
    minutes: 10,
    goodForDays: 2 * YEAR,
    spoiledByChange: true,
    ofMethod: true,
  },
  soaker: {
    label: 'Soaker',
    about: 'water',
    minutes: 15,
    goodForDays: SEASON,
    spoiledByChange: true,
    ofMethod: true,
  },
  'slow-bucket': {
    label: 'Slow bucket',
    about: 'water',
    minutes: 5,
    goodForDays: SEASON,
    spoiledByChange: true,
    ofMethod: true,
  },
  pooling: {
    label: 'Pooling',
    about: 'water',
    minutes: 20,
    goodForDays: SEASON,
    spoiledByAmendment: true,
    spoiledByChange: true,
    ofMethod: true,
  },
  spread: {
    label: 'Spread',
    about: 'water',
    minutes: 15,
    goodForDays: YEAR,
    spoiledByChange: true,
    ofMethod: true,
  },
  depth: { label: 'Depth reached', about: 'check', minutes: 5 },
  look: { label: 'Look', about: 'check', minutes: 3 },
  told: { label: 'Told', about: 'water', minutes: 1 },
  stage: { label: 'Stage seen', about: 'plant', minutes: 1 },
  stand: { label: 'Stand', about: 'plant', minutes: 3 },
  mulch: { label: 'Mulch', about: 'plant', minutes: 1 },
  toughen: { label: 'Dry spell', about: 'plant', minutes: 1 },
  wilt: { label: 'Wilting', about: 'plant', minutes: 1 },
  plan: { label: 'Plan changed', about: 'plan', minutes: 1 },
  changed: { label: 'Change', about: 'water', minutes: 1 },
};
