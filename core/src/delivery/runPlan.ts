import { positive, within } from '../units/guard.ts';
import { cycleAndSoak, MOST_CYCLES, MOST_RATE_MM_PER_HOUR, type CyclePlan } from './cycleAndSoak.ts';
import { METHOD_FACTS, type Method } from './methods.ts';

/** What carries water to a bed. */
export interface Delivery {
  method: Method;
  /** L/min while it runs, over the whole bed. */
  litresPerMinute: number;
  /** Share reaching the soil and share of the bed wetted, when known better than the method's usual. */
  efficiency?: number;
  wettedFraction?: number;
  /** Low-quarter distribution uniformity from a can test, 0.2–1; otherwise the method's usual. */
  lowQuarterUniformity?: number;
  /** Water the surface holds before it runs, mm, when it was seen; otherwise the method's usual. */
  surfaceStorageMm?: number;
  /** What the can, bucket or tank holds, L; the method's usual when left out. */
  fillLitres?: number;
  /** Spots that it is moved between, where they were laid out; else one a plant. */
  spots?: number;
  /** Turns that it takes at least: where water went down channels or left patches dry, the first turn wets the way for the second. */
  turns?: number;
  /** A timer opens and shuts it: nobody need be there. Nothing that is carried or held has one. */
  timer?: boolean;
}

/** Share of the water sent that reaches the soil of the bed. */
export const reachingShareOf = ({ efficiency, method }: Delivery): number =>
  efficiency ?? METHOD_FACTS[method].efficiency;

/** Low-quarter distribution uniformity, 0.2–1. */
export const evennessOf = ({ lowQuarterUniformity, method }: Delivery): number =>
  within('lowQuarterUniformity', lowQuarterUniformity ?? METHOD_FACTS[method].evenness, 0.2, 1);

/**
 * Share of the water on the soil that the planned depth is: where it falls unevenly more is given, so that the drier parts
 * have enough; the surplus on the wetter ones goes into the bed's balance.
 * Source: the run-time multiplier usual in landscape scheduling, 1 ÷ (0.4 + 0.6 DU); milder than 1 ÷ DU, the low-quarter
 * method, because roots and soil even out a part (from memory).
 */
export const evenedShare = (evenness: number): number => 0.4 + 0.6 * evenness;

/** Share of the water sent that counts towards the planned depth: what reaches the soil, less what unevenness costs, once. */
export const efficiencyOf = (delivery: Delivery): number =>
  reachingShareOf(delivery) * evenedShare(evennessOf(delivery));
export const wettedFractionOf = (delivery: Delivery): number =>
  delivery.wettedFraction ?? METHOD_FACTS[delivery.method].wettedFraction;

/** Rest after the turn that only wets, minutes. Common practice: ten, until the surface no longer sheds water. */
const WETTING_MINUTES = 10;

/** Rate on the ground that gets wet, mm/h. */
export function deliveryRate(delivery: Delivery, areaM2: number): number {
  return (delivery.litresPerMinute * 60) / (areaM2 * wettedFractionOf(delivery));
}

export interface RunPlan extends CyclePlan {
  /** Net depth on the wetted ground and over the bed that it is to bring everywhere, mm. */
  localMm: number;
  bedMm: number;
  /** What the leaves hold back of a spray, mm over the bed. */
  leavesMm: number;
  /** What reaches the soil or its leaves on the mean, mm over the bed: more, where it falls unevenly. */
  arrivesMm: number;
  /** Litres through the tap. */
  litres: number;
  /** Minutes the tap runs, rests not counted. */
  minutes: number;
  rateMmPerHour: number;
}

/** Litres that must leave the tap for a net depth over a bed. */
export const grossLitres = (bedMm: number, areaM2: number, efficiency: number): number =>
  (bedMm * areaM2) / efficiency;

/** Net depth over a bed, mm, that litres through the tap bring. */
export const netDepth = (litres: number, areaM2: number, efficiency: number): number =>
  (litres * efficiency) / areaM2;

/** Net depth on the wetted ground, mm, that litres through the tap bring. Source: arithmetic, as `netDepth`. */
export const localDepth = (litres: number, areaM2: number, delivery: Delivery): number =>
  netDepth(litres, areaM2, efficiencyOf(delivery)) / wettedFractionOf(delivery);

/**
 * From a net depth on the wetted ground to litres, minutes and cycles.
 * @throws RangeError on a depth, flow or area of 0 or less
 * Source: gross = net ÷ share that reaches the soil ÷ `evenedShare`; cycles as `cycleAndSoak`.
 */
export function runPlan(options: {
  localMm: number;
  areaM2: number;
  delivery: Delivery;
  infiltrationMmPerHour: number;
  /** What the leaves hold back of it, mm over the bed. */
  leavesMm?: number;
  /** How hard the soil pulls at the first water (see `cycleAndSoak`), mm. */
  capillaryPullMm?: number;
  /** Several short runs spread over the day, for those who water so on purpose. */
  pulses?: { count: number; apartMinutes: number };
}): RunPlan {
  const { delivery } = options;
  const localMm = positive('localMm', options.localMm, 1000, 'mm');
  const areaM2 = positive('areaM2', options.areaM2, 1_000_000, 'm²');
  positive('litresPerMinute', delivery.litresPerMinute, 1000, 'L/min');
  const bedMm = localMm * wettedFractionOf(delivery);
  const leavesMm = options.leavesMm ?? 0;
  const litres = grossLitres(bedMm + leavesMm, areaM2, efficiencyOf(delivery));
  const rateMmPerHour = Math.min(MOST_RATE_MM_PER_HOUR, deliveryRate(delivery, areaM2));
  // What comes down on the wetted ground.
  const netMm = (localMm + leavesMm / wettedFractionOf(delivery)) / efficiencyOf(delivery);
  const surfaceStorageMm = delivery.surfaceStorageMm ?? METHOD_FACTS[delivery.method].surfaceStorageMm;
  const made = cycleAndSoak({
    netMm,
    rateMmPerHour,
    infiltrationMmPerHour: options.infiltrationMmPerHour,
    capillaryPullMm: options.capillaryPullMm,
    // A surface that was seen to hold next to nothing still gets no more cycles than can be counted.
    surfaceStorageMm: Math.max(surfaceStorageMm, netMm / MOST_CYCLES),
  });
  const minutes = litres / delivery.litresPerMinute;
  const turns =
    options.pulses ?? (delivery.turns ? { count: delivery.turns, apartMinutes: WETTING_MINUTES } : null);
  const { cycles, runMinutes, soakMinutes, totalMinutes } = turns ? pulsed(made, minutes, turns) : made;
  // Field by field: the plan makes tens of thousands of these, and spreading costs as much as the rest.
  return {
    cycles,
    runMinutes,
    soakMinutes,
    totalMinutes,
    localMm,
    bedMm,
    leavesMm,
    arrivesMm: netDepth(litres, areaM2, reachingShareOf(delivery)),
    litres,
    minutes,
    rateMmPerHour,
  };
}

/** A run cut into pulses, never fewer nor closer than the soil asks. */
function pulsed(
  cycles: CyclePlan,
  minutes: number,
  { count, apartMinutes }: { count: number; apartMinutes: number },
): CyclePlan {
  const n = Math.max(count, cycles.cycles);
  const soakMinutes = Math.max(apartMinutes, cycles.soakMinutes);
  return { cycles: n, runMinutes: minutes / n, soakMinutes, totalMinutes: minutes + soakMinutes * (n - 1) };
}
