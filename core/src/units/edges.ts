/**
 * Where the engine's physics ends. What is real but lies beyond is planned at the edge and marked, so that a
 * pot under an open tap or a field is watered by the nearest thing the engine can compute, and says so.
 */
export const EDGES = {
  /** Ends of what a garden tap, line or bucket gives. Judgement. */
  flow: { label: 'Flow', min: 0.001, max: 500, unit: 'L/min' },
  /** A small pot's surface to a market garden's field. Judgement. */
  area: { label: 'Area', min: 0.005, max: 100_000, unit: 'm²' },
  /** Faster than this a hole is a drain pipe. Judgement. */
  drainage: { label: 'Drainage', min: 0, max: 5000, unit: 'mm/h' },
  /** A sealed crust to open gravel. Judgement. */
  intake: { label: 'What the ground takes in', min: 0.1, max: 1000, unit: 'mm/h' },
} as const;
export type ChangePoint = keyof typeof EDGES;

/** A figure that was told or measured beyond an edge, and the one taken in its place. Same unit. */
export interface Beyond {
  what: ChangePoint;
  label: string;
  told: number;
  taken: number;
  unit: string;
}

/**
 * The figure the engine takes for one that was told: itself, or the nearest edge, then noted in `beyond`.
 * @param beyond list the note is added to
 */
export function withinEdge(what: ChangePoint, told: number, beyond: Beyond[]): number {
  const { label, min, max, unit } = EDGES[what];
  const taken = Math.min(max, Math.max(min, told));
  if (taken !== told) beyond.push({ what, label, told, taken, unit });
  return taken;
}
