/** What a bed is grown for. */
export const GOALS = ['show', 'steady', 'alive'] as const;
export type Goal = (typeof GOALS)[number];

export interface GoalFacts {
  words: string;
  /** Times the crop's own share of the store that may go. Judgement; that the goal moves it is common practice. */
  depletionFactor: number;
}

export const GOAL_FACTS: Readonly<Record<Goal, GoalFacts>> = {
  show: { words: 'lush, for show', depletionFactor: 0.75 },
  steady: { words: 'a steady crop', depletionFactor: 1 },
  alive: { words: 'only keep it alive', depletionFactor: 1.4 },
};

/** Share of the store that may go, at most, whatever the goal: FAO-56's own upper limit. */
export const MOST_DEPLETION = 0.8;
