/** What a bed is grown for. */
export const GOALS = ['show', 'steady', 'thrifty', 'alive'] as const;
export type Goal = (typeof GOALS)[number];

export interface GoalFacts {
  words: string;
  /** Share of the growth wanted that may be lost for a round less. Judgement. */
  lossShare: number;
  /** How freely the plants are to drink on the worst day, FAO-56 Ks. Judgement. */
  floor: number;
}

/** Growth that a fortnight's forecast cannot tell apart: a loss this near to what is allowed keeps to it. Judgement. */
const NEAR = 0.0025;

/** Whether a loss keeps to what a goal allows, both shares of the growth wanted, 0–1. Source: judgement, as `NEAR`. */
export const keepsTo = (lostShare: number, allowedShare: number): boolean => lostShare <= allowedShare + NEAR;

export const GOAL_FACTS: Readonly<Record<Goal, GoalFacts>> = {
  show: { words: 'lush, for show', lossShare: 0.01, floor: 0.9 },
  steady: { words: 'a steady crop', lossShare: 0.03, floor: 0.75 },
  thrifty: { words: 'thrifty: some growth for less water', lossShare: 0.08, floor: 0.6 },
  alive: { words: 'only keep it alive', lossShare: 0.2, floor: 0.35 },
};
