import { EDGES } from '../units/edges.ts';

/** Numbers a gardener may put in the place of what was assumed, straight from the working. SI. */
export const TELLABLE = {
  flow: { label: 'Flow', min: EDGES.flow.min, max: EDGES.flow.max, unit: 'L/min' },
  area: { label: 'Area', min: EDGES.area.min, max: EDGES.area.max, unit: 'm²' },
  wettedShare: { label: 'Share that gets wet', min: 0.05, max: 1, unit: 'share' },
  reachingShare: { label: 'Share that reaches the soil', min: 0.2, max: 1, unit: 'share' },
  evenness: { label: 'Evenness of the driest quarter', min: 0.2, max: 1, unit: 'share' },
  organicMatter: { label: 'Organic matter', min: 0, max: 100, unit: '%' },
  drainedAt: { label: 'Suction at which it has drained', min: 10, max: 33, unit: 'kPa' },
} as const;
export type Tellable = keyof typeof TELLABLE;
