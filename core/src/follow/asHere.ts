import { onSoil } from '../delivery/wettedStrip.ts';
import { frostyNights } from '../plants/frostKill.ts';
import { plantingsHere } from '../plants/plantingsHere.ts';
import { countedOn, rootedAt, ROOTS_AT, USUAL_BELIEF } from '../plants/rootBelief.ts';
import type { IsoDate } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import type { Site } from '../weather/types.ts';
import type { PlanBed } from './types.ts';

/**
 * Beds as they are where they are: their plants with the winter and the frosts of the place, and lines that wet as much as
 * its soil spreads them, where nobody said otherwise.
 * @param weather of which the nights before today may have killed
 */
export function asHere(
  { latitudeDeg }: Site,
  weather: readonly SourcedDay[],
  today: IsoDate,
): (bed: PlanBed) => PlanBed {
  const frosts = frostyNights(weather.filter(({ date }) => date < today));
  return (input) => {
    const { bed, delivery } = input;
    const at = ROOTS_AT[countedOn(input.rootBelief ?? USUAL_BELIEF)];
    const underCover = bed.place?.underCover;
    // Other kinds of places have no ground.
    const texture = (bed as Partial<typeof bed>).ground?.horizons[0]?.textureClass;
    return {
      ...input,
      bed: {
        ...bed,
        plantings: plantingsHere(rootedAt(bed.plantings, at), { latitudeDeg, frosts, underCover }),
      },
      delivery: texture ? onSoil(delivery, texture) : delivery,
    };
  };
}
