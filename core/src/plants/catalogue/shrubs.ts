import { entry, inGroup, judged, landscape } from './entry.ts';

const plant = inGroup('shrubs and roses');

/** Shrubs, hedges and roses. Values with a table number are FAO-56’s, from memory; the rest say why they are what they are. */
export const shrubs = [
  plant('rose', 'Rose', {
    heightM: 1.2, stages: [25, 45, 110, 35], rootsM: [0.5, 0.9], p: 0.4, spacing: [1200, 1200],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'budding and flowering', sensitivity: 0.9, traits: ['foliageDiseaseProne'],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('moist', 'deciduous'),
  }),
  plant('climbing-rose', 'Climbing rose', {
    heightM: 2.5, stages: [25, 45, 110, 35], rootsM: [0.6, 1.0], p: 0.4, spacing: [1200, 1200],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'budding and flowering', sensitivity: 0.9, traits: ['foliageDiseaseProne'],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('moist', 'deciduous'),
  }),
  plant('hydrangea', 'Hydrangea', {
    heightM: 1.3, stages: [25, 45, 110, 35], rootsM: [0.3, 0.6], p: 0.3, spacing: [1200, 1200],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'all summer; it wilts first', sensitivity: 1.1, traits: ['likesAcidWater'],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('moist', 'deciduous'),
  }),
  plant('lilac', 'Lilac', {
    heightM: 3, stages: [25, 45, 110, 35], rootsM: [0.6, 1.0], p: 0.5, spacing: [1200, 1200],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'spring growth', sensitivity: 0.5, traits: [],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('dry', 'deciduous'),
  }),
  plant('buddleia', 'Buddleia', {
    heightM: 2.5, stages: [25, 45, 110, 35], rootsM: [0.6, 1.0], p: 0.55, spacing: [1200, 1200],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'first summer', sensitivity: 0.4, traits: [],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('dry', 'deciduous'),
  }),
  plant('forsythia', 'Forsythia', {
    heightM: 2.5, stages: [25, 45, 110, 35], rootsM: [0.5, 0.9], p: 0.5, spacing: [1200, 1200],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'first summer', sensitivity: 0.5, traits: [],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('between', 'deciduous'),
  }),
  plant('box', 'Box', {
    heightM: 1, stages: [40, 60, 185, 80], rootsM: [0.3, 0.6], p: 0.45, spacing: [1200, 1200],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'first two years; winter wind', sensitivity: 0.6, traits: [],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('between', 'evergreen'),
  }),
  plant('privet', 'Privet hedge', {
    heightM: 1.8, stages: [40, 60, 185, 80], rootsM: [0.5, 0.9], p: 0.5, spacing: [1200, 1200],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'first two years', sensitivity: 0.5, traits: [],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('between', 'evergreen'),
  }),
  plant('rhododendron', 'Rhododendron and azalea', {
    heightM: 1.5, stages: [40, 60, 185, 80], rootsM: [0.2, 0.4], p: 0.3, spacing: [1200, 1200],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'late spring to late summer; shallow roots', sensitivity: 1.0, traits: ['likesAcidWater'],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('moist', 'evergreen'),
  }),
  plant('camellia', 'Camellia', {
    heightM: 2, stages: [40, 60, 185, 80], rootsM: [0.3, 0.5], p: 0.35, spacing: [1200, 1200],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'late summer, while buds form', sensitivity: 0.9, traits: ['likesAcidWater'],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('moist', 'evergreen'),
  }),
  plant('beech-hedge', 'Beech hedge', {
    heightM: 1.8, stages: [25, 45, 110, 35], rootsM: [0.6, 1.2], p: 0.5, spacing: [330, 600],
    usualStart: 'bare-root', frost: 'hardy', toughening: 'not needed', thirstiest: 'first three summers', sensitivity: 0.6, traits: [],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('between', 'deciduous'),
  }),
  plant('hornbeam-hedge', 'Hornbeam hedge', {
    heightM: 1.8, stages: [25, 45, 110, 35], rootsM: [0.6, 1.2], p: 0.5, spacing: [330, 600],
    usualStart: 'bare-root', frost: 'hardy', toughening: 'not needed', thirstiest: 'first three summers', sensitivity: 0.5, traits: [],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('between', 'deciduous'),
  }),
  plant('yew', 'Yew', {
    heightM: 1.8, stages: [40, 60, 185, 80], rootsM: [0.5, 1.0], p: 0.55, spacing: [600, 600],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'first three summers; it hates wet feet', sensitivity: 0.5, traits: ['dislikesWetFeet'],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('dry', 'evergreen'),
  }),
  plant('thuja-hedge', 'Thuja hedge', {
    heightM: 2, stages: [40, 60, 185, 80], rootsM: [0.4, 0.8], p: 0.45, spacing: [600, 600],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'first three summers, and before a dry winter', sensitivity: 0.8, traits: [],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('between', 'evergreen'),
  }),
  plant('cherry-laurel', 'Cherry laurel', {
    heightM: 2, stages: [40, 60, 185, 80], rootsM: [0.5, 1.0], p: 0.5, spacing: [800, 800],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'first two summers', sensitivity: 0.5, traits: [],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('between', 'evergreen'),
  }),
  plant('clematis', 'Clematis', {
    heightM: 2.5, stages: [25, 45, 110, 35], rootsM: [0.4, 0.8], p: 0.35, spacing: [800, 800],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'spring growth until it has flowered; cool, moist feet', sensitivity: 0.9, traits: [],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('moist', 'deciduous'),
  }),
  plant('wisteria', 'Wisteria', {
    heightM: 3, stages: [25, 45, 110, 35], rootsM: [0.8, 1.5], p: 0.5, spacing: [3000, 3000],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'late summer, when it makes next year’s buds', sensitivity: 0.6, traits: [],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('between', 'deciduous'),
  }),
  plant('fuchsia', 'Fuchsia', {
    heightM: 0.8, stages: [25, 45, 110, 35], rootsM: [0.3, 0.5], p: 0.35, spacing: [600, 600],
    usualStart: 'pot', frost: 'half-hardy', toughening: 'not needed', thirstiest: 'all summer, while it flowers', sensitivity: 0.9, traits: [],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('moist', 'deciduous'),
  }),
  plant('shrub-unknown', 'Shrub, kind not known', {
    heightM: 1.5, stages: [25, 45, 110, 35], rootsM: [0.5, 0.9], p: 0.45, spacing: [1200, 1200],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'its first two years', sensitivity: 0.6, traits: [],
    ...judged('the middle of the kinds; told when somebody knows it'),
    ...landscape('between', 'deciduous'),
  }),
].map(entry);
