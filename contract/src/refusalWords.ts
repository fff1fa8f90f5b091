import { z } from './zod.ts';

/** Longest that a refused value is told back. */
const TOLD = 60;

/** A value as it was given, short. */
export function givenText(value: unknown): string {
  if (value === undefined) return 'nothing';
  const text = JSON.stringify(value) ?? String(value);
  return text.length > TOLD ? `${text.slice(0, TOLD)}…` : text;
}

/** A field's name in words: `startWetness` is Start wetness, `hours.0.from` From. */
export function fieldWords(path: readonly PropertyKey[]): string {
  const named = path.filter((key): key is string => typeof key === 'string').at(-1);
  if (named === undefined) return 'What was sent';
  const words = named.replace(/([A-Z])/g, ' $1').toLowerCase();
  return words.charAt(0).toUpperCase() + words.slice(1);
}

const TYPES: Readonly<Record<string, string>> = {
  string: 'words',
  number: 'a number',
  int: 'a whole number',
  boolean: 'yes or no',
  array: 'a list',
  object: 'an entry with its fields',
  record: 'an entry with its fields',
  date: 'a date',
};
const ITEMS: Readonly<Record<string, string>> = { string: 'letters', array: 'entries', set: 'entries' };

/** What is asked of a value, for every way in which a schema can refuse one. */
function wanted(issue: z.core.$ZodRawIssue): string {
  switch (issue.code) {
    case 'invalid_type':
      return `be ${TYPES[issue.expected] ?? issue.expected}`;
    case 'invalid_value':
      return `be one of ${issue.values.map(String).join(', ')}`;
    case 'too_big':
      return `be at most ${String(issue.maximum)} ${ITEMS[issue.origin] ?? ''}`.trim();
    case 'too_small':
      return `be at least ${String(issue.minimum)} ${ITEMS[issue.origin] ?? ''}`.trim();
    case 'not_multiple_of':
      return `be a multiple of ${issue.divisor}`;
    case 'unrecognized_keys':
      return `hold nothing that is not asked for (${issue.keys.join(', ')})`;
    case 'invalid_union': {
      const known =
        'options' in issue && Array.isArray(issue.options) ? issue.options.map(String).join(', ') : '';
      return known ? `be one of ${known}` : 'be of a kind that is known';
    }
    default:
      return 'be something else';
  }
}

// Said wherever a schema has no words of its own: every refusal names its field, what is allowed and what was given.
z.config({
  customError: (issue) =>
    `${fieldWords(issue.path ?? [])} must ${wanted(issue)}; got ${givenText(
      issue.code === 'invalid_union' && 'discriminator' in issue
        ? (issue.input as Record<string, unknown> | undefined)?.[String(issue.discriminator)]
        : issue.input,
    )}`,
});
