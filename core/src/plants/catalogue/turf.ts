import { entry, inGroup, landscape } from './entry.ts';

const plant = inGroup('turf');

/** Turf. Values with a table number are FAO-56’s, from memory; the rest say why they are what they are. */
export const turf = [
  plant('lawn-cool', 'Lawn, cool-season grass', {
    heightM: 0.1, stages: [20, 30, 245, 70], rootsM: [0.5, 1.0], p: 0.4, spacing: [10, 10],
    usualStart: 'direct-sown', frost: 'hardy', toughening: 'not needed', thirstiest: 'spring and autumn growth', sensitivity: 0.6, traits: [],
    stagesSource: 'judgement: always in leaf',
    ...landscape('cool turf', 'evergreen'),
  }),
  plant('lawn-warm', 'Lawn, warm-season grass', {
    heightM: 0.1, stages: [20, 30, 245, 70], rootsM: [0.5, 1.0], p: 0.5, spacing: [10, 10],
    usualStart: 'direct-sown', frost: 'half-hardy', toughening: 'not needed', thirstiest: 'summer growth', sensitivity: 0.5, traits: [],
    stagesSource: 'judgement: always in leaf',
    ...landscape('warm turf', 'evergreen'),
  }),
].map(entry);
