import { item } from '../units/at.ts';
import { explainRun } from '../delivery/explainRate.ts';
import { FORM_FACTS } from '../places/ground/surface.ts';
import type { Drawn } from '../places/place.ts';
import { cropOf } from '../plants/plantOnDay.ts';
import { standingOn } from '../plants/standing.ts';
import { explainLine } from '../schools/schools.ts';
import { DRAINED_AT_KPA } from '../soil/soilFromFractions.ts';
import { LAYER_MM } from '../soil/soilProfile.ts';
import { explainReferenceEt } from '../weather/explainReferenceEt.ts';
import type { Site } from '../weather/types.ts';
import { leaf, named, worked, type Provenance, type Working } from '../working/types.ts';
import type { RunPlan } from '../delivery/runPlan.ts';
import type { DayFacts } from './dayFacts.ts';
import type { PlanBed, Waiting, ZoneRun } from './types.ts';

const usual = (why: string): Provenance => ({ kind: 'assumed', why });

const provenanceOf = (source: string): Provenance =>
  source.startsWith('judgement')
    ? { kind: 'assumed', why: source.slice('judgement: '.length) }
    : { kind: 'table', name: source };

/** What is gone from the root zone: what it holds when full less what it holds now. @param days of the balance so far */
export function explainGone(
  depletionMm: number,
  drawn: Drawn,
  days: number,
  { bed, known }: Pick<PlanBed, 'bed' | 'known'>,
): Working {
  const counted = leaf('Days counted', days, '', { kind: 'worked out' });
  // A place without layers of ground is one store.
  if (drawn.layersMm.length === 0)
    return named(
      'gone',
      worked('Gone this morning', depletionMm, 'mm', 'what it holds when full − what it holds now', [
        counted,
      ]),
    );
  let full = 0;
  let now = 0;
  for (let i = 0; i * LAYER_MM < drawn.rootDepthMm && i < drawn.layersMm.length; i += 1) {
    const part = drawn.rootDepthMm >= drawn.depthMm ? 1 : Math.min(1, drawn.rootDepthMm / LAYER_MM - i);
    full += part * item(drawn.fieldCapacityMm, i);
    now += part * Math.min(item(drawn.fieldCapacityMm, i), item(drawn.layersMm, i));
  }
  const balance = 'the bed’s balance since planting: rain and waterings in, use, runoff and drainage out';
  return named(
    'gone',
    worked(
      'Gone this morning',
      depletionMm,
      'mm',
      'what the root zone holds when full − what it holds now, layer by layer',
      [
        worked('Full', full, 'mm', 'what its texture holds at that suction, after Saxton & Rawls 2006', [
          leaf(
            'It has drained at',
            bed.ground.fieldCapacityKPa ?? DRAINED_AT_KPA.usual,
            'kPa',
            known?.drainedAt ?? usual('the usual suction; for sand and raised beds 10 is often nearer'),
            'drainedAt',
          ),
        ]),
        worked('Now', now, 'mm', balance, [counted]),
      ],
    ),
  );
}

/** The share of the store that may go: the crop's own, moved by the goal and by the day's use. */
function explainShare({ facts, input, site }: Grounds): Working {
  const { evening, day } = facts;
  const planting = standingOn(input.bed.plantings, day.date);
  const crop = planting ? cropOf(planting) : null;
  const { form } = input.bed;
  const settled = planting?.ownLine;
  const own = settled?.share ?? crop?.p.value ?? evening.depletionFraction;
  const ownLeaf = settled
    ? leaf('Its own line', own, 'share', { kind: 'told', on: settled.on })
    : leaf('The crop’s share', own, 'share', crop ? provenanceOf(crop.p.source) : usual('no crop'));
  // A bed of several crops takes the tenderest one's share.
  const moved =
    Math.abs(own - evening.depletionFraction) < 1e-9
      ? ownLeaf
      : worked(
          'The share for this bed',
          evening.depletionFraction,
          'share',
          'that of the tenderest crop on it',
          [ownLeaf],
        );
  return worked(
    'Share that may go',
    evening.readilyMm / Math.max(1e-9, evening.totalMm),
    'share',
    'the share for this bed + 4 % for each mm that its use today is under 5 mm, from 10 to 80 %',
    [
      moved,
      worked(
        'Its use today',
        evening.cropUseMm,
        'mm',
        'basal coefficient × what sun and wind take, and what dries from the soil',
        [
          explainReferenceEt(day, site),
          ...(form === 'raised'
            ? [
                leaf(
                  'A raised bed takes',
                  FORM_FACTS.raised.demandFactor,
                  '×',
                  usual('a judgement: it stands up into wind and sun, and dries by its sides'),
                ),
              ]
            : []),
        ],
      ),
    ],
  );
}

