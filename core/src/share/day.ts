import type { PlannedWatering } from '../follow/types.ts';
import type { IsoDate } from '../units/dates.ts';
import type { BedPlan } from './types.ts';

/** Minutes of a person's own time that plans ask for on a day. */
export const minutesOn = (plans: readonly BedPlan[], date: IsoDate): number =>
  plans.reduce((sum, plan) => sum + (wateringOn(plan, date)?.handsOnMinutes ?? 0), 0);

/** A place's watering on a day. */
export const wateringOn = ({ waterings }: BedPlan, date: IsoDate): PlannedWatering | undefined =>
  waterings.find((w) => w.date === date);

/** What was set by hand, what hangs, and what a tree's clock forces stays where it is. */
export const STAYS: ReadonlySet<PlannedWatering['reason']['code']> = new Set([
  'set by hand',
  'wilting',
  'planting drench',
  'fixed week',
  'gap',
  'ball',
  'plug',
  'seedbed',
]);

/** The days on which somebody has work to do. */
export const daysWorked = (plans: readonly BedPlan[]): Set<IsoDate> =>
  new Set(
    plans.flatMap(({ waterings }) =>
      waterings.filter(({ handsOnMinutes }) => handsOnMinutes > 0).map(({ date }) => date),
    ),
  );
