import type { Method } from './methods.ts';

/** Flow over a whole bed taken when nobody measured, L/min: a garden hose; two lines of drip; a can poured. Judgement. */
export const USUAL_FLOW_LPM: Readonly<Record<Method, number>> = {
  sprinkler: 10,
  'micro-spray': 6,
  'hose wand': 12,
  drip: 4,
  'gravity drip kit': 0.5,
  'soaker hose': 2,
  bubbler: 6,
  'slow bucket': 0.3,
  'watering can': 8,
};
