/** Tries at the depth that has gone in while a pond stood; each doubles the figures that are right. */
const TRIES = 30;
const EXACT_MM = 1e-10;

/**
 * Hours in which ponded ground takes in from one depth to another, mm.
 * @param intake steady, mm/h; `pull` suction at the wetting front × room in the soil, mm
 * Source: Green & Ampt 1911.
 */
export const hoursToTakeIn = (from: number, to: number, intake: number, pull: number): number =>
  (to - from - (pull > 0 ? pull * Math.log((to + pull) / (from + pull)) : 0)) / intake;

/** Depth that has gone in, mm, after water has come at a rate for some hours on ground that had taken in `from`. Source: Green & Ampt 1911; until it ponds, Mein & Larson 1973. */
export function takenIn(from: number, hours: number, rate: number, intake: number, pull: number): number {
  // It takes all that comes until its own pace, intake × (1 + pull ÷ what has gone in), is no more than the rate.
  const pondsAt = Math.max(from, (intake * pull) / (rate - intake));
  const before = (pondsAt - from) / rate;
  if (before >= hours) return from + rate * hours;
  const ponded = hours - before;
  let depth = pondsAt + intake * ponded;
  for (let i = 0; i < TRIES && pull > 0; i += 1) {
    const off = hoursToTakeIn(pondsAt, depth, intake, pull) - ponded;
    const next = depth - (off * intake * (depth + pull)) / Math.max(1e-12, depth);
    const step = Math.abs(next - depth);
    depth = Math.min(from + rate * hours, Math.max(pondsAt, next));
    if (step < EXACT_MM) break;
  }
  return depth;
}
