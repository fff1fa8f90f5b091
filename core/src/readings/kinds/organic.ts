import { YEAR, type ReadingRule } from '../reading.ts';

export const organic: ReadingRule<'organic'> = {
  kind: 'organic',
  facts: {
    label: 'Organic matter',
    about: 'ground',
    minutes: 5,
    goodForDays: 3 * YEAR,
    spoiledByAmendment: true,
    ofGround: true,
  },
  tell: (reading, known) => known.claim('organicMatter', reading, reading.organicMatterPct),
};
