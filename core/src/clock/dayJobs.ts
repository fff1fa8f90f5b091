import { handPasses } from '../delivery/bestHour.ts';
import { METHOD_FACTS } from '../delivery/methods.ts';
import { cropOf } from '../plants/plantOnDay.ts';
import { standingOn } from '../plants/standing.ts';
import { daysBetween } from '../units/dates.ts';
import type { SunOnClock } from '../weather/sunOnClock.ts';
import { tendernessOf } from '../follow/tenderness.ts';
import { isRestricted } from './closures.ts';
import type { DayJob } from './daySchedule.ts';
import { openHours, openSpans, type Span } from './openSpans.ts';
import type { PlanBed, PlannedWatering } from '../follow/types.ts';
import type { PlanConstraints } from './constraints.ts';

/** Passes by hand, or cycles, of a watering: on dry ground a first pass only makes the surface take the second; rests in minutes. Source: common practice. */
export function passesOf(
  bed: PlanBed,
  { run, reason }: PlannedWatering,
): { passes: number; restMinutes: number } {
  if (!METHOD_FACTS[bed.delivery.method].byHand) return { passes: run.cycles, restMinutes: run.soakMinutes };
  return handPasses({
    cycles: run.cycles,
    soakMinutes: run.soakMinutes,
    dryGround: reason.depletionMm > reason.readilyMm,
  });
}

/** Of what is watered so much is at stake at least, share of a day's growth. Judgement: so that none is worth nothing. */
const LEAST_AT_STAKE = 0.01;

/** How much a watering presses: litres of growth that waiting for the next round loses, or those past its line. */
export function pressing({ bed }: PlanBed, { date, reason }: PlannedWatering): number {
  const { waiting, useTodayMm, cropUseMm } = reason;
  const days = waiting ? daysBetween(date, waiting.until) : 1;
  const past = Math.max(0, reason.depletionMm + useTodayMm - reason.readilyMm);
  const lostMm = waiting ? waiting.lostShare * days * cropUseMm : past;
  return tendernessOf(bed.plantings, date) * bed.areaM2 * (lostMm + LEAST_AT_STAKE * cropUseMm);
}

type Spans = ReturnType<typeof openSpans>;

/** Hours of a day by what they hang on: beds of one kind and method share theirs. */
const spansOfDay = new WeakMap<SunOnClock, Map<string, Spans>>();
function spansOn(
  sun: SunOnClock,
  { hours, ...asked }: Omit<Parameters<typeof openSpans>[0], 'open' | 'sun'> & { hours?: readonly Span[] },
): Spans {
  const day = spansOfDay.get(sun) ?? new Map<string, Spans>();
  spansOfDay.set(sun, day);
  const { method, crop, wilting, timer, people, timers } = asked;
  const key = JSON.stringify([method, crop?.id, hours, wilting, timer, people, timers]);
  const known = day.get(key) ?? openSpans({ ...asked, sun, open: openHours(hours) });
  day.set(key, known);
  return known;
}

/** A planned watering as the day's schedule takes it, minutes and L/min. Source: `passesOf` and `openSpans`. */
export function dayJob(
  bed: PlanBed,
  watering: PlannedWatering,
  loss: number,
  constraints: PlanConstraints,
  sun: SunOnClock,
): DayJob {
  const { passes, restMinutes } = passesOf(bed, watering);
  const urgent = watering.reason.code === 'wilting';
  const standing = standingOn(bed.bed.plantings, watering.date);
  return {
    bedId: bed.id,
    cycles: passes,
    runMinutes: watering.run.minutes / passes,
    soakMinutes: restMinutes,
    tap: bed.tap ?? null,
    litresPerMinute: bed.delivery.litresPerMinute,
    byHand: METHOD_FACTS[bed.delivery.method].byHand,
    urgent,
    loss,
    spans: spansOn(sun, {
      method: bed.delivery.method,
      crop: standing ? cropOf(standing) : undefined,
      hours: isRestricted(bed, constraints) ? constraints.hours : undefined,
      wilting: urgent,
      timer: bed.delivery.timer,
      people: constraints.people,
      timers: constraints.timers,
    }),
  };
}
