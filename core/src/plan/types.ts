import type { BedOutlook, PlannedWatering } from '../follow/types.ts';
import type { PlaceKinds } from '../places/place.ts';
import type { ClockedDay, LeftOut } from '../share/types.ts';
import type { RoundDays } from '../rounds/types.ts';
import type { IsoDate } from '../units/dates.ts';
import type { RainClimatology } from '../weather/types.ts';
import type { PlanMemo } from './memo.ts';

export interface PlanOptions {
  today: IsoDate;
  /** Days ahead, today included, 1–28; default 14. */
  horizonDays?: number;
  /** Ways the weather and the roots may go by which today is decided and the windows are told, 0–1000; default 64; 0 leaves the windows out. */
  members?: number;
  /** Seed of the ensemble; default 1. The same seed gives the same plan. */
  seed?: number;
  /** Rain of the season on days past the forecast; without it such days are dry. */
  climatology?: RainClimatology;
  /** Days of the past whose records are kept; default all. */
  pastDays?: number;
  /** Called as beds are followed: how many of how many. */
  onProgress?: (done: number, of: number) => void;
  /** Which waterings carry their working: each place's first, or all; default the first. */
  reasons?: 'first' | 'all';
  /** Kinds of places; default all there are. */
  kinds?: PlaceKinds;
  /** What was followed before: places whose facts, weather and limits are as they were are not followed again. */
  memo?: PlanMemo;
}

export interface GardenPlan {
  waterings: PlannedWatering[];
  /** All of today’s waterings together: a person's own minutes, minutes of the taps one after another, litres through them. */
  todayTotals: { handsOnMinutes: number; minutes: number; litres: number };
  /** The days on which the garden is walked. */
  rounds: RoundDays;
  leftOut: LeftOut[];
  /** What limits cost each bed they touch, closed days among them: days its plants run short more than without them, mm they miss more, and growth lost more as a share of what is wanted. */
  givenUp: {
    bedId: number;
    by: 'limits' | 'closed days';
    shortDays: number;
    missedMm: number;
    lostShare: number;
  }[];
  /** The runs of each day on the clock; empty without a clock, and of more than sixty beds the first week. */
  schedule: ClockedDay[];
  beds: BedOutlook[];
  /** Beds that the engine could not compute; the rest of the garden is planned without them. */
  unplanned: Unplanned[];
}

/** A bed that cannot be planned, and why. */
export interface Unplanned {
  bedId: number;
  message: string;
  /** The figure that cannot be, where the core's own guard refused it; null for a fault of the program. */
  range: { field: string; allowed: string; got: string } | null;
  /** Where a fault of the program was thrown, for the log. */
  stack: string | null;
}
