import { ERROR_CODES, fieldWords, type ApiError, type ErrorCode } from '@kibble/contract';
import { OutOfRange } from '@kibble/core';
import { ZodError, type z } from 'zod';

type Facts = Omit<ApiError['error'], 'code' | 'message'>;

/** A refusal with words for the gardener. Nothing else that is thrown counts as the asker's fault. */
export class Refusal extends Error {
  readonly code: ErrorCode;
  readonly facts: Facts;

  constructor(code: ErrorCode, message: string, field?: string, facts: Facts = {}) {
    super(message);
    this.name = 'Refusal';
    this.code = code;
    this.facts = field === undefined ? facts : { ...facts, field };
  }

  get status(): number {
    return ERROR_CODES[this.code];
  }
}

/** What somebody entered, through its schema. */
export function read<T extends z.ZodType>(schema: T, value: unknown): z.infer<T> {
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  const [issue] = result.error.issues;
  const field = issue?.path.map(String).join('.') || 'body';
  const params = issue?.code === 'custom' ? issue.params : undefined;
  throw new Refusal('invalid', issue?.message ?? 'What was sent is not understood', field, {
    limit:
      typeof params?.limit === 'string' && typeof params.value === 'number' && Number.isFinite(params.value)
        ? { field: params.limit, value: params.value }
        : undefined,
  });
}

/** What is done about an answer that does not fit its schema; thrown, until somebody else takes care of it. */
let misfit: (fault: Error) => void = (fault) => {
  throw fault;
};

/** Where Kibble is in use, an answer that does not fit is noted and sent all the same: an old row must not close a room. */
export const onMisfit = (note: (fault: Error) => void): void => {
  misfit = note;
};

/** What Kibble answers, through its schema: an answer that does not fit is a fault of ours, never of the asker. */
export function answer<T extends z.ZodType>(schema: T, value: unknown): z.infer<T> {
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  misfit(new AnswerFault(result.error));
  return value as z.infer<T>;
}

class AnswerFault extends Error {
  constructor(cause: ZodError) {
    const [issue] = cause.issues;
    super(`the answer does not fit its schema at ${issue?.path.join('.')}: ${issue?.message}`, { cause });
    this.name = 'AnswerFault';
  }
}

/** Runs a check of the core on what somebody entered: what it refuses is a refusal, by the field as it was sent. */
export function refusing<T>(check: () => T, prefix = ''): T {
  try {
    return check();
  } catch (error) {
    if (error instanceof OutOfRange) throw rangeRefusal(error, prefix);
    throw error;
  }
}

/** The core's refusal of a figure in a gardener's words. */
export function rangeRefusal(
  { field, allowed, got }: Pick<OutOfRange, 'field' | 'allowed' | 'got'>,
  prefix = '',
): Refusal {
  return new Refusal('invalid', `${rangeWordsOf({ field, allowed, got })}.`, `${prefix}${field}`);
}

/** Names of the core's figures that a gardener would not know by their own. */
const FIGURES: Readonly<Record<string, string>> = {
  localMm: 'The depth of a watering',
  rateMmPerHour: 'How fast water comes',
  infiltrationMmPerHour: 'What the ground takes in',
  surfaceStorageMm: 'What the surface holds',
  netMm: 'The depth of a watering',
  cropId: 'The plant',
  startOn: 'The first day of the bed',
  clayPct: 'Clay',
  share: 'Share of the bed',
};

/** One of the core's refusals as a sentence without its stop. */
export const rangeWordsOf = ({
  field,
  allowed,
  got,
}: {
  field: string;
  allowed: string;
  got: string;
}): string => {
  const [last = field] = field
    .split(/[.[\]]/)
    .filter((part) => part !== '' && !/^\d+$/.test(part))
    .slice(-1);
  const label = FIGURES[last] ?? fieldWords([last.replace(/(Mm|M2|M|Pct|LitresPerMinute|MmPerHour)$/, '')]);
  return `${label} must ${allowed}; got ${got}`;
};

/** A row's id from the address: plain digits, nothing that merely counts as a number. */
export function readId(text: unknown, what: string): number {
  if (typeof text === 'string' && /^[1-9]\d{0,14}$/.test(text)) return Number(text);
  throw new Refusal('not-found', `There is no ${what} ${String(text).slice(0, 40)}.`, 'id');
}
