import type { DripLayoutInput } from '../delivery/dripLayout.ts';
import type { Method } from '../delivery/methods.ts';
import type { BedForm } from '../places/ground/surface.ts';
import type { Mulch } from '../places/ground/mulch.ts';
import type { TreeFacts } from '../places/treeRing/treeFacts.ts';
import type { Goal } from '../plants/goals.ts';
import type { StageName } from '../plants/types.ts';
import type { FeelAnswers } from '../soil/feelKey.ts';
import type { Fill } from '../soil/fills.ts';
import type { TextureClass } from '../soil/textureClass.ts';
import type { IsoDate } from '../units/dates.ts';
import type { PlaceWords } from '../weather/placeFactors.ts';
import type { Tellable } from '../working/tellable.ts';

/** Where water went when it was dyed, or in a pot of the bed's own soil. */
export const WATER_PATHS = ['evenly down', 'sideways', 'down one channel'] as const;
export type WaterPath = (typeof WATER_PATHS)[number];

/** What a look into the ground was done with, and what it found. */
export const LOOK_TOOLS = ['finger', 'trowel', 'core'] as const;
export type LookTool = (typeof LOOK_TOOLS)[number];
export const LOOK_STATES = ['dry', 'damp', 'wet'] as const;
export type LookState = (typeof LOOK_STATES)[number];
export const DEPTH_TOOLS = ['screwdriver', 'probe', 'stiff wire', 'trowel'] as const;

/**
 * Measured, or told in the place of a measurement: true of how the thing has been since it was last changed, until it
 * goes stale. SI throughout.
 */
export type Reading =
  | { kind: 'feel'; horizon: 'top' | 'below'; answers: FeelAnswers }
  | { kind: 'jar'; horizon: 'top' | 'below'; sandMm: number; siltMm: number; clayMm: number }
  | {
      kind: 'dig';
      topsoilMm: number;
      belowClass?: TextureClass;
      stonesPct?: number;
      rockMm?: number;
      /** Deepest roots seen of what stands there. */
      rootsMm?: number;
    }
  /** A raised bed was filled so deep with something else than soil. */
  | { kind: 'filled'; fill: Fill; depthMm: number }
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
  | { kind: 'bucket'; litres: number; seconds: number }
  | { kind: 'cans'; grid: number[][]; minutes: number; canHeightMm?: number }
  | ({ kind: 'drip' } & Omit<DripLayoutInput, 'supplyLitresPerMinute'>)
  | { kind: 'soaker'; litres: number; minutes: number; caughtM: number; lengthM: number }
  | { kind: 'slow-bucket'; litres: number; minutesToEmpty: number; buckets: number }
  | { kind: 'pooling'; minutes: number }
  | { kind: 'spread'; widthM: number; spacingM: number }
  | { kind: 'told'; field: Tellable; value: number };

/** Seen on a day, and true of that day. */
export type Observation =
  | {
      kind: 'depth';
      tool: (typeof DEPTH_TOOLS)[number];
      pointsMm: number[];
      targetMm: number;
      minutes: number;
      mulchMoved: boolean;
      predictedMm?: number;
    }
  | { kind: 'look'; tool: LookTool; depthMm: number; state: LookState; mulchMoved: boolean }
  | { kind: 'stage'; plantingId: number; stage: StageName }
  | { kind: 'stand'; plantingId: number; lost: number }
  /** Seedlings of a sowing stand in rows. */
  | { kind: 'up'; plantingId: number }
  | { kind: 'mulch'; what: 'moved aside' | 'put back' | 'looked at' }
  /** Plants that hang: only in the heat, or also when it is cool; and what the soil was like a hand deep, where somebody looked. */
  | { kind: 'wilt'; recovers: boolean; soil?: LookState };

/** What the gardener settled about the days ahead. */
export type Decision =
  /** How much of what its roots hold may go before it is watered, share; null takes the crop's again. */
  | { kind: 'own line'; plantingId: number; share: number | null }
  | { kind: 'toughen'; plantingId: number; what: 'start' | 'end'; days: number }
  | { kind: 'plan'; what: 'move' | 'resize' | 'leave out'; date: IsoDate; to?: IsoDate; litres?: number };

/** What became another thing on a day: what was read of it before holds no further. */
export type Change =
  | { kind: 'amended'; material: string; depthMm: number }
  | { kind: 'changed'; what: 'nozzle' | 'pressure or height' | 'number of beds on the line' };

export type Finding = Reading | Observation | Decision | Change;
export type ReadingKind = Reading['kind'];
export type FindingKind = Finding['kind'];

/** An entry with its day and number, how the bed was watered then, and the tap it was made at, where it was at one. */
export type Stamp = { id?: number; on: IsoDate; method?: Method; tap?: number };
export type Found = Finding & Stamp;
export type Read<K extends ReadingKind = ReadingKind> = Extract<Reading, { kind: K }> & Stamp;

/** Later by day, and within a day by the order they were written down. */
export const isLater = (a: Stamp, b: Stamp): boolean =>
  a.on > b.on || (a.on === b.on && (a.id ?? 0) > (b.id ?? 0));

/** What of a bed is set by hand and may become another: each holds from its day to the next of its kind. */
export type Setting =
  | { kind: 'area'; value: number }
  | { kind: 'form'; value: BedForm }
  | { kind: 'cover'; value: boolean }
  | { kind: 'shade'; value: boolean }
  | { kind: 'mulched'; value: (Mulch & { laidOn?: IsoDate }) | null }
  | { kind: 'goal'; value: Goal }
  | { kind: 'watered'; value: DeclaredWatering }
  | { kind: 'tap'; value: number | null }
  /** It is a tree place from that day on: where and how it is watered; null while it is plain ground. */
  | { kind: 'tree'; value: TreeFacts | null };
export type SettingKind = Setting['kind'];
export type SettingValues = { [K in SettingKind]: Extract<Setting, { kind: K }>['value'] };
export const SETTING_KINDS = [
  'area',
  'form',
  'cover',
  'shade',
  'mulched',
  'goal',
  'watered',
  'tap',
  'tree',
] as const satisfies readonly SettingKind[];

/** How a bed is watered, as told. */
export interface DeclaredWatering {
  method: Method;
  litresPerMinute: number;
  /** Whether the flow was measured or is a guess. */
  measured: boolean;
  /** A timer opens and shuts it. */
  timer?: boolean;
  /** What the can, bucket or tank holds that is filled for it, L; the method's usual when left out. */
  fillLitres?: number;
}
