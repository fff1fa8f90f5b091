import { zodResolver } from '@hookform/resolvers/zod';
import { LIMITS, limited, type LimitedField } from '@kibble/contract';
import type { FieldValues, Resolver } from 'react-hook-form';
import { z } from 'zod';
import { numberRule, typedSi, wholeRule } from './numberRule.ts';
import type { Units } from './units.ts';

/**
 * A figure between the text that is typed in the gardener's units and the contract's number in SI. What may not be is
 * refused in the gardener's own units.
 * @param optional nothing may be typed; `whole` nothing between two numbers
 */
export function figure(
  field: LimitedField,
  units: Units,
  { optional = false, whole = false }: { optional?: boolean; whole?: boolean } = {},
) {
  return z.codec(z.string(), limited(field).optional(), {
    decode: (text, { issues }) => {
      const empty = optional && text.trim() === '';
      const rule = empty ? true : whole ? wholeRule(field, text, units) : numberRule(field, text, units);
      if (rule === true) return typedSi(field, text, units);
      issues.push({ code: 'custom', input: text, message: rule });
      return z.NEVER;
    },
    encode: (si) => (si === undefined ? '' : units.number(LIMITS[field].quantity, si)),
  });
}

/** A day of the calendar, as a date field has it. */
export const isDay = (text: string): boolean => /^\d{4}-\d{2}-\d{2}$/.test(text);

/** Words that must be there. */
export const filled = (message: string) =>
  z.string().refine((text) => text.trim() !== '', { error: message });

/** A text for which a rule holds; the rule says what is wrong otherwise. */
export const obeys = (rule: (text: string) => string | true) =>
  z.string().superRefine((text, context) => {
    const wrong = rule(text);
    if (wrong !== true) context.addIssue({ code: 'custom', message: wrong });
  });

/** What each field must be: a schema, or one that depends on what else is typed; null where the field is not asked for. */
export type FieldSchemas<T> = Record<string, z.ZodType | ((typed: T) => z.ZodType | null)>;

const at = (typed: unknown, path: readonly string[]): unknown =>
  path.reduce<unknown>((of, name) => (of as Record<string, unknown> | undefined)?.[name], typed);

/** A form's schema out of its fields': every field is looked at, whatever is wrong with the others. */
export const formSchema = <T>(fields: FieldSchemas<T>) =>
  z.custom<T>().superRefine((typed, context) => {
    for (const [name, of] of Object.entries(fields)) {
      const path = name.split('.');
      const schema = typeof of === 'function' ? of(typed) : of;
      const read = schema?.safeParse(at(typed, path));
      if (read && !read.success)
        for (const { message } of read.error.issues) context.addIssue({ code: 'custom', path, message });
    }
  });

/** Checks a form by its fields' schemas, and hands on what was typed as it was typed. */
export const checkedBy = <T extends FieldValues>(fields: FieldSchemas<T>): Resolver<T> =>
  zodResolver(formSchema<T>(fields) as never, undefined, { raw: true }) as unknown as Resolver<T>;
