import { cropOf, type Standing } from '../plants/plantOnDay.ts';
import { GOAL_FACTS, type Goal } from '../plants/goals.ts';
import type { StageName } from '../plants/types.ts';

/** Whatever the goal, what cannot bear a dry day drinks at least so freely (FAO-56 Ks). Judgement. */
const TENDER_FLOOR = 0.9;
/** Days after planting in which it is new. Judgement. */
const NEW_DAYS = 14;
const FRUITING: ReadonlySet<StageName> = new Set(['in full leaf', 'ripening']);

/** What runs to seed when dry, fruit that splits or rots when supply swings, and what has just been planted. Common practice. */
const isTender = ({ planting, plant: { stage, age } }: Standing): boolean => {
  const { traits } = cropOf(planting);
  return (
    traits.boltsWhenDry || age < NEW_DAYS || ((traits.splits || traits.blossomEndRot) && FRUITING.has(stage))
  );
};

/** How freely the plants of a place are to drink on the worst day: its goal's floor, or that of the tenderest on it. */
export const floorOf = (standing: readonly Standing[], goal: Goal): number =>
  standing.some((one) => !one.plant.over && isTender(one))
    ? Math.max(TENDER_FLOOR, GOAL_FACTS[goal].floor)
    : GOAL_FACTS[goal].floor;
