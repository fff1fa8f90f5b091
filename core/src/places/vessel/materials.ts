/** What a pot is made of, as far as its water minds. Judgements, all of them. */
export interface MaterialFacts {
  label: string;
  /** What a wet wall evaporates, of what a wet open surface would. */
  wallShare: number;
  /** How a wall in the sun warms the roots, as a factor on the demand. */
  heat: number;
  /** Weight of the wall, kg/m². */
  kgPerM2: number;
}

/** Common practice: unglazed clay dries faster than plastic, that than glazed. */
export const MATERIALS = {
  terracotta: { label: 'unglazed clay', wallShare: 0.15, heat: 1, kgPerM2: 16 },
  plastic: { label: 'plastic', wallShare: 0, heat: 1.05, kgPerM2: 1.5 },
  glazed: { label: 'glazed', wallShare: 0, heat: 0.97, kgPerM2: 18 },
  fabric: { label: 'fabric', wallShare: 0.2, heat: 1, kgPerM2: 0.5 },
  wood: { label: 'wood', wallShare: 0.06, heat: 0.97, kgPerM2: 10 },
  metal: { label: 'metal', wallShare: 0, heat: 1.15, kgPerM2: 8 },
} as const satisfies Record<string, MaterialFacts>;
export type Material = keyof typeof MATERIALS;
export const MATERIAL_IDS = Object.keys(MATERIALS) as [Material, ...Material[]];

/** What lies on the mix, and what it leaves of the evaporation. Common practice: grit and mulch slow drying; the figures are judgements. */
export const DRESSINGS = {
  bare: { label: 'nothing', evaporates: 1 },
  grit: { label: 'grit', evaporates: 0.6 },
  pebbles: { label: 'pebbles', evaporates: 0.5 },
  bark: { label: 'bark or straw', evaporates: 0.45 },
} as const;
export type Dressing = keyof typeof DRESSINGS;
export const DRESSING_IDS = Object.keys(DRESSINGS) as [Dressing, ...Dressing[]];
