import { feelKey } from '../../soil/feelKey.ts';
import { YEAR, type ReadingRule } from '../reading.ts';

export const feel: ReadingRule<'feel'> = {
  kind: 'feel',
  facts: {
    label: 'Feel',
    about: 'ground',
    minutes: 10,
    goodForDays: 2 * YEAR,
    spoiledByAmendment: true,
    ofGround: true,
  },
  part: ({ horizon }) => horizon,
  odd: ({ answers }) => {
    feelKey(answers);
    return [];
  },
  tell: (reading, known) => known.claim(reading.horizon, reading, { textureClass: feelKey(reading.answers) }),
};
