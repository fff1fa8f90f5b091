import {
  BENEATH,
  CAME_AS,
  GAP_SCHOOLS,
  GOALS,
  LAYOUTS,
  MULCH_MATERIALS,
  NEARBY,
  REACHES,
  SOAK_BY,
  TEXTURE_CLASSES,
  TREE_SORTS,
  type SoakNow,
  type TreeFacts,
  type TreePlan,
  type TreeSeason,
} from '@kibble/core';
import { z } from './zod.ts';
import { cropId, deliveryBody, placeName, START_WETNESS } from './garden.ts';
import { limited, limitedWhole } from './limited.ts';
import { day, entryDate, name, oneOf, version } from './parts.ts';
import { working } from './working.ts';

/** A tree, shrub or hedge as it is told; where and how deep it is watered may be left to Kibble. */
export const treeBody = z.object({
  sort: oneOf('It is', TREE_SORTS),
  count: limitedWhole('treeCount').default(1),
  canopyM: limited('canopyM'),
  heightM: limited('treeHeightM').optional(),
  trunkM: limited('trunkM').optional(),
  lengthM: limited('hedgeM').optional(),
  cameAs: oneOf('It came', CAME_AS),
  potL: limited('potLitres').optional(),
  ballM: limited('ballM').optional(),
  beneath: oneOf('Beneath it', BENEATH),
  mulchedM: limited('mulchedM').optional(),
  near: oneOf('Near it', NEARBY).default('nothing'),
  nearM: limited('nearM').optional(),
  reach: oneOf('How far out', REACHES).default('at the edge'),
  ring: z.object({ innerM: limited('ringInnerM'), outerM: limited('ringOuterM') }).optional(),
  part: limited('ringPart').optional(),
  depthMm: limited('soakDepthMm').optional(),
  gap: oneOf('Longest gap', GAP_SCHOOLS).optional(),
  layout: z.object({
    by: oneOf('Way of watering', LAYOUTS),
    pieces: limitedWhole('layoutPieces').optional(),
    pieceLph: limited('pieceLph').optional(),
    bucketL: limited('bucketLitres').optional(),
    emptiesMinutes: limited('minutes').optional(),
  }),
  soakBy: oneOf('How much a soak is', SOAK_BY).optional(),
  litresEach: limited('litresEach').optional(),
  shares: z.array(z.number().int().positive()).max(20).optional(),
  indicator: z.boolean().optional(),
});
export type TreeBody = z.infer<typeof treeBody>;

/** A new tree place: what it is, where it stands, how it is watered. */
export const newTreeBody = z.object({
  name: name('Name of the tree'),
  cropId,
  plantedOn: entryDate('Planted on'),
  place: placeName,
  textureClass: oneOf('Soil', TEXTURE_CLASSES),
  subsoilClass: oneOf('Subsoil', TEXTURE_CLASSES).nullish(),
  mulchMaterial: oneOf('Mulch', MULCH_MATERIALS).nullish(),
  mulchMm: limited('mulchMm').nullish(),
  startWetness: oneOf('Wetness now', START_WETNESS).default('moist'),
  /** The day on which the ground was so; today when left out. */
  wetnessOn: entryDate('Day on which the ground was so').nullish(),
  goal: oneOf('Goal', GOALS).default('steady'),
  delivery: deliveryBody.omit({ method: true }),
  tree: treeBody,
});
export type NewTreeBody = z.infer<typeof newTreeBody>;
export type NewTreeDraft = z.input<typeof newTreeBody>;

/** A tree place told anew since a day; or what was a bed until then. Null: it is plain ground again. */
export const treeChange = z.object({
  version,
  since: entryDate('Since when').optional(),
  delivery: deliveryBody.omit({ method: true }).optional(),
  tree: treeBody.nullable(),
});
export type TreeChange = z.input<typeof treeChange>;

const plain = <T>(key: string) => z.custom<T>((v) => typeof v === 'object' && v !== null && key in v);

/** A tree place as it stands today. */
export const treeNow = z.object({
  facts: plain<TreeFacts>('layout'),
  plantedOn: day,
  plan: plain<TreePlan>('laid'),
  season: z.custom<TreeSeason>((v) => typeof v === 'string'),
  soak: plain<SoakNow & { limitOn: string | null }>('gapDays').nullable(),
  /** What it may lose on the hottest day ahead, L; never a dose. */
  peak: z.object({ date: day, working }).nullable(),
  /** It is watered by a fall-back rule of scarce water. */
  scarce: z.boolean(),
});
export type TreeNow = z.infer<typeof treeNow>;

export const treesView = z.object({
  date: day,
  trees: z.array(
    z.object({
      bedId: z.number(),
      bedName: z.string(),
      cropName: z.string().nullable(),
      place: z.string().nullable(),
      tree: treeNow,
      nextDate: day.nullable(),
      /** Of the next watering, and of the fortnight. */
      litres: z.number().nullable(),
      minutes: z.number().nullable(),
      fortnightL: z.number(),
    }),
  ),
  /** Woody beds that are not told as trees yet. */
  woodyBeds: z.array(z.object({ bedId: z.number(), bedName: z.string(), cropName: z.string().nullable() })),
  /** Lawns that get no water, and the trees that shared theirs. */
  lawnsOff: z.array(z.object({ bedName: z.string(), trees: z.array(z.string()) })),
  /** Litres of the fortnight: to trees, and in all. */
  treesL: z.number(),
  allL: z.number(),
});
export type TreesView = z.infer<typeof treesView>;
