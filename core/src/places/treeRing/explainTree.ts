import { leaf, worked, type Provenance, type Working } from '../../working/types.ts';
import { plantFactorOf } from './treeDemand.ts';
import { THICK_MM, THIN_MM, type TreePlan } from './treePlan.ts';
import { canopyM2, type TreeFacts } from './treeFacts.ts';
import type { CropEntry } from '../../plants/types.ts';

const told: Provenance = { kind: 'told' };
const worth: Provenance = { kind: 'worked out' };
const assumed = (why: string): Provenance => ({ kind: 'assumed', why });

/** The figures of a tree's page, each with its working. Areas m², mulch L, lines metres, all plants together; shares 0–1. */
export interface TreeWorkings {
  ring: Working;
  wet: Working;
  rootsShare: Working;
  line: Working;
  thick: Working;
  thin: Working;
  fortnight: Working;
  month: Working;
}

/**
 * The working of a tree's ring, its layout and its mulch.
 * @param tree as told; `plan` its plan on a day
 * Source: as `treePlan`: geometry, and the judgements named there.
 */
export function explainTree(tree: TreeFacts, plan: TreePlan): TreeWorkings {
  const { innerM, outerM } = tree.ring;
  const count = leaf('How many alike', tree.count, '', told);
  const edges = [
    leaf('Inner edge', innerM, 'metres', told),
    leaf('Outer edge', outerM, 'metres', told),
    ...(tree.lengthM === undefined ? [] : [leaf('Length of the hedge', tree.lengthM, 'metres', told)]),
  ];
  const ring = worked(
    'The ring',
    plan.ringM2,
    'm²',
    tree.sort === 'hedge'
      ? 'twice the length × (outer − inner edge) × the share that is open × how many'
      : 'π × (outer² − inner²) × the share that is open × how many',
    [...edges, leaf('Share that is open', plan.openShare, 'share', told), count],
  );
  const wet = worked('What of it gets wet', plan.wetM2, 'm²', 'the ring × the share that its layout wets', [
    ring,
    leaf(
      'Share that is wetted',
      plan.laid.wetShare,
      'share',
      assumed(
        'lines and spots wet as wide as the soil spreads the water; a hose wets the ground that takes its flow',
      ),
    ),
  ]);
  const overRing = (label: string, litres: number, mm: number): Working =>
    worked(label, litres, 'L', 'depth × the ring ÷ the share that reaches the soil', [
      leaf('Depth over the ring', mm, 'mm', assumed('common practice where water is short')),
      ring,
    ]);
  const mulch = (label: string, eachL: number, mm: number, fromM: number, toM: number): Working =>
    worked(label, eachL * tree.count, 'L', 'ground between the two edges × depth × how many', [
      leaf('From', fromM, 'metres', worth),
      leaf('To', toM, 'metres', worth),
      leaf('Depth', mm, 'mm', assumed('common practice: thick outside, thin towards the trunk')),
      count,
    ]);
  return {
    ring,
    wet,
    rootsShare: worked(
      'Of its roots’ ground',
      plan.rootsShare,
      'share',
      'what gets wet ÷ the ground its roots are counted on',
      [
        wet,
        leaf(
          'Roots are counted on out to',
          plan.rootsM,
          'metres',
          assumed('0.45 m a year at first, then two and a half times the branches'),
        ),
      ],
    ),
    line: worked(
      'Line or hose',
      plan.laid.lineM * tree.count,
      'metres',
      'the length about one plant × how many',
      [leaf('About one plant', plan.laid.lineM, 'metres', worth), count],
    ),
    thick: mulch('Thick mulch', plan.mulch.thickL, THICK_MM, plan.mulch.meetM, plan.mulch.outerM),
    thin: mulch('Thin mulch', plan.mulch.thinL, THIN_MM, plan.mulch.bareM, plan.mulch.meetM),
    fortnight: overRing('A fortnight', plan.fortnightL, plan.fortnightMm),
    month: overRing('A month', plan.monthL, plan.monthMm),
  };
}

/**
 * What all crowns of a tree place may lose on a day, L: for urgency, never a dose.
 * @param et0Mm reference demand of the day, mm
 * Source: ANSI/ASABE S623 (ET0 × plant factor × ground under the leaves).
 */
export const explainPeak = (tree: TreeFacts, crop: CropEntry, et0Mm: number): Working =>
  worked(
    'It may lose',
    et0Mm * plantFactorOf(crop) * tree.count * canopyM2(tree),
    'L',
    'reference demand × plant factor × ground under the leaves',
    [
      leaf('Reference demand of the day', et0Mm, 'mm', worth),
      leaf('Plant factor', plantFactorOf(crop), 'share', { kind: 'table', name: 'ANSI/ASABE S623' }),
      leaf('Under the leaves', tree.count * canopyM2(tree), 'm²', told),
    ],
  );
