import { entry, inGroup, judged } from './entry.ts';

const plant = inGroup('perennials');

/** Perennials. Values with a table number are FAO-56’s, from memory; the rest say why they are what they are. */
export const perennials = [
  plant('peony', 'Peony', {
    kc: [0.4, 0.85, 0.6], kcb: [0.25, 0.8, 0.5], heightM: 0.9, stages: [25, 40, 90, 40], rootsM: [0.4, 0.8], p: 0.45, spacing: [400, 450],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'budding', sensitivity: 0.7, traits: [],
    ...judged('no row; herbaceous plants by leaf area, against the vegetable rows of table 12'),
    cycle: 'deciduous',
  }),
  plant('hosta', 'Hosta', {
    kc: [0.4, 0.9, 0.6], kcb: [0.25, 0.85, 0.5], heightM: 0.5, stages: [25, 40, 90, 40], rootsM: [0.3, 0.5], p: 0.3, spacing: [400, 450],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'all summer; big leaves', sensitivity: 0.7, traits: [],
    ...judged('no row; herbaceous plants by leaf area, against the vegetable rows of table 12'),
    cycle: 'deciduous',
  }),
  plant('daylily', 'Day lily', {
    kc: [0.4, 0.8, 0.6], kcb: [0.25, 0.75, 0.5], heightM: 0.8, stages: [25, 40, 90, 40], rootsM: [0.3, 0.6], p: 0.5, spacing: [400, 450],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'budding and flowering', sensitivity: 0.7, traits: [],
    ...judged('no row; herbaceous plants by leaf area, against the vegetable rows of table 12'),
    cycle: 'deciduous',
  }),
  plant('phlox', 'Phlox', {
    kc: [0.4, 0.95, 0.6], kcb: [0.25, 0.9, 0.5], heightM: 0.9, stages: [25, 40, 90, 40], rootsM: [0.3, 0.5], p: 0.35, spacing: [400, 450],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'all summer', sensitivity: 0.7, traits: ['foliageDiseaseProne'],
    ...judged('no row; herbaceous plants by leaf area, against the vegetable rows of table 12'),
    cycle: 'deciduous',
  }),
  plant('aster', 'Aster', {
    kc: [0.4, 0.85, 0.6], kcb: [0.25, 0.8, 0.5], heightM: 0.9, stages: [25, 40, 90, 40], rootsM: [0.3, 0.6], p: 0.4, spacing: [400, 450],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'late summer', sensitivity: 0.7, traits: ['foliageDiseaseProne'],
    ...judged('no row; herbaceous plants by leaf area, against the vegetable rows of table 12'),
    cycle: 'deciduous',
  }),
  plant('sedum', 'Stonecrop', {
    kc: [0.4, 0.45, 0.6], kcb: [0.25, 0.4, 0.5], heightM: 0.4, stages: [25, 40, 90, 40], rootsM: [0.2, 0.4], p: 0.65, spacing: [400, 450],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'first weeks only', sensitivity: 0.7, traits: ['dislikesWetFeet'],
    ...judged('no row; herbaceous plants by leaf area, against the vegetable rows of table 12'),
    cycle: 'deciduous',
  }),
  plant('dahlia', 'Dahlia', {
    kc: [0.4, 1.0, 0.6], kcb: [0.25, 0.95, 0.5], heightM: 1.1, stages: [25, 40, 90, 40], rootsM: [0.3, 0.5], p: 0.35, spacing: [400, 450],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'budding and flowering', sensitivity: 0.7, traits: [],
    ...judged('no row; herbaceous plants by leaf area, against the vegetable rows of table 12'),
    cycle: 'deciduous',
  }),
  plant('iris', 'Bearded iris', {
    kc: [0.4, 0.7, 0.6], kcb: [0.25, 0.65, 0.5], heightM: 0.7, stages: [25, 40, 90, 40], rootsM: [0.2, 0.4], p: 0.55, spacing: [400, 450],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'spring growth', sensitivity: 0.7, traits: ['dislikesWetFeet'],
    ...judged('no row; herbaceous plants by leaf area, against the vegetable rows of table 12'),
    cycle: 'deciduous',
  }),
].map(entry);
