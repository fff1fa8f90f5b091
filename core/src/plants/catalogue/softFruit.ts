import { entry, inGroup, judged } from './entry.ts';

const plant = inGroup('soft fruit');

/** Soft fruit. Values with a table number are FAO-56’s, from memory; the rest say why they are what they are. */
export const softFruit = [
  plant('strawberry', 'Strawberry', {
    kc: [0.4, 0.85, 0.75], kcb: [0.3, 0.8, 0.7], heightM: 0.2, stages: [20, 40, 90, 60], rootsM: [0.2, 0.3], p: 0.2, spacing: [350, 700],
    usualStart: 'bare-root', frost: 'hardy', toughening: 'not needed', thirstiest: 'flowering until the last picking', sensitivity: 1.1, traits: ['foliageDiseaseProne'],
    cycle: 'deciduous', stagesSource: 'judgement: leaf from early spring, cropping early summer',
  }),
  plant('raspberry', 'Raspberry', {
    kc: [0.3, 1.05, 0.5], kcb: [0.2, 1.0, 0.4], heightM: 1.5, stages: [20, 50, 75, 60], rootsM: [0.6, 1.2], p: 0.5, spacing: [450, 1800],
    usualStart: 'bare-root', frost: 'hardy', toughening: 'not needed', thirstiest: 'flowering until the last picking', sensitivity: 1.0, traits: ['dislikesWetFeet'],
    cycle: 'deciduous', stagesSource: 'judgement: deciduous bush of a temperate garden; table 11 has no row',
  }),
  plant('blackcurrant', 'Blackcurrant', {
    kc: [0.3, 1.05, 0.5], kcb: [0.2, 1.0, 0.4], heightM: 1.5, stages: [20, 50, 75, 60], rootsM: [0.6, 1.2], p: 0.5, spacing: [1500, 1800],
    usualStart: 'bare-root', frost: 'hardy', toughening: 'not needed', thirstiest: 'while the berries swell', sensitivity: 1.0, traits: ['foliageDiseaseProne'],
    cycle: 'deciduous', stagesSource: 'judgement: deciduous bush of a temperate garden; table 11 has no row',
  }),
  plant('redcurrant', 'Red and white currant', {
    kc: [0.3, 1.05, 0.5], kcb: [0.2, 1.0, 0.4], heightM: 1.5, stages: [20, 50, 75, 60], rootsM: [0.6, 1.2], p: 0.5, spacing: [1400, 1700],
    usualStart: 'bare-root', frost: 'hardy', toughening: 'not needed', thirstiest: 'while the berries swell', sensitivity: 0.95, traits: [],
    cycle: 'deciduous', stagesSource: 'judgement: deciduous bush of a temperate garden; table 11 has no row',
  }),
  plant('gooseberry', 'Gooseberry', {
    kc: [0.3, 1.05, 0.5], kcb: [0.2, 1.0, 0.4], heightM: 1.2, stages: [20, 50, 75, 60], rootsM: [0.6, 1.2], p: 0.5, spacing: [1300, 1600],
    usualStart: 'bare-root', frost: 'hardy', toughening: 'not needed', thirstiest: 'while the berries swell', sensitivity: 1.0, traits: ['foliageDiseaseProne', 'splits'],
    cycle: 'deciduous', stagesSource: 'judgement: deciduous bush of a temperate garden; table 11 has no row',
  }),
  plant('blackberry', 'Blackberry', {
    kc: [0.3, 1.05, 0.5], kcb: [0.2, 1.0, 0.4], heightM: 1.8, stages: [20, 50, 90, 50], rootsM: [0.6, 1.2], p: 0.5, spacing: [2500, 2000],
    usualStart: 'bare-root', frost: 'hardy', toughening: 'not needed', thirstiest: 'while the berries swell', sensitivity: 0.9, traits: [],
    cycle: 'deciduous', stagesSource: 'judgement: deciduous bush of a temperate garden; table 11 has no row',
  }),
  plant('blueberry', 'Blueberry', {
    kc: [0.3, 1.0, 0.5], kcb: [0.2, 0.95, 0.4], heightM: 1.5, stages: [20, 50, 90, 50], rootsM: [0.3, 0.6], p: 0.4, spacing: [1300, 1700],
    usualStart: 'pot', frost: 'hardy', toughening: 'not needed', thirstiest: 'while the berries swell, and late summer buds', sensitivity: 1.1, traits: ['likesAcidWater'],
    cycle: 'deciduous', kcSource: 'judgement: a little under the berry row of table 12', kcbSource: 'judgement: a little under the berry row of table 17', stagesSource: 'judgement: deciduous bush', rootsSource: 'judgement: shallow fibrous roots, half the berry row', pSource: 'judgement: shallow roots: less than the berry row',
  }),
  plant('grape-table', 'Table grape', {
    kc: [0.3, 0.85, 0.45], kcb: [0.15, 0.8, 0.4], heightM: 2.0, stages: [20, 50, 90, 20], rootsM: [1.0, 2.0], p: 0.35, spacing: [1500, 2500],
    usualStart: 'bare-root', frost: 'hardy', toughening: 'not needed', thirstiest: 'flowering until the berries colour', sensitivity: 0.85, traits: ['foliageDiseaseProne', 'splits'],
    cycle: 'deciduous',
  }),
  plant('grape-wine', 'Wine grape', {
    kc: [0.3, 0.7, 0.45], kcb: [0.15, 0.65, 0.4], heightM: 1.7, stages: [30, 60, 40, 80], rootsM: [1.0, 2.0], p: 0.45, spacing: [1200, 2000],
    usualStart: 'bare-root', frost: 'hardy', toughening: 'not needed', thirstiest: 'flowering and fruit set', sensitivity: 0.85, traits: ['foliageDiseaseProne'],
    cycle: 'deciduous',
  }),
  plant('hop', 'Hop', {
    kc: [0.3, 1.05, 0.85], kcb: [0.15, 1.0, 0.8], heightM: 5, stages: [25, 40, 80, 10], rootsM: [1.0, 1.2], p: 0.5, spacing: [1000, 3000],
    usualStart: 'bare-root', frost: 'hardy', toughening: 'not needed', thirstiest: 'flowering and cones', sensitivity: 0.9, traits: ['foliageDiseaseProne'],
    cycle: 'deciduous',
  }),
  plant('elder', 'Elder', {
    kc: [0.3, 1.05, 0.5], kcb: [0.2, 1.0, 0.4], heightM: 3, stages: [20, 50, 90, 50], rootsM: [0.6, 1.2], p: 0.5, spacing: [2000, 2500],
    usualStart: 'bare-root', frost: 'hardy', toughening: 'not needed', thirstiest: 'flowering until the berries colour', sensitivity: 0.7, traits: [],
    ...judged('no row; a tall berry bush, as the berry row of table 12'),
    cycle: 'deciduous',
  }),
  plant('loganberry', 'Loganberry and tayberry', {
    kc: [0.3, 1.05, 0.5], kcb: [0.2, 1.0, 0.4], heightM: 1.8, stages: [20, 50, 80, 55], rootsM: [0.6, 1.2], p: 0.5, spacing: [2000, 2000],
    usualStart: 'bare-root', frost: 'hardy', toughening: 'not needed', thirstiest: 'flowering until the last picking', sensitivity: 1.0, traits: ['dislikesWetFeet'],
    cycle: 'deciduous', stagesSource: 'judgement: deciduous bush of a temperate garden; table 11 has no row',
  }),
].map(entry);
