import { daylightHours } from '../../weather/solar.ts';
import { dayOfYear, type IsoDate } from '../../units/dates.ts';

/** A room as a person can say it. */
export interface IndoorWords {
  light?: (typeof LIGHTS)[number];
  warmth?: (typeof WARMTHS)[number];
  air?: (typeof ROOM_AIRS)[number];
}
export const LIGHTS = ['dim', 'bright', 'sunny sill'] as const;
export const WARMTHS = ['cool', 'warm', 'hot'] as const;
export const ROOM_AIRS = ['humid', 'ordinary', 'dry'] as const;

/**
 * What a wet surface would lose in a room, mm a day in twelve hours of daylight. No standard has it: light, warmth and air are
 * judgements, right within about two fifths either way, and one weighing puts them right.
 */
const LIGHT_MM = { dim: 0.6, bright: 1.1, 'sunny sill': 1.9 } as const;
const WARMTH = { cool: 0.75, warm: 1, hot: 1.3 } as const;
const AIR = { humid: 0.75, ordinary: 1, dry: 1.25 } as const;
/** How far off a demand that nobody weighed may be, as a share: indoors and out. Judgement. */
export const DEMAND_DOUBT = { indoors: 0.4, outdoors: 0.25 };

/** Demand in a room on a day, mm. Source: the judgements of this file; daylight by FAO-56 eq. 34. */
export function indoorDemandMm(words: IndoorWords, latitudeDeg: number, date: IsoDate): number {
  const { light = 'bright', warmth = 'warm', air = 'ordinary' } = words;
  const daylight = daylightHours({ latitudeDeg, dayOfYear: dayOfYear(date) });
  return LIGHT_MM[light] * WARMTH[warmth] * AIR[air] * Math.min(1.4, Math.max(0.5, daylight / 12));
}

/** Demand under glass, of what it is outdoors. FAO-56’s combination equation under a cover that passes 70 % of the light and stops the wind gives 0.6–0.8. */
export const GREENHOUSE_FACTOR = 0.7;
