import type { RunSlot } from '../clock/daySchedule.ts';
import type { Cap } from '../follow/types.ts';
import type { Followed } from '../follow/follow.ts';
import type { IsoDate } from '../units/dates.ts';
import type { SunOnClock } from '../weather/sunOnClock.ts';

export type { Cap };
export type BedPlan = Followed;

/**
 * How a bed's plan is tried another way: a day put off, or given only a part, with what comes before it left as it is; a day left
 * out, with what comes before it free to take its place; or gone on with after a day.
 */
export type Tried = 'put off' | 'left out' | 'in part' | 'gone on';
export type Follow = (
  plan: BedPlan,
  how: Tried,
  date: IsoDate,
  /** Put off, it has its turn again after so many days, one where none is given; in part, it gets so many litres. */
  amount?: number,
  /** What leaves it only a part. */
  why?: Cap,
) => BedPlan;

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
