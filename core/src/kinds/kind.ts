import type { BedTask } from '../care/tasks.ts';
import type { BedOutlook } from '../follow/types.ts';
import type { PlaceInput, PlaceKind } from '../places/place.ts';
import type { PotTask, PotToday } from '../pots/potTasks.ts';
import type { BedOnRecord, EventOnRecord } from '../record/place.ts';
import type { IsoDate } from '../units/dates.ts';
import type { AlertAhead } from '../weather/alertsAhead.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import type { Site } from '../weather/types.ts';

/** A place of the rounds as it stands today, with what its tasks follow from. */
export interface BedToday {
  bed: BedOnRecord;
  outlook: BedOutlook;
  /** What happened in the garden, each with when it was written down. */
  events: readonly (EventOnRecord & { at: string })[];
  today: IsoDate;
  now: Date;
  site: Site;
  weather: readonly SourcedDay[];
  alerts: readonly AlertAhead[];
  /** A limit of water, or its source, leaves it short. */
  isWaterShort?: boolean;
}

/** A kind that is asked in the garden's rounds. It bears the number of a bed. */
export interface RoundsKind {
  schedule: 'rounds';
  subject: 'bed';
  /** How it is followed through the days, and what forces water there. */
  place: PlaceKind<PlaceInput, unknown>;
  /** What there is to do there today besides watering, most pressing first. */
  tasks(at: BedToday): BedTask[];
}

/** A kind that is asked every day for itself and walked with others that stand together. It bears the number of a pot. */
export interface DailyKind {
  schedule: 'daily';
  subject: 'pot';
  place: PlaceKind<PlaceInput, unknown>;
  tasks(at: PotToday): PotTask[];
}

export type KindOfPlace = RoundsKind | DailyKind;
