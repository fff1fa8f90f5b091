import type { Response } from 'express';

/** Sends what is JSON already. */
export function sendJson(res: Response, text: string): void {
  res.type('application/json').send(text);
}
