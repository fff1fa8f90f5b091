import { daysBetween, type IsoDate } from '../units/dates.ts';
import { cropOf } from './plantOnDay.ts';
import type { PlantingInput } from './types.ts';

/** Days from sowing until seedlings stand in rows, in a seedbed that is kept moist at 12 to 20 °C. Common practice, as seed packets have it; what is not listed takes ten. */
const UP_AFTER_DAYS: Readonly<Record<string, number>> = {
  carrot: 14,
  parsnip: 21,
  parsley: 21,
  celeriac: 18,
  celery: 18,
  onion: 14,
  leek: 14,
  'spring-onion': 12,
  beetroot: 12,
  chard: 12,
  spinach: 10,
  lettuce: 8,
  rocket: 6,
  radish: 6,
  turnip: 7,
  cabbage: 8,
  'french-bean': 9,
  'runner-bean': 10,
  'broad-bean': 14,
  pea: 11,
  sweetcorn: 10,
  cucumber: 8,
  courgette: 8,
  squash: 8,
  'lawn-cool': 14,
};
const USUAL_DAYS = 10;
/** Where nobody says that they are up, a seedbed is kept moist for so much longer than is usual: cold ground is slow. Judgement. */
const LATE = 1.5;

/** Days after which a sowing is usually up. Source: common practice, seed packets. */
export const upAfterDays = (cropId: string): number => UP_AFTER_DAYS[cropId] ?? USUAL_DAYS;

/** Whether a planting was sown where it stands. */
export const isSown = (planting: PlantingInput): boolean => {
  const crop = cropOf(planting);
  return crop.cycle === 'annual' && (planting.method ?? crop.usualStart) === 'direct-sown';
};

/**
 * Whether seed lies in the ground and is not up yet: until somebody saw it up, or saw a later stage; where nobody says so,
 * half as long again as is usual.
 * Source: as `upAfterDays`; how long a plan goes on unasked is a judgement.
 */
export function isGerminating(planting: PlantingInput, date: IsoDate): boolean {
  if (date < planting.plantedOn || (planting.endedOn !== undefined && date >= planting.endedOn)) return false;
  if (!isSown(planting)) return false;
  if (planting.upOn !== undefined && date >= planting.upOn) return false;
  if (planting.seen?.some(({ on }) => on > planting.plantedOn && on <= date)) return false;
  return daysBetween(planting.plantedOn, date) < LATE * upAfterDays(planting.cropId);
}
