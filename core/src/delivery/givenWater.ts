import { minutesFor, spotLitres } from './fills.ts';
import { netDepth, reachingShareOf, type Delivery } from './runPlan.ts';

/** What is noted at a watering with water saved in the house: it comes on top, and settles no stop of the round. */
export const SAVED_NOTE = 'saved water';

/** A watering as it was entered: litres, or minutes of the tap, or a depth that stands as it was entered. Exactly one decides. */
export interface EnteredWater {
  litres: number | null;
  minutes: number | null;
  /** mm over the bed; of waterings that were kept before minutes and litres were. Where it is entered it stands. */
  depthMm: number | null;
}

export interface GivenWater {
  litres: number;
  minutes: number;
  /** What reached the soil, mm over the bed. */
  netMm: number;
}

/**
 * What a watering came to, as the flow, the area and the losses of its day are known now: what was entered stands, what
 * follows from it is worked out anew.
 * @param entered of litres and minutes both, litres decide
 * Source: arithmetic, as `netDepth`; 0 where nothing was entered.
 */
export function givenWater(entered: EnteredWater, areaM2: number, delivery: Delivery): GivenWater {
  const { litresPerMinute } = delivery;
  const litres =
    entered.litres ?? (entered.minutes ? spotLitres({ litresPerMinute, minutes: entered.minutes }) : 0);
  const minutes = entered.minutes ?? (litres > 0 ? minutesFor({ litres, litresPerMinute }) : 0);
  const netMm = entered.depthMm ?? netDepth(litres, areaM2, reachingShareOf(delivery));
  return { litres, minutes, netMm };
}
