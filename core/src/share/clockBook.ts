import { dayJob, pressing } from '../clock/dayJobs.ts';
import type { PlanConstraints } from '../clock/constraints.ts';
import { daySchedule, type DayJob, type DaySchedule } from '../clock/daySchedule.ts';
import type { PlannedWatering } from '../follow/types.ts';
import { dayOfYear, type IsoDate } from '../units/dates.ts';
import { sunOnClock, type SunOnClock } from '../weather/sunOnClock.ts';
import type { Site } from '../weather/types.ts';
import { FIRST, tierOf } from './tiers.ts';
import type { BedPlan } from './types.ts';

/** On the clock, what comes first weighs so many times as much. Judgement. */
const FIRST_WORTH = 1000;

/**
 * What was put on the clock before: each watering as a job, and each day's jobs in their places. A plan made with it
 * schedules only the days on which something else is to be done. It holds under one site and one set of limits.
 */
export interface ClockBook {
  jobs: WeakMap<PlannedWatering, DayJob>;
  days: Map<IsoDate, { jobs: readonly DayJob[]; made: DaySchedule }>;
  suns: Map<IsoDate, SunOnClock>;
}

export const newClockBook = (): ClockBook => ({ jobs: new WeakMap(), days: new Map(), suns: new Map() });

/** The sun on a day, hours of the garden's clock; null for a garden without one. */
export function sunOf(
  { suns }: ClockBook,
  { clock }: PlanConstraints,
  site: Site,
  date: IsoDate,
): SunOnClock | null {
  if (!clock) return null;
  const sun =
    suns.get(date) ?? sunOnClock({ ...clock, latitudeDeg: site.latitudeDeg, dayOfYear: dayOfYear(date) });
  suns.set(date, sun);
  return sun;
}

/** A day's waterings on the clock. */
export function clocked(
  book: ClockBook,
  due: readonly { plan: BedPlan; watering: PlannedWatering }[],
  date: IsoDate,
  constraints: PlanConstraints,
  sun: SunOnClock,
): DaySchedule {
  const jobs = due.map(({ plan, watering }) => {
    const known = book.jobs.get(watering);
    if (known) return known;
    const first = tierOf(plan, watering) === FIRST ? FIRST_WORTH : 1;
    const job = dayJob(plan.bed, watering, first * pressing(plan.bed, watering), constraints, sun);
    book.jobs.set(watering, job);
    return job;
  });
  const before = book.days.get(date);
  const same = before?.jobs.length === jobs.length && jobs.every((job, i) => job === before.jobs[i]);
  if (before && same) return before.made;
  const made = daySchedule(jobs, constraints.lines);
  book.days.set(date, { jobs, made });
  return made;
}
