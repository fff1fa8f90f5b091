import { cropOf, plantOnDay } from '../plants/plantOnDay.ts';
import type { PlantOnDay } from '../plants/plantOnDay.ts';
import { GOAL_FACTS, type Goal } from '../plants/goals.ts';
import type { PlantingInput, StageName } from '../plants/types.ts';
import type { IsoDate } from '../units/dates.ts';

/** Whatever the goal, what cannot bear a dry day drinks at least so freely (FAO-56 Ks). Judgement. */
const TENDER_FLOOR = 0.9;
/** Days after planting in which it is new. Judgement. */
const NEW_DAYS = 14;
const FRUITING: ReadonlySet<StageName> = new Set(['in full leaf', 'ripening']);

/** What runs to seed when dry, fruit that splits or rots when supply swings, and what has just been planted. Common practice. */
const isTender = (planting: PlantingInput, { stage, age }: PlantOnDay): boolean => {
  const { traits } = cropOf(planting);
  return (
    traits.boltsWhenDry || age < NEW_DAYS || ((traits.splits || traits.blossomEndRot) && FRUITING.has(stage))
  );
};

/** How freely the plants of a place are to drink on the worst day: its goal's floor, or that of the tenderest on it. */
export const floorOf = (plantings: readonly PlantingInput[], date: IsoDate, goal: Goal): number =>
  plantings.some((planting) => {
    const plant = plantOnDay(planting, date);
    return plant && !plant.over && isTender(planting, plant);
  })
    ? Math.max(TENDER_FLOOR, GOAL_FACTS[goal].floor)
    : GOAL_FACTS[goal].floor;
