/** Ways of bringing water to a bed. Data, not rules: the plan and the adviser read the figures. */
export const METHODS = [
  'sprinkler',
  'micro-spray',
  'hose wand',
  'drip',
  'gravity drip kit',
  'soaker hose',
  'bubbler',
  'slow bucket',
  'watering can',
] as const;
export type Method = (typeof METHODS)[number];

export interface MethodFacts {
  /**
   * Share of the water sent that reaches the soil in still morning air, and how evenly it falls there (low-quarter distribution
   * uniformity). Together they make FAO irrigation manuals' usual field efficiencies, middle of the range (from memory); how
   * each is parted, and wand and can, are judgements.
   */
  efficiency: number;
  evenness: number;
  /** Share of the bed's surface it wets, on a loam where it comes from lines or spots. Judgement for beds of usual spacing. */
  wettedFraction: number;
  /** It wets strips along lines or rounds about spots, as wide as the soil spreads them; else it falls where it is thrown. */
  spreads: 'strips' | 'spots' | null;
  /** Falls on leaves. */
  overhead: boolean;
  /** Somebody stands there while it runs. */
  byHand: boolean;
  /** Put where it is wanted each time, and so can be put wrong. */
  aimed: boolean;
  /** Runs through small holes at low flow. */
  slow: boolean;
  /** What the open tap gives is what the bed gets: a bucket at the tap is this method's flow. Nozzles and lines give less. */
  openTap: boolean;
  /** How much of it wind and midday heat can take, 0 (none) to 1 (a thrown spray). Judgement. */
  exposure: number;
  /** Weeding it makes, 0 (dry paths) to 1 (everything wetted). Common practice. */
  weeds: number;
  /** Water the surface may hold while it runs, mm: crumbly level ground under a gentle fall. Judgement. */
  surfaceStorageMm: number;
  /** How to do it, one phrase on the task. */
  how: string;
  /** Litres of what is filled and carried, where something is. Common practice. */
  fillLitres?: number;
  /** Fills it is given in a day at most, where it is small and drips on by itself. Common practice: one in the morning, one in the evening. */
  fillsPerDay?: number;
}

const row = (
  efficiency: number,
  evenness: number,
  wettedFraction: number,
  exposure: number,
  weeds: number,
  surfaceStorageMm: number,
  how: string,
  kind: {
    overhead?: boolean;
    byHand?: boolean;
    slow?: boolean;
    openTap?: boolean;
    aimed?: boolean;
    spreads?: 'strips' | 'spots';
    fillLitres?: number;
    fillsPerDay?: number;
  } = {},
): MethodFacts => ({
  efficiency,
  evenness,
  wettedFraction,
  spreads: kind.spreads ?? null,
  exposure,
  weeds,
  surfaceStorageMm,
  how,
  overhead: kind.overhead ?? false,
  byHand: kind.byHand ?? false,
  slow: kind.slow ?? false,
  openTap: kind.openTap ?? false,
  aimed: kind.byHand ?? kind.aimed ?? false,
  fillLitres: kind.fillLitres,
  fillsPerDay: kind.fillsPerDay,
});

export const METHOD_FACTS: Readonly<Record<Method, MethodFacts>> = {
  sprinkler: row(0.88, 0.75, 1, 1, 1, 5, 'sprinkler, before the wind gets up', { overhead: true }),
  'micro-spray': row(0.9, 0.82, 0.9, 0.7, 0.8, 6, 'micro-sprays, low', { overhead: true }),
  'hose wand': row(0.92, 0.87, 1, 0.2, 0.7, 8, 'hose wand, low, on the soil', {
    byHand: true,
    openTap: true,
  }),
  drip: row(0.98, 0.87, 0.5, 0, 0.2, 10, 'drip line', { slow: true, spreads: 'strips' }),
  'gravity drip kit': row(0.98, 0.86, 0.4, 0, 0.2, 10, 'gravity drip kit', {
    slow: true,
    spreads: 'strips',
    fillLitres: 20,
    fillsPerDay: 2,
  }),
  'soaker hose': row(0.97, 0.8, 0.6, 0.05, 0.3, 10, 'soaker hose', { slow: true, spreads: 'strips' }),
  bubbler: row(0.98, 0.86, 0.4, 0, 0.3, 20, 'bubbler, moved round from spot to spot', {
    openTap: true,
    spreads: 'spots',
    aimed: true,
  }),
  'slow bucket': row(0.98, 0.95, 0.3, 0, 0.2, 20, 'buckets with a hole, stood by the plants', {
    slow: true,
    spreads: 'spots',
    aimed: true,
    fillLitres: 19,
  }),
  'watering can': row(0.95, 0.91, 0.8, 0.1, 0.5, 6, 'watering can, at the foot of the plants', {
    byHand: true,
    fillLitres: 10,
  }),
};
