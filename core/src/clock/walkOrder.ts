/** What of a stop its place in the walk follows from. */
export interface InWalk {
  bedId: number;
  reason: { code: string };
  /** Its runs on the clock, minutes after midnight; none where the day has no room for them. */
  runs: readonly { from: number }[];
}

/** The order of a walk: what wilts first, then by the clock, what the clock has no room for last; of one minute by number. Source: judgement. */
export function byWalk(a: InWalk, b: InWalk): number {
  const urgent = ({ reason }: InWalk): number => (reason.code === 'wilting' ? 0 : 1);
  const begins = ({ runs }: InWalk): number => runs[0]?.from ?? Number.MAX_SAFE_INTEGER;
  return urgent(a) - urgent(b) || begins(a) - begins(b) || a.bedId - b.bedId;
}
