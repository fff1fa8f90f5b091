import { distance } from 'fastest-levenshtein';

/** Letters that may be wrong in a short name and in a longer one. */
const SLIPS = { short: 1, long: 2 };
const LONG_LETTERS = 6;
const LEAST_LETTERS = 3;

/** Names that begin nearly as was typed, the nearest first: one slip of the pen, two in a long name. */
export function closestNames<T extends { name: string }>(all: readonly T[], typed: string): T[] {
  if (typed.length < LEAST_LETTERS) return [];
  const most = typed.length < LONG_LETTERS ? SLIPS.short : SLIPS.long;
  const slips = (name: string): number => {
    const plain = name.toLowerCase();
    // What is typed may be the whole name, or its beginning.
    return Math.min(distance(typed, plain), distance(typed, plain.slice(0, typed.length)));
  };
  return all
    .map((each) => ({ each, off: slips(each.name) }))
    .filter(({ off }) => off <= most)
    .sort((a, b) => a.off - b.off)
    .map(({ each }) => each);
}
