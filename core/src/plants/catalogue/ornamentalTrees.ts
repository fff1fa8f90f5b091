import { entry, inGroup, judged } from './entry.ts';

const plant = inGroup('ornamental trees');

/** Ornamental trees. Values with a table number are FAO-56’s, from memory; the rest say why they are what they are. */
export const ornamentalTrees = [
  plant('conifer', 'Conifer', {
    kc: [1.0, 1.0, 1.0], kcb: [0.95, 0.95, 0.95], heightM: 10, stages: [60, 60, 185, 60], rootsM: [1.0, 1.5], p: 0.7, spacing: [4000, 4000],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'first three years; moist soil before the ground freezes', sensitivity: 0.5, traits: [],
    cycle: 'evergreen', stagesSource: 'judgement: always in leaf',
  }),
  plant('maple', 'Maple', {
    kc: [0.4, 0.95, 0.6], kcb: [0.3, 0.9, 0.5], heightM: 8, stages: [20, 50, 110, 30], rootsM: [0.6, 1.2], p: 0.5, spacing: [5000, 5000],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'spring, and hot dry wind', sensitivity: 0.5, traits: [],
    ...judged('no row; full-canopy deciduous trees stand near the orchard rows of table 12'),
    cycle: 'deciduous',
  }),
  plant('oak', 'Oak', {
    kc: [0.4, 0.9, 0.6], kcb: [0.3, 0.85, 0.5], heightM: 10, stages: [20, 50, 110, 30], rootsM: [1.0, 2.0], p: 0.6, spacing: [5000, 5000],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'first three years', sensitivity: 0.5, traits: [],
    ...judged('no row; full-canopy deciduous trees stand near the orchard rows of table 12'),
    cycle: 'deciduous',
  }),
  plant('birch', 'Birch', {
    kc: [0.4, 1.0, 0.6], kcb: [0.3, 0.95, 0.5], heightM: 9, stages: [20, 50, 110, 30], rootsM: [0.5, 1.0], p: 0.4, spacing: [5000, 5000],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'all summer; it bears drought badly', sensitivity: 0.5, traits: [],
    ...judged('no row; full-canopy deciduous trees stand near the orchard rows of table 12'),
    cycle: 'deciduous',
  }),
  plant('linden', 'Lime (linden)', {
    kc: [0.4, 0.95, 0.6], kcb: [0.3, 0.9, 0.5], heightM: 10, stages: [20, 50, 110, 30], rootsM: [0.8, 1.6], p: 0.5, spacing: [5000, 5000],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'first three years, and hot spells', sensitivity: 0.5, traits: [],
    ...judged('no row; full-canopy deciduous trees stand near the orchard rows of table 12'),
    cycle: 'deciduous',
  }),
  plant('willow', 'Willow', {
    kc: [0.4, 1.15, 0.6], kcb: [0.3, 1.1, 0.5], heightM: 8, stages: [20, 50, 110, 30], rootsM: [0.6, 1.2], p: 0.35, spacing: [5000, 5000],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'always', sensitivity: 0.5, traits: [],
    ...judged('no row; full-canopy deciduous trees stand near the orchard rows of table 12'),
    cycle: 'deciduous',
  }),
  plant('poplar', 'Poplar', {
    kc: [0.4, 1.1, 0.6], kcb: [0.3, 1.05, 0.5], heightM: 12, stages: [20, 50, 110, 30], rootsM: [0.8, 1.6], p: 0.45, spacing: [5000, 5000],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'all summer', sensitivity: 0.5, traits: [],
    ...judged('no row; full-canopy deciduous trees stand near the orchard rows of table 12'),
    cycle: 'deciduous',
  }),
  plant('dogwood-tree', 'Flowering dogwood', {
    kc: [0.4, 0.9, 0.6], kcb: [0.3, 0.85, 0.5], heightM: 5, stages: [20, 50, 110, 30], rootsM: [0.4, 0.8], p: 0.4, spacing: [5000, 5000],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'hot spells; shallow roots', sensitivity: 0.5, traits: ['likesAcidWater'],
    ...judged('no row; full-canopy deciduous trees stand near the orchard rows of table 12'),
    cycle: 'deciduous',
  }),
  plant('magnolia', 'Magnolia', {
    kc: [0.4, 0.9, 0.6], kcb: [0.3, 0.85, 0.5], heightM: 6, stages: [20, 50, 110, 30], rootsM: [0.4, 0.9], p: 0.4, spacing: [5000, 5000],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'hot spells; shallow fleshy roots', sensitivity: 0.5, traits: ['likesAcidWater'],
    ...judged('no row; full-canopy deciduous trees stand near the orchard rows of table 12'),
    cycle: 'deciduous',
  }),
].map(entry);
