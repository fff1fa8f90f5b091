import { fillLitresOf, handsOnMinutes } from '../delivery/handsOn.ts';
import { METHOD_FACTS } from '../delivery/methods.ts';
import { cropOf } from '../plants/plantOnDay.ts';
import { standingOn } from '../plants/standing.ts';
import { dayOfYear, type IsoDate } from '../units/dates.ts';
import { PASSES } from '../delivery/fittingRun.ts';
import { positive } from '../units/guard.ts';
import { sunOnClock } from '../weather/sunOnClock.ts';
import type { Site } from '../weather/types.ts';
import { isRestricted } from './closures.ts';
import { openSource } from '../sources/index.ts';
import { openHours, openSpans } from './openSpans.ts';
import type { Cap, PlanBed } from '../follow/types.ts';
import type { PlanConstraints } from './constraints.ts';

/** Times in a day that taps are opened again, beyond each place's first: more is nobody's morning. Judgement. */
export const TURNS_A_DAY = 16;
/** What a person opens runs no longer than this before they shut it, minutes. Judgement: a morning. */
export const LONGEST_MINUTES = 240;

/** Days grow shorter within the plan: this much of an open stretch is counted on. Judgement. */
const COUNTED_ON = 0.95;

/** The most one watering of a bed may be within the garden's limits: what is more is given in parts. */
export function mostAtOnce(
  bed: PlanBed,
  constraints: PlanConstraints,
  site: Site,
  today: IsoDate,
): NonNullable<PlanBed['most']> {
  const cap = (field: string, value: number | undefined, unit: string): number =>
    value === undefined ? Number.POSITIVE_INFINITY : positive(field, value, 1e9, unit);
  const caps: readonly (readonly [Cap, number])[] = [
    ['litres a day', bed.most?.litres ?? Number.POSITIVE_INFINITY],
    ['litres a day', cap('litresPerDay', constraints.litresPerDay, 'L')],
    ['litres a week', cap('litresPerWeek', constraints.litresPerWeek, 'L')],
    ['minutes a day', heldMinutes(bed, constraints) * bed.delivery.litresPerMinute],
    ['its source', sourceLevel(bed, constraints)],
    ['fills a day', fillsOf(bed)],
  ];
  const [litresBy, litres] = caps.reduce((least, next) => (next[1] < least[1] ? next : least));
  const stretch = longestStretch(bed, constraints, site, today);
  const { longestMinutes = LONGEST_MINUTES, passes = PASSES } = constraints;
  const { method, timer } = bed.delivery;
  // What is carried or held ends when the hand does; what is opened runs until somebody comes back.
  const { byHand, fillLitres } = METHOD_FACTS[method];
  const isRun = !timer && !byHand && fillLitres === undefined;
  return {
    litres,
    litresBy,
    totalMinutes: stretch,
    ...(isRun ? { longestMinutes } : {}),
    passes,
  };
}

/** Minutes for which something that is held may run on a day: what of a person's time is left after going there. */
function heldMinutes({ delivery }: PlanBed, { minutesPerDay }: PlanConstraints): number {
  if (minutesPerDay === undefined || !METHOD_FACTS[delivery.method].byHand) return Number.POSITIVE_INFINITY;
  const perLitre = handsOnMinutes(
    delivery,
    { litres: 100, minutes: 100 / delivery.litresPerMinute, cycles: 1 },
    1,
  );
  const once = handsOnMinutes(delivery, { litres: 0, minutes: 0, cycles: 1 }, 1);
  return Math.max(1, ((minutesPerDay - once) * 100) / (perLitre - once) / delivery.litresPerMinute);
}

/** The most that fills give a bed in a day, L. */
function fillsOf({ delivery }: PlanBed): number {
  const fillLitres = fillLitresOf(delivery);
  const { fillsPerDay } = METHOD_FACTS[delivery.method];
  return fillLitres !== undefined && fillsPerDay !== undefined
    ? fillLitres * fillsPerDay
    : Number.POSITIVE_INFINITY;
}

/** The most a bed's source gives in a day, L. */
function sourceLevel({ tap }: PlanBed, { sources }: PlanConstraints): number {
  const source = tap === undefined ? undefined : sources?.[tap];
  // A source that gives nothing at all asks for nothing smaller: what is due is put off, and said.
  return source
    ? openSource(source.kind, source).level() || Number.POSITIVE_INFINITY
    : Number.POSITIVE_INFINITY;
}

/** Minutes of the longest stretch a day leaves open for a bed. */
function longestStretch(bed: PlanBed, constraints: PlanConstraints, site: Site, today: IsoDate): number {
  if (!constraints.clock) return Number.POSITIVE_INFINITY;
  const standing = standingOn(bed.bed.plantings, today);
  const [, , widest] = openSpans({
    method: bed.delivery.method,
    crop: standing ? cropOf(standing) : undefined,
    sun: sunOnClock({
      ...constraints.clock,
      latitudeDeg: site.latitudeDeg,
      dayOfYear: dayOfYear(today),
    }),
    open: openHours(isRestricted(bed, constraints) ? constraints.hours : undefined),
    timer: bed.delivery.timer,
    people: constraints.people,
    timers: constraints.timers,
  });
  return COUNTED_ON * Math.max(1, ...widest.map((s) => s.until - s.from));
}
