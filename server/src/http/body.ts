import { checkRawJson, RawJsonError, type Endpoint, USUAL_BODY } from '@kibble/contract';
import express, { type RequestHandler } from 'express';

/** Reads what is sent to an endpoint, as far as it takes anything: JSON is looked at before it is parsed. */
export function bodyOf({ body = USUAL_BODY }: Endpoint): RequestHandler {
  // A stream is read by whoever answers.
  if (body.as === 'stream') return (_req, _res, next) => next();
  if (body.as === 'bytes') return express.raw({ type: 'application/octet-stream', limit: body.mostBytes });
  return express.json({
    limit: body.mostBytes,
    // What this throws is put into words by the error handler: the parser marks it on its way.
    verify: (_req, _res, raw, charset) => {
      if (charset !== 'utf-8') throw new RawJsonError('not JSON', 'it is not written in UTF-8');
      checkRawJson(raw);
    },
  });
}
