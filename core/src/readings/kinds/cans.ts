import { FEWEST_FOR_EVENNESS } from '../../delivery/canAdvice.ts';
import { canTest } from '../../delivery/canTest.ts';
import { METHOD_FACTS } from '../../delivery/methods.ts';
import { oddIf, SEASON, type ReadingRule } from '../reading.ts';

/** Garden sprinklers rain less than this, mm/h. Judgement. */
const RATE_MOST = 80;
/** Cans may catch this many times what was sent before it is asked again: readings have errors. Judgement. */
const CAUGHT_MOST = 1.05;
/** Least share that reaches the soil, and least evenness, that is believed. Judgement. */
const LEAST = 0.2;

export const cans: ReadingRule<'cans'> = {
  kind: 'cans',
  facts: {
    label: 'Cans',
    about: 'water',
    minutes: 40,
    goodForDays: 2 * SEASON,
    spoiledByChange: true,
    ofMethod: true,
  },
  odd: ({ grid, minutes }, { areaM2, litresPerMinute: sent }) => {
    const { rateMmPerHour } = canTest({ depthsMm: grid.flat(), minutes });
    const caught = (rateMmPerHour * (areaM2 ?? 0)) / 60;
    return [
      ...oddIf(rateMmPerHour > RATE_MOST, 'heavier than a downpour', rateMmPerHour, RATE_MOST, 'mm/h'),
      ...oddIf(
        sent !== undefined && caught > CAUGHT_MOST * sent,
        'cans caught more than was sent',
        caught,
        sent ?? 0,
        'L/min',
      ),
    ];
  },
  tell: (reading, known) => {
    const depthsMm = reading.grid.flat();
    const test = canTest({ depthsMm, minutes: reading.minutes });
    if (depthsMm.length >= FEWEST_FOR_EVENNESS)
      known.claim('evenness', reading, Math.max(LEAST, test.lowQuarterUniformity));
    // The cans caught what reached the ground; the tap gave that and what was lost on the way.
    const caught = (test.rateMmPerHour * known.areaM2 * known.wettedFraction) / 60;
    const { efficiency } = METHOD_FACTS[known.declared.method];
    if (known.flowIsKnown)
      known.claim(
        'reachingShare',
        reading,
        Math.min(1, Math.max(LEAST, caught / known.delivery.litresPerMinute)),
      );
    else known.claim('flow', reading, caught / efficiency);
  },
};
