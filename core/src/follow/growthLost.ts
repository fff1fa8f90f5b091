import type { DailyRecord } from '../places/dailyRecord.ts';
import type { PlantingInput } from '../plants/types.ts';
import { plantsOnDay } from '../plants/plantOnDay.ts';
import { responseOf } from './plantsOn.ts';
import { shareOf } from './sums.ts';

/**
 * Growth that days on record have cost a place: what its plants missed to drink, weighed by the yield response of their stage.
 * @param days of its balance, `plantings` what stood there
 * @returns share of the growth wanted in those days, 0–1
 * Source: FAO-33, as `yieldResponse`.
 */
export function growthLost(days: readonly DailyRecord[], plantings: readonly PlantingInput[]): number {
  let lost = 0;
  let wanted = 0;
  for (const { date, transpirationWantedMm, transpirationMm } of days) {
    lost += responseOf(plantsOnDay(plantings, date)) * (transpirationWantedMm - transpirationMm);
    wanted += transpirationWantedMm;
  }
  return shareOf(lost, wanted);
}
