import { mkdirSync } from 'node:fs';
import type { RequestHandler } from 'express';
import { pino, type Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { createStream } from 'rotating-file-stream';
import { loggedUrl } from './loggedUrl.ts';

/** Size at which the log begins a new file, and files kept. */
const SIZE = '5M';
const FILES = 5;

/** The log beside the data: kibble.log, begun anew when it is full, the last five kept. */
export function fileLog(folder: string): { log: Logger; close: () => Promise<void> } {
  mkdirSync(folder, { recursive: true });
  const stream = createStream('kibble.log', { path: folder, size: SIZE, maxFiles: FILES, mode: 0o600 });
  // A disk that is full must not take the garden with it: the log goes on when there is room again.
  stream.on('error', () => undefined);
  return {
    log: pino({ level: process.env.LOG_LEVEL ?? 'info' }, stream),
    close: () => new Promise((done) => stream.end(() => done())),
  };
}

/** One line a request: what was asked, what became of it, how long it took. Never what was in it. */
export const requestLog = (log: Logger): RequestHandler =>
  pinoHttp({
    logger: log,
    customLogLevel: (_req, res) => (res.statusCode >= 500 ? 'error' : 'info'),
    serializers: {
      req: ({ method, url }: { method: string; url: string }) => ({ method, url: loggedUrl(url) }),
      res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
    },
  });
