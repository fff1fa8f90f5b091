import type { ConflictSide } from '@kibble/contract';
import { Refusal } from '../errors.ts';

const plain = (value: unknown): unknown => (value === undefined ? null : value);
const same = (a: unknown, b: unknown): boolean => JSON.stringify(plain(a)) === JSON.stringify(plain(b));

/** Fields in which what is wanted differs from what stands there. */
function sidesOf(yours: object, theirs: object, prefix = ''): ConflictSide[] {
  return Object.entries(yours).flatMap(([field, value]): ConflictSide[] => {
    const there = (theirs as Record<string, unknown>)[field];
    if (field === 'version' || same(value, there)) return [];
    const nested = [value, there].every((v) => typeof v === 'object' && v !== null && !Array.isArray(v));
    return nested
      ? sidesOf(value as object, there as object, `${prefix}${field}.`)
      : [{ field: `${prefix}${field}`, yours: plain(value), theirs: plain(there) }];
  });
}

/**
 * Refuses a change made on a state that has passed, with both sides of what differs: nobody's word is lost unseen.
 * @param seen the version that whoever changes it saw; left out, whatever stands there is changed
 */
export function checkVersion(
  what: string,
  seen: number | undefined,
  current: number,
  yours: object,
  theirs: object,
): void {
  if (seen === undefined || seen === current) return;
  const sides = sidesOf(yours, theirs);
  // Both wanted the same: there is nothing to choose between.
  if (sides.length === 0) return;
  throw new Refusal(
    'conflict',
    `${what} was changed by somebody else meanwhile. Look at both and choose; what you typed is still here.`,
    'version',
    { conflict: { version: current, sides } },
  );
}
