import { createWriteStream } from 'node:fs';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { endpoint } from '@kibble/contract';
import type { Request } from 'express';
import { Refusal } from '../errors.ts';

/**
 * Lays what is sent on the disk as it arrives: a whole garden's file need not lie in memory.
 * @returns how many bytes came
 * @throws Refusal when they are more than may be sent there
 */
export async function landed(req: Request, path: string): Promise<number> {
  const { mostBytes } = endpoint('lookAtFile').body ?? { mostBytes: 0 };
  let bytes = 0;
  const counted = new Transform({
    transform(piece: Buffer, _encoding, done) {
      bytes += piece.length;
      done(
        bytes > mostBytes
          ? new Refusal(
              'too-large',
              `What was sent is too large: at most ${mostBytes / 1e6} MB are taken here.`,
              'body',
            )
          : null,
        piece,
      );
    },
  });
  await pipeline(req, counted, createWriteStream(path, { mode: 0o600 }));
  return bytes;
}
