import { sizeOf, type Caps } from './allocate.ts';

/** A watering that may be given in part: what the whole of it takes of each limit, and what parts of it save. */
export interface Divisible {
  takes: readonly number[];
  /** Growth saved by a share of it, ascending to the whole; any unit. */
  steps: readonly { share: number; saves: number }[];
  /** A smaller share is not worth the way there, 0–1. */
  leastShare: number;
  /** Class it is in, as `Competing`. */
  tier: 0 | 1 | 2;
}

/** Every share is worth something, however little it saves: water that is there is used. */
const LEAST_SAVED = 1e-6;

interface Part {
  i: number;
  upTo: number;
  density: number;
}

/** The parts of a watering, each with what it saves for the room it takes; a later one is never worth more than what comes before it. */
function partsOf(item: Divisible, i: number, caps: Caps): Part[] {
  const size = sizeOf(item.takes, caps);
  const hull: { from: number; upTo: number; saves: number }[] = [];
  let [from, saved] = [0, 0];
  for (const { share, saves } of item.steps) {
    let part = { from, upTo: share, saves: Math.max(LEAST_SAVED * (share - from), saves - saved) };
    for (
      let last = hull.at(-1);
      last && last.saves / (last.upTo - last.from) < part.saves / (part.upTo - part.from);
      last = hull.at(-1)
    ) {
      part = { from: last.from, upTo: part.upTo, saves: part.saves + last.saves };
      hull.pop();
    }
    hull.push(part);
    [from, saved] = [share, Math.max(saved, saves)];
  }
  return hull.map((part) => ({ i, upTo: part.upTo, density: part.saves / (size * (part.upTo - part.from)) }));
}

/**
 * How much of each watering is given when not all of it is there: the next part goes where it saves most for what it takes, until
 * nothing is left or nothing is wanted.
 * @param items the day's waterings; `caps` what there is of each limit
 * @returns shares of the whole, 0–1; no limit is exceeded, and no share lies between 0 and its least
 * Source: marginal loss; exact where what a part saves never grows with its size.
 */
export function shareOut(items: readonly Divisible[], caps: Caps): number[] {
  const dropped = new Set<number>();
  for (;;) {
    const shares = filled(items, caps, dropped);
    // What would get too little leaves it to the others; the smallest first.
    const [tooLittle] = shares
      .map((share, i) => ({ i, of: share / (items[i] as Divisible).leastShare, share }))
      .filter(({ share, of }) => share > 0 && of < 1 - 1e-9)
      .sort((a, b) => a.of - b.of);
    if (!tooLittle) return shares;
    dropped.add(tooLittle.i);
  }
}

function filled(items: readonly Divisible[], caps: Caps, dropped: ReadonlySet<number>): number[] {
  const left = [...caps];
  const shares = items.map(() => 0);
  const parts = items
    .flatMap((item, i) => (dropped.has(i) ? [] : partsOf(item, i, caps)))
    .sort((a, b) => (items[a.i] as Divisible).tier - (items[b.i] as Divisible).tier || b.density - a.density);
  for (const { i, upTo } of parts) {
    const { takes } = items[i] as Divisible;
    const wanted = upTo - (shares[i] as number);
    const room = takes.reduce(
      (share, amount, k) => (amount > 0 ? Math.min(share, Math.max(0, left[k] as number) / amount) : share),
      wanted,
    );
    if (room <= 0) continue;
    shares[i] = (shares[i] as number) + room;
    takes.forEach((amount, k) => (left[k] = (left[k] as number) - room * amount));
  }
  return shares;
}
