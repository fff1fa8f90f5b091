import { daysBetween, type IsoDate } from '../../units/dates.ts';

/** What published guides give a newly planted tree at a watering, litres for each centimetre of trunk. All from memory. */
export const YOUNG_GUIDES = [
  { name: 'University of Minnesota Extension', leastLPerCm: 1.5, mostLPerCm: 2.2 },
  { name: 'University of Florida IFAS Extension', leastLPerCm: 3, mostLPerCm: 4.5 },
  { name: 'tree nurseries', leastLPerCm: 5, mostLPerCm: 7.5 },
] as const;
/** From the least of them to the most. */
export const GUIDES_RANGE = { leastLPerCm: 1.5, mostLPerCm: 7.5 } as const;

/** How a young tree is watered at an age: days between two waterings, and litres for each centimetre of trunk. */
export interface YoungRhythm {
  untilDays: number;
  leastDays: number;
  mostDays: number;
  leastLPerCm: number;
  mostLPerCm: number;
  /** Whose guide that is. */
  guide: string;
}

/**
 * The rhythm that is used. Within it the ball decides: how dry it is, and what it lacks.
 * Source: University of Minnesota Extension, Watering newly planted trees and shrubs (daily or every other day for one to two weeks,
 * every two to three days to twelve weeks, then weekly until roots are established; 1 to 1.5 gal an inch of trunk), from memory. The
 * weekly watering lies between Florida's 2 to 3 gal an inch and what nurseries tell their customers, since weekly water at
 * Minnesota's rate would be less than a tree in leaf uses. Where its ends differ from the guides' they are judgements.
 */
const RHYTHMS: readonly YoungRhythm[] = [
  {
    untilDays: 14,
    leastDays: 1,
    mostDays: 2,
    leastLPerCm: 1.7,
    mostLPerCm: 2.2,
    guide: YOUNG_GUIDES[0].name,
  },
  {
    untilDays: 84,
    leastDays: 2,
    mostDays: 3,
    leastLPerCm: 1.5,
    mostLPerCm: 2.2,
    guide: YOUNG_GUIDES[0].name,
  },
  {
    untilDays: Number.POSITIVE_INFINITY,
    leastDays: 7,
    mostDays: 7,
    leastLPerCm: 3.4,
    mostLPerCm: 7,
    guide: `${YOUNG_GUIDES[1].name} and ${YOUNG_GUIDES[2].name}`,
  },
];

/** The rhythm of a young tree on a day. */
export const youngRhythm = (plantedOn: IsoDate, on: IsoDate): YoungRhythm => {
  const age = daysBetween(plantedOn, on);
  const found = RHYTHMS.find(({ untilDays }) => age < untilDays);
  if (!found) throw new RangeError('the last rhythm has no end');
  return found;
};
