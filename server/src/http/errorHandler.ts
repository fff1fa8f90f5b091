import { randomBytes } from 'node:crypto';
import type { ErrorRequestHandler } from 'express';
import type { Logger } from 'pino';
import { RawJsonError, type ApiError } from '@kibble/contract';
import { LOCK_PATIENCE, LockTimeout } from '../db/lock.ts';
import { sqliteCode } from '../db/raw.ts';
import { Refusal } from '../errors.ts';
import { errorPage } from './errorPage.ts';
import { loggedUrl } from './loggedUrl.ts';

/** What the machine refuses, in words; everything else that is not a Refusal is a fault of ours. */
const MACHINE: Readonly<Record<string, readonly ['no-room' | 'busy', string]>> = {
  SQLITE_FULL: [
    'no-room',
    'The disk is full: nothing of this was written down. What was written before is safe. Make room on the disk of Kibble’s data and try again.',
  ],
  SQLITE_IOERR: [
    'no-room',
    'The disk did not take this: nothing of it was written down. It may be full or failing.',
  ],
  SQLITE_READONLY: [
    'no-room',
    'Kibble’s data may only be read just now: nothing of this was written down. Give Kibble the right to write to its folder.',
  ],
  SQLITE_BUSY: [
    'busy',
    'Another program holds Kibble’s data. Nothing of this was written down; try again in a moment.',
  ],
};

/** Somebody else holds what this needs, and goes on holding it. */
const WAITED = [
  'busy',
  `Kibble is busy with another change, and this one waited ${LOCK_PATIENCE.ms / 1000} seconds for it. Nothing of this was saved; try again in a moment.`,
] as const;

/** What the file system says of a disk that is full, as it is, or as a tool that writes programs wraps it. */
const isFullDisk = (error: unknown): boolean => {
  const { code, message = '' } = (error ?? {}) as { code?: unknown; message?: string };
  return code === 'ENOSPC' || code === 'EDQUOT' || /no space left on device/i.test(message);
};

/** Express's own refusals: a body that is no JSON, or too large. */
function bodyRefusal(error: unknown): Refusal | null {
  const { type, limit, status } = (error ?? {}) as { type?: string; limit?: number; status?: number };
  if (type === 'entity.too.large') {
    const kB = Math.round((limit ?? 0) / 1000);
    const allowed = kB < 1000 ? `${kB} kB` : `${Math.round(kB / 1000)} MB`;
    return new Refusal(
      'too-large',
      `What was sent is too large: at most ${allowed} are taken here.${kB < 1000 ? '' : ' A file of weather is best split by years.'}`,
      'body',
    );
  }
  if (error instanceof RawJsonError)
    return new Refusal('invalid', `What was sent cannot be read: ${error.message}.`, 'body');
  if (type === 'entity.parse.failed') return new Refusal('invalid', 'What was sent is not JSON.', 'body');
  if (type === 'encoding.unsupported' || type === 'charset.unsupported')
    return new Refusal(
      'wrong-type',
      'What was sent is written in a way that is not understood; UTF-8 is.',
      'body',
    );
  if (error instanceof URIError)
    return new Refusal('not-found', 'There is nothing at that address.', 'address');
  // The asker went away, or cut what was sent short.
  if (typeof status === 'number' && status >= 400 && status < 500)
    return new Refusal('invalid', 'What was sent arrived incomplete.', 'body');
  return null;
}

/** Turns what was thrown into the API's one error shape. A fault of ours is logged under a number, and told by it. */
export const errorHandler =
  (log: Logger): ErrorRequestHandler =>
  (error: unknown, req, res, next) => {
    if (res.headersSent) {
      next(error);
      return;
    }
    if (error instanceof LockTimeout)
      log.error({ holder: error.holder, method: req.method, url: loggedUrl(req.originalUrl) }, error.message);
    const [code, words] =
      error instanceof LockTimeout
        ? WAITED
        : (MACHINE[isFullDisk(error) ? 'SQLITE_FULL' : (sqliteCode(error) ?? '')] ?? []);
    const refusal =
      error instanceof Refusal ? error : code && words ? new Refusal(code, words) : bodyRefusal(error);
    const tell = (status: number, refused: ApiError['error']): void => {
      res.status(status);
      // Programs ask under /api and are answered in JSON; elsewhere a person looks for a page.
      if (/^\/(api|calendar)(\/|$)/.test(req.path)) res.json({ error: refused });
      else res.type('html').send(errorPage(refused.code));
    };
    const url = loggedUrl(req.originalUrl);
    if (refusal) {
      if (refusal.status >= 500) log.error({ err: error, url }, refusal.message);
      tell(refusal.status, { code: refusal.code, message: refusal.message, ...refusal.facts });
      return;
    }
    const number = randomBytes(4).toString('hex').toUpperCase();
    log.error({ err: error, number, method: req.method, url }, 'fault');
    tell(500, {
      code: 'internal',
      message: `Something went wrong in Kibble itself. Nothing of this was saved. The log has it as number ${number}.`,
      number,
    });
  };
