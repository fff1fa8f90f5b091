import {
  REMEDIES,
  SCHOOLS,
  type Cap,
  type SchoolReason,
  type ToughenWindow,
  type WaterReason,
} from '@kibble/core';
import { isText, shaped, worded } from './shape.ts';
import { z } from './zod.ts';
import { day, entryDate, runSlotView } from './parts.ts';
import { roundsView, unplannedView, soakNow } from './round.ts';
import { awayDays, weekdays } from './garden.ts';
import { limited } from './limited.ts';
import { working } from './working.ts';

const figures = z.object({
  school: z.enum(SCHOOLS),
  waterings: z.number(),
  litres: z.number(),
  minutes: z.number(),
  handsOnMinutes: z.number(),
  /** Growth lost, share of what is wanted. */
  lostShare: z.number(),
  stressDays: z.number(),
  worst: z.number(),
  lostBelowRootsMm: z.number(),
  rootDepthMm: z.number(),
  reachesMm: z.number(),
});

/** What each school would do on this bed: over its season so far, and over the next fortnight. */
export const schoolsView = z.object({
  chosen: z.enum(SCHOOLS),
  own: z.boolean(),
  usual: z.object({ id: z.enum(SCHOOLS), reason: worded<SchoolReason>() }),
  words: z.array(z.object({ id: z.enum(SCHOOLS), words: z.string(), warning: z.string().nullable() })),
  season: z.object({ from: day, to: day, rows: z.array(figures) }),
  fortnight: z.array(figures),
  toughen: shaped<ToughenWindow>({ from: isText, until: isText }).nullable(),
  /** The first day from which the forecast has enough dry days for it; null where it has none. */
  dryFrom: day.nullable(),
  holdUntil: day.nullable(),
});

const rung = z.object({
  perWeek: z.number(),
  waterings: z.number(),
  litres: z.number(),
  handsOnMinutes: z.number(),
  lostShare: z.number(),
  lostIfShallow: z.number(),
  over: z.boolean(),
  because: working.nullable(),
});
const remedy = z.object({
  remedy: z.enum(REMEDIES),
  lostShare: z.number(),
  because: working.nullable(),
  cropName: z.string().nullable(),
});

/** How often a bed is asked a week, what every other way would come to over the fortnight, and what would help where it loses too much. */
export const ladderView = z.object({
  perWeek: z.number(),
  onTimer: z.boolean(),
  /** Its way of watering has days of its own, whatever the rounds are: there are no rungs then. */
  byItsWay: z.boolean(),
  allowedShare: z.number(),
  lostShare: z.number(),
  rungs: z.array(rung),
  remedies: z.array(remedy),
});
export type LadderView = z.infer<typeof ladderView>;

const cell = z.object({
  date: day,
  /** Of the tap, and of a person's own time. */
  minutes: z.number(),
  handsOnMinutes: z.number(),
  litres: z.number(),
  localMm: z.number(),
  reachesMm: z.number(),
  reason: worded<WaterReason['code']>(),
  byHand: z.boolean(),
});

/** What a bed comes to over the fortnight. */
export const costs = z.object({
  litres: z.number(),
  waterings: z.number(),
  handsOnMinutes: z.number(),
  /** Growth lost, share of what is wanted: as its roots are believed, if they are shallow, and what its goal allows. */
  lostShare: z.number(),
  lostIfShallow: z.number(),
  allowedShare: z.number(),
  /** That is more than its goal allows. */
  over: z.boolean(),
  stressDays: z.number(),
  lostBelowRootsMm: z.number(),
});

export const fortnightBed = z.object({
  bedId: z.number(),
  bedName: z.string(),
  cropName: z.string().nullable(),
  /** Somebody stands there while it is watered: no timer can do it. */
  byHand: z.boolean(),
  /** The zone that it is watered in, by the number of its tap. */
  zone: z.number().nullable(),
  /** A timer waters it, and nobody has to come. */
  timer: z.boolean(),
  /** It is carried in cans or buckets: its minutes are a person’s own, not a tap’s. */
  carried: z.boolean(),
  waterings: z.array(cell),
  /** How freely the plants can drink on each day: 1 unhindered. */
  stress: z.array(z.number()),
  window: z.object({ early: day.nullable(), late: day.nullable() }).nullable(),
  /** A woody place's clock: the longest it is to stand, and the day on which it would pass that. */
  soak: soakNow.nullable(),
  costs,
});
export const fortnightView = z.object({
  unplanned: z.array(unplannedView),
  dates: z.array(day),
  /** Days on which the garden may not be watered. */
  closed: z.array(day),
  beds: z.array(fortnightBed),
  perDay: z.array(z.object({ handsOnMinutes: z.number(), minutes: z.number(), litres: z.number() })),
  rounds: roundsView,
  /** Beds that lose more than their goal allows, and what would help most. */
  over: z.array(
    z.object({
      bedId: z.number(),
      bedName: z.string(),
      lostShare: z.number(),
      allowedShare: z.number(),
      remedies: z.array(remedy),
    }),
  ),
  leftOut: z.array(
    z.object({
      bedId: z.number(),
      bedName: z.string(),
      date: day,
      minutes: z.number(),
      litres: z.number(),
      why: worded<Cap>(),
      until: day.nullable(),
    }),
  ),
  /** What the limits cost: days a bed's plants run short more than without them, and growth lost. */
  givenUp: z.array(
    z.object({
      bedId: z.number(),
      bedName: z.string(),
      by: z.enum(['limits', 'closed days']),
      shortDays: z.number(),
      missedMm: z.number(),
      lostShare: z.number(),
    }),
  ),
  /** Runs of each day by the clock, minutes after midnight. */
  schedule: z.array(
    z.object({
      date: day,
      slots: z.array(runSlotView),
    }),
  ),
});

/** A watering moved, resized or skipped: tried, or kept as a finding of kind plan. */
export const planChange = z.object({
  bedId: z.number().int(),
  date: entryDate('Day'),
  to: entryDate('New day').optional(),
  litres: limited('litres').optional(),
});
export const planTryView = z.object({
  before: costs,
  after: costs,
  garden: z.object({ before: costs, after: costs }),
});

/** Round days tried before they are kept: the gardener's own, or null for those that Kibble proposes; and days away. */
export const roundsTry = z.object({
  roundDays: weekdays('Round days').nullable(),
  away: awayDays.optional(),
});
export const roundsTryView = z.object({
  before: costs,
  after: costs,
  /** Days of the fortnight with a round, and the most of a person's minutes on one. */
  days: z.object({ before: z.number(), after: z.number() }),
  mostMinutes: z.object({ before: z.number(), after: z.number() }),
  /** Beds that lose half a point more than now and more than their goal allows. */
  losers: z.array(z.object({ bedId: z.number(), bedName: z.string(), lostShare: z.number() })),
  /** To be watered on the last day before going away. */
  beforeLeaving: z.array(z.object({ bedId: z.number(), bedName: z.string(), litres: z.number() })),
});
export type RoundsTry = z.infer<typeof roundsTry>;
export type RoundsTryView = z.infer<typeof roundsTryView>;
export type SchoolsView = z.infer<typeof schoolsView>;
export type FortnightView = z.infer<typeof fortnightView>;
export type FortnightBed = z.infer<typeof fortnightBed>;
export type PlanChange = z.infer<typeof planChange>;
export type PlanTryView = z.infer<typeof planTryView>;
export type Costs = z.infer<typeof costs>;
