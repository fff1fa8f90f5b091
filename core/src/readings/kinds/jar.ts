import { jarTest } from '../../soil/jarTest.ts';
import { oddIf, YEAR, type ReadingRule } from '../reading.ts';

/** A jar of hardly anything but one layer was read too early, or is no soil. Judgement. */
const LAYER_MOST_PCT = 92;

export const jar: ReadingRule<'jar'> = {
  kind: 'jar',
  facts: {
    label: 'Jar',
    about: 'ground',
    minutes: 15,
    goodForDays: 4 * YEAR,
    spoiledByAmendment: true,
    ofGround: true,
  },
  part: ({ horizon }) => horizon,
  odd: (reading) => {
    const { sandPct, siltPct, clayPct } = jarTest(reading);
    const most = Math.max(sandPct, siltPct, clayPct);
    return oddIf(most > LAYER_MOST_PCT, 'most of the jar is one layer', most, LAYER_MOST_PCT, '%');
  },
  tell: (reading, known) => {
    const { sandPct, clayPct, textureClass } = jarTest(reading);
    const source = known.provenanceOf(reading);
    // What was weighed by layers outweighs fingers, until it is stale.
    const outweighs = source.kind === 'measured' && source.stale === undefined;
    const soil = { textureClass, sandPct, clayPct };
    known.claim(reading.horizon, reading, soil, { source, outweighs });
  },
};
