import { isIsoDate } from '@kibble/core';
import { z } from './zod.ts';
import { givenText } from './refusalWords.ts';

/** Days between which a garden is kept: an old tree's planting to well past anybody's plan. */
export const FIRST_DAY = '1800-01-01';
export const LAST_DAY = '2100-12-31';

/** A day that is entered. */
export const entryDate = (label: string): z.ZodString =>
  z
    .string({
      error: ({ input }) => `${label} must be a calendar day written YYYY-MM-DD; got ${givenText(input)}`,
    })
    .check(({ value, issues }) => {
      const message = !isIsoDate(value)
        ? `${label} must be a calendar day written YYYY-MM-DD; got ${givenText(value)}`
        : value < FIRST_DAY || value > LAST_DAY
          ? `${label} must lie from ${FIRST_DAY} to ${LAST_DAY}; got ${value}`
          : null;
      if (message) issues.push({ code: 'custom', input: value, message });
    })
    .meta({ format: 'date' });

/** A day as it is told: what stands on record is shown, whatever may be entered today. */
export const day = z.string();

export const name = (label: string): z.ZodString =>
  z
    .string({ error: ({ input }) => `${label} must be given in words; got ${givenText(input)}` })
    .trim()
    .min(1, { error: `${label} must not be empty; got ""` })
    .max(80, { error: ({ input }) => `${label} must be 80 letters or fewer; got ${String(input).length}` });

export const oneOf = <const T extends readonly [string, ...string[]]>(label: string, values: T) =>
  z.enum(values, {
    error: ({ input }) => `${label} must be one of ${values.join(', ')}; got ${givenText(input)}`,
  });

/** The name of a kind of place. They are looked up when one is entered: the table of kinds is the core's. */
export const kindName = (label: string, kinds: () => readonly string[]) =>
  z.string().refine((kind) => kinds().includes(kind), {
    error: ({ input }) => `${label} must be one of ${kinds().join(', ')}; got ${givenText(input)}`,
  });

/** Which state of a thing was seen by whoever changes it; left out, the change is made whatever stands there. */
export const version = z.number().int().min(0).optional();

/** One run of one bed on the clock, minutes after midnight. */
export const runSlotView = z.object({
  bedId: z.number(),
  bedName: z.string(),
  from: z.number(),
  until: z.number(),
  cycle: z.number(),
  cycles: z.number(),
});

/** The days on which a task is there to be done; without a last one it stays until it is. */
export const dueSpan = z.object({ from: day, until: day.nullable() });
