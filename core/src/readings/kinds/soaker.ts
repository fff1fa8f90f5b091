import { soakerTest } from '../../delivery/soakerTest.ts';
import { SEASON, type ReadingRule } from '../reading.ts';
import { oddFlow } from './bucket.ts';

export const soaker: ReadingRule<'soaker'> = {
  kind: 'soaker',
  facts: {
    label: 'Soaker',
    about: 'water',
    minutes: 15,
    goodForDays: SEASON,
    spoiledByChange: true,
    ofMethod: true,
  },
  // A soaker may be a trickle; only a flood is odd.
  odd: (reading) =>
    oddFlow(soakerTest(reading).litresPerMinute).filter(({ code }) => code === 'more than a garden tap'),
  tell: (reading, known) => known.claim('flow', reading, soakerTest(reading).litresPerMinute),
};
