import { canHaveTimer } from './handsOn.ts';
import { METHOD_FACTS } from './methods.ts';
import { deliveryRate, type Delivery } from './runPlan.ts';

/** A bed on a valve: its surface in m², and what carries its water. */
export interface BedOnValve {
  id: number;
  areaM2: number;
  delivery: Delivery;
}

/** What is amiss with beds that one valve waters together. */
export type ZoneFault =
  /** Drip lines run for hours and sprays for minutes: no time suits both. */
  | { code: 'drip and sprays'; drips: number[]; sprays: number[] }
  /** In the same time one gets so many times the depth of another; emitters with this share of the output on the first would even them out. */
  | { code: 'uneven'; most: number; least: number; times: number; evenShare: number }
  /** Together they take more than the tap gives, L/min. */
  | { code: 'flow'; takes: number; gives: number }
  /** Watered by hand, and so not with the others. */
  | { code: 'by hand'; beds: number[] };

/** In one run, twice the depth is too much for one bed or too little for another. Judgement. */
const UNEVEN_TIMES = 2;

/**
 * What is amiss with the beds of one valve.
 * @param tapLitresPerMinute what the tap gives that feeds the valve, L/min, where it was measured
 * @returns faults, the gravest first; none where all is well
 * @throws RangeError on an area or flow of 0 or less
 * Source: that drip and sprays want valves of their own, and that emitters are chosen to suit one run, is common practice.
 */
export function zoneChecks(beds: readonly BedOnValve[], tapLitresPerMinute?: number): ZoneFault[] {
  const together = beds.filter(({ delivery }) => canHaveTimer(delivery.method));
  const idsOf = (those: readonly BedOnValve[]): number[] => those.map(({ id }) => id);
  const drips = together.filter(({ delivery }) => METHOD_FACTS[delivery.method].slow);
  const sprays = together.filter(({ delivery }) => METHOD_FACTS[delivery.method].overhead);
  const faults: ZoneFault[] = [];
  const mixed = drips.length > 0 && sprays.length > 0;
  if (mixed) faults.push({ code: 'drip and sprays', drips: idsOf(drips), sprays: idsOf(sprays) });
  const byRate = together
    .map(({ id, areaM2, delivery }) => ({ id, rate: deliveryRate(delivery, areaM2) }))
    .sort((a, b) => b.rate - a.rate);
  const [most] = byRate;
  const least = byRate.at(-1);
  if (!mixed && most && least && most.rate >= UNEVEN_TIMES * least.rate)
    faults.push({
      code: 'uneven',
      most: most.id,
      least: least.id,
      times: most.rate / least.rate,
      evenShare: least.rate / most.rate,
    });
  const takes = together.reduce((sum, { delivery }) => sum + delivery.litresPerMinute, 0);
  if (tapLitresPerMinute !== undefined && takes > tapLitresPerMinute)
    faults.push({ code: 'flow', takes, gives: tapLitresPerMinute });
  const byHand = beds.filter(({ delivery }) => !canHaveTimer(delivery.method));
  if (byHand.length > 0) faults.push({ code: 'by hand', beds: idsOf(byHand) });
  return faults;
}
