import type { IsoDate } from '../../units/dates.ts';
import type { CropEntry } from '../../plants/types.ts';
import { checkTree, dryZoneM, type TreeFacts, type TreeSort } from './treeFacts.ts';
import { ballDepthM, phaseOn, ringFor, trunkStaysDry, usualDepthMm, type TreePhase } from './phases.ts';

/** What is declared of a tree: where and how deep it is watered may be left to Kibble. */
export type DeclaredTree = Omit<TreeFacts, 'ring' | 'depthMm' | 'part'> &
  Partial<Pick<TreeFacts, 'ring' | 'depthMm' | 'part'>>;

/** How a plant of each group usually stands. */
const SORT_OF: Readonly<Partial<Record<CropEntry['group'], TreeSort>>> = {
  'fruit trees': 'tree',
  'ornamental trees': 'tree',
  'shrubs and roses': 'shrub',
  'soft fruit': 'shrub',
};
/** Spread of a young plant's branches, m, where nobody measured it, and of a grown one as a share of its height. Judgements. */
const YOUNG_M: Readonly<Record<TreeSort, number>> = { tree: 0.8, shrub: 0.4, hedge: 0.4 };
const GROWN_SHARE: Readonly<Record<TreeSort, number>> = { tree: 0.8, shrub: 0.9, hedge: 0.4 };

/** A tree as its kind usually is, to begin with: what is asked is then put in its place. */
export function newTree(crop: CropEntry, ageYears: number): DeclaredTree {
  const sort = crop.id.endsWith('-hedge') ? 'hedge' : (SORT_OF[crop.group] ?? 'tree');
  const grown = Math.min(1, Math.sqrt(Math.max(0, ageYears) / (sort === 'tree' ? 20 : 6)));
  const full = crop.heightM * GROWN_SHARE[sort];
  const canopyM = Math.max(YOUNG_M[sort], Math.round(10 * full * grown) / 10);
  return {
    sort,
    count: 1,
    canopyM,
    lengthM: sort === 'hedge' ? 5 : undefined,
    cameAs: crop.usualStart === 'bare-root' ? 'bare-root' : 'potted',
    beneath: 'bare',
    near: 'nothing',
    reach: 'at the edge',
    layout: {
      by:
        sort === 'tree'
          ? ageYears < 3
            ? 'basin'
            : 'bubbler stops'
          : sort === 'hedge'
            ? 'soaker ring'
            : 'bubbler stops',
    },
  };
}

/** A new plant is soaked at least as deep as the pot or ball it came in. Common practice. */
const firstDepthMm = (declared: DeclaredTree, phase: TreePhase): number =>
  Math.max(
    usualDepthMm(declared, phase),
    phase === 'established' ? 0 : 10 * Math.ceil(100 * ballDepthM(declared)),
  );

/**
 * A tree as declared, with what was left to Kibble filled in for its phase on the day.
 * @throws RangeError as `checkTree`, and on a day of planting in the future
 */
export function treeAsDeclared(declared: DeclaredTree, plantedOn: IsoDate, on: IsoDate): TreeFacts {
  const phase = phaseOn(declared, plantedOn, on);
  const bare: TreeFacts = {
    ...declared,
    ring: declared.ring ?? { innerM: 0, outerM: 1 },
    part: declared.part ?? 1,
    depthMm: declared.depthMm ?? firstDepthMm(declared, phase),
  };
  const ring = declared.ring ?? ringFor(bare, plantedOn, on);
  const established = phase === 'established';
  // A ring that touches the dry trunk by a hair is meant to end there.
  const innerM =
    established && declared.ring === undefined ? Math.max(ring.innerM, dryZoneM(bare)) : ring.innerM;
  return checkTree({ ...bare, ring: { ...ring, innerM } }, trunkStaysDry(declared, plantedOn, on));
}
