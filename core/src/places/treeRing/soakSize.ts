import { RING_FORTNIGHT_MM } from '../../plants/ringDoses.ts';
import { reachingShareOf, type Delivery } from '../../delivery/runPlan.ts';
import { OutOfRange } from '../../units/guard.ts';
import { livesOnBall, trunkAtPlantingM, type TreePhase } from './phases.ts';
import type { SoakBy, TreeFacts } from './treeFacts.ts';
import { GUIDES_RANGE } from './youngRhythm.ts';

/** A soak of an established tree by its trunk, L for each cm of it. Common practice: 10 US gal an inch. */
export const TRUNK_L_PER_CM = 15;

/**
 * What one plant gets at a soak where that is set, L: a volume, or one of the two rules of thumb; undefined where its ground decides.
 * @param ringM2 ground of the ring of one plant, m²
 * @throws RangeError when it is to go by a trunk that nobody measured
 * Source: common practice (10 US gal an inch of trunk; 2 inches over the ring).
 */
export function setSoakL(
  { litresEach, soakBy, trunkM }: TreeFacts,
  ringM2: number,
  delivery: Delivery,
): number | undefined {
  if (litresEach !== undefined) return litresEach;
  if (soakBy === 'ring') return (RING_FORTNIGHT_MM * ringM2) / reachingShareOf(delivery);
  if (soakBy !== 'trunk') return undefined;
  if (trunkM === undefined)
    throw new OutOfRange('trunkM', 'be measured, since the soak goes by it', 'nothing');
  return TRUNK_L_PER_CM * 100 * trunkM;
}

/** The ways in which people measure a soak, each with what it comes to for one plant, L, and for a cm of its trunk where that is known. */
export interface SoakSize {
  by: SoakBy;
  litresEach: number;
  lPerCm: number | null;
  used: boolean;
}

/** @param groundL what its ground asks for, L for one plant. Source: as `setSoakL`. */
export function soakSizes(
  tree: TreeFacts,
  from: { groundL: number; ringM2: number; delivery: Delivery },
): SoakSize[] {
  const { trunkM, soakBy = 'ground', litresEach } = tree;
  const sizes: [SoakBy, number | undefined][] = [
    ['ground', from.groundL],
    ['trunk', trunkM === undefined ? undefined : TRUNK_L_PER_CM * 100 * trunkM],
    ['ring', setSoakL({ ...tree, litresEach: undefined, soakBy: 'ring' }, from.ringM2, from.delivery)],
  ];
  return sizes.flatMap(([by, litres]) =>
    litres === undefined
      ? []
      : [
          {
            by,
            litresEach: litres,
            lPerCm: trunkM === undefined ? null : litres / (100 * trunkM),
            used: litresEach === undefined && by === soakBy,
          },
        ],
  );
}

/** Litres that guides give one young tree at a watering, from the least to the most; null once it has left its ball, and for bushes. Source: `YOUNG_GUIDES`. */
export function guideLitres(tree: TreeFacts, phase: TreePhase): { leastL: number; mostL: number } | null {
  if (tree.sort !== 'tree' || !livesOnBall(tree, phase)) return null;
  const cm = 100 * trunkAtPlantingM(tree);
  return { leastL: GUIDES_RANGE.leastLPerCm * cm, mostL: GUIDES_RANGE.mostLPerCm * cm };
}
