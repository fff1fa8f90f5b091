import { within } from '../units/guard.ts';
import type { SunOnClock } from '../weather/sunOnClock.ts';
import { dayJob, pressing } from './dayJobs.ts';
import { daySchedule, type DayJob, type RunSlot } from './daySchedule.ts';
import { DAY_MINUTES, type Span } from './openSpans.ts';
import type { PlanBed, PlannedWatering } from '../follow/types.ts';
import type { PlanConstraints } from './constraints.ts';

export interface Walk {
  slots: RunSlot[];
  /** What finds no room before the end, most pressing first: it is carried over to tomorrow. */
  carriedOver: number[];
  /** Minute of the clock at which it must be over: the time that was given, or dark. */
  until: number;
  /** Dark is what ends it, not the time given. */
  endsByDark: boolean;
}

/** Somebody can see this long after sunset, minutes. Judgement: civil twilight in middle latitudes. */
const DUSK_MINUTES = 30;

/**
 * Today's waterings as a walk begun at a given hour: what fits before dark or before the time runs out, and what is left
 * for tomorrow. The hour is the gardener's choice, so only the rules of the garden and the dark stand against it, and no
 * spray is begun that would leave wet leaves over night.
 * @param options the waterings of today with their beds, limits, sun, and the minute of the clock (0–1440) it begins;
 *   `minutes` there are, or as long as it is light
 * @throws RangeError on a time outside the day
 * Source: common practice; the order is that of `daySchedule`.
 */
export function walkFrom(options: {
  due: readonly { bed: PlanBed; watering: PlannedWatering }[];
  constraints: PlanConstraints;
  sun: SunOnClock;
  from: number;
  minutes?: number;
}): Walk {
  const from = within('from', options.from, 0, DAY_MINUTES - 1, 'minutes');
  const given = within('minutes', options.minutes ?? DAY_MINUTES, 1, DAY_MINUTES, 'minutes');
  const dark = Math.min(DAY_MINUTES, options.sun.sunset * 60 + DUSK_MINUTES);
  const end = Math.min(DAY_MINUTES, from + given);
  const until = Math.min(end, Math.max(from, dark));
  const jobs = options.due.map(({ bed, watering }) => {
    const job = dayJob(bed, watering, pressing(bed, watering), options.constraints, options.sun);
    return { ...job, spans: job.spans.map((tier) => clipped(tier, from, until)) };
  });
  const { slots, unfit } = daySchedule(jobs, options.constraints.lines);
  const jobOf = (id: number): DayJob => jobs.find((j) => j.bedId === id) as DayJob;
  const carriedOver = [...unfit].sort(
    (a, b) => Number(jobOf(b).urgent) - Number(jobOf(a).urgent) || jobOf(b).loss - jobOf(a).loss,
  );
  return { slots, carriedOver, until, endsByDark: dark < end };
}

const clipped = (spans: readonly Span[], from: number, until: number): Span[] =>
  spans
    .map((s) => ({ from: Math.max(s.from, from), until: Math.min(s.until, until) }))
    .filter((s) => s.until > s.from);
