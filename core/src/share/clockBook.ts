import { dayJob, pressing } from '../clock/dayJobs.ts';
import type { PlanConstraints } from '../clock/constraints.ts';
import { daySchedule, type DayJob, type DaySchedule } from '../clock/daySchedule.ts';
import type { PlannedWatering } from '../follow/types.ts';
import { item } from '../units/at.ts';
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

/** What is watered together on a day: one bed, or all beds of a zone. */
interface Together {
  plans: readonly BedPlan[];
  waterings: readonly PlannedWatering[];
}

/** A day's waterings on the clock; a zone is one run of its line, which all of its beds share. */
export function clocked(
  book: ClockBook,
  due: readonly Together[],
  date: IsoDate,
  constraints: PlanConstraints,
  sun: SunOnClock,
): DaySchedule {
  const jobs = due.map((together) => {
    const first = item(together.waterings, 0);
    const known = book.jobs.get(first);
    if (known) return known;
    const job = jobOf(together, constraints, sun);
    book.jobs.set(first, job);
    return job;
  });
  const before = book.days.get(date);
  const same = before?.jobs.length === jobs.length && jobs.every((job, i) => job === before.jobs[i]);
  const made = before && same ? before.made : daySchedule(jobs, constraints.lines);
  if (!same) book.days.set(date, { jobs, made });
  const others = new Map(
    due.flatMap(({ waterings }) =>
      waterings.length > 1 ? waterings.map(({ bedId }) => [bedId, waterings] as const) : [],
    ),
  );
  if (others.size === 0) return made;
  const bedsOf = (bedId: number): number[] => others.get(bedId)?.map((w) => w.bedId) ?? [bedId];
  return {
    slots: made.slots.flatMap((slot) => bedsOf(slot.bedId).map((bedId) => ({ ...slot, bedId }))),
    unfit: made.unfit.flatMap(bedsOf),
  };
}

/** The job of a bed; of a zone that of its bed with the fewest hours, with the flow and the stakes of all. */
function jobOf({ plans, waterings }: Together, constraints: PlanConstraints, sun: SunOnClock): DayJob {
  const jobs = waterings.flatMap((watering) => {
    const plan = plans.find(({ bed }) => bed.id === watering.bedId);
    if (!plan) return [];
    const first = tierOf(plan, watering) === FIRST ? FIRST_WORTH : 1;
    return [dayJob(plan.bed, watering, first * pressing(plan.bed, watering), constraints, sun)];
  });
  const room = ({ spans }: DayJob): number => (spans[0] ?? []).reduce((sum, s) => sum + s.until - s.from, 0);
  const narrowest = jobs.reduce((a, b) => (room(b) < room(a) ? b : a));
  if (jobs.length === 1) return narrowest;
  return {
    ...narrowest,
    litresPerMinute: jobs.reduce((sum, job) => sum + job.litresPerMinute, 0),
    urgent: jobs.some((job) => job.urgent),
    loss: jobs.reduce((sum, job) => sum + job.loss, 0),
  };
}
