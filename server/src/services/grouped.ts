/** Items by a key, in their order; those without one are left out. */
export function grouped<T, K>(items: readonly T[], keyOf: (item: T) => K | null | undefined): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const item of items) {
    const key = keyOf(item);
    if (key === null || key === undefined) continue;
    const group = groups.get(key);
    if (group) group.push(item);
    else groups.set(key, [item]);
  }
  return groups;
}
