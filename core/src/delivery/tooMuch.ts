import type { IsoDate } from '../units/dates.ts';

/** What is wrong with too much water: on open ground it only runs away with what feeds the plants, on close ground roots lack air. */
export type Overdone = 'wasted' | 'wasted and airless' | 'airless';

/** Ground that takes in at least so much an hour lets water through, and up to so much holds it where the air should be, mm/h. Judgement: from sandy loam up, from clay loam down. */
const OPEN_MM_PER_HOUR = 18;
const CLOSE_MM_PER_HOUR = 8;

/**
 * What too much water does on a ground.
 * @param infiltrationMmPerHour steady intake of the ground, mm/h, over 0
 * Source: common practice: on free-draining ground too much is wasted, on heavy ground it drowns the roots.
 */
export const overdoneOn = (infiltrationMmPerHour: number): Overdone =>
  infiltrationMmPerHour >= OPEN_MM_PER_HOUR
    ? 'wasted'
    : infiltrationMmPerHour <= CLOSE_MM_PER_HOUR
      ? 'airless'
      : 'wasted and airless';

/** Room that a bed has for water today: what is gone from its root zone, what a litre through its tap is there, mm, its flow, L/min, and what too much would do. */
export interface RoomForWater {
  depletionMm: number;
  mmPerLitre: number;
  litresPerMinute: number;
  /** The last day on which feed was watered in, where that is not long ago. */
  fedOn: IsoDate | null;
  overdone: Overdone;
}

/** A watering that is more than the ground has room for. */
export interface TooMuch {
  givenMm: number;
  roomMm: number;
  /** What of it goes below the roots, mm where it falls and litres. */
  sinksMm: number;
  sinksL: number;
  /** Feed that goes with it. */
  fedOn: IsoDate | null;
}

/** So much more than there is room for is worth saying, mm and as a share of what is given. Judgements. */
const WORTH_MM = 8;
const WORTH_SHARE = 0.25;

/** What of a depth goes below the roots where it falls, mm; 0 where it is not worth saying. Source: arithmetic, what is given − what the root zone lacks. */
export function sinkingMm(givenMm: number, depletionMm: number): number {
  const sinksMm = givenMm - Math.max(0, depletionMm);
  return sinksMm >= WORTH_MM && sinksMm >= WORTH_SHARE * givenMm ? sinksMm : 0;
}

/**
 * What of a watering would go below the roots; null where it is not worth saying.
 * @param given litres through the tap, or the minutes for which it ran
 * Source: as `sinkingMm`; that feed goes down with it is common practice.
 */
export function tooMuch(
  given: { litres: number } | { minutes: number },
  { depletionMm, mmPerLitre, litresPerMinute, fedOn }: RoomForWater,
): TooMuch | null {
  const litres = 'litres' in given ? given.litres : given.minutes * litresPerMinute;
  const givenMm = litres * mmPerLitre;
  const sinksMm = sinkingMm(givenMm, depletionMm);
  if (sinksMm <= 0) return null;
  return { givenMm, roomMm: Math.max(0, depletionMm), sinksMm, sinksL: sinksMm / mmPerLitre, fedOn };
}

/** What is noted at a watering that took feed into the ground. */
export const FEED_NOTE = 'to wash in feed or compost';
/** Feed is within reach of a great watering for so long, days. Judgement. */
export const FED_DAYS = 21;
