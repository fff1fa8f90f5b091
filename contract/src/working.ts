import { EXPLAINABLE, GOALS, MULCH_MATERIALS, type Explainable, type Working } from '@kibble/core';
import { z } from './zod.ts';
import { findingInput } from './findings.ts';
import { limited } from './limited.ts';
import { day, oneOf } from './parts.ts';
import { givenText } from './refusalWords.ts';

export const working = z.custom<Working>((v) => typeof v === 'object' && v !== null && 'inputs' in v);
export const explainable = z.enum(EXPLAINABLE, {
  error: ({ input }) => `Number must be one of ${EXPLAINABLE.join(', ')}; got ${givenText(input)}`,
});

export const workingView = z.object({ working: working.nullable() });

/** What a bed's plan comes to, the figures a test can move. mm deep where it falls. */
export const outcome = z.object({
  nextDate: day.nullable(),
  minutes: z.number().nullable(),
  litres: z.number().nullable(),
  localMm: z.number().nullable(),
  reachesMm: z.number().nullable(),
  cycles: z.number().nullable(),
  runMinutes: z.number().nullable(),
  soakMinutes: z.number().nullable(),
  fortnightLitres: z.number(),
  fortnightWaterings: z.number(),
  litresPerMinute: z.number(),
  rateMmPerHour: z.number(),
  spareMm: z.number(),
  holdsMm: z.number(),
});

/** Findings tried on a bed without keeping them, and the number whose working is wanted. */
export const tryBody = z.object({
  inputs: z.array(findingInput).max(20),
  of: explainable.optional(),
  /** A cover tried in the place of the bed's own; null is bare ground. */
  mulch: z.object({ material: oneOf('Mulch', MULCH_MATERIALS), depthMm: limited('mulchMm') }).nullish(),
  shadeCloth: z.boolean().optional(),
  goal: oneOf('Goal', GOALS).optional(),
});
export const tryView = z.object({ before: outcome, after: outcome, working: working.nullable() });

export type TryBody = z.infer<typeof tryBody>;
export type TryView = z.infer<typeof tryView>;
export type OutcomeView = z.infer<typeof outcome>;
export type WorkingView = z.infer<typeof workingView>;
export type { Explainable };
