/** What a potting mix holds when it has been filled and has drained, in a pot about 150 mm deep. m³ of water to m³ of mix. */
export interface MixFacts {
  label: string;
  /** Held after draining, and held so tightly that no plant gets it. */
  containerCapacity: number;
  unavailable: number;
  /** Dry weight, kg to the litre. */
  dryKgPerL: number;
  /** Share of its available water under which it draws back from the side and lets water run past; 0 where it does not shrink. */
  shrinksUnder: number;
}

/**
 * Container capacity 0.45–0.65, available 0.25–0.35 and unavailable 0.25–0.35 are the ranges usual for nursery mixes (Yeager et
 * al., Best Management Practices for container plants; from memory). Gritty and soil-based mixes lie below them by what mineral
 * grains take of the room; each figure within its range, the shrinking and the weights are judgements.
 */
export const MIXES = {
  standard: {
    label: 'all-purpose, peat',
    containerCapacity: 0.55,
    unavailable: 0.25,
    dryKgPerL: 0.2,
    shrinksUnder: 0.12,
  },
  'peat-free': {
    label: 'all-purpose, peat-free',
    containerCapacity: 0.52,
    unavailable: 0.25,
    dryKgPerL: 0.25,
    shrinksUnder: 0.08,
  },
  rich: {
    label: 'rich, with compost',
    containerCapacity: 0.62,
    unavailable: 0.28,
    dryKgPerL: 0.35,
    shrinksUnder: 0.08,
  },
  acid: {
    label: 'for acid lovers',
    containerCapacity: 0.55,
    unavailable: 0.26,
    dryKgPerL: 0.25,
    shrinksUnder: 0.12,
  },
  'soil-based': {
    label: 'soil-based',
    containerCapacity: 0.4,
    unavailable: 0.15,
    dryKgPerL: 1,
    shrinksUnder: 0.15,
  },
  gritty: {
    label: 'gritty, for cacti',
    containerCapacity: 0.3,
    unavailable: 0.12,
    dryKgPerL: 1.1,
    shrinksUnder: 0,
  },
  seed: {
    label: 'fine, for seed',
    containerCapacity: 0.55,
    unavailable: 0.25,
    dryKgPerL: 0.25,
    shrinksUnder: 0.12,
  },
} as const satisfies Record<string, MixFacts>;
export type Mix = keyof typeof MIXES;
export const MIX_IDS = Object.keys(MIXES) as [Mix, ...Mix[]];
/** Water a mix has for plants, m³/m³. */
export const availableOf = (mix: Mix): number => MIXES[mix].containerCapacity - MIXES[mix].unavailable;
