import { YEAR, type ReadingRule } from '../reading.ts';

export const dig: ReadingRule<'dig'> = {
  kind: 'dig',
  facts: { label: 'Dig', about: 'ground', minutes: 20, goodForDays: 10 * YEAR, ofGround: true },
  tell: (reading, known) => {
    const { topsoilMm, belowClass, stonesPct, rockMm, rootsMm } = reading;
    known.dig = { topsoilMm, belowClass, stonesPct, rockMm };
    if (rootsMm !== undefined) known.rootsSeen = { on: reading.on, depthMm: rootsMm };
    known.digSource = known.provenanceOf(reading);
  },
};
