import type { SoilWater } from './soilFromFractions.ts';

/** What raised beds are filled with instead of soil. */
export interface FillFacts extends SoilWater {
  label: string;
}

/**
 * What a fill holds in an open bed a hand deep or more over soil, where it drains further than in a pot. Total room for water 0.55–0.85
 * of a mix, and 0.15–0.28 held too tightly, are the ranges usual for bark, peat and compost (nursery guidance; from memory); what stays
 * after it has drained is taken at about 10 kPa, lower than a pot's. Figures within the ranges are judgements.
 */
export const FILLS = {
  'bagged mix': {
    label: 'bagged mix',
    fieldCapacity: 0.35,
    wiltingPoint: 0.22,
    saturation: 0.78,
    saturatedConductivityMmPerHour: 300,
  },
  compost: {
    label: 'compost',
    fieldCapacity: 0.4,
    wiltingPoint: 0.24,
    saturation: 0.72,
    saturatedConductivityMmPerHour: 200,
  },
  'topsoil and compost': {
    label: 'topsoil with compost',
    fieldCapacity: 0.33,
    wiltingPoint: 0.16,
    saturation: 0.58,
    saturatedConductivityMmPerHour: 60,
  },
} as const satisfies Record<string, FillFacts>;
export type Fill = keyof typeof FILLS;
export const FILL_IDS = Object.keys(FILLS) as [Fill, ...Fill[]];

/** A raised bed of bagged mix is filled about so deep where nobody measured, mm. Common practice: ten inches. */
export const USUAL_FILL_MM = 250;

/** Soaks in and spreads about as a sandy loam does, and has this much organic matter, % by weight. Judgements. */
export const FILL_AS_SOIL = { textureClass: 'sandy loam', organicMatterPct: 20 } as const;
