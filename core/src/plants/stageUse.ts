import { addDays } from '../units/dates.ts';
import { referenceEt } from '../weather/referenceEt.ts';
import type { Site, WeatherDay } from '../weather/types.ts';
import { plantOnDay } from './plantOnDay.ts';
import type { StageStep } from './stageStrip.ts';
import type { PlantingInput } from './types.ts';

/** A stage that has no end by its calendar is looked at for so many days. */
export const OPEN_DAYS = 30;

/**
 * What the plants drink on a mean day of each stage, mm over their ground, unhindered: a year's curve instead of one setting.
 * @param days weather from the first stage's day to `OPEN_DAYS` past the last's, real where it has been, usual where it has not
 * @returns for each step; null where it is over or no day of it is given
 * Source: FAO-56 eq. 69 without stress, basal coefficient × reference use.
 */
export function stageUse(
  planting: PlantingInput,
  steps: readonly StageStep[],
  days: readonly WeatherDay[],
  site: Site,
): (number | null)[] {
  return steps.map(({ stage, from }, i) => {
    if (stage === 'past') return null;
    const until = steps[i + 1]?.from ?? addDays(from, OPEN_DAYS);
    const uses = days
      .filter(({ date }) => date >= from && date < until)
      .flatMap((day) => {
        const plant = plantOnDay({ ...planting, endedOn: undefined }, day.date);
        return plant ? [plant.kcb * referenceEt(day, site).mm] : [];
      });
    return uses.length > 0 ? uses.reduce((a, b) => a + b, 0) / uses.length : null;
  });
}
