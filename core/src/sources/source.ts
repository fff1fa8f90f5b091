/** A source as it is told. */
export interface SourceInput {
  /** Most litres it gives in a day, where that is known. */
  litresPerDay?: number;
}

/**
 * Where water comes from: what can be taken from it, and how that comes back. Litres and days, so that the sharing out
 * asks every source the same. `S` is what it holds.
 */
export interface SourceKind<S> {
  kind: string;
  /** As it is on the first morning, with what was taken from it that day already, L. */
  start(source: SourceInput, takenTodayL: number): S;
  /** Litres that can be taken from it today; infinite where it does not run out. */
  level(state: S): number;
  /** One night, in place: mm of rain on whatever feeds it, and the litres that the day took. */
  step(state: S, rainMm: number, takenL: number): void;
}
