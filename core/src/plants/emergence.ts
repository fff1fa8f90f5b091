import { addDays, daysBetween, type IsoDate } from '../units/dates.ts';
import { cropOf } from './plantOnDay.ts';
import type { PlantingInput } from './types.ts';

/** Days from sowing until seedlings stand in rows, in a moist seedbed: of hardy crops at about 15 °C, of tender ones at about 20 °C. Common practice, as seed packets have it; what is not listed takes ten. */
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
  'french-bean': 11,
  'runner-bean': 12,
  'broad-bean': 14,
  pea: 11,
  sweetcorn: 8,
  cucumber: 8,
  courgette: 8,
  squash: 8,
  'lawn-cool': 14,
};
const USUAL_DAYS = 10;
/** Where nobody says that they are up, a seedbed is kept moist for so much longer than is usual at its temperatures. Judgement. */
const LATE = 1.25;

/**
 * How much faster seed comes up in warmer ground: twice as fast for each 8 °C, between a quarter of its usual pace and twice that.
 * Source: fitted to days to emergence by Harrington & Minges (1954), from memory: carrot 51, 17, 10, 7 and 6 days at 5, 10, 15, 20
 * and 25 °C; onion 31, 13, 7 and 5 days at 5, 10, 15 and 20 °C; beans 16, 11 and 8 days at 15, 20 and 25 °C; sweetcorn 12 and 7 at 15 and 20 °C.
 */
const HARDY_C = 15;
const TENDER_C = 20;
const DOUBLES_C = 8;
const SLOWEST = 0.25;
const FASTEST = 2;
const paceAt = (aboveC: number): number => Math.min(FASTEST, Math.max(SLOWEST, 2 ** (aboveC / DOUBLES_C)));
/** No sowing is waited for longer than so many times its usual days. */
const LONGEST = 1 / SLOWEST;

/** Days from sowing after which a planting is usually up at the temperatures of its place. @param meanOn mean of a day, °C; undefined where nobody knows it. Source: as `paceAt`. */
export function upAfterAt(planting: PlantingInput, meanOn: (date: IsoDate) => number | undefined): number {
  const { cropId, plantedOn } = planting;
  const usual = upAfterDays(cropId);
  const usualC = cropOf(planting).frost === 'tender' ? TENDER_C : HARDY_C;
  let done = 0;
  let days = 0;
  for (; done < usual - 1e-9 && days < LONGEST * usual; days += 1)
    done += paceAt((meanOn(addDays(plantedOn, days)) ?? usualC) - usualC);
  return days;
}

/** Days after which a sowing is usually up. Source: common practice, seed packets. */
export const upAfterDays = (cropId: string): number => UP_AFTER_DAYS[cropId] ?? USUAL_DAYS;

/** Whether a planting was sown where it stands. */
export const isSown = (planting: PlantingInput): boolean => {
  const crop = cropOf(planting);
  return crop.cycle === 'annual' && (planting.method ?? crop.usualStart) === 'direct-sown';
};

/** Days from sowing after which a planting is usually up: by the temperatures of its place where those were looked at. */
export const usuallyUpAfter = ({ cropId, upAfter }: PlantingInput): number => upAfter ?? upAfterDays(cropId);

/**
 * Whether seed lies in the ground and is not up yet: until somebody saw it up, or saw a later stage; where nobody says so,
 * a quarter as long again as is usual.
 * Source: as `upAfterDays`; how long a plan goes on unasked is a judgement.
 */
export function isGerminating(planting: PlantingInput, date: IsoDate): boolean {
  if (date < planting.plantedOn || (planting.endedOn !== undefined && date >= planting.endedOn)) return false;
  if (!isSown(planting)) return false;
  if (planting.upOn !== undefined && date >= planting.upOn) return false;
  if (planting.seen?.some(({ on }) => on > planting.plantedOn && on <= date)) return false;
  return daysBetween(planting.plantedOn, date) < LATE * usuallyUpAfter(planting);
}
