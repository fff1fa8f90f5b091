import { z } from '../zod.ts';

const units = z
  .record(z.string().max(20), z.string().max(20))
  .refine((record) => Object.keys(record).length <= 20, { error: 'Units must be at most 20' });
/** The gardener has seen the rows that cannot be read and wants the rest. */
const acceptRejected = z.boolean().default(false);

export const fileName = z
  .string()
  .max(200, {
    error: ({ input }) => `Name of the file must be 200 letters or fewer; got ${String(input).length}`,
  })
  .default('weather file');

/** A short file brought in at once, unseen: for programs. */
export const importBody = z.object({
  text: z
    .string()
    .min(1, { error: 'File must hold something; it is empty' })
    .max(8_000_000, { error: 'File must be at most 8 MB; split it by years' }),
  fileName,
  units: units.default({}),
  acceptRejected,
});

/** A unit per field, where the gardener corrected or answered what was assumed of a file that was read. */
export const fileUnitsBody = z.object({ units });
/** What was read is to be stored. */
export const storeFileBody = z.object({ acceptRejected });

export const importPreview = z.object({
  columns: z.array(
    z.object({
      heading: z.string(),
      field: z.string(),
      label: z.string(),
      unit: z.string(),
      unitAssumed: z.boolean(),
      unitChoices: z.array(z.string()),
    }),
  ),
  ignored: z.array(z.string()),
  firstDays: z.array(
    z.object({
      date: z.string(),
      tMinC: z.number(),
      tMaxC: z.number(),
      rainMm: z.number(),
      windMs: z.number().optional(),
    }),
  ),
  goodRows: z.number(),
  /** The first rows that cannot be read, and how many there are in all. */
  rejected: z.array(z.object({ line: z.number(), reason: z.string() })),
  rejectedCount: z.number(),
  hourly: z.boolean(),
  counted: z.enum(['line', 'entry']),
  /** Rows that say again what another says of the same day. */
  repeated: z.number(),
  gaps: z
    .object({
      days: z.number(),
      runs: z.number(),
      longest: z.object({ from: z.string(), days: z.number() }),
    })
    .nullable(),
  /** Days of its span that are on record already: this file will tell them instead. */
  known: z.number(),
  /** Its last days lie ahead and are taken as a forecast. */
  endsAhead: z.boolean(),
  question: z.object({ field: z.string(), words: z.string() }).nullable(),
  from: z.string().nullable(),
  to: z.string().nullable(),
  problem: z.string().nullable(),
});
export const importResult = z.object({
  /** The import, by which it can be taken back. */
  id: z.number(),
  stored: z.number(),
  from: z.string(),
  to: z.string(),
  leftOut: z.number(),
});

/** A file that was brought: how far it is. */
export const fileView = z.discriminatedUnion('state', [
  /** Rows read, of so many; none known of yet while it is being taken apart. */
  z.object({ id: z.string(), state: z.literal('reading'), done: z.number(), of: z.number() }),
  z.object({ id: z.string(), state: z.literal('read'), preview: importPreview }),
  z.object({ id: z.string(), state: z.literal('storing'), done: z.number(), of: z.number() }),
]);
export type FileView = z.infer<typeof fileView>;
export type ImportPreview = z.infer<typeof importPreview>;
export type ImportResult = z.infer<typeof importResult>;
