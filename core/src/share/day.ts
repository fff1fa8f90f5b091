import type { PlannedWatering } from '../follow/types.ts';
import type { IsoDate } from '../units/dates.ts';
import type { BedPlan } from './types.ts';

/** A watering's share of its zone's work and of its tap's minutes, 0–1: one valve serves all the beds of a zone. Source: arithmetic. */
export const shareOfRun = ({ reason }: Pick<PlannedWatering, 'reason'>): number =>
  1 / (reason.zone?.beds ?? 1);

/** Minutes of a person's own time that plans ask for on a day. */
export const minutesOn = (plans: readonly BedPlan[], date: IsoDate): number =>
  plans.reduce((sum, plan) => sum + (wateringOn(plan, date)?.handsOnMinutes ?? 0), 0);

/** A place's watering on a day. */
export const wateringOn = ({ waterings }: BedPlan, date: IsoDate): PlannedWatering | undefined =>
  waterings.find((w) => w.date === date);

/** What was set by hand, what hangs, what a tree's clock forces and what a zone brings stays where it is. */
export const stays = ({ reason }: PlannedWatering): boolean => reason.zone !== null || STAYS.has(reason.code);
const STAYS: ReadonlySet<PlannedWatering['reason']['code']> = new Set([
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
