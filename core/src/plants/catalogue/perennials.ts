import { entry, inGroup, judged, landscape } from './entry.ts';

const plant = inGroup('perennials');

/** Perennials. Values with a table number are FAO-56’s, from memory; the rest say why they are what they are. */
export const perennials = [
  plant('peony', 'Peony', {
    heightM: 0.9, stages: [25, 40, 90, 40], rootsM: [0.4, 0.8], p: 0.45, spacing: [400, 450],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'budding', sensitivity: 0.7, traits: [],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('between', 'deciduous'),
  }),
  plant('hosta', 'Hosta', {
    heightM: 0.5, stages: [25, 40, 90, 40], rootsM: [0.3, 0.5], p: 0.3, spacing: [400, 450],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'all summer; big leaves', sensitivity: 0.7, traits: [],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('moist', 'deciduous'),
  }),
  plant('daylily', 'Day lily', {
    heightM: 0.8, stages: [25, 40, 90, 40], rootsM: [0.3, 0.6], p: 0.5, spacing: [400, 450],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'budding and flowering', sensitivity: 0.7, traits: [],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('between', 'deciduous'),
  }),
  plant('phlox', 'Phlox', {
    heightM: 0.9, stages: [25, 40, 90, 40], rootsM: [0.3, 0.5], p: 0.35, spacing: [400, 450],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'all summer', sensitivity: 0.7, traits: ['foliageDiseaseProne'],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('moist', 'deciduous'),
  }),
  plant('aster', 'Aster', {
    heightM: 0.9, stages: [25, 40, 90, 40], rootsM: [0.3, 0.6], p: 0.4, spacing: [400, 450],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'late summer', sensitivity: 0.7, traits: ['foliageDiseaseProne'],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('between', 'deciduous'),
  }),
  plant('sedum', 'Stonecrop', {
    heightM: 0.4, stages: [25, 40, 90, 40], rootsM: [0.2, 0.4], p: 0.65, spacing: [400, 450],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'first weeks only', sensitivity: 0.7, traits: ['dislikesWetFeet'],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('dry', 'deciduous'),
  }),
  plant('dahlia', 'Dahlia', {
    heightM: 1.1, stages: [25, 40, 90, 40], rootsM: [0.3, 0.5], p: 0.35, spacing: [400, 450],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'budding and flowering', sensitivity: 0.7, traits: [],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('flowers', 'deciduous'),
  }),
  plant('iris', 'Bearded iris', {
    heightM: 0.7, stages: [25, 40, 90, 40], rootsM: [0.2, 0.4], p: 0.55, spacing: [400, 450],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'spring growth', sensitivity: 0.7, traits: ['dislikesWetFeet'],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('dry', 'deciduous'),
  }),
  plant('spring-bulbs', 'Spring bulbs', {
    heightM: 0.4, stages: [15, 25, 35, 25], rootsM: [0.2, 0.35], p: 0.5, spacing: [100, 150],
    usualStart: 'tubers', frost: 'hardy', toughening: 'not needed', thirstiest: 'from leaf to fading; dry when at rest', sensitivity: 0.5, traits: ['dislikesWetFeet'],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('dry', 'deciduous'),
  }),
  plant('pelargonium', 'Pelargonium', {
    heightM: 0.4, stages: [20, 30, 110, 30], rootsM: [0.2, 0.35], p: 0.55, spacing: [300, 300],
    usualStart: 'module', frost: 'tender', toughening: 'not needed', thirstiest: 'in heat, in boxes and pots', sensitivity: 0.5, traits: ['dislikesWetFeet'],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('between', 'annual'),
    cropsOn: true,
  }),
  plant('petunia', 'Petunia', {
    heightM: 0.3, stages: [20, 30, 110, 30], rootsM: [0.2, 0.35], p: 0.35, spacing: [250, 250],
    usualStart: 'module', frost: 'tender', toughening: 'not needed', thirstiest: 'all summer, while it flowers', sensitivity: 0.8, traits: [],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('flowers', 'annual'),
    cropsOn: true,
  }),
  plant('ornamental-grass', 'Ornamental grass', {
    heightM: 1.2, stages: [25, 45, 110, 35], rootsM: [0.5, 1.0], p: 0.6, spacing: [600, 600],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'first summer', sensitivity: 0.4, traits: [],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('dry', 'deciduous'),
  }),
].map(entry);
