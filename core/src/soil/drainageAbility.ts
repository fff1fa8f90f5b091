/**
 * How readily a full soil lets go of what it cannot hold: the share of its drainable water that leaves a saturated layer
 * within a day, 0–1. It hangs on the soil alone, not on how thick its layers are drawn.
 * @param conductivityMmPerDay through the full soil, mm/day, 0 or more
 * Source: drainage ability τ = 0.0866 Ksat^0.35, Raes et al. 2009, Agron. J. 101:438–447 (from memory).
 */
export const drainageAbility = (conductivityMmPerDay: number): number =>
  Math.min(1, 0.0866 * conductivityMmPerDay ** 0.35);
