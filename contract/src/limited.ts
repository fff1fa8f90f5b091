import { z } from 'zod';
import { LIMITS, rangeWords, type Limit, type LimitedField } from './limits.ts';

/** A required number with its field's limit; the message names label, value and range. */
export const limited = (field: LimitedField): z.ZodNumber => {
  const limit: Limit = LIMITS[field];
  const error = (issue: { input?: unknown }): string =>
    `${limit.label} must be a number ${rangeWords(limit)}; got ${issue.input === undefined ? 'nothing' : JSON.stringify(issue.input)}`;
  const base = z.number({ error });
  return limit.above
    ? base.gt(limit.min, { error }).lte(limit.max, { error })
    : base.gte(limit.min, { error }).lte(limit.max, { error });
};
