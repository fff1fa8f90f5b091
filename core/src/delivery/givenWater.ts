import { minutesFor, spotLitres } from './fills.ts';
import { netDepth, reachingShareOf, type Delivery } from './runPlan.ts';

/** A watering as it was told: litres, or minutes of the tap, or a depth that stands as it was told. Exactly one decides. */
export interface EnteredWater {
  litres: number | null;
  minutes: number | null;
  /** mm over the bed; of waterings that were kept before minutes and litres were. Where it is told it stands. */
  depthMm: number | null;
}

export interface GivenWater {
  litres: number;
  minutes: number;
  /** What reached the soil, mm over the bed. */
  netMm: number;
}

/**
 * What a watering came to, as the flow, the area and the losses of its day are known now: what was told stands, what
 * follows from it is worked out anew.
 * @param told of litres and minutes both, litres decide
 * Source: arithmetic, as `netDepth`; 0 where nothing was told.
 */
export function givenWater(told: EnteredWater, areaM2: number, delivery: Delivery): GivenWater {
  const { litresPerMinute } = delivery;
  const litres = told.litres ?? (told.minutes ? spotLitres({ litresPerMinute, minutes: told.minutes }) : 0);
  const minutes = told.minutes ?? (litres > 0 ? minutesFor({ litres, litresPerMinute }) : 0);
  const netMm = told.depthMm ?? netDepth(litres, areaM2, reachingShareOf(delivery));
  return { litres, minutes, netMm };
}
