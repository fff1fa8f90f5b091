import { YEAR, type ReadingRule } from '../reading.ts';

export const dig: ReadingRule<'dig'> = {
  kind: 'dig',
  facts: { label: 'Dig', about: 'ground', minutes: 20, goodForDays: 10 * YEAR, ofGround: true },
  tell: (reading, known) => {
    const { topsoilMm, belowClass, stonesPct, rockMm } = reading;
    known.dig = { topsoilMm, belowClass, stonesPct, rockMm };
    known.digSource = known.provenanceOf(reading);
  },
};
