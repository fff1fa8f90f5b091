import { SKIP_REASONS } from '@kibble/core';
import { z } from './zod.ts';
import { day, entryDate, oneOf } from './parts.ts';
import { limited } from './limited.ts';

const note = z
  .string()
  .max(400, { error: ({ input }) => `Note must be 400 letters or fewer; got ${String(input).length}` })
  .optional();

/** A watering as the gardener tells it: litres, or minutes at the bed's flow. */
export const wateringBody = z
  .object({
    litres: limited('litres').optional(),
    minutes: limited('minutes').optional(),
    asPlanned: z.boolean().default(false),
    note,
    /** The day it was given, of the last thirty; today when left out. */
    on: entryDate('Day').optional(),
    /** Whoever tells it takes it to be the day's only one: where there is another, it is asked about. */
    onlyOne: z.boolean().optional(),
  })
  .refine((b) => (b.litres === undefined) !== (b.minutes === undefined), {
    error: 'Amount must be given either in litres or in minutes; got both or neither',
    path: ['litres'],
  });

export const skipBody = z.object({
  reason: oneOf('Reason', SKIP_REASONS),
  note,
});

export const gaugeBody = z.object({ date: entryDate('Date'), rainMm: limited('rainMm') });

export const EVENT_KINDS = ['watering', 'skip', 'rain'] as const;
export const eventView = z.object({
  id: z.number(),
  gardenId: z.number(),
  bedId: z.number().nullable(),
  kind: z.enum(EVENT_KINDS),
  date: day,
  /** When it was written down, UTC. */
  at: z.string(),
  /** What a watering came to, as its day is known now. */
  litres: z.number().nullable(),
  minutes: z.number().nullable(),
  netMm: z.number().nullable(),
  /** What of it was told; the rest follows from that. Null for what is no watering. */
  told: z.enum(['litres', 'minutes', 'depth']).nullable(),
  rainMm: z.number().nullable(),
  reason: z.string().nullable(),
  note: z.string().nullable(),
  /** The device it was written down on; null at the machine itself. */
  by: z.string().nullable(),
  /** The device's clock was ahead: the entry counts as made when it arrived. */
  clockWasAhead: z.boolean(),
});
export type EventView = z.infer<typeof eventView>;
export type WateringBody = z.infer<typeof wateringBody>;
export type SkipBody = z.infer<typeof skipBody>;
