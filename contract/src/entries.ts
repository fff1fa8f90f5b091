import { SUBJECT_KINDS, type Subject } from '@kibble/core';
import { eventView, gaugeBody, skipBody, wateringBody } from './events.ts';
import { findingInput } from './findings.ts';
import { saidDay, tickView } from './ownWeather.ts';
import { entryDate, oneOf } from './parts.ts';
import { phBody, potEntry } from './pots.ts';
import { changedAnswer } from './round.ts';
import { z } from './zod.ts';

/** What an entry is of. A reading of the ground is entered on the bed on which it was made. */
export const subject = z.object({
  kind: oneOf('Kind of the subject', SUBJECT_KINDS),
  id: z.number().int().min(1),
}) satisfies z.ZodType<Subject>;

const { litres, minutes, asPlanned } = wateringBody.shape;
const watering = z
  .object({ kind: z.literal('watering'), litres, minutes, asPlanned })
  .refine((b) => (b.litres === undefined) !== (b.minutes === undefined), {
    error: 'Amount must be given either in litres or in minutes; got both or neither',
    path: ['litres'],
  });

/** A task by its key, or what was done of an alert; `done` is false where it is to be seen to again. */
const taskDone = tickView
  .partial()
  .extend({
    kind: z.literal('task done'),
    key: z
      .string()
      .min(1, { error: 'Key of the task must not be empty' })
      .max(160, { error: 'Key of the task must be 160 letters or fewer' })
      .optional(),
    done: z.boolean().default(true),
  })
  .superRefine(({ key, code, act, from, until, badness }, ctx) => {
    const ofAlert = [code, act, from, until, badness];
    const wholly = ofAlert.every((part) => part !== undefined);
    if (key === undefined ? !wholly : ofAlert.some((part) => part !== undefined))
      ctx.addIssue({
        code: 'custom',
        path: ['key'],
        message: 'A task must be named by its key, or be one of an alert; got both or neither',
      });
    if (from !== undefined && until !== undefined && from > until)
      ctx.addIssue({
        code: 'custom',
        path: ['until'],
        message: `Last day must not be before ${from}; got ${until}`,
      });
  });

/** What an entry says, as it is sent, in SI. */
export const entryInput = z.discriminatedUnion('kind', [
  watering,
  z.object({ kind: z.literal('skip'), reason: skipBody.shape.reason }),
  z.object({ kind: z.literal('rain'), rainMm: gaugeBody.shape.rainMm }),
  z.object({ kind: z.literal('manual forecast'), forecast: saidDay.nullable() }),
  z.object({ kind: z.literal('ph'), ph: phBody.shape.ph, of: phBody.shape.of }),
  taskDone,
  potEntry,
  findingInput,
]);
export type EntryInput = z.infer<typeof entryInput>;

/** Something to be entered. The day is today where none is said; an hour matters for pots. */
export const entryDraft = z.object({
  subject,
  body: entryInput,
  on: entryDate('Day').optional(),
  hour: z.number().min(0).max(24).optional(),
  note: wateringBody.shape.note,
});

/** Entries that stand or fall together. What is possible but odd is asked about once, and taken when somebody is sure. */
export const entriesBody = z.object({
  entries: z
    .array(entryDraft)
    .min(1, { error: 'There must be at least one entry; got none' })
    .max(300, { error: 'Entries must be 300 at a time or fewer' }),
  sure: z.boolean().default(false),
});
export type EntriesDraft = z.input<typeof entriesBody>;
export type EntryDraft = z.input<typeof entryDraft>;

/** Entries to be undone, or brought back. */
export const entryIdsBody = z.object({
  ids: z
    .array(z.number().int().min(1))
    .min(1, { error: 'There must be at least one entry; got none' })
    .max(300),
});

/** What was entered, undone or brought back; what happened on beds as it is shown, and what of the round is another for it. */
export const entriesAnswer = z.object({
  ids: z.array(z.number()),
  events: eventView.array(),
  /** Beds that are planned otherwise for it, null for all of them; and whether pots are. */
  touched: z.object({ beds: z.array(z.number()).nullable(), pots: z.boolean() }),
  changed: changedAnswer.optional(),
});
export type EntriesAnswer = z.infer<typeof entriesAnswer>;
