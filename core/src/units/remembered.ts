/**
 * Keeps what was worked out of the same facts before; all of it is forgotten once there is too much.
 * @param most values kept
 */
export function remembered<K, T>(most: number): (key: K, make: () => T) => T {
  const known = new Map<K, T>();
  return (key, make) => {
    const before = known.get(key);
    if (before !== undefined) return before;
    const made = make();
    if (known.size >= most) known.clear();
    known.set(key, made);
    return made;
  };
}
