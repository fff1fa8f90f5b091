import { localDepth, type Delivery } from '../../delivery/runPlan.ts';
import { cropOf } from '../../plants/plantOnDay.ts';
import type { CropEntry, PlantingInput } from '../../plants/types.ts';
import { intakeRate, type GroundInput } from '../../soil/soilProfile.ts';
import type { IsoDate } from '../../units/dates.ts';
import { item } from '../../units/at.ts';
import { LAYOUT_FACTS } from './layoutFacts.ts';
import { BASIN_MM, layOut, type Laid } from './layouts.ts';
import { phaseOn, rootReachM, type TreePhase } from './phases.ts';
import { plantFactorOf } from './treeDemand.ts';
import { setSoakL } from './soakSize.ts';
import { bandM2, canopyM2, dryZoneM, type Beneath, type TreeFacts } from './treeFacts.ts';

/** A part of a ring lies beyond a wall or under a path: the share that is left. Source: geometry at the ring's middle. */
export function openShare({ near, nearM, ring, part }: TreeFacts): number {
  const middle = (ring.innerM + ring.outerM) / 2;
  const cut =
    near === 'nothing' || nearM === undefined || nearM >= middle ? 0 : Math.acos(nearM / middle) / Math.PI;
  return Math.max(0.1, Math.min(part, 1 - cut));
}

/** What else drinks there, as a share of reference demand over the roots' ground: turf and underplanting take theirs first. Judgement. */
const COMPANIONS: Readonly<Record<Beneath, number>> = {
  bare: 0,
  mulch: 0,
  lawn: 0.1,
  // Brown turf is asleep.
  'lawn, unwatered': 0.03,
  planting: 0.4,
};
/** How much of the ground they hide. Judgement. */
const COMPANION_COVER: Readonly<Record<Beneath, number>> = {
  bare: 0,
  mulch: 0,
  lawn: 0.8,
  'lawn, unwatered': 0.6,
  planting: 0.5,
};

/** Absorbing roots lie so deep, mm: shallow and deep end by phase. Common practice (mostly 150–600 mm); the ends are judgements. */
const ROOTS_M: Readonly<Record<TreePhase, readonly [min: number, max: number]>> = {
  'first weeks': [0.3, 0.35],
  'first year': [0.35, 0.45],
  'rooting out': [0.4, 0.6],
  established: [0.5, 0.9],
};

/**
 * Leaves of a young plant are few for the spread of its branches: share of the full use of that spread. Judgement, after
 * the engine's own of first-year perennials.
 */
export const LEAF_SHARES: Readonly<Record<TreePhase, number>> = {
  'first weeks': 0.4,
  'first year': 0.6,
  'rooting out': 0.8,
  established: 1,
};
/** Bushes that stand together share their ground: no more than this times the room of their spacing is one plant's. Judgement. */
const ROOM_TIMES = 1.5;

/** The ground of a tree place as the balance takes it: roots' ground, of which the ring is the part that is watered. */
export interface TreeGround {
  phase: TreePhase;
  /** Ground its roots are counted on in, m², and the ring that is watered, m², of all of them. */
  areaM2: number;
  ringM2: number;
  /** Share of the roots' ground that a watering wets, 0.05–1. */
  wettedFraction: number;
  laid: Laid;
  delivery: Delivery;
}

/** When the main woody plant was planted; what stands there without one has no tree. */
const mainOf = (plantings: readonly PlantingInput[]): PlantingInput | undefined =>
  plantings.findLast((p) => p.endedOn === undefined) ?? plantings.at(-1);

/**
 * A tree place as ground: the two columns of its balance are the ring that is wetted and the rest of the roots' ground.
 * @param tree as told, on a day; `plantedOn` by which its phase goes; `ground` its soil
 * @param delivery how it is watered: the flow of the tap where that counts
 * @throws RangeError as `checkTree` and `layOut`
 * Source: geometry; reach of the roots as `rootReachM`.
 */
