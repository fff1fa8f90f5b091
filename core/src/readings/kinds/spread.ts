import { spreadShare } from '../../delivery/wettedStrip.ts';
import { YEAR, type ReadingRule } from '../reading.ts';

export const spread: ReadingRule<'spread'> = {
  kind: 'spread',
  facts: {
    label: 'Spread',
    about: 'water',
    minutes: 15,
    goodForDays: YEAR,
    spoiledByChange: true,
    ofMethod: true,
  },
  tell: (reading, known) => known.claim('wettedShare', reading, spreadShare(reading)),
};
