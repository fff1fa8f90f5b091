import { drySpellEnds } from '../schools/drySpell.ts';
import { likelyRain } from './likelyRain.ts';
import { onSoil } from '../delivery/wettedStrip.ts';
import { frostyNights } from '../plants/frostKill.ts';
import { plantingsHere, type MeanOn } from '../plants/plantingsHere.ts';
import { countedOn, rootedAt, ROOTS_AT, USUAL_BELIEF } from '../plants/rootBelief.ts';
import { once } from '../units/once.ts';
import { addDays, type IsoDate } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import type { Site } from '../weather/types.ts';
import type { PlanBed } from './types.ts';

/** Mean temperatures of the days of a series. */
export function meansOf(weather: readonly Pick<SourcedDay, 'date' | 'tMinC' | 'tMaxC'>[]): MeanOn {
  const means = new Map(weather.map(({ date, tMinC, tMaxC }) => [date, (tMinC + tMaxC) / 2]));
  return (date) => means.get(date);
}

/** A soak that a dry spell promised is asked for so many days after its end. Judgement. */
const SOAK_DAYS = 2;

/** Until when a dry spell holds by the rain of the place, and the day of the soak that follows it. */
export function heldDry(
  { drySpell, bed }: Pick<PlanBed, 'drySpell' | 'bed'>,
  weather: readonly SourcedDay[],
  today: IsoDate,
): Pick<PlanBed, 'holdUntil' | 'soakOn'> {
  if (!drySpell) return {};
  const rain = new Map(weather.map((day) => [day.date, likelyRain(day)]));
  const isCovered = bed.place?.underCover === true;
  const until = drySpellEnds(drySpell, (date) => (isCovered ? 0 : (rain.get(date) ?? 0)));
  if (until > today) return { holdUntil: until, soakOn: until };
  return until >= addDays(today, -SOAK_DAYS) ? { soakOn: today } : {};
}

/**
 * Beds as they are where they are: their plants with the winter and the frosts of the place, and lines that wet as much as
 * its soil spreads them, where nobody said otherwise; and held dry for as many dry days as were wanted.
 * @param weather of which the nights before today may have killed
 */
export function asHere(
  { latitudeDeg }: Site,
  weather: readonly SourcedDay[],
  today: IsoDate,
): (bed: PlanBed) => PlanBed {
  const meanOn = once(() => meansOf(weather));
  const frosts = frostyNights(weather.filter(({ date }) => date < today));
  return (input) => {
    const { bed, delivery } = input;
    const at = ROOTS_AT[countedOn(input.rootBelief ?? USUAL_BELIEF)];
    const underCover = bed.place?.underCover;
    // Other kinds of places have no ground.
    const texture = (bed as Partial<typeof bed>).ground?.horizons[0]?.textureClass;
    return {
      ...input,
      ...heldDry(input, weather, today),
      bed: {
        ...bed,
        plantings: plantingsHere(rootedAt(bed.plantings, at), {
          latitudeDeg,
          frosts,
          underCover,
          warmth: { today, meanOn: meanOn() },
        }),
      },
      delivery: texture ? onSoil(delivery, texture) : delivery,
    };
  };
}
