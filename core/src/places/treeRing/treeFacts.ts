import type { GapSchool } from './gapClock.ts';
import { OutOfRange, positive, within, withinIfGiven } from '../../units/guard.ts';

/** How a woody plant stands: alone with its trunk, as a bush, or in a row that is one thing. */
export const TREE_SORTS = ['tree', 'shrub', 'hedge'] as const;
export type TreeSort = (typeof TREE_SORTS)[number];
/** What its roots came in. */
export const CAME_AS = ['bare-root', 'potted', 'balled', 'not known'] as const;
export type CameAs = (typeof CAME_AS)[number];
export const BENEATH = ['bare', 'mulch', 'lawn', 'lawn, unwatered', 'planting'] as const;
export type Beneath = (typeof BENEATH)[number];
/** How far out its ring is wanted; people disagree, and all of them are right somewhere. */
export const REACHES = ['at the edge', 'past the edge', 'far out'] as const;
export type Reach = (typeof REACHES)[number];
/** How its soak is measured: by what its ground lacks, or by one of two rules of thumb. */
export const SOAK_BY = ['ground', 'trunk', 'ring'] as const;
export type SoakBy = (typeof SOAK_BY)[number];
export const NEARBY = ['nothing', 'path', 'building'] as const;
export type Nearby = (typeof NEARBY)[number];

/** Ways of bringing water to a ring, each with what has to be said of it. */
export const LAYOUTS = [
  'emitters',
  'micro-sprays',
  'soaker ring',
  'tube spiral',
  'bubbler stops',
  'buckets',
  'basin',
  'trickle',
] as const;
export type LayoutId = (typeof LAYOUTS)[number];
export interface Layout {
  by: LayoutId;
  /** Stops, emitters, sprays or buckets a plant, where they were counted; else as many as the ring takes. */
  pieces?: number;
  /** What one emitter or spray gives, L/h. */
  pieceLph?: number;
  /** What a bucket holds, L, and minutes in which it runs empty. */
  bucketL?: number;
  emptiesMinutes?: number;
}

/** The ground that is wetted, by its distance from the trunk, m (of a hedge, from its middle line on either side). */
export interface Ring {
  innerM: number;
  outerM: number;
}

/** A tree, shrub or hedge, from what people know of it. */
export interface TreeFacts {
  sort: TreeSort;
  /** So many alike, planned together. */
  count: number;
  /** Spread of the branches across, m; of a hedge its thickness. */
  canopyM: number;
  heightM?: number;
  /** Thickness of the trunk at breast height, m. */
  trunkM?: number;
  /** Length of a hedge, m. */
  lengthM?: number;
  cameAs: CameAs;
  /** What its pot held, L, or how wide its ball was, m. */
  potL?: number;
  ballM?: number;
  beneath: Beneath;
  /** Mulched out to here from the trunk, m. */
  mulchedM?: number;
  near: Nearby;
  /** How far from the trunk that is, m. */
  nearM?: number;
  reach: Reach;
  /** Where it is watered now; it stays there until somebody moves it. */
  ring: Ring;
  /** Share of the ring that is watered, 0.1–1. */
  part: number;
  /** Depth to be wetted, mm. */
  depthMm: number;
  /** How its longest gap is counted once it is established; default 21 days at most. */
  gap?: GapSchool;
  layout: Layout;
  /** How its soak is measured; default by what its ground lacks. */
  soakBy?: SoakBy;
  /** A set volume for each plant, L, in the place of what the balance asks. */
  litresEach?: number;
  /** Other places whose watered ground its roots share, by number. */
  shares?: number[];
  /** It hangs before its neighbours do: a sign for the whole place. */
  indicator?: boolean;
}

/** Nobody carries or counts more buckets to one plant. Judgement. */
export const MOST_BUCKETS = 40;
const MOST_PIECES = 400;
/** Nothing wider grows in a garden, m; nothing longer is one hedge. */
const WIDEST_M = 40;
const LONGEST_M = 1000;

/** Ground about an established trunk that is kept dry, m from its middle: against rot and fungus. Common practice; the figures are judgements. */
const DRY_TRUNKS = 3;
const LEAST_DRY_M = 0.3;
const SHRUB_DRY_M = 0.1;
export const trunkRadiusM = ({ trunkM = 0 }: Pick<TreeFacts, 'trunkM'>): number => trunkM / 2;

/** Thickness of a trunk from the tape round it, m. @param girthM 0–15. Source: geometry. */
export const trunkOfGirth = (girthM: number): number => positive('girthM', girthM, 15, 'm') / Math.PI;

