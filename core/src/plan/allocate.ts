/** A watering that competes with others for the minutes and litres of one day. */
export interface Competing {
  minutes: number;
  litres: number;
  /** What is lost when it has to wait: yield or plants at risk, any unit, 0 or more. */
  loss: number;
  /** Plants not yet rooted, and trees: never given up for others. */
  first: boolean;
}
export interface DayCaps {
  minutes?: number;
  litres?: number;
}

/** Swaps tried before the answer is taken. Judgement: enough for any garden's day. */
const ROUNDS = 40;

const fits = (items: readonly Competing[], chosen: readonly boolean[], caps: DayCaps): boolean => {
  let minutes = 0;
  let litres = 0;
  for (const [i, item] of items.entries()) {
    if (!chosen[i]) continue;
    minutes += item.minutes;
    litres += item.litres;
  }
  return (
    minutes <= (caps.minutes ?? Number.POSITIVE_INFINITY) + 1e-9 &&
    litres <= (caps.litres ?? Number.POSITIVE_INFINITY) + 1e-9
  );
};

/** Worth of a choice: plants that come first outweigh all others together. */
function worth(items: readonly Competing[], chosen: readonly boolean[], total: number): number {
  let sum = 0;
  for (const [i, item] of items.entries()) if (chosen[i]) sum += item.loss + (item.first ? total : 0);
  return sum;
}

/**
 * Which of a day's waterings are made when not all of them fit, so that least is lost: those worth most for the room
 * they take, then exchanges as long as any helps. Checked against an exact optimum in the tests.
 * @param items the day's waterings; `caps` minutes and litres of the day
 * @returns for each, whether it is made; the caps are never exceeded
 */
export function allocateDay(items: readonly Competing[], caps: DayCaps): boolean[] {
  const all = items.map(() => true);
  if (fits(items, all, caps)) return all;
  const total = items.reduce((sum, i) => sum + i.loss, 0) + 1;
  const value = (i: Competing): number => i.loss + (i.first ? total : 0) + 1e-9;
  const room = (i: Competing): number =>
    Math.max(
      1e-9,
      i.minutes / (caps.minutes ?? Number.POSITIVE_INFINITY) +
        i.litres / (caps.litres ?? Number.POSITIVE_INFINITY),
    );
  const fill = (order: readonly number[]): boolean[] => {
    const chosen = items.map(() => false);
    for (const i of order) {
      chosen[i] = true;
      if (!fits(items, chosen, caps)) chosen[i] = false;
    }
    return chosen;
  };
  const order = (key: (i: Competing) => number): number[] =>
    items.map((_, i) => i).sort((a, b) => key(items[b] as Competing) - key(items[a] as Competing));
  const starts = [fill(order((i) => value(i) / room(i))), fill(order(value)), fill(order((i) => -room(i)))];
  let best = starts.reduce((a, b) => (worth(items, b, total) > worth(items, a, total) ? b : a));
  const byValue = order((i) => value(i) / room(i));
  for (let round = 0; round < ROUNDS; round += 1) {
    const better = exchange(items, best, caps, total, byValue);
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
  total: number,
  order: readonly number[],
): boolean[] | null {
  const now = worth(items, chosen, total);
  const out = items.flatMap((_, i) => (chosen[i] ? [i] : []));
  const drops: number[][] = [
    ...out.map((i) => [i]),
    ...out.flatMap((a, k) => out.slice(k + 1).map((b) => [a, b])),
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
      if (worth(items, next, total) > now + 1e-9) return next;
    }
  }
  return null;
}
