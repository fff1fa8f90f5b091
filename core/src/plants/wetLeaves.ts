import { dayMinimumHumidity } from '../weather/referenceEt.ts';
import type { WeatherForEt } from '../weather/types.ts';
import type { PlantOnDay } from './plantOnDay.ts';
import type { CropEntry } from './types.ts';

/** How a watering is to treat the leaves, or the bodies of cacti and succulents. */
export type LeafCare = 'keep leaves dry' | 'rinse early, then keep dry' | 'keep bodies dry';

/** Hot and dry enough to rinse dust off cacti, °C and % humidity. Common practice; the figures are judgements. */
const HOT_C = 30;
const DRY_PCT = 35;
/** Cool and damp enough that wet bodies may rot: a body dries slowly then. In a desert winter the air is dry. Judgements. */
const COOL_C = 18;
const DAMP_PCT = 50;

/** Whether a plant is all body: cacti and succulents. Source: the catalogue's groups. */
export const hasBody = (crop: CropEntry): boolean => crop.group === 'cacti and succulents';

/**
 * What the day's air is to a succulent body: in the hot and dry it may be rinsed, in the cool and damp it is to stay dry.
 * @param day the day's weather; where no humidity is known, it follows from the lowest temperature (FAO-56 eq. 48)
 * Source: common practice: wet bodies do no harm in the desert and rot in cool, damp places.
 */
export function airForBodies(day: WeatherForEt): 'hot and dry' | 'cool and damp' | null {
  const humidity = day.rhMinPct ?? dayMinimumHumidity(day);
  if (day.tMaxC >= HOT_C && humidity < DRY_PCT) return 'hot and dry';
  return day.tMaxC < COOL_C && humidity >= DAMP_PCT ? 'cool and damp' : null;
}

/** Small plants in the open dry within the hour, and their leaves lie on the ground that is watered. */
const isSmall = (crop: CropEntry, plant: PlantOnDay | null): boolean =>
  crop.cycle === 'annual' && plant?.stage === 'establishing';

/**
 * How a watering is to treat the leaves of a crop today.
 * @param at the plant as it stands, whether it is under cover, whether a morning's rinse against mites is offered today, and the day's weather
 * @returns what to mind, or null where wet leaves do no harm
 * Source: common practice: leaves that fall ill are kept dry; small plants in the open may be wetted; roses are rinsed on hot,
 * dry mornings, early, so that they dry at once.
 */
export function leafCare(
  crop: CropEntry,
  at: { plant: PlantOnDay | null; underCover: boolean; rinsed: boolean; day: WeatherForEt | undefined },
): LeafCare | null {
  if (hasBody(crop)) {
    const isDamp = !at.underCover && at.day && airForBodies(at.day) === 'cool and damp';
    return isDamp ? 'keep bodies dry' : null;
  }
  if (!crop.traits.foliageDiseaseProne) return null;
  if (at.rinsed) return 'rinse early, then keep dry';
  return isSmall(crop, at.plant) && !at.underCover ? null : 'keep leaves dry';
}
