import { entry, inGroup, judged } from './entry.ts';

const plant = inGroup('fruit trees');

/** Fruit trees, without grass under them and with killing frost. Values with a table number are FAO-56’s, from memory; the rest say why they are what they are. */
export const fruitTrees = [
  plant('apple', 'Apple', {
    kc: [0.45, 0.95, 0.7], kcb: [0.35, 0.9, 0.65], heightM: 4, stages: [20, 70, 90, 30], rootsM: [1.0, 2.0], p: 0.5, spacing: [3500, 4500],
    usualStart: 'bare-root', frost: 'hardy', toughening: 'not needed', thirstiest: 'spring growth, and while the fruit swells', sensitivity: 0.9, traits: [],
    cycle: 'deciduous',
  }),
  plant('pear', 'Pear', {
    kc: [0.45, 0.95, 0.7], kcb: [0.35, 0.9, 0.65], heightM: 4, stages: [20, 70, 90, 30], rootsM: [1.0, 2.0], p: 0.5, spacing: [3500, 4500],
    usualStart: 'bare-root', frost: 'hardy', toughening: 'not needed', thirstiest: 'spring growth, and while the fruit swells', sensitivity: 0.9, traits: [],
    cycle: 'deciduous',
  }),
  plant('cherry', 'Cherry', {
    kc: [0.45, 0.95, 0.7], kcb: [0.35, 0.9, 0.65], heightM: 4, stages: [20, 70, 90, 30], rootsM: [1.0, 2.0], p: 0.5, spacing: [4500, 5500],
    usualStart: 'bare-root', frost: 'hardy', toughening: 'not needed', thirstiest: 'spring growth, and while the fruit swells', sensitivity: 0.9, traits: ['splits'],
    cycle: 'deciduous',
  }),
  plant('plum', 'Plum', {
    kc: [0.45, 0.9, 0.65], kcb: [0.35, 0.85, 0.6], heightM: 3, stages: [20, 70, 90, 30], rootsM: [1.0, 2.0], p: 0.5, spacing: [4000, 5000],
    usualStart: 'bare-root', frost: 'hardy', toughening: 'not needed', thirstiest: 'spring growth, and while the fruit swells', sensitivity: 0.9, traits: ['splits'],
    cycle: 'deciduous',
  }),
  plant('apricot', 'Apricot', {
    kc: [0.45, 0.9, 0.65], kcb: [0.35, 0.85, 0.6], heightM: 3, stages: [20, 70, 90, 30], rootsM: [1.0, 2.0], p: 0.5, spacing: [4500, 5000],
    usualStart: 'bare-root', frost: 'hardy', toughening: 'not needed', thirstiest: 'spring growth, and while the fruit swells', sensitivity: 0.9, traits: [],
    cycle: 'deciduous',
  }),
  plant('peach', 'Peach and nectarine', {
    kc: [0.45, 0.9, 0.65], kcb: [0.35, 0.85, 0.6], heightM: 3, stages: [20, 70, 90, 30], rootsM: [1.0, 2.0], p: 0.5, spacing: [4000, 5000],
    usualStart: 'bare-root', frost: 'hardy', toughening: 'not needed', thirstiest: 'spring growth, and while the fruit swells', sensitivity: 0.9, traits: [],
    cycle: 'deciduous',
  }),
  plant('almond', 'Almond', {
    kc: [0.4, 0.9, 0.65], kcb: [0.2, 0.85, 0.6], heightM: 5, stages: [20, 70, 90, 30], rootsM: [1.0, 2.0], p: 0.4, spacing: [5000, 6000],
    usualStart: 'bare-root', frost: 'half-hardy', toughening: 'not needed', thirstiest: 'spring growth until the kernels fill', sensitivity: 0.8, traits: [],
    cycle: 'deciduous',
  }),
  plant('walnut', 'Walnut', {
    kc: [0.5, 1.1, 0.65], kcb: [0.4, 1.05, 0.6], heightM: 5, stages: [20, 10, 130, 30], rootsM: [1.7, 2.4], p: 0.5, spacing: [8000, 9000],
    usualStart: 'bare-root', frost: 'hardy', toughening: 'not needed', thirstiest: 'spring growth until the nuts fill', sensitivity: 0.9, traits: ['dislikesWetFeet'],
    cycle: 'deciduous',
  }),
  plant('hazel', 'Hazel', {
    kc: [0.45, 0.95, 0.7], kcb: [0.35, 0.9, 0.65], heightM: 4, stages: [20, 70, 90, 30], rootsM: [0.8, 1.5], p: 0.5, spacing: [4000, 5000],
    usualStart: 'bare-root', frost: 'hardy', toughening: 'not needed', thirstiest: 'while the nuts fill', sensitivity: 0.8, traits: [],
    cycle: 'deciduous', kcSource: 'judgement: no row; as apple', kcbSource: 'judgement: no row; as apple', heightSource: 'judgement: usual height', rootsSource: 'judgement: a little shallower than apple', pSource: 'judgement: as apple',
  }),
  plant('fig', 'Fig', {
    kc: [0.45, 0.8, 0.6], kcb: [0.35, 0.75, 0.5], heightM: 3, stages: [30, 60, 100, 40], rootsM: [0.8, 1.5], p: 0.55, spacing: [3500, 4000],
    usualStart: 'pot', frost: 'half-hardy', toughening: 'not needed', thirstiest: 'while the fruit swells', sensitivity: 0.6, traits: ['splits'],
    ...judged('no row; a dry-summer tree, under the stone-fruit row'),
    cycle: 'deciduous',
  }),
  plant('olive', 'Olive', {
    kc: [0.65, 0.7, 0.7], kcb: [0.55, 0.65, 0.65], heightM: 4, stages: [30, 90, 60, 90], rootsM: [1.2, 1.7], p: 0.65, spacing: [5000, 6000],
    usualStart: 'pot', frost: 'half-hardy', toughening: 'not needed', thirstiest: 'flowering, and while the fruit fills', sensitivity: 0.5, traits: ['dislikesWetFeet'],
    cycle: 'evergreen',
  }),
  plant('citrus', 'Citrus', {
    kc: [0.7, 0.65, 0.7], kcb: [0.65, 0.6, 0.65], heightM: 4, stages: [60, 90, 120, 95], rootsM: [1.2, 1.5], p: 0.5, spacing: [4000, 5000],
    usualStart: 'pot', frost: 'tender', toughening: 'not needed', thirstiest: 'flowering and fruit set', sensitivity: 1.2, traits: ['splits', 'likesAcidWater'],
    cycle: 'evergreen',
  }),
  plant('kiwi', 'Kiwi', {
    kc: [0.4, 1.05, 1.05], kcb: [0.2, 1.0, 1.0], heightM: 3, stages: [20, 70, 120, 60], rootsM: [0.7, 1.3], p: 0.35, spacing: [4000, 4000],
    usualStart: 'pot', frost: 'half-hardy', toughening: 'not needed', thirstiest: 'all summer; big leaves and shallow roots', sensitivity: 1.1, traits: [],
    cycle: 'deciduous',
  }),
  plant('persimmon', 'Persimmon', {
    kc: [0.45, 0.9, 0.65], kcb: [0.35, 0.85, 0.6], heightM: 4, stages: [20, 70, 120, 40], rootsM: [1.0, 1.8], p: 0.5, spacing: [5000, 5000],
    usualStart: 'bare-root', frost: 'half-hardy', toughening: 'not needed', thirstiest: 'while the fruit swells', sensitivity: 0.8, traits: [],
    cycle: 'deciduous', kcSource: 'judgement: no row; as the stone-fruit row', kcbSource: 'judgement: no row; as the stone-fruit row', heightSource: 'judgement: usual height', rootsSource: 'judgement: as the stone-fruit row', pSource: 'judgement: as the stone-fruit row',
  }),
  plant('mulberry', 'Mulberry', {
    kc: [0.45, 0.9, 0.65], kcb: [0.35, 0.85, 0.6], heightM: 5, stages: [20, 70, 110, 30], rootsM: [1.0, 2.0], p: 0.55, spacing: [7000, 7000],
    usualStart: 'bare-root', frost: 'hardy', toughening: 'not needed', thirstiest: 'first three summers', sensitivity: 0.6, traits: [],
    ...judged('no row; a deep-rooted tree, as the stone-fruit row'),
    cycle: 'deciduous',
  }),
  plant('quince', 'Quince', {
    kc: [0.45, 0.95, 0.7], kcb: [0.35, 0.9, 0.65], heightM: 4, stages: [20, 70, 90, 30], rootsM: [0.8, 1.6], p: 0.5, spacing: [4000, 5000],
    usualStart: 'bare-root', frost: 'hardy', toughening: 'not needed', thirstiest: 'while the fruit swells', sensitivity: 0.9, traits: [],
    ...judged('no row; as apple'),
    cycle: 'deciduous',
  }),
  plant('pomegranate', 'Pomegranate', {
    kc: [0.4, 0.75, 0.55], kcb: [0.3, 0.7, 0.5], heightM: 3, stages: [20, 70, 120, 40], rootsM: [0.6, 1.2], p: 0.55, spacing: [3500, 4500],
    usualStart: 'pot', frost: 'half-hardy', toughening: 'not needed', thirstiest: 'while the fruit swells; uneven water splits it', sensitivity: 0.7, traits: ['splits'],
    ...judged('no row; a dry-summer tree, under the stone-fruit row'),
    cycle: 'deciduous',
  }),
  plant('avocado', 'Avocado', {
    kc: [0.6, 0.85, 0.75], kcb: [0.5, 0.8, 0.7], heightM: 3, stages: [60, 90, 120, 95], rootsM: [0.5, 1.0], p: 0.7, spacing: [5000, 6000],
    usualStart: 'pot', frost: 'tender', toughening: 'not needed', thirstiest: 'flowering and fruit set', sensitivity: 1.0, traits: ['dislikesWetFeet'],
    cycle: 'evergreen', stagesSource: 'judgement: always in leaf',
  }),
].map(entry);
