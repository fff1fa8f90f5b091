import { item } from '../units/at.ts';
import { cropOf, plantOnDay, plantsOnDay, stageDates, type Standing } from '../plants/plantOnDay.ts';
import { isGerminating, isSown } from '../plants/emergence.ts';
import { standingOn } from '../plants/standing.ts';
import { GOAL_FACTS, type Goal } from '../plants/goals.ts';
import type { PlantingInput } from '../plants/types.ts';
import { yieldResponse } from '../plants/yieldResponse.ts';
import type { IsoDate } from '../units/dates.ts';
import { floorOf } from './floor.ts';
import type { PlaceNow, PlantFacts } from './run.ts';
import type { PlanBed } from './types.ts';

/** What stands on a place on a day, as far as it decides. It is the same however often the days ahead are tried. */
function plantFacts(plantings: readonly PlantingInput[], date: IsoDate, goal: Goal): PlantFacts {
  const standing = plantsOnDay(plantings, date);
  const main = standingOn(plantings, date);
  const growing = standing.some(({ plant }) => !plant.over);
  return {
    growing,
    ended: main && !growing ? endOf(main, date) : null,
    stage: standing.find(({ planting }) => planting === main)?.plant.stage,
    young: standing.some(({ plant }) => !plant.over && !plant.rooted),
    plantedOut: somethingPlantedOut(plantings, date),
    sownToday: plantings.some((planting) => planting.plantedOn === date && isSown(planting)),
    germinating: plantings.some((planting) => isGerminating(planting, date)),
    ky: responseOf(standing),
    lossShare: GOAL_FACTS[goal].lossShare,
    floor: floorOf(standing, goal),
  };
}

/** Yield response by what each planting drinks. */
export function responseOf(standing: readonly Standing[]): number {
  let drinks = 0;
  let minds = 0;
  for (const { planting, plant } of standing) {
    const use = (planting.share ?? 1) * plant.kcb;
    drinks += use;
    minds += use * yieldResponse(cropOf(planting))[plant.stage];
  }
  return drinks > 0 ? minds / drinks : 0;
}

/** What a bed was grown for on a day. */
const goalOn = ({ bed, earlier }: PlanBed, date: IsoDate): Goal =>
  (earlier?.find(({ until }) => date < until)?.bed ?? bed).goal ?? 'steady';

/** Why and when a planting that still stands came to its end. */
function endOf(planting: PlantingInput, date: IsoDate): PlantFacts['ended'] {
  if (!plantOnDay(planting, date)?.over) return null;
  const past = stageDates(planting, date).find(({ stage }) => stage === 'past')?.from;
  // What had ripened was no longer there to be killed.
  const { killedOn } = planting;
  const ripens = cropOf(planting).cycle === 'annual';
  return killedOn !== undefined && (!ripens || past === undefined || killedOn < past)
    ? { why: 'killed by frost', on: killedOn }
    : { why: 'ripened', on: past ?? date };
}

/** What stands on a place on a day of its span. */
export const plantsOn = (now: PlaceNow, input: PlanBed, d: number): PlantFacts => {
  const { date } = item(now.days, d);
  return (now.plants[d] ??= plantFacts(input.bed.plantings, date, goalOn(input, date)));
};

/** Whether something with roots of its own is planted out on a day. */
const somethingPlantedOut = (plantings: readonly PlantingInput[], date: IsoDate): boolean =>
  plantings.some((p) => p.plantedOn === date && (p.method ?? cropOf(p).usualStart) !== 'direct-sown');
