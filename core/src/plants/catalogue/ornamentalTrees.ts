import { entry, inGroup, judged, landscape } from './entry.ts';

const plant = inGroup('ornamental trees');

/** Ornamental trees. Values with a table number are FAO-56’s, from memory; the rest say why they are what they are. */
export const ornamentalTrees = [
  plant('conifer', 'Conifer', {
    heightM: 10, stages: [60, 60, 185, 60], rootsM: [1.0, 1.5], p: 0.7, spacing: [4000, 4000],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'first three years; moist soil before the ground freezes', sensitivity: 0.5, traits: [],
    stagesSource: 'judgement: always in leaf',
    ...landscape('dry', 'evergreen'),
  }),
  plant('maple', 'Maple', {
    heightM: 8, stages: [20, 50, 110, 30], rootsM: [0.6, 1.2], p: 0.5, spacing: [5000, 5000],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'spring, and hot dry wind', sensitivity: 0.5, traits: [],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('between', 'deciduous'),
  }),
  plant('oak', 'Oak', {
    heightM: 10, stages: [20, 50, 110, 30], rootsM: [1.0, 2.0], p: 0.6, spacing: [5000, 5000],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'first three years', sensitivity: 0.5, traits: [],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('dry', 'deciduous'),
  }),
  plant('birch', 'Birch', {
    heightM: 9, stages: [20, 50, 110, 30], rootsM: [0.5, 1.0], p: 0.4, spacing: [5000, 5000],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'all summer; it bears drought badly', sensitivity: 0.5, traits: [],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('moist', 'deciduous'),
  }),
  plant('linden', 'Lime (linden)', {
    heightM: 10, stages: [20, 50, 110, 30], rootsM: [0.8, 1.6], p: 0.5, spacing: [5000, 5000],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'first three years, and hot spells', sensitivity: 0.5, traits: [],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('between', 'deciduous'),
  }),
  plant('willow', 'Willow', {
    heightM: 8, stages: [20, 50, 110, 30], rootsM: [0.6, 1.2], p: 0.35, spacing: [5000, 5000],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'always', sensitivity: 0.5, traits: [],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('moist', 'deciduous'),
  }),
  plant('poplar', 'Poplar', {
    heightM: 12, stages: [20, 50, 110, 30], rootsM: [0.8, 1.6], p: 0.45, spacing: [5000, 5000],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'all summer', sensitivity: 0.5, traits: [],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('moist', 'deciduous'),
  }),
  plant('dogwood-tree', 'Flowering dogwood', {
    heightM: 5, stages: [20, 50, 110, 30], rootsM: [0.4, 0.8], p: 0.4, spacing: [5000, 5000],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'hot spells; shallow roots', sensitivity: 0.5, traits: ['likesAcidWater'],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('between', 'deciduous'),
  }),
  plant('magnolia', 'Magnolia', {
    heightM: 6, stages: [20, 50, 110, 30], rootsM: [0.4, 0.9], p: 0.4, spacing: [5000, 5000],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'hot spells; shallow fleshy roots', sensitivity: 0.5, traits: ['likesAcidWater'],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('between', 'deciduous'),
  }),
  plant('tree-unknown', 'Tree, kind not known', {
    heightM: 8, stages: [20, 50, 110, 30], rootsM: [0.6, 1.2], p: 0.5, spacing: [5000, 5000],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'first three years, and hot dry wind', sensitivity: 0.5, traits: [],
    ...judged('the middle of the kinds; told when somebody knows it'),
    ...landscape('between', 'deciduous'),
  }),
].map(entry);
