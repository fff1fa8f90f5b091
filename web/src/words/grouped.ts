/** Things by what they have in common, in the order in which each is first met. */
export function groupedBy<T>(all: readonly T[], key: (one: T) => string): T[][] {
  const groups = new Map<string, T[]>();
  for (const one of all) groups.set(key(one), [...(groups.get(key(one)) ?? []), one]);
  return [...groups.values()];
}

/** Names in a sentence: “Kale”, “Kale and Leeks”, “Kale, Leeks and Beans”. */
export const listed = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1) ?? ''}`;

/** So many names are said one by one. */
const FEW = 4;
/** A few beds by their names, and more of them by their number. */
export const bedsListed = (names: readonly string[]): string =>
  names.length <= FEW ? listed(names) : `${names.length} beds`;
