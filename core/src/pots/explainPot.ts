import { MIXES } from '../places/vessel/mixes.ts';
import { leaf, worked, type Working } from '../working/types.ts';
import type { PotNow } from './followPot.ts';
import type { PotGiving } from './potGiving.ts';
import type { PotWayFacts } from './ways.ts';

/** What a pot holds, opened to its mix. */
export function explainHolds({ model }: PotNow): Working {
  const mix = MIXES[model.input.mix];
  return worked(
    'It holds for plants',
    1000 * model.holdsL,
    'mL',
    'litres of mix × available share × share that roots reach',
    [
      leaf('Mix in the pot', model.shape.volumeL, 'L', { kind: 'told' }),
      leaf('Held when it has drained (container capacity)', mix.containerCapacity, 'm³/m³', {
        kind: 'table',
        name: `${mix.label} mix; usual ranges of nursery mixes`,
      }),
      leaf('Held too tightly (unavailable)', mix.unavailable, 'm³/m³', {
        kind: 'table',
        name: `${mix.label} mix; usual ranges of nursery mixes`,
      }),
      leaf(
        'Share that roots reach',
        model.holdsL / (model.shape.volumeL * (mix.containerCapacity - mix.unavailable)),
        'share',
        {
          kind: 'assumed',
          why: 'by how far roots have filled it',
        },
      ),
    ],
  );
}

/** What a pot uses of what is reckoned for its weather. */
export const explainUse = ({ useFactor, spans, doubt }: PotNow): Working =>
  leaf(
    'It uses, of what the weather asks of a pot like it',
    useFactor,
    'share',
    spans.length > 0
      ? { kind: 'measured', on: spans.at(-1)?.until }
      : { kind: 'assumed', why: `not weighed yet: right within ${Math.round(100 * doubt)} %` },
  );

/** A dose, opened down to what was measured, told or assumed. */
export function explainDose(now: PotNow, way: PotWayFacts, give: PotGiving): Working {
  const gone = 1000 * (now.model.holdsL - now.state.availableL);
  return worked(
    'Water to give',
    give.millilitres,
    'mL',
    `what is gone × ${way.fills}${way.drains > 0 ? ` + ${Math.round(100 * way.drains)} % of what it holds, to run through` : ''}`,
    [
      worked('Gone from it now', gone, 'mL', 'what it holds − what it can still give', [
        explainHolds(now),
        leaf(
          'It can still give',
          1000 * now.state.availableL,
          'mL',
          now.weighedOn ? { kind: 'measured', on: now.weighedOn } : { kind: 'worked out' },
        ),
      ]),
      explainUse(now),
    ],
  );
}
