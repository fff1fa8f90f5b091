import { isIsoDate } from '@kibble/core';
import { z } from 'zod';

export const isoDate = z.string().refine(isIsoDate, {
  error: (issue) => `Date must be a calendar day written YYYY-MM-DD; got ${JSON.stringify(issue.input)}`,
});

export const name = (label: string): z.ZodString =>
  z
    .string({ error: `${label} must be given in words` })
    .trim()
    .min(1, { error: `${label} must not be empty` })
    .max(80, { error: `${label} must be 80 letters or fewer` });

export const oneOf = <const T extends readonly [string, ...string[]]>(label: string, values: T) =>
  z.enum(values, {
    error: (issue) => `${label} must be one of ${values.join(', ')}; got ${JSON.stringify(issue.input)}`,
  });

/** One run of one bed on the clock, minutes after midnight. */
export const runSlotView = z.object({
  bedId: z.number(),
  bedName: z.string(),
  from: z.number(),
  until: z.number(),
  cycle: z.number(),
  cycles: z.number(),
});
