import type { GardenView } from '@kibble/contract';
import { groupedBy } from './grouped.ts';

/** The part of the garden that each bed is in, by its name. */
export function partsOf({ beds }: GardenView): (of: { bedId: number }) => string {
  const places = new Map(beds.map(({ id, place }) => [id, place]));
  return ({ bedId }) => places.get(bedId) ?? 'Elsewhere';
}

/** The same stops part by part, in the order in which a part is first come to; within a part as they were. */
export const inParts = <T>(stops: readonly T[], partOf: (stop: T) => string): T[] =>
  groupedBy(stops, partOf).flat();
