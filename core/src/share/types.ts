import type { RunSlot } from '../clock/daySchedule.ts';
import type { Followed } from '../follow/follow.ts';
import type { IsoDate } from '../units/dates.ts';
import type { SunOnClock } from '../weather/sunOnClock.ts';

export type BedPlan = Followed;

/**
 * How a bed's plan is tried another way: a day put off, with what comes before it left as it is; a day left out, with what
 * comes before it free to take its place; or gone on with after a day.
 */
export type Tried = 'put off' | 'left out' | 'gone on';
export type Follow = (
  plan: BedPlan,
  how: Tried,
  date: IsoDate,
  /** Put off, it has its turn again after so many days; one where none is given. */
  days?: number,
) => BedPlan;

/** Limits a watering may fail to fit. */
export type Cap =
  'minutes a day' | 'turns of the tap' | 'litres a day' | 'litres a week' | 'its source' | 'open hours';

/** A watering that found no room on its day. */
export interface LeftOut {
  bedId: number;
  date: IsoDate;
  /** A person's own time. */
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
