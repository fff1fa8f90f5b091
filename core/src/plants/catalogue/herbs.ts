import { entry, inGroup, judged, landscape } from './entry.ts';

const plant = inGroup('herbs');

/** Herbs. Values with a table number are FAO-56’s, from memory; the rest say why they are what they are. */
export const herbs = [
  plant('mint', 'Mint', {
    kc: [0.6, 1.15, 1.1], kcb: [0.4, 1.1, 1.05], heightM: 0.6, stages: [30, 30, 100, 30], rootsM: [0.4, 0.8], p: 0.4, spacing: [300, 400],
    usualStart: 'pot', frost: 'hardy', toughening: 'never', thirstiest: 'in growth; it never likes drying out', sensitivity: 1.0, traits: ['leafyGreen'],
    cycle: 'deciduous', stagesSource: 'judgement: leaf from spring to autumn',
  }),
  plant('basil', 'Basil', {
    kc: [0.6, 1.0, 0.95], kcb: [0.15, 0.95, 0.85], heightM: 0.4, stages: [20, 25, 50, 15], rootsM: [0.25, 0.4], p: 0.3, spacing: [200, 300],
    usualStart: 'module', frost: 'tender', toughening: 'never', thirstiest: 'in heat, while it is picked', sensitivity: 1.1, traits: ['leafyGreen', 'boltsWhenDry'],
    ...judged('no row; a soft leafy herb, near lettuce and mint'),
    cropsOn: true,
  }),
  plant('parsley', 'Parsley', {
    kc: [0.6, 1.0, 0.95], kcb: [0.15, 0.9, 0.85], heightM: 0.3, stages: [25, 30, 80, 20], rootsM: [0.3, 0.5], p: 0.3, spacing: [150, 250],
    usualStart: 'module', frost: 'hardy', toughening: 'never', thirstiest: 'germination, and in heat', sensitivity: 1.0, traits: ['leafyGreen', 'boltsWhenDry'],
    ...judged('no row; a leafy herb, near lettuce'),
    cropsOn: true,
  }),
  plant('coriander', 'Coriander', {
    kc: [0.6, 1.0, 0.95], kcb: [0.15, 0.9, 0.85], heightM: 0.3, stages: [15, 20, 25, 10], rootsM: [0.25, 0.4], p: 0.3, spacing: [50, 250],
    usualStart: 'direct-sown', frost: 'half-hardy', toughening: 'never', thirstiest: 'always; shortage sends it to seed', sensitivity: 1.1, traits: ['leafyGreen', 'boltsWhenDry'],
    ...judged('no row; a quick leafy herb, near lettuce'),
  }),
  plant('dill', 'Dill', {
    kc: [0.6, 1.0, 0.9], kcb: [0.15, 0.9, 0.8], heightM: 0.7, stages: [15, 25, 30, 15], rootsM: [0.3, 0.5], p: 0.35, spacing: [100, 250],
    usualStart: 'direct-sown', frost: 'half-hardy', toughening: 'not needed', thirstiest: 'until it flowers', sensitivity: 0.9, traits: ['boltsWhenDry'],
    ...judged('no row; near coriander, a little deeper'),
  }),
  plant('chives', 'Chives', {
    kc: [0.6, 0.95, 0.9], kcb: [0.2, 0.85, 0.8], heightM: 0.3, stages: [20, 30, 110, 30], rootsM: [0.25, 0.4], p: 0.35, spacing: [200, 250],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'in growth', sensitivity: 0.8, traits: [],
    ...judged('no row; a small onion kept in leaf'),
    cycle: 'deciduous',
  }),
  plant('rosemary', 'Rosemary', {
    heightM: 1.0, stages: [30, 60, 215, 60], rootsM: [0.5, 1.0], p: 0.6, spacing: [600, 700],
    usualStart: 'pot', frost: 'half-hardy', toughening: 'not needed', thirstiest: 'first summer only', sensitivity: 0.5, traits: ['dislikesWetFeet'],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('dry', 'evergreen'),
  }),
  plant('thyme', 'Thyme', {
    heightM: 0.2, stages: [30, 60, 215, 60], rootsM: [0.3, 0.5], p: 0.6, spacing: [250, 300],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'first summer only', sensitivity: 0.5, traits: ['dislikesWetFeet'],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('dry', 'evergreen'),
  }),
  plant('sage', 'Sage', {
    heightM: 0.5, stages: [30, 60, 215, 60], rootsM: [0.4, 0.8], p: 0.6, spacing: [450, 500],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'first summer only', sensitivity: 0.5, traits: ['dislikesWetFeet'],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('dry', 'evergreen'),
  }),
  plant('lavender', 'Lavender', {
    heightM: 0.6, stages: [30, 60, 215, 60], rootsM: [0.5, 1.0], p: 0.65, spacing: [500, 600],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'first summer only', sensitivity: 0.4, traits: ['dislikesWetFeet'],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('dry', 'evergreen'),
  }),
  plant('oregano', 'Oregano and marjoram', {
    heightM: 0.4, stages: [30, 60, 215, 60], rootsM: [0.3, 0.5], p: 0.6, spacing: [300, 350],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'first summer only', sensitivity: 0.5, traits: ['dislikesWetFeet'],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('dry', 'evergreen'),
  }),
  plant('tarragon', 'Tarragon', {
    heightM: 0.7, stages: [25, 40, 110, 30], rootsM: [0.3, 0.6], p: 0.5, spacing: [400, 450],
    usualStart: 'pot', frost: 'half-hardy', toughening: 'not needed', thirstiest: 'in growth, while it is picked', sensitivity: 0.7, traits: ['dislikesWetFeet'],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('between', 'deciduous'),
  }),
  plant('lemon-balm', 'Lemon balm', {
    heightM: 0.6, stages: [25, 35, 110, 30], rootsM: [0.4, 0.7], p: 0.45, spacing: [400, 450],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'in growth; it wilts and comes back', sensitivity: 0.8, traits: ['leafyGreen'],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('moist', 'deciduous'),
  }),
  plant('bay', 'Bay', {
    heightM: 2, stages: [40, 60, 185, 80], rootsM: [0.5, 0.9], p: 0.5, spacing: [1000, 1000],
    usualStart: 'pot', frost: 'half-hardy', toughening: 'not needed', thirstiest: 'first two summers, and in a pot always', sensitivity: 0.5, traits: ['dislikesWetFeet'],
    ...judged('roots and drought as gardeners know the kind'),
    ...landscape('between', 'evergreen'),
  }),
].map(entry);
