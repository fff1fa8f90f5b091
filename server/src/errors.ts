import type { ErrorRequestHandler } from 'express';
import type { Logger } from 'pino';
import { ZodError, type z } from 'zod';

type Code = 'invalid' | 'not-found' | 'conflict' | 'needs-consent';
const STATUS: Readonly<Record<Code, number>> = {
  invalid: 400,
  'not-found': 404,
  conflict: 409,
  'needs-consent': 409,
};

/** A refusal with words for the gardener. */
export class Refusal extends Error {
  readonly code: Code;
  readonly field: string | undefined;

  constructor(code: Code, message: string, field?: string) {
    super(message);
    this.name = 'Refusal';
    this.code = code;
    this.field = field;
  }
}

/** A body or an answer through its schema. */
export const read = <T extends z.ZodType>(schema: T, value: unknown): z.infer<T> => schema.parse(value);

/** A row's id from the address. */
export function readId(text: unknown, what: string): number {
  const id = Number(text);
  if (!Number.isInteger(id) || id < 1) throw new Refusal('not-found', `There is no ${what} ${String(text)}.`);
  return id;
}

/** Turns what was thrown into the API's one error shape; what nobody expected is logged and told as such. */
export const errorHandler =
  (log: Logger): ErrorRequestHandler =>
  (error: unknown, _req, res, _next) => {
    if (error instanceof Refusal) {
      res
        .status(STATUS[error.code])
        .json({ error: { code: error.code, message: error.message, field: error.field } });
    } else if (error instanceof ZodError) {
      const issue = error.issues[0];
      res.status(400).json({
        error: {
          code: 'invalid',
          message: issue?.message ?? 'Not understood',
          field: issue?.path.join('.') || undefined,
        },
      });
    } else if (error instanceof RangeError) {
      const field = /^[\w.[\]]+/.exec(error.message)?.[0];
      res.status(400).json({ error: { code: 'invalid', message: error.message, field } });
    } else if (isClientFault(error)) {
      res.status(error.status).json({ error: { code: 'invalid', message: error.message } });
    } else {
      log.error({ err: error }, 'unexpected');
      res.status(500).json({
        error: {
          code: 'internal',
          message: 'Something went wrong here. Nothing was changed; the log has the details.',
        },
      });
    }
  };

/** Express's own refusals: a body that is not JSON or is too large. */
function isClientFault(error: unknown): error is { status: number; message: string } {
  const status = (error as { status?: unknown } | null)?.status;
  return typeof status === 'number' && status >= 400 && status < 500;
}
