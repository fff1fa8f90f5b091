/** Deepest that JSON from anywhere may be nested. Nothing of Kibble's own is nested half as deep. */
export const DEEPEST_JSON = 64;

/** Why a text is not taken as JSON: before it is parsed, or by the parser. */
export class RawJsonError extends Error {
  readonly reason: 'too deep' | 'too large' | 'not JSON';

  constructor(reason: RawJsonError['reason'], message: string) {
    super(message);
    this.name = 'RawJsonError';
    this.reason = reason;
  }
}

const QUOTE = 34;
const BACKSLASH = 92;
const OPENING = new Set([91, 123]);
const CLOSING = new Set([93, 125]);

/**
 * Checks the raw text of JSON before anything parses it: whoever walks through nested values one level at a time runs out
 * of stack at some depth, and so does the one who words the refusal.
 * @param raw letters, or bytes of UTF-8
 * @param mostLetters longest it may be; left out, the length is somebody else's to check
 * @throws RawJsonError 'too deep' or 'too large'
 */
export function checkRawJson(raw: string | Uint8Array, mostLetters = Number.POSITIVE_INFINITY): void {
  const { length } = raw;
  if (length > mostLetters) throw new RawJsonError('too large', `it is longer than ${mostLetters} letters`);
  const codeAt =
    typeof raw === 'string' ? (i: number): number => raw.charCodeAt(i) : (i: number): number => raw[i] ?? 0;
  let depth = 0;
  let quoted = false;
  for (let i = 0; i < length; i += 1) {
    const code = codeAt(i);
    if (quoted) {
      if (code === BACKSLASH) i += 1;
      else if (code === QUOTE) quoted = false;
    } else if (code === QUOTE) quoted = true;
    else if (OPENING.has(code)) {
      depth += 1;
      if (depth > DEEPEST_JSON)
        throw new RawJsonError('too deep', `it is nested more than ${DEEPEST_JSON} levels deep`);
    } else if (CLOSING.has(code)) depth -= 1;
  }
}

/** Parses JSON that came from outside, once `checkRawJson` has passed it. @throws RawJsonError */
export function parseRawJson(text: string, mostLetters?: number): unknown {
  checkRawJson(text, mostLetters);
  try {
    return JSON.parse(text) as unknown;
  } catch {
    throw new RawJsonError('not JSON', 'it is not JSON');
  }
}
