import type { Tick } from '../care/seenTo.ts';
import type { PotEntry } from '../pots/entries.ts';
import type { Finding, Setting } from '../readings/entries.ts';
import type { ManualForecast } from '../weather/manualForecastDay.ts';

/** Water that was given, as it was entered: litres, or minutes of the tap, or of old entries the depth they were taken for, mm over the bed. */
export interface WateringEntry {
  kind: 'watering';
  litres?: number;
  minutes?: number;
  depthMm?: number;
  /** Whether it was what the plan asked for; left out where nobody knows. */
  asPlanned?: boolean;
}

/** Why a watering that was due was left out. */
export const SKIP_REASONS = ['feels moist', 'no time', 'rain on the way', 'other'] as const;
export type SkipReason = (typeof SKIP_REASONS)[number];
/** The reasons that say something of the ground, and of the gardener's day. */
export const MOIST: SkipReason = 'feels moist';
export const NO_TIME: SkipReason = 'no time';

/** A watering that was due and left out. */
export interface SkipEntry {
  kind: 'skip';
  reason: string;
}

/** What the rain gauge held on a morning, mm. */
export interface RainEntry {
  kind: 'rain';
  rainMm: number;
}

/** What somebody heard or saw of a day's weather; null takes back what was entered before. */
export interface ForecastEntry {
  kind: 'manual forecast';
  forecast: ManualForecast | null;
}

/** pH of the water that pots are given. */
export interface PhEntry {
  kind: 'ph';
  ph: number;
  of: 'tap' | 'rain' | 'batch';
}

/** A task that was seen to: by its key, or of an alert by what was done and the alert as it was then. */
export type TaskDoneEntry = { kind: 'task done' } & ({ key: string } | Tick);

/** What a pot is since a day: its size, mix and place, and where its roots were found when it became so. */
export interface VesselEntry {
  kind: 'vessel';
  /** The contract's facts of a pot. */
  facts: object;
  spot: string;
  rootsFound?: string;
}

/** What an entry says, by its kind. */
export type EntryBody =
  | WateringEntry
  | SkipEntry
  | RainEntry
  | ForecastEntry
  | PhEntry
  | TaskDoneEntry
  | VesselEntry
  | PotEntry
  | Finding
  | Setting;
export type EntryKind = EntryBody['kind'];
