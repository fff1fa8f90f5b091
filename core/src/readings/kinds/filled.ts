import { YEAR, type ReadingRule } from '../reading.ts';

/** What a raised bed was filled with, over the soil that was there. */
export const filled: ReadingRule<'filled'> = {
  kind: 'filled',
  facts: { label: 'Filled with', about: 'ground', minutes: 1, goodForDays: 10 * YEAR, ofGround: true },
  tell: ({ fill, depthMm, ...reading }, known) => {
    known.fill = { fill, depthMm };
    known.fillSource = { kind: 'told', on: reading.on };
  },
};
