/** Ways of bringing water to a bed. Data, not rules: the plan reads the figures. */
export const METHODS = ['sprinkler', 'hose wand', 'drip', 'soaker hose', 'watering can'] as const;
export type Method = (typeof METHODS)[number];

export interface MethodFacts {
  /** Share of the water sent that reaches the soil. FAO irrigation manuals' usual field values, middle of the range; wand and can judgement. */
  efficiency: number;
  /** Share of the bed's surface it wets. Judgement for beds of usual spacing. */
  wettedFraction: number;
  /** Wets leaves. */
  overhead: boolean;
  /** Water the surface may hold while it runs, mm: crumbly level ground under a gentle fall. Judgement. */
  surfaceStorageMm: number;
  /** How to do it, one phrase on the task. */
  how: string;
}

export const METHOD_FACTS: Readonly<Record<Method, MethodFacts>> = {
  sprinkler: {
    efficiency: 0.75,
    wettedFraction: 1,
    overhead: true,
    surfaceStorageMm: 5,
    how: 'sprinkler, before the wind gets up',
  },
  'hose wand': {
    efficiency: 0.85,
    wettedFraction: 1,
    overhead: false,
    surfaceStorageMm: 8,
    how: 'hose wand, low, on the soil',
  },
  drip: { efficiency: 0.9, wettedFraction: 0.5, overhead: false, surfaceStorageMm: 10, how: 'drip line' },
  'soaker hose': {
    efficiency: 0.85,
    wettedFraction: 0.6,
    overhead: false,
    surfaceStorageMm: 10,
    how: 'soaker hose',
  },
  'watering can': {
    efficiency: 0.9,
    wettedFraction: 0.8,
    overhead: false,
    surfaceStorageMm: 6,
    how: 'watering can, at the foot of the plants',
  },
};
