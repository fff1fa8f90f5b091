/** Within so many milliseconds the very same act is a double tap, not a second one. */
const DOUBLE_TAP_MS = 2000;
/** An act whose answer never came may have been done: sent again within this time, it bears the same key. */
const UNANSWERED_MS = 10 * 60_000;

interface Sent {
  what: string;
  key: string;
  at: number;
}

let last: Sent | null = null;
const unanswered = new Map<string, Sent>();

/**
 * The key of an act. What is sent twice in a breath with nothing else done between, or again after an answer that
 * never came, is one act and bears one key; the server does it once.
 * @param what method, address and body of the act
 */
export function keyOfAct(what: string, now: number, fresh: () => string): string {
  const lost = unanswered.get(what);
  const same =
    lost && now - lost.at < UNANSWERED_MS
      ? lost
      : last?.what === what && now - last.at < DOUBLE_TAP_MS
        ? last
        : null;
  const key = same?.key ?? fresh();
  last = { what, key, at: now };
  return key;
}

/** Remembers whether an act was answered. */
export function actAnswered(what: string, key: string, now: number, answered: boolean): void {
  if (answered) unanswered.delete(what);
  else unanswered.set(what, { what, key, at: now });
}
