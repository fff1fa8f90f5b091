import { holeTest } from '../../soil/holeTest.ts';
import { YEAR, type ReadingRule } from '../reading.ts';
import { oddDrainage } from './hole.ts';

export const pot: ReadingRule<'pot'> = {
  kind: 'pot',
  facts: {
    label: 'Pot',
    about: 'ground',
    minutes: 20,
    goodForDays: 2 * YEAR,
    spoiledByAmendment: true,
    ofGround: true,
  },
  odd: oddDrainage,
  tell: (reading, known) => {
    known.claim('drainage', reading, holeTest(reading).mmPerHour);
    known.claim('path', reading, reading.path);
  },
};
