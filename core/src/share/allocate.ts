/** A watering that competes with others for what a day has: a person's minutes, litres of a tap or a source, turns of a tap. */
export interface Competing {
  /** What it takes of each limit, in the order of the limits. */
  takes: readonly number[];
  /** What is lost when it has to wait: yield or plants at risk, any unit, 0 or more. */
  loss: number;
  /** Class it is in: all of 0 (plants not yet rooted, trees) come before any of 1, and those before any of 2. */
  tier: 0 | 1 | 2;
}
/** What there is of each limit. */
export type Caps = readonly number[];

/** What some of them take together, and what there is. */
class Room {
  private readonly taken: number[];
  private readonly caps: Caps;
  constructor(caps: Caps) {
    this.caps = caps;
    this.taken = caps.map(() => 0);
  }
  add({ takes }: Competing): void {
    takes.forEach((amount, k) => (this.taken[k] = (this.taken[k] as number) + amount));
  }
  fits(more?: Competing): boolean {
    return this.caps.every((cap, k) => (this.taken[k] as number) + (more?.takes[k] ?? 0) <= cap + 1e-9);
  }
}

/** How much of the limits a watering takes, each against what there is of it. */
export const sizeOf = (takes: readonly number[], caps: Caps): number =>
  Math.max(
    1e-9,
    takes.reduce((sum, amount, k) => sum + (amount > 0 ? amount / Math.max(1e-9, caps[k] as number) : 0), 0),
  );

/** Swaps tried before the answer is taken. Judgement: enough for any garden's day. */
const ROUNDS = 40;
/** With more items than this, filling by worth is as good as exact and exchanges only cost time; pairs are tried up to fewer. Judgement. */
const EXCHANGED = 80;
const PAIRED = 24;

const fits = (items: readonly Competing[], chosen: readonly boolean[], caps: Caps): boolean => {
  const room = new Room(caps);
  items.forEach((item, i) => chosen[i] && room.add(item));
  return room.fits();
};

/** What each item is worth: a class outweighs all of those after it together, and the last class present weighs as it is. */
function worths(items: readonly Competing[]): number[] {
  const total = items.reduce((sum, i) => sum + i.loss, 0) + 1;
  const classes = [...new Set(items.map((i) => i.tier))].sort((a, b) => b - a);
  const weight = (tier: number): number => {
    const above = classes.indexOf(tier as Competing['tier']);
    return above === 0 ? 0 : total * (items.length + 1) ** (above - 1);
  };
  return items.map((i) => i.loss + weight(i.tier) + 1e-9);
}

const worth = (values: readonly number[], chosen: readonly boolean[]): number =>
  values.reduce((sum, v, i) => sum + (chosen[i] ? v : 0), 0);

/**
 * Which of a day's waterings are made when not all of them fit, so that least is lost: those worth most for the room
 * they take, then exchanges as long as any helps. Checked against an exact optimum in the tests.
 * @param items the day's waterings; `caps` what there is of each limit
 * @returns for each, whether it is made; the caps are never exceeded
 */
export function allocateDay(items: readonly Competing[], caps: Caps): boolean[] {
  const all = items.map(() => true);
  if (fits(items, all, caps)) return all;
  const values = worths(items);
  const fill = (order: readonly number[]): boolean[] => {
    const chosen = items.map(() => false);
    const taken = new Room(caps);
    for (const i of order) {
      const item = items[i] as Competing;
      if (!taken.fits(item)) continue;
      chosen[i] = true;
      taken.add(item);
    }
    return chosen;
  };
  const value = (i: number): number => values[i] as number;
  const size = (i: number): number => sizeOf((items[i] as Competing).takes, caps);
  const order = (key: (i: number) => number): number[] =>
    items.map((_, i) => i).sort((a, b) => key(b) - key(a));
  const byValue = order((i) => value(i) / size(i));
  const starts = [fill(byValue), fill(order(value)), fill(order((i) => -size(i)))];
  let best = starts.reduce((a, b) => (worth(values, b) > worth(values, a) ? b : a));
  for (let round = 0; round < ROUNDS && items.length <= EXCHANGED; round += 1) {
    const better = exchange(items, best, caps, values, byValue);
    if (!better) break;
    best = better;
  }
  return best;
}

/** One exchange that helps: one or two given up for others that then fit. */
function exchange(
  items: readonly Competing[],
  chosen: readonly boolean[],
  caps: Caps,
  values: readonly number[],
  order: readonly number[],
): boolean[] | null {
  const now = worth(values, chosen);
  const out = items.flatMap((_, i) => (chosen[i] ? [i] : []));
  const drops: number[][] = [
    ...out.map((i) => [i]),
    ...(out.length <= PAIRED ? out.flatMap((a, k) => out.slice(k + 1).map((b) => [a, b])) : []),
  ];
  for (const forced of items.flatMap((_, i) => (chosen[i] ? [] : [i]))) {
    for (const drop of drops) {
      const next = [...chosen];
      for (const i of drop) next[i] = false;
      next[forced] = true;
      if (!fits(items, next, caps)) continue;
      for (const i of order) {
        if (next[i] || drop.includes(i)) continue;
        next[i] = true;
        if (!fits(items, next, caps)) next[i] = false;
      }
      if (worth(values, next) > now + 1e-9) return next;
    }
  }
  return null;
}
