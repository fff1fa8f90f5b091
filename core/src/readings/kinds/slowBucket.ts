import { slowBucket as emptied } from '../../delivery/fills.ts';
import { SEASON, type ReadingRule } from '../reading.ts';

export const slowBucket: ReadingRule<'slow-bucket'> = {
  kind: 'slow-bucket',
  facts: {
    label: 'Slow bucket',
    about: 'water',
    minutes: 5,
    goodForDays: SEASON,
    spoiledByChange: true,
    ofMethod: true,
  },
  tell: (reading, known) =>
    known.claim('flow', reading, (emptied(reading).litresPerHour / 60) * reading.buckets),
};
