import { oddIf, type ReadingRule } from '../reading.ts';

/** Steeper ground is terraced before it is gardened, %. Judgement. */
const SLOPE_MOST = 30;

export const site: ReadingRule<'site'> = {
  kind: 'site',
  facts: { label: 'Slope and exposure', about: 'ground', minutes: 5 },
  odd: ({ slopePct }) => oddIf(slopePct > SLOPE_MOST, 'very steep', slopePct, SLOPE_MOST, '%'),
  tell: (reading, known) => {
    const { slopePct, crusted, sun, wind, wall } = reading;
    Object.assign(known.place, { sun, wind, wall });
    known.site = { slopePct, crusted };
    known.siteSource = known.provenanceOf(reading);
  },
};
