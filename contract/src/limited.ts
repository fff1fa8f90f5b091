import { z } from './zod.ts';
import { LIMITS, rangeWords, withinLimit, type Limit, type LimitedField } from './limits.ts';
import { givenText } from './refusalWords.ts';

/**
 * A required number with its field's limit; the message names label, value and range, and the refusal carries the
 * limit's name, so that a screen can say it in the gardener's units.
 */
export const limited = (field: LimitedField): z.ZodNumber => {
  const limit: Limit = LIMITS[field];
  const words = (input: unknown): string =>
    `${limit.label} must be a number ${rangeWords(limit)}; got ${givenText(input)}`;
  return z
    .number({ error: ({ input }) => words(input) })
    .check(({ value, issues }) => {
      if (withinLimit(field, value)) return;
      issues.push({ code: 'custom', input: value, message: words(value), params: { limit: field, value } });
    })
    .meta({ minimum: limit.min, maximum: limit.max });
};

/** As `limited`, and whole: lines, beds, days. */
export const limitedWhole = (field: LimitedField): z.ZodNumber =>
  limited(field).int({
    error: ({ input }) => `${LIMITS[field].label} must be a whole number; got ${givenText(input)}`,
  });
