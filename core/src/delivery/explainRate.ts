import type { Known } from '../working/known.ts';
import { leaf, worked, type Provenance, type Working } from '../working/types.ts';
import { METHOD_FACTS } from './methods.ts';
import {
  deliveryRate,
  evenedShare,
  evennessOf,
  reachingShareOf,
  wettedFractionOf,
  type Delivery,
  type RunPlan,
} from './runPlan.ts';

const usual = (why: string): Provenance => ({ kind: 'assumed', why });

const flowLeaf = (delivery: Delivery, known: Known): Working =>
  leaf(
    'Flow',
    delivery.litresPerMinute,
    'L/min',
    known.flow ?? usual('nobody has timed a bucket yet'),
    'flow',
  );

const areaLeaf = (areaM2: number, known: Known): Working =>
  leaf('Area', areaM2, 'm²', known.area ?? { kind: 'told' }, 'area');

const wettedLeaf = (delivery: Delivery, known: Known): Working =>
  leaf(
    'Share that gets wet',
    wettedFractionOf(delivery),
    'share',
    known.wettedFraction ?? usual(`usual for: ${METHOD_FACTS[delivery.method].how}, on this soil`),
    'wettedShare',
  );

/** Rate on the wetted ground, with its inputs. */
export const explainRate = (areaM2: number, delivery: Delivery, known: Known = {}): Working =>
  worked(
    'Rate where it falls',
    deliveryRate(delivery, areaM2),
    'mm/h',
    'flow × 60 ÷ (area × share that gets wet)',
    [flowLeaf(delivery, known), areaLeaf(areaM2, known), wettedLeaf(delivery, known)],
  );

/** A run from the depth it is to bring to the minutes it takes. @param depth the working of its depth on the wetted ground */
export function explainRun(
  run: RunPlan,
  depth: Working,
  { areaM2, delivery, known }: { areaM2: number; delivery: Delivery; known: Known },
): Working {
  const method = METHOD_FACTS[delivery.method];
  const losses = [
    leaf(
      'Share that reaches the soil',
      reachingShareOf(delivery),
      'share',
      known.efficiency ?? usual(`usual for: ${method.how}`),
      'reachingShare',
    ),
  ];
  const evenness = evennessOf(delivery);
  losses.push(
    worked(
      'Share that evens out',
      evenedShare(evenness),
      'share',
      '40 % + 0.6 × evenness of the driest quarter: more is given, so that the drier parts have enough',
      [
        leaf(
          'Evenness of the driest quarter',
          evenness,
          'share',
          known.evenness ?? usual(`usual for: ${method.how}; cans set out would tell`),
          'evenness',
        ),
      ],
    ),
  );
  const bedDepth = worked(
    'The same over the whole bed',
    run.bedMm,
    'mm',
    'depth × share of the bed that gets wet',
    [depth, wettedLeaf(delivery, known)],
  );
  const wholeDepth =
    run.leavesMm > 0
      ? worked(
          'With what the leaves hold',
          run.bedMm + run.leavesMm,
          'mm',
          'depth over the bed + what the leaves hold back',
          [
            bedDepth,
            leaf(
              'The leaves hold',
              run.leavesMm,
              'mm',
              usual('by how much leaf there is: 0.2 mm for each layer of leaves'),
            ),
          ],
        )
      : bedDepth;
  const litres: Working = {
    ...worked(
      'Litres through the tap',
      run.litres,
      'L',
      'depth over the bed × area ÷ share that reaches the soil ÷ share that evens out',
      [wholeDepth, areaLeaf(areaM2, known), ...losses],
    ),
    of: 'litres',
  };
  return {
    ...worked('Minutes', run.minutes, 'min', 'litres ÷ flow', [litres, flowLeaf(delivery, known)]),
    of: 'minutes',
  };
}
