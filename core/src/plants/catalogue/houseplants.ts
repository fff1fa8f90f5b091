import { entry, inGroup, judged } from './entry.ts';

const plant = inGroup('houseplants');

/** Houseplants. Values with a table number are FAO-56’s, from memory; the rest say why they are what they are. */
export const houseplants = [
  plant('fern', 'Fern', {
    kc: [0.5, 0.8, 0.5], kcb: [0.4, 0.7, 0.4], heightM: 0.4, stages: [30, 60, 185, 90], rootsM: [0.12, 0.2], p: 0.25, spacing: [300, 300],
    usualStart: 'pot', frost: 'tender', toughening: 'not needed', thirstiest: 'always evenly moist', sensitivity: 0.7, traits: [],
    ...judged('indoor plant in a pot: use follows leaf area and is best measured by weighing'),
    cycle: 'evergreen',
  }),
  plant('peace-lily', 'Peace lily', {
    kc: [0.5, 0.8, 0.5], kcb: [0.4, 0.7, 0.4], heightM: 0.5, stages: [30, 60, 185, 90], rootsM: [0.15, 0.2], p: 0.3, spacing: [300, 300],
    usualStart: 'pot', frost: 'tender', toughening: 'not needed', thirstiest: 'in growth; it droops to tell', sensitivity: 0.7, traits: [],
    ...judged('indoor plant in a pot: use follows leaf area and is best measured by weighing'),
    cycle: 'evergreen',
  }),
  plant('rubber-plant', 'Rubber plant', {
    kc: [0.5, 0.6, 0.5], kcb: [0.4, 0.5, 0.4], heightM: 1.0, stages: [30, 60, 185, 90], rootsM: [0.15, 0.25], p: 0.5, spacing: [300, 300],
    usualStart: 'pot', frost: 'tender', toughening: 'not needed', thirstiest: 'in growth', sensitivity: 0.7, traits: ['dislikesWetFeet'],
    ...judged('indoor plant in a pot: use follows leaf area and is best measured by weighing'),
    cycle: 'evergreen',
  }),
  plant('spider-plant', 'Spider plant', {
    kc: [0.5, 0.65, 0.5], kcb: [0.4, 0.55, 0.4], heightM: 0.3, stages: [30, 60, 185, 90], rootsM: [0.12, 0.2], p: 0.5, spacing: [300, 300],
    usualStart: 'pot', frost: 'tender', toughening: 'not needed', thirstiest: 'in growth', sensitivity: 0.7, traits: [],
    ...judged('indoor plant in a pot: use follows leaf area and is best measured by weighing'),
    cycle: 'evergreen',
  }),
  plant('monstera', 'Swiss cheese plant', {
    kc: [0.5, 0.7, 0.5], kcb: [0.4, 0.6, 0.4], heightM: 1.0, stages: [30, 60, 185, 90], rootsM: [0.15, 0.3], p: 0.45, spacing: [300, 300],
    usualStart: 'pot', frost: 'tender', toughening: 'not needed', thirstiest: 'in growth', sensitivity: 0.7, traits: [],
    ...judged('indoor plant in a pot: use follows leaf area and is best measured by weighing'),
    cycle: 'evergreen',
  }),
].map(entry);
