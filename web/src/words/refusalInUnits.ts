import { LIMITS, rangeWords, type ApiError, type Limit, type LimitedField } from '@kibble/contract';
import type { Units } from './units.ts';

/** A refusal for a limit, said in the gardener's own units. */
export function inOwnUnits(error: ApiError['error'], units: Units): ApiError['error'] {
  const { limit } = error;
  if (!limit || !(limit.field in LIMITS)) return error;
  const of: Limit = LIMITS[limit.field as LimitedField];
  const { fromSi, unit } = units.of(of.quantity);
  const got = `${Number(fromSi(limit.value).toPrecision(6))} ${unit}`.trim();
  return { ...error, message: `${of.label} must be ${rangeWords(of, fromSi, unit)}; got ${got}.` };
}
