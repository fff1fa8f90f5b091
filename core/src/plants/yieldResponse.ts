import { curveAt } from './cropCoefficient.ts';
import { STAGE_NAMES, type CropEntry, type StageName } from './types.ts';

/** How much each stage minds a shortage against the others: establishing, growing, in full leaf, ripening. */
type Shape = readonly [number, number, number, number];

/**
 * Yield response by period. Source: FAO-33 table 24 (from memory), its vegetative period taken for the first two stages and
 * the mean of flowering and yield formation for full leaf; `roots` and `even` are judgements.
 */
const SHAPES = {
  tomato: [0.4, 0.4, 0.95, 0.4],
  bean: [0.2, 0.2, 0.93, 0.2],
  pea: [0.2, 0.2, 0.8, 0.2],
  maize: [0.4, 0.4, 1, 0.2],
  onion: [0.45, 0.45, 0.8, 0.3],
  potato: [0.45, 0.8, 0.7, 0.2],
  cabbage: [0.2, 0.2, 0.45, 0.6],
  melon: [0.45, 0.7, 0.8, 0.3],
  roots: [0.6, 0.9, 1, 0.7],
  even: [1, 1, 1, 1],
} as const satisfies Record<string, Shape>;
export type YieldShape = keyof typeof SHAPES;

/** Crops whose shape does not follow from the group of their dry spell. */
const OF_CROP: Readonly<Record<string, YieldShape>> = {
  pea: 'pea',
  'broad-bean': 'pea',
  sweetcorn: 'maize',
  potato: 'potato',
  'potted-potato': 'potato',
  'sweet-potato': 'potato',
  cabbage: 'cabbage',
  cauliflower: 'cabbage',
  broccoli: 'cabbage',
  'brussels-sprouts': 'cabbage',
};
const OF_GROUP: Readonly<Partial<Record<CropEntry['toughening'], YieldShape>>> = {
  legume: 'bean',
  tomato: 'tomato',
  onion: 'onion',
  cucurbit: 'melon',
  root: 'roots',
  'potted potato': 'potato',
};

/** Which shape a crop's response has; what lives on, and what is eaten as leaves, minds every day alike. */
export const yieldShapeOf = (crop: CropEntry): YieldShape =>
  crop.cycle === 'annual' ? (OF_CROP[crop.id] ?? OF_GROUP[crop.toughening] ?? 'even') : 'even';

const known = new WeakMap<CropEntry, Readonly<Record<StageName, number>>>();

/**
 * Yield response of each stage: growth lost per share of water use missed in it, so scaled that an even shortage over the
 * season gives the crop's own figure for the season.
 * @returns no unit; what has ripened minds nothing
 * Source: FAO-33 table 24, FAO-66; the scaling is arithmetic on the crop's coefficient curve.
 */
export function yieldResponse(crop: CropEntry): Readonly<Record<StageName, number>> {
  const before = known.get(crop);
  if (before) return before;
  const shape = SHAPES[yieldShapeOf(crop)];
  const { ini, dev, mid, late } = crop.stages;
  const lengths = [ini, dev, mid, late];
  let day = 0;
  let use = 0;
  let weighed = 0;
  lengths.forEach((days, stage) => {
    for (let i = 0; i < days; i += 1, day += 1) {
      const kcb = curveAt(crop.stages, crop.kcb, day);
      use += kcb;
      weighed += kcb * (shape[stage] as number);
    }
  });
  const scale = weighed > 0 ? (crop.sensitivity * use) / weighed : crop.sensitivity;
  const of = Object.fromEntries(
    STAGE_NAMES.map((stage, i) => [stage, scale * (shape[Math.min(i, 3)] as number)]),
  ) as Record<StageName, number>;
  if (crop.cycle === 'annual') of.past = crop.cropsOn ? of.ripening : 0;
  known.set(crop, of);
  return of;
}
