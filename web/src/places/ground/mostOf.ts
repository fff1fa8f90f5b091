import type { BedView } from '@kibble/contract';

/** What most beds have of something; undefined where there are none. Of two as frequent, the one met first. */
export function mostOf<T extends string | number | boolean>(
  beds: readonly BedView[],
  of: (bed: BedView) => T | null,
): T | undefined {
  const counted = new Map<T, number>();
  for (const bed of beds) {
    const value = of(bed);
    if (value !== null) counted.set(value, (counted.get(value) ?? 0) + 1);
  }
  return [...counted].sort(([, a], [, b]) => b - a)[0]?.[0];
}
