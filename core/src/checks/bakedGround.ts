/** A day of a bed as far as its surface minds, mm over the bed. */
interface Day {
  rainMm: number;
  irrigationMm: number;
}

/** Bare ground bakes in three to four weeks of dry heat. Common practice; less water than this on a day does not count, mm (judgement). */
const BAKED_DAYS = 21;
const WETS_MM = 2;

/**
 * Whether bare ground has baked so that the first water beads and runs off.
 * @param past its days up to yesterday, oldest first; water in its top layer and its wilting point, mm
 * Source: common practice (three to four weeks dry); that mulch prevents it too.
 */
export function isBaked(
  past: readonly Day[],
  { topMm, wiltingPointMm, mulched }: { topMm: number; wiltingPointMm: number; mulched: boolean },
): boolean {
  const last = past.slice(-BAKED_DAYS);
  return (
    !mulched &&
    last.length === BAKED_DAYS &&
    topMm <= wiltingPointMm &&
    last.every(({ rainMm, irrigationMm }) => rainMm < WETS_MM && irrigationMm < WETS_MM)
  );
}
