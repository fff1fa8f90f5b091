import { bucketTest } from '../../delivery/bucketTest.ts';
import { oddIf, SEASON, type Oddity, type ReadingRule } from '../reading.ts';

/** A garden tap gives 5 to 40 L/min; beyond these ends it is asked again. Judgement. */
const TAP_MOST = 60;
const TAP_LEAST = 0.2;

/** What is odd about a flow, L/min. */
export const oddFlow = (flow: number): Oddity[] => [
  ...oddIf(flow > TAP_MOST, 'more than a garden tap', flow, TAP_MOST, 'L/min'),
  ...oddIf(flow < TAP_LEAST, 'hardly a trickle', flow, TAP_LEAST, 'L/min'),
];

export const bucket: ReadingRule<'bucket'> = {
  kind: 'bucket',
  facts: {
    label: 'Bucket',
    about: 'water',
    minutes: 10,
    goodForDays: SEASON,
    spoiledByChange: true,
    ofMethod: true,
  },
  odd: (reading) => oddFlow(bucketTest(reading).litresPerMinute),
  tell: (reading, known) => {
    const { litresPerMinute } = bucketTest(reading);
    if (reading.tap !== undefined) known.supplyLitresPerMinute = litresPerMinute;
    // What the tap gives is the flow of an open hose, and only the limit of a line.
    if (reading.tap === undefined || known.openTap) known.claim('flow', reading, litresPerMinute);
  },
};
