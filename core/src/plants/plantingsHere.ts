import { daysBetween, type IsoDate } from '../units/dates.ts';
import { isSown, upAfterAt } from './emergence.ts';
import { withFrostKills, type Night } from './frostKill.ts';
import type { PlantingInput } from './types.ts';

/** A day's mean temperature, °C; undefined where the weather does not reach. */
export type MeanOn = (date: IsoDate) => number | undefined;

/** A sowing this old is up or lost, days. Judgement. */
const OLD_SOWING_DAYS = 90;

/** A sowing with its days to come up by the temperatures it has had and will have; anything else as it is. */
export const withEmergence = (planting: PlantingInput, today: IsoDate, meanOn: MeanOn): PlantingInput =>
  isSown(planting) && planting.plantedOn <= today && daysBetween(planting.plantedOn, today) < OLD_SOWING_DAYS
    ? { upAfter: upAfterAt(planting, meanOn), ...planting }
    : planting;

/** Plantings as they live at a place: its latitude for their winter, its frosts, and how warm their seedbeds are. What they say themselves wins. */
export const plantingsHere = (
  plantings: readonly PlantingInput[],
  here: {
    latitudeDeg: number;
    frosts: readonly Night[];
    underCover: boolean | undefined;
    /** Today, and how warm the days are; where left out, seed comes up in its usual days. */
    warmth?: { today: IsoDate; meanOn: MeanOn };
  },
): PlantingInput[] =>
  withFrostKills(plantings, here.frosts, { underCover: here.underCover }).map((planting) => ({
    latitudeDeg: here.latitudeDeg,
    ...(here.warmth ? withEmergence(planting, here.warmth.today, here.warmth.meanOn) : planting),
  }));
