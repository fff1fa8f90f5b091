/** A watering that competes with others for the minutes and litres of one day. */
export interface Competing {
  /** Minutes of a person's time, litres through the tap, and times its tap is opened again after the first. */
  minutes: number;
  litres: number;
  turns?: number;
  /** What is lost when it has to wait: yield or plants at risk, any unit, 0 or more. */
  loss: number;
  /** Class it is in: all of 0 (plants not yet rooted, trees) come before any of 1, and those before any of 2. */
  tier: 0 | 1 | 2;
}
export interface DayCaps {
  minutes?: number;
  litres?: number;
  turns?: number;
}

/** What some of them take together, and what there is. */
class Room {
  minutes = 0;
  litres = 0;
  turns = 0;
  add(item: Competing): void {
    this.minutes += item.minutes;
    this.litres += item.litres;
    this.turns += item.turns ?? 0;
  }
  fits(caps: DayCaps, more?: Competing): boolean {
    const holds = (cap: number | undefined, value: number): boolean =>
      value <= (cap ?? Number.POSITIVE_INFINITY) + 1e-9;
    return (
      holds(caps.minutes, this.minutes + (more?.minutes ?? 0)) &&
      holds(caps.litres, this.litres + (more?.litres ?? 0)) &&
      holds(caps.turns, this.turns + (more?.turns ?? 0))
    );
  }
}

/** Swaps tried before the answer is taken. Judgement: enough for any garden's day. */
const ROUNDS = 40;
/** With more items than this, filling by worth is as good as exact and exchanges only cost time; pairs are tried up to fewer. Judgement. */
const EXCHANGED = 80;
const PAIRED = 24;

const fits = (items: readonly Competing[], chosen: readonly boolean[], caps: DayCaps): boolean => {
  const room = new Room();
  items.forEach((item, i) => chosen[i] && room.add(item));
  return room.fits(caps);
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
 * @param items the day's waterings; `caps` minutes of a person's time, litres and turns of the tap of the day
 * @returns for each, whether it is made; the caps are never exceeded
 */
export function allocateDay(items: readonly Competing[], caps: DayCaps): boolean[] {
  const all = items.map(() => true);
  if (fits(items, all, caps)) return all;
  const values = worths(items);
  const room = (i: Competing): number =>
    Math.max(
      1e-9,
      i.minutes / (caps.minutes ?? Number.POSITIVE_INFINITY) +
        i.litres / (caps.litres ?? Number.POSITIVE_INFINITY) +
        (i.turns ?? 0) / (caps.turns ?? Number.POSITIVE_INFINITY),
    );
  const fill = (order: readonly number[]): boolean[] => {
    const chosen = items.map(() => false);
    const taken = new Room();
    for (const i of order) {
      const item = items[i] as Competing;
      if (!taken.fits(caps, item)) continue;
      chosen[i] = true;
      taken.add(item);
    }
    return chosen;
  };
  const value = (i: number): number => values[i] as number;
  const size = (i: number): number => room(items[i] as Competing);
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
  caps: DayCaps,
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
