/**
 * Where water comes from: what it gives, and, where it holds only so much, how that comes and goes. Litres and days, so
 * that the sharing out can ask any source the same.
 */
export interface SourceKind<S> {
  kind: string;
  /** L/min it gives, where that was measured; what a line or hose takes of it is less or as much. */
  flow(source: SourceInput): number | undefined;
  /** Full on the first day. */
  start(source: SourceInput): S;
  /** Litres that can be taken from it today; infinite where it does not run out. */
  level(state: S): number;
  /** One day, in place: mm of rain on whatever feeds it, and litres taken. */
  step(state: S, rainMm: number, takenL: number): void;
}

/** A source as it is told. */
export interface SourceInput {
  /** L/min where a bucket was timed at it. */
  litresPerMinute?: number;
  /** Most litres it gives in a day, where that is known. */
  litresPerDay?: number;
}
