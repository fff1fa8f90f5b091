import { cropOf, plantOnDay } from '../plants/plantOnDay.ts';
import type { PlantingInput } from '../plants/types.ts';
import type { IsoDate } from '../units/dates.ts';

/** How much the tenderest crop on a bed minds a shortage on a day (FAO-33 yield response); at least a half. */
export const tendernessOf = (plantings: readonly PlantingInput[], date: IsoDate): number =>
  Math.max(0.5, ...plantings.map((p) => (plantOnDay(p, date) ? cropOf(p).sensitivity : 0)));
