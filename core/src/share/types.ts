import type { RunSlot } from '../clock/daySchedule.ts';
import type { AheadOptions, Resume } from '../follow/follow.ts';
import type { BedOutlook, PlanBed, PlannedWatering } from '../follow/types.ts';
import type { IsoDate } from '../units/dates.ts';
import type { SunOnClock } from '../weather/sunOnClock.ts';

export interface BedPlan {
  bed: PlanBed;
  outlook: BedOutlook;
  waterings: PlannedWatering[];
  /** Followed only up to its last watering so far; from here it goes on. */
  open?: Resume;
}

/** Tries a bed with other days closed to it; the whole plan, or from a morning up to the next watering. */
export type Follow = (bed: PlanBed, how?: Pick<AheadOptions, 'stopAfter' | 'resume'>) => BedPlan;

/** Limits a watering may fail to fit. */
export type Cap = 'minutes a day' | 'litres a day' | 'litres a week' | 'its source' | 'open hours';

/** A watering that found no room on its day. */
export interface LeftOut {
  bedId: number;
  date: IsoDate;
  minutes: number;
  litres: number;
  why: Cap;
  /** The day on which it finds room after all; null when not within the plan. */
  until: IsoDate | null;
}

/** The runs of a day on the clock. */
export interface ClockedDay {
  date: IsoDate;
  sun: SunOnClock;
  slots: RunSlot[];
}