/** How far from the trunk nothing is wetted once it has rooted, m. */
export function dryZoneM(tree: Pick<TreeFacts, 'sort' | 'trunkM' | 'canopyM'>): number {
  if (tree.sort !== 'tree') return Math.min(SHRUB_DRY_M, tree.canopyM / 8);
  const wanted = Math.max(LEAST_DRY_M, DRY_TRUNKS * 2 * trunkRadiusM(tree));
  return Math.min(wanted, tree.canopyM / 4);
}

/**
 * Refuses a tree that cannot be.
 * @param tree as told; `trunkDry` when it has stood so long that its trunk is kept dry
 * @returns the same
 * @throws RangeError naming the field: a crown narrower than its trunk, a ring in the dry zone or beyond the wall, no flow, 400 buckets
 */
export function checkTree(tree: TreeFacts, trunkDry: boolean): TreeFacts {
  within('count', tree.count, 1, 500, 'plants');
  positive('canopyM', tree.canopyM, WIDEST_M, 'm');
  withinIfGiven('heightM', tree.heightM, 0.05, 60, 'm');
  withinIfGiven('trunkM', tree.trunkM, 0.002, 4, 'm');
  if (tree.sort === 'hedge') positive('lengthM', tree.lengthM, LONGEST_M, 'm');
  if (tree.canopyM <= (tree.trunkM ?? 0))
    throw new OutOfRange('canopyM', `be more than the trunk's ${tree.trunkM ?? 0} m`, `${tree.canopyM} m`);
  withinIfGiven('potL', tree.potL, 0.1, 2000, 'L');
  withinIfGiven('ballM', tree.ballM, 0.05, 4, 'm');
  withinIfGiven('nearM', tree.nearM, 0.1, 60, 'm');
  withinIfGiven('mulchedM', tree.mulchedM, 0.1, 40, 'm');
  const { innerM, outerM } = tree.ring;
  const outermost = Math.max(4 * (tree.canopyM / 2), tree.canopyM / 2 + 3.1, 1);
  positive('ring.outerM', outerM, outermost, 'm (four times the reach of the branches, or 3 m past them)');
  within('ring.innerM', innerM, 0, outerM, 'm (inside the outer edge)');
  if (innerM >= outerM)
    throw new OutOfRange('ring.innerM', `be less than the outer edge's ${outerM} m`, innerM);
  const dry = dryZoneM(tree);
  if (trunkDry && innerM < dry - 1e-6)
    throw new OutOfRange(
      'ring.innerM',
      `be ${dry.toFixed(2)} m or more: so far from an established trunk the ground stays dry`,
      innerM,
    );
  within('part', tree.part, 0.1, 1);
  within('depthMm', tree.depthMm, 100, 900, 'mm');
  withinIfGiven('litresEach', tree.litresEach, 0.1, 20_000, 'L');
  checkLayout(tree.layout);
  return tree;
}

function checkLayout({ by, pieces, pieceLph, bucketL, emptiesMinutes }: Layout): void {
  const most = by === 'buckets' ? MOST_BUCKETS : MOST_PIECES;
  if (pieces !== undefined) within('layout.pieces', pieces, 1, most);
  if (pieceLph !== undefined) positive('layout.pieceLph', pieceLph, 2000, 'L/h');
  if (bucketL !== undefined) within('layout.bucketL', bucketL, 1, 200, 'L');
  if (emptiesMinutes !== undefined) positive('layout.emptiesMinutes', emptiesMinutes, 5000, 'min');
}

/** Ground between two distances from the trunk, m², of one plant or of the whole hedge. Source: geometry. */
export const bandM2 = ({ sort, lengthM = 0 }: TreeFacts, innerM: number, outerM: number): number =>
  sort === 'hedge' ? 2 * lengthM * (outerM - innerM) : Math.PI * (outerM ** 2 - innerM ** 2);

/** Length of a line laid at a distance from the trunk, m. Source: geometry. */
export const lineM = ({ sort, lengthM = 0 }: TreeFacts, radiusM: number): number =>
  sort === 'hedge' ? 2 * lengthM : 2 * Math.PI * radiusM;

/** Ground under the leaves, m², of one plant or the whole hedge. */
export const canopyM2 = ({ sort, lengthM = 0, canopyM }: TreeFacts): number =>
  sort === 'hedge' ? lengthM * canopyM : (Math.PI / 4) * canopyM ** 2;
