import { entry, inGroup, judged } from './entry.ts';

const plant = inGroup('cacti and succulents');

/** Cacti and succulents. Values with a table number are FAO-56’s, from memory; the rest say why they are what they are. Their sensitivity is small: they live on stored water through dry weeks (judgement). */
export const succulents = [
  plant('columnar-cactus', 'Columnar desert cactus', {
    kc: [0.15, 0.2, 0.15], kcb: [0.1, 0.15, 0.1], heightM: 0.5, stages: [60, 60, 120, 120], rootsM: [0.1, 0.2], p: 0.8, spacing: [250, 250],
    usualStart: 'pot', frost: 'tender', toughening: 'not needed', thirstiest: 'warm months, when wholly dry', sensitivity: 0.02, traits: ['dislikesWetFeet'],
    ...judged('opens its pores at night and uses a small part of what leaves would; no standard has a value'),
    cycle: 'evergreen',
  }),
  plant('globe-cactus', 'Globe cactus, quick kinds', {
    kc: [0.15, 0.3, 0.15], kcb: [0.1, 0.25, 0.1], heightM: 0.2, stages: [60, 60, 120, 120], rootsM: [0.08, 0.15], p: 0.75, spacing: [250, 250],
    usualStart: 'pot', frost: 'tender', toughening: 'not needed', thirstiest: 'warm months, when dry', sensitivity: 0.02, traits: ['dislikesWetFeet'],
    ...judged('opens its pores at night and uses a small part of what leaves would; no standard has a value'),
    cycle: 'evergreen',
  }),
  plant('echeveria', 'Echeveria', {
    kc: [0.15, 0.3, 0.15], kcb: [0.1, 0.25, 0.1], heightM: 0.15, stages: [60, 60, 120, 120], rootsM: [0.08, 0.15], p: 0.7, spacing: [250, 250],
    usualStart: 'pot', frost: 'tender', toughening: 'not needed', thirstiest: 'spring and autumn growth', sensitivity: 0.02, traits: ['dislikesWetFeet'],
    ...judged('opens its pores at night and uses a small part of what leaves would; no standard has a value'),
    cycle: 'evergreen',
  }),
  plant('aloe', 'Aloe', {
    kc: [0.15, 0.3, 0.15], kcb: [0.1, 0.25, 0.1], heightM: 0.4, stages: [60, 60, 120, 120], rootsM: [0.1, 0.2], p: 0.7, spacing: [250, 250],
    usualStart: 'pot', frost: 'tender', toughening: 'not needed', thirstiest: 'warm months', sensitivity: 0.02, traits: ['dislikesWetFeet'],
    ...judged('opens its pores at night and uses a small part of what leaves would; no standard has a value'),
    cycle: 'evergreen',
  }),
  plant('jade-plant', 'Jade plant', {
    kc: [0.15, 0.3, 0.15], kcb: [0.1, 0.25, 0.1], heightM: 0.6, stages: [60, 60, 120, 120], rootsM: [0.1, 0.2], p: 0.7, spacing: [250, 250],
    usualStart: 'pot', frost: 'tender', toughening: 'not needed', thirstiest: 'growth, when the leaves soften', sensitivity: 0.02, traits: ['dislikesWetFeet'],
    ...judged('opens its pores at night and uses a small part of what leaves would; no standard has a value'),
    cycle: 'evergreen',
  }),
  plant('agave', 'Agave', {
    kc: [0.15, 0.25, 0.15], kcb: [0.1, 0.2, 0.1], heightM: 0.8, stages: [60, 60, 120, 120], rootsM: [0.15, 0.3], p: 0.8, spacing: [250, 250],
    usualStart: 'pot', frost: 'tender', toughening: 'not needed', thirstiest: 'first summer', sensitivity: 0.02, traits: ['dislikesWetFeet'],
    ...judged('opens its pores at night and uses a small part of what leaves would; no standard has a value'),
    cycle: 'evergreen',
  }),
].map(entry);
