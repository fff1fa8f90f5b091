import { closeSync, createReadStream, createWriteStream, openSync, readSync, statSync } from 'node:fs';
import { Unzip, UnzipInflate } from 'fflate';
import type { Refusal } from '../errors.ts';
import { RESTORE_LIMITS, tooLarge, wrongFile } from './limits.ts';

const DATABASE = 'kibble.sqlite';
const damaged = (): Refusal => wrongFile('The file must be an archive of Kibble’s; this zip is damaged.');

/**
 * Takes the database out of an archive, piece by piece: neither lies in memory as a whole, and what unpacks to more than
 * it may is given up on the way.
 * @param limit bytes that it may unpack to
 */
export async function unpack(
  zip: string,
  target: string,
  limit: number = RESTORE_LIMITS.bytes,
): Promise<void> {
  const out = createWriteStream(target);
  const written = new Promise<void>((done, failed) => {
    out.on('finish', done);
    out.on('error', failed);
  });
  let found = false;
  let ended = false;
  let bytes = 0;
  const troubles: Refusal[] = [];
  const unzip = new Unzip((file) => {
    if (file.name !== DATABASE || found) return;
    found = true;
    file.ondata = (error, piece, last) => {
      if (error) troubles.push(damaged());
      bytes += piece?.length ?? 0;
      if (bytes > limit) troubles.push(tooLarge(`The archive unpacks to more than ${limit / 1e9} GB.`));
      if (troubles.length > 0) return;
      out.write(piece);
      ended ||= last;
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  try {
    for await (const piece of createReadStream(zip, { highWaterMark: 1 << 16 })) {
      try {
        unzip.push(piece as Uint8Array, false);
      } catch {
        throw damaged();
      }
      const [trouble] = troubles;
      if (trouble) throw trouble;
      if (out.writableNeedDrain) await new Promise<void>((drained) => out.once('drain', () => drained()));
    }
  } finally {
    out.end();
    await written;
  }
  if (!found && hasEnd(zip))
    throw wrongFile(`The file must be an archive of Kibble’s; this zip holds no ${DATABASE}.`);
  if (!ended) throw damaged();
}

/** Whether a zip has the list of its files, which stands at its very end. */
function hasEnd(zip: string): boolean {
  const { size } = statSync(zip);
  const tail = Buffer.alloc(Math.min(size, 66_000));
  const handle = openSync(zip, 'r');
  readSync(handle, tail, 0, tail.length, size - tail.length);
  closeSync(handle);
  return tail.includes('PK\u0005\u0006');
}
