/**
 * Input guards. Every public function of the core checks what it is given and throws a `RangeError`
 * that names the field, the value and the allowed range. The comparison is written in its negated
 * form so that NaN and Infinity are refused too.
 */

/**
 * The domain's own refusal: a value that cannot be, with its field and what is allowed. A RangeError, so that
 * callers outside may catch it as one; anything else that is thrown is a fault of the program.
 */
export class OutOfRange extends RangeError {
  /** Name of the field as the function takes it. */
  readonly field: string;
  /** What is allowed, in words that follow "must". */
  readonly allowed: string;
  /** What was given, as text. */
  readonly got: string;

  constructor(field: string, allowed: string, got: unknown, message?: string) {
    super(message ?? `${field} must ${allowed}; got ${String(got)}`);
    this.name = 'OutOfRange';
    this.field = field;
    this.allowed = allowed;
    this.got = String(got);
  }
}

/** Returns `value` when it is a finite number within [min, max]; otherwise throws `RangeError`. */
export function within(field: string, value: unknown, min: number, max: number, unit = ''): number {
  if (typeof value !== 'number' || !(value >= min && value <= max) || !Number.isFinite(value)) {
    const suffix = unit ? ` ${unit}` : '';
    throw new OutOfRange(field, `be a number from ${min} to ${max}${suffix}`, value);
  }
  return value;
}

/** Like `within`, but passes `undefined` through. */
export function withinIfGiven(
  field: string,
  value: number | undefined,
  min: number,
  max: number,
  unit = '',
): number | undefined {
  return value === undefined ? undefined : within(field, value, min, max, unit);
}

/** Returns `value` when it is a finite number above 0 and up to `max`. */
export function positive(field: string, value: unknown, max: number, unit = ''): number {
  if (typeof value !== 'number' || !(value > 0 && value <= max) || !Number.isFinite(value)) {
    const suffix = unit ? ` ${unit}` : '';
    throw new OutOfRange(field, `be a number above 0 and up to ${max}${suffix}`, value);
  }
  return value;
}

/** Throws `RangeError` unless `low` is not above `high`. */
export function ordered(lowField: string, low: number, highField: string, high: number): void {
  if (!(low <= high)) {
    throw new OutOfRange(
      lowField,
      `not be above ${highField}, ${high}`,
      low,
      `${lowField} (${low}) must not be above ${highField} (${high}); allowed: up to ${high}`,
    );
  }
}

/** Throws `RangeError` unless `items` holds at least `min` entries. */
export function atLeast<T>(field: string, items: readonly T[], min: number): readonly T[] {
  if (!Array.isArray(items) || items.length < min) {
    const got = Array.isArray(items) ? items.length : String(items);
    throw new OutOfRange(field, `hold at least ${min} value(s)`, got);
  }
  return items;
}
