import type { PlanConstraints } from '../clock/constraints.ts';
import type { Method } from '../delivery/methods.ts';
import type { Mulch } from '../places/ground/mulch.ts';
import type { Goal } from '../plants/goals.ts';
import type { CropEntry, PlantingInput } from '../plants/types.ts';
import type { Rank } from '../plants/rank.ts';
import type { Finding, Setting, DeclaredWatering } from '../readings/entries.ts';
import type { SchoolId } from '../schools/schools.ts';
import type { SourceKindId } from '../sources/index.ts';
import type { TextureClass } from '../soil/textureClass.ts';
import type { IsoDate } from '../units/dates.ts';

/** What a place has been since a day, of one kind. */
export interface SettingOnRecord {
  id: number;
  from: IsoDate;
  setting: Setting;
}

/** What was found on a place, on its ground or at its tap, with how it was watered then. */
export interface FindingOnRecord {
  id: number;
  on: IsoDate;
  tapId: number | null;
  method: Method | null;
  input: Finding;
}

/** What was planted, and when stages of it were seen. */
export interface PlantingOnRecord {
  id: number;
  cropId: string;
  /** A plant of the gardener's own as the catalogue would have it. */
  custom?: CropEntry;
  plantedOn: IsoDate;
  endedOn: IsoDate | null;
  method?: PlantingInput['method'];
  share: number;
  school?: SchoolId | null;
  schoolSince?: IsoDate | null;
  seen?: PlantingInput['seen'];
}

/** A bed, or a tree with its ring, as it lies on record. */
export interface BedOnRecord {
  id: number;
  /** What kind of place it was added as: a name in `KINDS`. */
  kind: string;
  startOn: IsoDate;
  startWetness: string;
  /** The day on which the ground was so; null for its first day. */
  wetnessOn: IsoDate | null;
  textureClass: TextureClass;
  subsoilClass: TextureClass | null;
  rank: Rank | null;
  archived: boolean;
  /** Oldest first within a kind. */
  settings: readonly SettingOnRecord[];
  /** Those of shared ground and of its taps among them. */
  findings: readonly FindingOnRecord[];
  plantings: readonly PlantingOnRecord[];
  /** What stands there now, and what of the settings holds today. */
  planting: PlantingOnRecord | null;
  areaM2: number;
  tapId: number | null;
  delivery: DeclaredWatering;
  mulchMaterial: Mulch['material'] | null;
  mulchMm: number | null;
  mulchLaidOn: IsoDate | null;
  underCover: boolean;
  shadeCloth: boolean;
  goal: Goal;
}

/** What happened on a place or in the garden: what was told of it, and what a watering came to. */
export interface EventOnRecord {
  bedId: number | null;
  kind: 'watering' | 'skip' | 'rain';
  date: IsoDate;
  litres: number | null;
  minutes: number | null;
  netMm: number | null;
  reason: string | null;
  note?: string | null;
}

/** A garden's taps, its limits and its clock as they lie on record. */
export interface GardenOnRecord {
  longitudeDeg: number | null;
  limits: LimitsOnRecord;
  taps: readonly {
    id: number;
    source: SourceKindId;
    litresPerDay: number | null;
    /** It was put away. */
    archived?: boolean;
    /** It is a zone; its station on a timer; the tap that feeds it. */
    together?: boolean;
    station?: number | null;
    fromTapId?: number | null;
    findings: readonly FindingOnRecord[];
  }[];
  beds: readonly BedOnRecord[];
}

type Told<T> = { [K in keyof T]?: T[K] | null };
/** Limits as they were set: what is left out or nothing is no limit. */
export type LimitsOnRecord = Told<
  Pick<
    PlanConstraints,
    | 'minutesPerDay'
    | 'litresPerDay'
    | 'litresPerWeek'
    | 'weekdays'
    | 'hours'
    | 'restricts'
    | 'windHoldMs'
    | 'turnsPerDay'
    | 'passes'
    | 'longestMinutes'
    | 'away'
    | 'people'
    | 'timers'
  > & { lines: number; roundDays: number[] }
>;
