import { positive, within } from '../units/guard.ts';
import { depthFromLitres } from '../units/convert.ts';

/** A metre of water over ten hectares, and seedlings a centimetre apart on them: nothing in a garden is more. */
const MOST_LITRES = 1e9;
const MOST_PLANTS = 1e9;

/** Seconds of hose for a plant's litres at a measured flow. Source: arithmetic. */
export function secondsPerPlant(options: { litres: number; litresPerMinute: number }): number {
  return (
    (positive('litres', options.litres, MOST_LITRES, 'L') * 60) /
    positive('litresPerMinute', options.litresPerMinute, 1000, 'L/min')
  );
}

/** At plants that get less than this each, nobody counts seconds: the row is walked. Judgement. */
const COUNTED_SECONDS = 5;

/** How a hand paces itself: seconds at each plant, or at each metre of row, or cans on so many metres of it. */
export type HandPace =
  | { by: 'plant'; seconds: number; plants: number }
  | { by: 'metre'; seconds: number; metres: number }
  | { by: 'can'; metresEach: number; metres: number };

/**
 * What a hand does with a watering, in each pass.
 * @param options litres of the whole watering, flow L/min, passes, plants, metres of row, and litres of a can where one is carried
 * Source: arithmetic; where to count what is a judgement.
 */
export function handPace(options: {
  litres: number;
  litresPerMinute: number;
  passes: number;
  plants: number;
  rowM: number;
  canLitres?: number;
}): HandPace {
  const litres =
    positive('litres', options.litres, MOST_LITRES, 'L') / within('passes', options.passes, 1, 1000);
  const metres = positive('rowM', options.rowM, 1e7, 'm');
  if (options.canLitres !== undefined)
    return {
      by: 'can',
      metresEach: (metres * positive('canLitres', options.canLitres, 10_000, 'L')) / litres,
      metres,
    };
  const plants = within('plants', options.plants, 1, MOST_PLANTS);
  const { litresPerMinute } = options;
  const seconds = secondsPerPlant({ litres: litres / plants, litresPerMinute });
  return seconds >= COUNTED_SECONDS
    ? { by: 'plant', seconds, plants }
    : { by: 'metre', seconds: secondsPerPlant({ litres: litres / metres, litresPerMinute }), metres };
}

/**
 * Litres each plant gets of a watering, in each pass.
 * @param options litres of the whole watering, plants (1 and more), passes (default 1)
 * Source: arithmetic.
 */
export function litresPerPlant(options: { litres: number; plants: number; passes?: number }): number {
  return (
    positive('litres', options.litres, MOST_LITRES, 'L') /
    within('plants', options.plants, 1, MOST_PLANTS) /
    within('passes', options.passes ?? 1, 1, 1000)
  );
}

/** Whole fills of a can or bucket for a volume, and what the last one holds. Source: arithmetic. */
export function fillsFor(options: { litres: number; containerLitres: number }): {
  fills: number;
  lastFillLitres: number;
} {
  const litres = positive('litres', options.litres, MOST_LITRES, 'L');
  const container = positive('containerLitres', options.containerLitres, 10_000, 'L');
  const fills = Math.ceil(litres / container - 1e-9);
  return { fills, lastFillLitres: litres - (fills - 1) * container };
}

/**
 * A bucket kit fed by its own height: what it gives a day.
 * @param options litres per fill, fills a day, bed length and width m, plants
 * @returns litres a day, mm a day over the bed, litres a plant
 * Source: arithmetic; the tank's base stands 1 m above the bed (common practice).
 */
export function gravityKit(options: {
  fillLitres: number;
  fillsPerDay: number;
  bedLengthM: number;
  bedWidthM: number;
  plants: number;
}): { litresPerDay: number; mmPerDay: number; litresPerPlant: number } {
  const area =
    positive('bedLengthM', options.bedLengthM, 1000, 'm') *
    positive('bedWidthM', options.bedWidthM, 100, 'm');
  const litresPerDay =
    positive('fillLitres', options.fillLitres, 10_000, 'L') *
    within('fillsPerDay', options.fillsPerDay, 1, 24);
  return {
    litresPerDay,
    mmPerDay: depthFromLitres(litresPerDay, area),
    litresPerPlant: litresPerDay / within('plants', options.plants, 1, MOST_PLANTS),
  };
}

/** Flow of a bucket with a hole, L/h, from how long it took to run empty. Source: arithmetic. */
export function slowBucket(options: { litres: number; minutesToEmpty: number }): { litresPerHour: number } {
  return {
    litresPerHour:
      (positive('litres', options.litres, 1000, 'L') * 60) /
      positive('minutesToEmpty', options.minutesToEmpty, 100_000, 'min'),
  };
}

/** Litres one spot gets from a bubbler, a trickling hose or a soaker left there. Source: arithmetic. */
export function spotLitres(options: { litresPerMinute: number; minutes: number }): number {
  return (
    positive('litresPerMinute', options.litresPerMinute, 1000, 'L/min') *
    positive('minutes', options.minutes, 10_080, 'min')
  );
}

/** Minutes a tap runs for a volume. Source: arithmetic. */
export function minutesFor(options: { litres: number; litresPerMinute: number }): number {
  return (
    positive('litres', options.litres, MOST_LITRES, 'L') /
    positive('litresPerMinute', options.litresPerMinute, 1000, 'L/min')
  );
}
