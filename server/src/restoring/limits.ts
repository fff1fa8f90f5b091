import { Refusal } from '../errors.ts';

/** What may be put back at most: a guard against files made to fill a disk or to keep a computer busy. */
export const RESTORE_LIMITS = {
  /** Bytes that a file may unpack to. */
  bytes: 1_000_000_000,
  /** Bytes of JSON, which has to lie in memory whole. */
  jsonBytes: 150_000_000,
  rows: 2_000_000,
  ms: 5 * 60_000,
} as const;

/** Memory that the checking may take, MB. */
export const RESTORE_MB = 700;

export const wrongFile = (why: string): Refusal => new Refusal('invalid', why, 'file');
export const tooLarge = (why: string): Refusal => new Refusal('too-large', why, 'file');
