import { fillsFor } from '../delivery/fills.ts';
import { within } from '../units/guard.ts';

/** A can as it is carried, L, and what one takes of a person's time. Judgements. */
export const POT_CAN_L = 10;
const FILL_MINUTES = 1.5;
/** Going from pot to pot and aiming, and pouring, minutes a pot and a litre; standing one in water and coming back; weighing one. */
const PER_POT = 0.3;
const PER_LITRE = 0.12;
const FROM_BELOW = 1.5;
const TWICE = 0.5;

/** A walk over a shelf or a terrace. */
export interface PotWalk {
  pots: number;
  litres: number;
  minutes: number;
  /** Cans to fill. */
  cans: number;
}

/**
 * What watering some pots comes to: litres, a person's minutes, cans to fill.
 * @param givings mL of each pot and how it is given
 * @throws RangeError on millilitres below 0
 * Source: arithmetic; the minutes are judgements.
 */
export function potWalk(givings: readonly { millilitres: number; how: string }[]): PotWalk {
  let litres = 0;
  let minutes = 0;
  for (const { millilitres, how } of givings) {
    const own = within('millilitres', millilitres, 0, 1e7, 'mL') / 1000;
    litres += own;
    minutes += how === 'from below' ? FROM_BELOW : PER_POT + PER_LITRE * own + (how === 'twice' ? TWICE : 0);
  }
  const cans = litres > 0 ? fillsFor({ litres, containerLitres: POT_CAN_L }).fills : 0;
  return { pots: givings.length, litres, minutes: minutes + FILL_MINUTES * cans, cans };
}
