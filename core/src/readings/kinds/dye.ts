import { YEAR, type ReadingRule } from '../reading.ts';

export const dye: ReadingRule<'dye'> = {
  kind: 'dye',
  facts: {
    label: 'Dye',
    about: 'ground',
    minutes: 20,
    goodForDays: YEAR,
    spoiledByAmendment: true,
    ofGround: true,
  },
  tell: (reading, known) => known.claim('path', reading, reading.path),
};
