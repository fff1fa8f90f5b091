import { MOST_RATE_MM_PER_HOUR } from '../../delivery/cycleAndSoak.ts';
import { METHOD_FACTS } from '../../delivery/methods.ts';
import { poolingTest } from '../../delivery/poolingTest.ts';
import { deliveryRate } from '../../delivery/runPlan.ts';
import { SEASON, type ReadingRule } from '../reading.ts';

export const pooling: ReadingRule<'pooling'> = {
  kind: 'pooling',
  facts: {
    label: 'Pooling',
    about: 'water',
    minutes: 20,
    goodForDays: SEASON,
    spoiledByAmendment: true,
    spoiledByChange: true,
    ofMethod: true,
  },
  odd: ({ minutes }) => {
    poolingTest({ rateMmPerHour: 1, minutes, surfaceStorageMm: 1 });
    return [];
  },
  tell: (reading, known) => {
    const seen = poolingTest({
      rateMmPerHour: Math.min(MOST_RATE_MM_PER_HOUR, deliveryRate(known.delivery, known.areaM2)),
      minutes: reading.minutes,
      surfaceStorageMm: METHOD_FACTS[known.declared.method].surfaceStorageMm,
    });
    known.intake = {
      mmPerHour: seen.infiltrationMmPerHour,
      surfaceStorageMm: seen.surfaceStorageMm,
      source: known.provenanceOf(reading),
    };
  },
};
