import { holeTest } from '../../soil/holeTest.ts';
import { oddIf, YEAR, type Oddity, type ReadingRule } from '../reading.ts';

/** Faster than this a hole drains like a sieve, mm/h. Judgement. */
const DRAIN_MOST = 500;

/** What is odd about the fall of water in a hole or pot. */
export function oddDrainage(reading: { fallMm: number; minutes: number }): Oddity[] {
  const { mmPerHour } = holeTest(reading);
  return [
    ...oddIf(mmPerHour > DRAIN_MOST, 'drains like a sieve', mmPerHour, DRAIN_MOST, 'mm/h'),
    ...oddIf(mmPerHour === 0, 'does not drain', mmPerHour, 1, 'mm/h'),
  ];
}

export const hole: ReadingRule<'hole'> = {
  kind: 'hole',
  facts: {
    label: 'Hole',
    about: 'ground',
    minutes: 15,
    goodForDays: 3 * YEAR,
    spoiledByAmendment: true,
    ofGround: true,
  },
  odd: oddDrainage,
  tell: (reading, known) => known.claim('drainage', reading, holeTest(reading).mmPerHour),
};