export function treeGround(
  tree: TreeFacts,
  from: { plantedOn: IsoDate; on: IsoDate; crop?: CropEntry },
  ground: GroundInput,
  delivery: Delivery,
): TreeGround {
  const phase = phaseOn(tree, from.plantedOn, from.on);
  const open = openShare(tree);
  const ringM2 = bandM2(tree, tree.ring.innerM, tree.ring.outerM) * open;
  const { textureClass } = item(ground.horizons, 0);
  const laid = layOut(
    tree,
    open,
    { textureClass, infiltrationMmPerHour: intakeRate(ground, tree.beneath === 'mulch') },
    delivery.litresPerMinute,
    setSoakL(tree, ringM2, delivery),
  );
  const reach = Math.max(rootReachM(tree, from.plantedOn, from.on), tree.ring.outerM);
  const dry = phase === 'established' ? Math.min(dryZoneM(tree), tree.ring.innerM) : 0;
  const wetM2 = ringM2 * laid.wetShare;
  // Roots beyond a wall are not counted on either; and nothing under a twentieth wetted can be followed.
  const rootsM2 = Math.min(bandM2(tree, dry, reach) * Math.max(open, 0.5), wetM2 / 0.05);
  const { spacing } = from.crop ?? {};
  const roomM2 =
    spacing && tree.sort === 'shrub' && tree.count > 1
      ? (ROOM_TIMES * spacing.inRowMm * spacing.betweenRowsMm) / 1e6
      : Number.POSITIVE_INFINITY;
  const areaM2 = Math.max(Math.min(rootsM2, roomM2), wetM2);
  return {
    phase,
    areaM2: areaM2 * tree.count,
    ringM2: ringM2 * tree.count,
    wettedFraction: Math.min(1, Math.max(0.05, wetM2 / areaM2)),
    laid,
    delivery: {
      ...delivery,
      method: methodOf(tree, delivery),
      ...(tree.layout.by === 'basin' ? { surfaceStorageMm: BASIN_MM } : {}),
      litresPerMinute: flowOf(tree, laid),
      wettedFraction: Math.min(1, Math.max(0.05, wetM2 / areaM2)),
      spots: LAYOUT_FACTS[tree.layout.by].moved ? laid.pieces * tree.count : tree.count,
    },
  };
}

/** A basin is filled by whatever is carried or held there. */
const methodOf = ({ layout }: TreeFacts, { method }: Delivery): Delivery['method'] =>
  layout.by === 'basin' && (method === 'watering can' || method === 'bubbler')
    ? method
    : LAYOUT_FACTS[layout.by].method;

/** What runs at once over the whole place, L/min: what is moved or held runs at one plant, lines and buckets at all of them. */
const flowOf = ({ layout, count }: TreeFacts, laid: Laid): number =>
  LAYOUT_FACTS[layout.by].moved && layout.by !== 'buckets'
    ? laid.litresPerMinute
    : layout.by === 'basin' || layout.by === 'soaker ring'
      ? laid.litresPerMinute
      : laid.litresPerMinute * count;

/** A woody plant with its numbers as this one stands: its crown's use spread over the ground its roots have. */
function asItStands(crop: CropEntry, tree: TreeFacts, { areaM2, phase }: TreeGround): CropEntry {
  const leaves = (tree.count * canopyM2(tree)) / areaM2;
  const more = COMPANIONS[tree.beneath];
  const times = (plantFactorOf(crop) * LEAF_SHARES[phase] * leaves) / crop.kcb.mid;
  const scaled = ({ ini, mid, end, source }: CropEntry['kcb']): CropEntry['kcb'] => ({
    ini: Math.min(1.4, ini * times + more),
    mid: Math.min(1.4, mid * times + more),
    end: Math.min(1.4, end * times + more),
    source,
  });
  const [minM, maxM] = ROOTS_M[phase];
  const deep = tree.sort === 'tree' ? 1 : 0.85;
  return {
    ...crop,
    kc: scaled(crop.kc),
    kcb: scaled(crop.kcb),
    heightM: tree.heightM ?? crop.heightM,
    leafCover: Math.min(0.95, leaves * (crop.leafCover ?? 0.85) + COMPANION_COVER[tree.beneath]),
    roots: {
      minM: minM * deep,
      maxM: maxM * deep,
      source: 'judgement: absorbing roots of woody plants lie mostly at 150–600 mm',
    },
    spacing: crop.spacing,
    asItStands: true,
  };
}

/** The plantings of a tree place as the balance takes them: the woody one as it stands, companions as they are. */
export function treePlantings(
  plantings: readonly PlantingInput[],
  tree: TreeFacts,
  made: TreeGround,
): PlantingInput[] {
  const main = mainOf(plantings);
  return plantings.map((planting) =>
    planting === main ? { ...planting, custom: asItStands(cropOf(planting), tree, made) } : { ...planting },
  );
}

export const mainPlanting = mainOf;

/** Depth where it falls of a soak that is set, mm; undefined where the ground decides. Source: as `setSoakL`. */
export const treeSetMm = (tree: TreeFacts, made: TreeGround): number | undefined => {
  const litresEach = setSoakL(tree, made.ringM2 / tree.count, made.delivery);
  return litresEach === undefined ? undefined : treeDepthMm(tree, litresEach, made);
};

/** Depth where it falls that so many litres for each plant are, mm. Source: arithmetic. */
export const treeDepthMm = ({ count }: TreeFacts, litresEach: number, made: TreeGround): number =>
  localDepth(litresEach * count, made.areaM2, made.delivery);
