/** How high a place lies, in a word, and the metres above the sea that are taken for it. Judgements: ET0 hardly minds. */
export const TERRAINS = ['lowland', 'hills', 'mountains'] as const;
export type Terrain = (typeof TERRAINS)[number];
export const TERRAIN_M: Readonly<Record<Terrain, number>> = { lowland: 50, hills: 400, mountains: 1200 };

/** The word for a height, m. */
export const terrainOf = (elevationM: number): Terrain =>
  elevationM < 200 ? 'lowland' : elevationM < 800 ? 'hills' : 'mountains';
