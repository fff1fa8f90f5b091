/** How often a week a person may go round: each set of days holds the ones before it. */
export const PER_WEEK = [1, 2, 3, 4, 5, 6, 7] as const;

/** How unevenly days part the week: the sum of the squares of the days from one to the next. */
const unevenness = (days: readonly number[]): number => {
  const sorted = [...days].sort((a, b) => a - b);
  return sorted.reduce((sum, day, i) => sum + ((sorted[i + 1] ?? (sorted[0] as number) + 7) - day) ** 2, 0);
};

/**
 * Nested sets of weekdays, once a week to daily, spread as evenly over the week as nesting lets them.
 * @param open weekdays that may be used, Sunday 0, at least one; `anchor` the one that all sets hold, or the first open one after it
 * @returns one set for each of `PER_WEEK` that there are days for, and all open days where that is none of them
 * Source: judgement; arithmetic on the calendar.
 */
export function weekdaySets(open: readonly number[], anchor: number): number[][] {
  const after = (day: number): number => (day - anchor + 7) % 7;
  const [first, ...rest] = [...new Set(open)].sort((a, b) => after(a) - after(b));
  if (first === undefined) return [];
  const order = [first];
  const left = new Set(rest);
  while (left.size > 0) {
    // Of those that part the week alike, the one next after the first.
    const next = [...left].reduce((best, day) =>
      unevenness([...order, day]) < unevenness([...order, best]) ? day : best,
    );
    order.push(next);
    left.delete(next);
  }
  const sets = PER_WEEK.filter((n) => n <= order.length).map((n) => order.slice(0, n));
  if (order.length > (sets.at(-1)?.length ?? 0)) sets.push(order);
  return sets;
}
