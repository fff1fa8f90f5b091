import { sqliteCode } from './raw.ts';

/** Kibble will not start, or not open a file, for a reason a person can do something about. */
export class StartRefusal extends Error {
  constructor(message: string, options?: { cause: unknown }) {
    super(message, options);
    this.name = 'StartRefusal';
  }
}

/** What the machine says no with, in a person's words. */
const WORDS: Readonly<Record<string, (what: string) => string>> = {
  EADDRINUSE: (what) =>
    `Another program answers at ${what} already, perhaps another Kibble. Stop it, or choose another port: PORT=5190 npm start.`,
  EACCES: (what) =>
    `Kibble may not write to ${what}. Give yourself the right to, or choose another folder with KIBBLE_DATA.`,
  EROFS: (what) => `${what} lies on a disk that can only be read. Choose another folder with KIBBLE_DATA.`,
  ENOSPC: (what) =>
    `The disk of ${what} is full. Make room there and start again; nothing that was written down is lost.`,
  EPERM: (what) =>
    `Kibble may not write to ${what}. Give yourself the right to, or choose another folder with KIBBLE_DATA.`,
  ENOENT: (what) =>
    `${what} cannot be made: something on the way to it is not there. Choose another folder with KIBBLE_DATA.`,
  ENOTDIR: (what) =>
    `${what} cannot be a folder: a file is in the way. Choose another folder with KIBBLE_DATA.`,
  EEXIST: (what) =>
    `${what} cannot be a folder: a file is in the way. Choose another folder with KIBBLE_DATA.`,
  SQLITE_CANTOPEN: (what) =>
    `${what} cannot be opened. Look whether the folder is there and may be written to, or choose another with KIBBLE_DATA.`,
  SQLITE_READONLY: (what) =>
    `${what} may only be read, not written. Give yourself the right to write there, or choose another folder with KIBBLE_DATA.`,
  SQLITE_FULL: (what) =>
    `The disk of ${what} is full. Make room there and start again; nothing that was written down is lost.`,
  SQLITE_IOERR: (what) => `The disk of ${what} does not answer as it should. It may be full or failing.`,
  SQLITE_NOTADB: (what) =>
    `${what} is not a file of Kibble’s, or it was damaged. Move it away and start again; the folder “copies” beside it holds the last copies, which Settings › Your data puts back.`,
  SQLITE_CORRUPT: (what) =>
    `${what} is damaged. Move it away and start again; the folder “copies” beside it holds the last copies, which Settings › Your data puts back.`,
  SQLITE_BUSY: (what) => `${what} is in use by another program. Close it there and start again.`,
};

/** What was thrown as words for a person, or null when nobody expected it. */
export function startWords(error: unknown, what: string): string | null {
  if (error instanceof StartRefusal) return error.message;
  const code = sqliteCode(error) ?? (error as { code?: string } | null)?.code;
  return (code && WORDS[code]?.(what)) ?? null;
}
