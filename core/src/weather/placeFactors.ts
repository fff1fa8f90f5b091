/** What a bed's place does to the garden's weather. Words a gardener can answer. */
export interface PlaceWords {
  sun?: 'full' | 'half' | 'shade';
  wind?: 'sheltered' | 'open' | 'exposed';
  cover?: 'none' | 'shade cloth' | 'tunnel';
  /** A wall facing the noon sun throws heat back. */
  wall?: boolean;
}

/**
 * Factors on reference demand; judgements but for the tunnel: FAO-56's combination equation under a film
 * that passes about 70 % of the light and stops the wind gives 0.6–0.8 of the outdoor figure.
 */
const SUN = { full: 1, half: 0.75, shade: 0.5 } as const;
const WIND = { sheltered: 0.9, open: 1, exposed: 1.15 } as const;
const COVER = { none: 1, 'shade cloth': 0.7, tunnel: 0.7 } as const;
const WALL = 1.15;

/** Demand factor and whether rain reaches the bed. 0.2–1.6. */
export function placeFactors(words: PlaceWords): { demandFactor: number; underCover: boolean } {
  const factor =
    SUN[words.sun ?? 'full'] *
    WIND[words.wind ?? 'open'] *
    COVER[words.cover ?? 'none'] *
    (words.wall ? WALL : 1);
  return { demandFactor: Math.min(1.6, Math.max(0.2, factor)), underCover: words.cover === 'tunnel' };
}