/** What the root zone can spare on a day. */
export function explainSpare(grounds: Grounds): Working {
  const { evening } = grounds.facts;
  return named(
    'spare',
    worked(
      'The root zone can spare',
      evening.readilyMm,
      'mm',
      'what it can hold × the share that may go before the plant slows',
      [
        leaf(
          'It can hold',
          evening.totalMm,
          'mm',
          grounds.input.known?.soil ?? usual('the texture as told, not tested; Saxton & Rawls 2006'),
        ),
        explainShare(grounds),
      ],
    ),
  );
}

/** What a decision was made from, with what its working is drawn from. */
export interface Grounds {
  facts: DayFacts;
  input: PlanBed;
  site: Site;
  drawn: Drawn;
  /** Days the balance has run. */
  days: number;
}

export const explainGoneOf = ({ facts, drawn, days, input }: Grounds): Working =>
  explainGone(facts.depletionMm, drawn, days, input);

/** The line of the way of watering, or what can be spared where it has none. */
export function explainLineOf(grounds: Grounds): Working {
  const spare = explainSpare(grounds);
  const { school, evening, wiltedAt } = grounds.facts;
  return explainLine(school, spare, evening.totalMm, wiltedAt) ?? spare;
}

/** What waiting for the next round would cost, against what may be lost. */
export const explainWaiting = (waiting: Waiting): Working =>
  named(
    'waiting',
    worked(
      'Growth that waiting loses until the next round',
      waiting.lostShare,
      'share',
      'over the ways the weather and its roots may go: drink missed until the next round, beyond what is missed when watered now, weighed by how much its stage minds (FAO-33)',
      [
        leaf('In the worst tenth of the ways', waiting.highShare, 'share', { kind: 'worked out' }),
        leaf('Missed since its last full watering, with that', waiting.missedShare, 'share', {
          kind: 'worked out',
        }),
        leaf('What its goal lets it lose', waiting.allowedShare, 'share', usual('a judgement')),
        leaf('Drinks on the worst day', waiting.lowestKs, 'share of its fill', { kind: 'worked out' }),
        leaf('And is to drink at least', waiting.floor, 'share of its fill', usual('a judgement')),
      ],
    ),
  );

/** The same as a part of all the growth that the plan wants. */
export const explainWaitingOfPlan = (waiting: Waiting): Working =>
  named(
    'waiting',
    worked(
      'Growth that waiting loses, of the fortnight’s',
      waiting.planShare,
      'share',
      'what waiting loses until the next round, as a part of the growth wanted over the whole fortnight',
      [explainWaiting(waiting)],
    ),
  );

/** A run's minutes, from the depth that was decided on down to the leaves; a part of it where the limits leave only that. */
export function explainAmount(
  depth: Working,
  run: RunPlan,
  { input }: Grounds,
  zone?: Pick<ZoneRun, 'minutes'>,
): Working {
  const given = zone
    ? worked(
        'Depth that its zone brings',
        run.localMm,
        'mm',
        'the minutes of its zone at its own flow: long enough for nine tenths of what the beds lack that cannot wait',
        [leaf('Its zone runs for', zone.minutes, 'min', { kind: 'worked out' }), depth],
      )
    : run.localMm < depth.value - 1e-6
      ? worked(
          'Part of it that fits today',
          run.localMm,
          'mm',
          'what the limits of a day leave; the rest follows',
          [depth],
        )
      : depth;
  return explainRun(run, named('depth', given), {
    areaM2: input.bed.areaM2,
    delivery: input.delivery,
    known: input.known ?? {},
  });
}
