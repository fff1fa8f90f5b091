import { entry, vegetable } from './entry.ts';

/** Vegetables. Coefficients, stages, roots and p: FAO-56 tables 12, 17, 11 and 22, from memory. */
export const commonVegetables = [
  vegetable('tomato', 'Tomato', {
    kc: [0.6, 1.15, 0.8], kcb: [0.15, 1.1, 0.7], heightM: 0.6, stages: [30, 40, 45, 30],
    rootsM: [0.7, 1.5], p: 0.4, spacing: [500, 700], usualStart: 'module', frost: 'tender',
    toughening: 'tomato', thirstiest: 'from first flower until the fruit colours', sensitivity: 1.05,
    traits: ['foliageDiseaseProne', 'splits', 'blossomEndRot'],
    cropsOn: true,
  }),
  vegetable('sweet-pepper', 'Sweet pepper', {
    kc: [0.6, 1.05, 0.9], kcb: [0.15, 1.0, 0.8], heightM: 0.7, stages: [30, 35, 40, 20],
    rootsM: [0.5, 1.0], p: 0.3, spacing: [400, 500], usualStart: 'module', frost: 'tender',
    toughening: 'tomato', thirstiest: 'flowering and fruit set', sensitivity: 1.1,
    traits: ['foliageDiseaseProne', 'blossomEndRot'],
    cropsOn: true,
  }),
  vegetable('aubergine', 'Aubergine', {
    kc: [0.6, 1.05, 0.9], kcb: [0.15, 1.0, 0.8], heightM: 0.8, stages: [30, 40, 40, 20],
    rootsM: [0.7, 1.2], p: 0.45, spacing: [500, 600], usualStart: 'module', frost: 'tender',
    toughening: 'tomato', thirstiest: 'flowering and fruit set', sensitivity: 1.1, traits: ['blossomEndRot'],
    cropsOn: true,
  }),
  vegetable('sweetcorn', 'Sweetcorn', {
    kc: [0.3, 1.15, 1.05], kcb: [0.15, 1.1, 1.0], heightM: 1.5, stages: [20, 25, 25, 10],
    rootsM: [0.8, 1.2], p: 0.5, spacing: [300, 600], usualStart: 'direct-sown', frost: 'tender',
    toughening: 'not needed', thirstiest: 'tasselling until the cobs fill', sensitivity: 1.25, traits: [],
  }),
  vegetable('french-bean', 'French bean', {
    kc: [0.5, 1.05, 0.9], kcb: [0.15, 1.0, 0.8], heightM: 0.4, stages: [20, 30, 30, 10],
    rootsM: [0.5, 0.7], p: 0.45, spacing: [150, 450], usualStart: 'direct-sown', frost: 'tender',
    toughening: 'legume', thirstiest: 'first flower until the pods fill', sensitivity: 1.15, traits: [],
  }),
  vegetable('pea', 'Pea', {
    kc: [0.5, 1.15, 1.1], kcb: [0.15, 1.1, 1.05], heightM: 0.5, stages: [20, 30, 35, 15],
    rootsM: [0.6, 1.0], p: 0.35, spacing: [60, 600], usualStart: 'direct-sown', frost: 'hardy',
    toughening: 'legume', thirstiest: 'first flower until the pods fill', sensitivity: 1.15, traits: [],
  }),
  vegetable('onion', 'Onion', {
    kc: [0.7, 1.05, 0.75], kcb: [0.15, 0.95, 0.65], heightM: 0.4, stages: [15, 25, 70, 40],
    rootsM: [0.3, 0.6], p: 0.3, spacing: [100, 300], usualStart: 'module', frost: 'hardy',
    toughening: 'onion', thirstiest: 'while the bulbs swell', sensitivity: 1.1, traits: ['foliageDiseaseProne'],
  }),
  vegetable('garlic', 'Garlic', {
    kc: [0.7, 1.0, 0.7], kcb: [0.15, 0.9, 0.6], heightM: 0.3, stages: [25, 50, 45, 30],
    stagesSource: 'judgement: days of growth, the winter not counted; table 11 has no row for garlic',
    rootsM: [0.3, 0.5], p: 0.3, spacing: [150, 300], usualStart: 'cloves', frost: 'hardy',
    toughening: 'not needed', thirstiest: 'while the bulbs swell in late spring', sensitivity: 1.0, traits: [],
  }),
  vegetable('carrot', 'Carrot', {
    kc: [0.7, 1.05, 0.95], kcb: [0.15, 0.95, 0.85], heightM: 0.3, stages: [20, 30, 50, 20],
    rootsM: [0.5, 1.0], p: 0.35, spacing: [50, 250], usualStart: 'direct-sown', frost: 'hardy',
    toughening: 'root', thirstiest: 'germination, then while the roots thicken', sensitivity: 1.0, traits: ['splits'],
  }),
  vegetable('beetroot', 'Beetroot', {
    kc: [0.5, 1.05, 0.95], kcb: [0.15, 0.95, 0.85], heightM: 0.4, stages: [25, 30, 25, 10],
    rootsM: [0.6, 1.0], p: 0.5, spacing: [100, 300], usualStart: 'direct-sown', frost: 'half-hardy',
    toughening: 'root', thirstiest: 'while the roots thicken', sensitivity: 0.9, traits: [],
  }),
  vegetable('radish', 'Radish', {
    kc: [0.7, 0.9, 0.85], kcb: [0.15, 0.85, 0.75], heightM: 0.3, stages: [5, 10, 15, 5],
    rootsM: [0.3, 0.5], p: 0.3, spacing: [30, 150], usualStart: 'direct-sown', frost: 'hardy',
    toughening: 'never', thirstiest: 'all its short life', sensitivity: 1.0, traits: ['splits', 'boltsWhenDry'],
  }),
  vegetable('potato', 'Potato', {
    kc: [0.5, 1.15, 0.75], kcb: [0.15, 1.1, 0.65], heightM: 0.6, stages: [25, 30, 45, 30],
    rootsM: [0.4, 0.6], p: 0.35, spacing: [350, 700], usualStart: 'tubers', frost: 'tender',
    toughening: 'potted potato', thirstiest: 'from flowering, while the tubers swell', sensitivity: 1.1,
    traits: ['foliageDiseaseProne'],
  }),
  vegetable('lettuce', 'Lettuce', {
    kc: [0.7, 1.0, 0.95], kcb: [0.15, 0.9, 0.9], heightM: 0.3, stages: [20, 30, 15, 10],
    rootsM: [0.3, 0.5], p: 0.3, spacing: [250, 300], usualStart: 'module', frost: 'half-hardy',
    toughening: 'never', thirstiest: 'always; shortage sends it to seed', sensitivity: 1.2,
    traits: ['leafyGreen', 'boltsWhenDry'],
  }),
  vegetable('spinach', 'Spinach', {
    kc: [0.7, 1.0, 0.95], kcb: [0.15, 0.9, 0.85], heightM: 0.3, stages: [20, 20, 20, 5],
    rootsM: [0.3, 0.5], p: 0.2, spacing: [100, 300], usualStart: 'direct-sown', frost: 'hardy',
    toughening: 'never', thirstiest: 'always; shortage sends it to seed', sensitivity: 1.2,
    traits: ['leafyGreen', 'boltsWhenDry'],
  }),
  vegetable('chard', 'Chard', {
    kc: [0.7, 1.05, 0.95], kcb: [0.15, 0.95, 0.85], heightM: 0.5, stages: [20, 30, 60, 20],
    rootsM: [0.5, 0.8], p: 0.35, spacing: [300, 400], usualStart: 'module', frost: 'half-hardy',
    kcSource: 'judgement: no row of its own; the small-vegetable group value of table 12',
    kcbSource: 'judgement: no row of its own; the small-vegetable group value of table 17',
    stagesSource: 'judgement: cut and come again over a long summer; no row in table 11',
    rootsSource: 'judgement: between spinach and beet in table 22',
    pSource: 'judgement: between spinach and beet in table 22',
    toughening: 'never', thirstiest: 'in heat, while it is being cut', sensitivity: 1.1,
    traits: ['leafyGreen', 'boltsWhenDry'],
    cropsOn: true,
  }),
  vegetable('cabbage', 'Cabbage', {
    kc: [0.7, 1.05, 0.95], kcb: [0.15, 0.95, 0.85], heightM: 0.4, stages: [40, 60, 50, 15],
    rootsM: [0.5, 0.8], p: 0.45, spacing: [450, 500], usualStart: 'module', frost: 'hardy',
    toughening: 'never', thirstiest: 'while the head forms', sensitivity: 0.95, traits: ['splits', 'leafyGreen'],
  }),
  vegetable('courgette', 'Courgette', {
    kc: [0.5, 0.95, 0.75], kcb: [0.15, 0.9, 0.7], heightM: 0.3, stages: [25, 35, 25, 15],
    rootsM: [0.6, 1.0], p: 0.5, spacing: [900, 900], usualStart: 'module', frost: 'tender',
    toughening: 'cucurbit', thirstiest: 'flowering and while it is picked', sensitivity: 1.1,
    traits: ['foliageDiseaseProne', 'blossomEndRot'],
    cropsOn: true,
  }),
  vegetable('cucumber', 'Cucumber', {
    kc: [0.6, 1.0, 0.75], kcb: [0.15, 0.95, 0.7], heightM: 0.3, stages: [20, 30, 40, 15],
    rootsM: [0.7, 1.2], p: 0.5, spacing: [450, 900], usualStart: 'module', frost: 'tender',
    toughening: 'cucurbit', thirstiest: 'flowering and while it is picked', sensitivity: 1.1,
    traits: ['foliageDiseaseProne'],
    cropsOn: true,
  }),
  vegetable('melon', 'Melon', {
    kc: [0.5, 1.05, 0.75], kcb: [0.15, 1.0, 0.7], heightM: 0.4, stages: [25, 35, 40, 20],
    rootsM: [0.8, 1.5], p: 0.4, spacing: [600, 1500], usualStart: 'module', frost: 'tender',
    toughening: 'cucurbit', thirstiest: 'flowering until the fruit is full size', sensitivity: 1.1, traits: ['splits'],
  }),
  vegetable('broccoli', 'Broccoli', {
    kc: [0.7, 1.05, 0.95], kcb: [0.15, 0.95, 0.85], heightM: 0.3, stages: [35, 45, 40, 15],
    rootsM: [0.4, 0.6], p: 0.45, spacing: [450, 600], usualStart: 'module', frost: 'hardy',
    toughening: 'never', thirstiest: 'while the heads form', sensitivity: 1.0, traits: ['leafyGreen', 'boltsWhenDry'],
  }),
].map(entry);
