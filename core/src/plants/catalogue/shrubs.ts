import { entry, inGroup, judged } from './entry.ts';

const plant = inGroup('shrubs and roses');

/** Shrubs, hedges and roses. Values with a table number are FAO-56’s, from memory; the rest say why they are what they are. */
export const shrubs = [
  plant('rose', 'Rose', {
    kc: [0.4, 0.95, 0.7], kcb: [0.3, 0.9, 0.6], heightM: 1.2, stages: [25, 45, 110, 35], rootsM: [0.5, 0.9], p: 0.4, spacing: [1200, 1200],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'budding and flowering', sensitivity: 0.9, traits: ['foliageDiseaseProne'],
    ...judged('no row; garden shrubs by leaf and kind, between table 12’s berries and half of grass'),
    cycle: 'deciduous',
  }),
  plant('climbing-rose', 'Climbing rose', {
    kc: [0.4, 1.0, 0.7], kcb: [0.3, 0.95, 0.6], heightM: 2.5, stages: [25, 45, 110, 35], rootsM: [0.6, 1.0], p: 0.4, spacing: [1200, 1200],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'budding and flowering', sensitivity: 0.9, traits: ['foliageDiseaseProne'],
    ...judged('no row; garden shrubs by leaf and kind, between table 12’s berries and half of grass'),
    cycle: 'deciduous',
  }),
  plant('hydrangea', 'Hydrangea', {
    kc: [0.4, 1.05, 0.8], kcb: [0.3, 1.0, 0.7], heightM: 1.3, stages: [25, 45, 110, 35], rootsM: [0.3, 0.6], p: 0.3, spacing: [1200, 1200],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'all summer; it wilts first', sensitivity: 1.1, traits: ['likesAcidWater'],
    ...judged('no row; garden shrubs by leaf and kind, between table 12’s berries and half of grass'),
    cycle: 'deciduous',
  }),
  plant('lilac', 'Lilac', {
    kc: [0.4, 0.85, 0.6], kcb: [0.3, 0.8, 0.5], heightM: 3, stages: [25, 45, 110, 35], rootsM: [0.6, 1.0], p: 0.5, spacing: [1200, 1200],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'spring growth', sensitivity: 0.5, traits: [],
    ...judged('no row; garden shrubs by leaf and kind, between table 12’s berries and half of grass'),
    cycle: 'deciduous',
  }),
  plant('buddleia', 'Buddleia', {
    kc: [0.35, 0.75, 0.5], kcb: [0.25, 0.7, 0.4], heightM: 2.5, stages: [25, 45, 110, 35], rootsM: [0.6, 1.0], p: 0.55, spacing: [1200, 1200],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'first summer', sensitivity: 0.4, traits: [],
    ...judged('no row; garden shrubs by leaf and kind, between table 12’s berries and half of grass'),
    cycle: 'deciduous',
  }),
  plant('forsythia', 'Forsythia', {
    kc: [0.4, 0.85, 0.6], kcb: [0.3, 0.8, 0.5], heightM: 2.5, stages: [25, 45, 110, 35], rootsM: [0.5, 0.9], p: 0.5, spacing: [1200, 1200],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'first summer', sensitivity: 0.5, traits: [],
    ...judged('no row; garden shrubs by leaf and kind, between table 12’s berries and half of grass'),
    cycle: 'deciduous',
  }),
  plant('box', 'Box', {
    kc: [0.6, 0.7, 0.65], kcb: [0.5, 0.6, 0.55], heightM: 1, stages: [40, 60, 185, 80], rootsM: [0.3, 0.6], p: 0.45, spacing: [1200, 1200],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'first two years; winter wind', sensitivity: 0.6, traits: [],
    ...judged('no row; garden shrubs by leaf and kind, between table 12’s berries and half of grass'),
    cycle: 'evergreen',
  }),
  plant('privet', 'Privet hedge', {
    kc: [0.6, 0.8, 0.7], kcb: [0.5, 0.7, 0.6], heightM: 1.8, stages: [40, 60, 185, 80], rootsM: [0.5, 0.9], p: 0.5, spacing: [1200, 1200],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'first two years', sensitivity: 0.5, traits: [],
    ...judged('no row; garden shrubs by leaf and kind, between table 12’s berries and half of grass'),
    cycle: 'evergreen',
  }),
  plant('rhododendron', 'Rhododendron and azalea', {
    kc: [0.7, 0.9, 0.8], kcb: [0.6, 0.8, 0.7], heightM: 1.5, stages: [40, 60, 185, 80], rootsM: [0.2, 0.4], p: 0.3, spacing: [1200, 1200],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'late spring to late summer; shallow roots', sensitivity: 1.0, traits: ['likesAcidWater'],
    ...judged('no row; garden shrubs by leaf and kind, between table 12’s berries and half of grass'),
    cycle: 'evergreen',
  }),
  plant('camellia', 'Camellia', {
    kc: [0.7, 0.85, 0.75], kcb: [0.6, 0.75, 0.65], heightM: 2, stages: [40, 60, 185, 80], rootsM: [0.3, 0.5], p: 0.35, spacing: [1200, 1200],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'late summer, while buds form', sensitivity: 0.9, traits: ['likesAcidWater'],
    ...judged('no row; garden shrubs by leaf and kind, between table 12’s berries and half of grass'),
    cycle: 'evergreen',
  }),
].map(entry);
