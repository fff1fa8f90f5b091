import { entry, judged, vegetable } from './entry.ts';

/** More vegetables. Values with a table number are FAO-56’s, from memory; the rest say why they are what they are. */
export const lessCommonVegetables = [
  vegetable('brussels-sprouts', 'Brussels sprouts', {
    kc: [0.7, 1.05, 0.95], kcb: [0.15, 0.95, 0.85], heightM: 0.4, stages: [40, 60, 60, 25], rootsM: [0.4, 0.6], p: 0.45, spacing: [600, 700],
    usualStart: 'module', frost: 'hardy', toughening: 'never', thirstiest: 'while the buttons swell', sensitivity: 0.95, traits: ['leafyGreen'],
    stagesSource: 'judgement: longer than cabbage in table 11, picked into winter',
    cropsOn: true,
  }),
  vegetable('cauliflower', 'Cauliflower', {
    kc: [0.7, 1.05, 0.95], kcb: [0.15, 0.95, 0.85], heightM: 0.4, stages: [35, 50, 40, 15], rootsM: [0.4, 0.7], p: 0.45, spacing: [600, 600],
    usualStart: 'module', frost: 'half-hardy', toughening: 'never', thirstiest: 'always; a check makes small curds', sensitivity: 1.1, traits: ['leafyGreen', 'boltsWhenDry'],
  }),
  vegetable('kale', 'Kale', {
    kc: [0.7, 1.05, 0.95], kcb: [0.15, 0.95, 0.85], heightM: 0.5, stages: [35, 50, 60, 30], rootsM: [0.4, 0.7], p: 0.45, spacing: [450, 500],
    usualStart: 'module', frost: 'hardy', toughening: 'never', thirstiest: 'in the first two months', sensitivity: 0.9, traits: ['leafyGreen'],
    kcSource: 'judgement: no row of its own; the small-vegetable group of table 12', kcbSource: 'judgement: no row of its own; the small-vegetable group of table 17', heightSource: 'judgement: usual height of garden kinds', stagesSource: 'judgement: as cabbage, picked longer', rootsSource: 'judgement: as cauliflower', pSource: 'judgement: as cabbage',
    cropsOn: true,
  }),
  vegetable('celery', 'Celery', {
    kc: [0.7, 1.05, 1.0], kcb: [0.15, 0.95, 0.9], heightM: 0.6, stages: [25, 40, 45, 15], rootsM: [0.3, 0.5], p: 0.2, spacing: [250, 300],
    usualStart: 'module', frost: 'half-hardy', toughening: 'never', thirstiest: 'always', sensitivity: 1.2, traits: ['leafyGreen', 'boltsWhenDry'],
  }),
  vegetable('leek', 'Leek', {
    kc: [0.7, 1.05, 0.95], kcb: [0.15, 0.95, 0.85], heightM: 0.5, stages: [25, 40, 70, 40], rootsM: [0.3, 0.6], p: 0.3, spacing: [150, 300],
    usualStart: 'module', frost: 'hardy', toughening: 'onion', thirstiest: 'while the stems thicken', sensitivity: 1.0, traits: [],
    kcSource: 'judgement: no row of its own; between onion and the group value', kcbSource: 'judgement: no row of its own; as onion', heightSource: 'judgement: usual height', stagesSource: 'judgement: as a long onion season', rootsSource: 'judgement: as onion', pSource: 'judgement: as onion',
  }),
  vegetable('spring-onion', 'Spring onion', {
    kc: [0.7, 1.0, 1.0], kcb: [0.15, 0.9, 0.9], heightM: 0.3, stages: [25, 30, 10, 5], rootsM: [0.3, 0.6], p: 0.3, spacing: [20, 150],
    usualStart: 'direct-sown', frost: 'hardy', toughening: 'onion', thirstiest: 'all its short life', sensitivity: 1.0, traits: [],
  }),
  vegetable('shallot', 'Shallot', {
    kc: [0.7, 1.05, 0.75], kcb: [0.15, 0.95, 0.65], heightM: 0.3, stages: [15, 25, 50, 30], rootsM: [0.3, 0.5], p: 0.3, spacing: [150, 300],
    usualStart: 'tubers', frost: 'hardy', toughening: 'onion', thirstiest: 'while the bulbs swell', sensitivity: 1.05, traits: [],
    kcSource: 'judgement: as dry onion in table 12', kcbSource: 'judgement: as dry onion in table 17', heightSource: 'judgement: usual height', stagesSource: 'judgement: a month shorter than onion', rootsSource: 'judgement: as onion', pSource: 'judgement: as onion',
  }),
  vegetable('parsnip', 'Parsnip', {
    kc: [0.5, 1.05, 0.95], kcb: [0.15, 0.95, 0.85], heightM: 0.4, stages: [30, 50, 70, 30], rootsM: [0.5, 1.0], p: 0.4, spacing: [100, 300],
    usualStart: 'direct-sown', frost: 'hardy', toughening: 'root', thirstiest: 'germination, then while the roots thicken', sensitivity: 0.9, traits: ['splits'],
    stagesSource: 'judgement: a long carrot season',
  }),
  vegetable('turnip', 'Turnip', {
    kc: [0.5, 1.1, 0.95], kcb: [0.15, 1.0, 0.85], heightM: 0.6, stages: [15, 25, 25, 10], rootsM: [0.5, 1.0], p: 0.5, spacing: [150, 300],
    usualStart: 'direct-sown', frost: 'hardy', toughening: 'root', thirstiest: 'while the roots swell', sensitivity: 1.0, traits: ['boltsWhenDry'],
    stagesSource: 'judgement: as table beet, a little shorter',
  }),
  vegetable('swede', 'Swede', {
    kc: [0.5, 1.1, 0.95], kcb: [0.15, 1.0, 0.85], heightM: 0.6, stages: [30, 40, 60, 30], rootsM: [0.5, 1.0], p: 0.5, spacing: [250, 400],
    usualStart: 'direct-sown', frost: 'hardy', toughening: 'root', thirstiest: 'while the roots swell', sensitivity: 0.9, traits: [],
    stagesSource: 'judgement: twice a turnip’s season',
  }),
  vegetable('celeriac', 'Celeriac', {
    kc: [0.7, 1.05, 1.0], kcb: [0.15, 0.95, 0.9], heightM: 0.5, stages: [30, 50, 70, 30], rootsM: [0.3, 0.5], p: 0.25, spacing: [350, 400],
    usualStart: 'module', frost: 'half-hardy', toughening: 'never', thirstiest: 'always, most of all in late summer', sensitivity: 1.1, traits: [],
    kcSource: 'judgement: as celery', kcbSource: 'judgement: as celery', heightSource: 'judgement: usual height', stagesSource: 'judgement: longer than celery', rootsSource: 'judgement: as celery', pSource: 'judgement: near celery',
  }),
  vegetable('sweet-potato', 'Sweet potato', {
    kc: [0.5, 1.15, 0.65], kcb: [0.15, 1.1, 0.55], heightM: 0.4, stages: [20, 30, 60, 40], rootsM: [1.0, 1.5], p: 0.65, spacing: [300, 900],
    usualStart: 'module', frost: 'tender', toughening: 'root', thirstiest: 'the first two months', sensitivity: 0.85, traits: [],
  }),
  vegetable('pumpkin', 'Pumpkin and winter squash', {
    kc: [0.5, 1.0, 0.8], kcb: [0.15, 0.95, 0.7], heightM: 0.4, stages: [20, 30, 30, 20], rootsM: [1.0, 1.5], p: 0.35, spacing: [1200, 1500],
    usualStart: 'module', frost: 'tender', toughening: 'cucurbit', thirstiest: 'flowering until the fruit is full size', sensitivity: 1.0, traits: ['foliageDiseaseProne'],
  }),
  vegetable('watermelon', 'Watermelon', {
    kc: [0.4, 1.0, 0.75], kcb: [0.15, 0.95, 0.7], heightM: 0.4, stages: [20, 30, 30, 30], rootsM: [0.8, 1.5], p: 0.4, spacing: [900, 1800],
    usualStart: 'module', frost: 'tender', toughening: 'cucurbit', thirstiest: 'flowering until the fruit is full size', sensitivity: 1.1, traits: ['splits'],
  }),
  vegetable('gherkin', 'Gherkin', {
    kc: [0.5, 1.0, 0.9], kcb: [0.15, 0.95, 0.8], heightM: 0.3, stages: [20, 30, 40, 15], rootsM: [0.7, 1.2], p: 0.5, spacing: [300, 900],
    usualStart: 'direct-sown', frost: 'tender', toughening: 'cucurbit', thirstiest: 'while it is picked', sensitivity: 1.1, traits: ['foliageDiseaseProne'],
    cropsOn: true,
  }),
  vegetable('broad-bean', 'Broad bean', {
    kc: [0.5, 1.15, 1.1], kcb: [0.15, 1.1, 1.05], heightM: 0.8, stages: [20, 30, 35, 15], rootsM: [0.5, 0.7], p: 0.45, spacing: [200, 500],
    usualStart: 'direct-sown', frost: 'hardy', toughening: 'legume', thirstiest: 'first flower until the pods fill', sensitivity: 1.15, traits: [],
  }),
  vegetable('dry-bean', 'Beans for drying', {
    kc: [0.4, 1.15, 0.35], kcb: [0.15, 1.1, 0.25], heightM: 0.4, stages: [20, 30, 40, 20], rootsM: [0.6, 0.9], p: 0.45, spacing: [100, 450],
    usualStart: 'direct-sown', frost: 'tender', toughening: 'legume', thirstiest: 'first flower until the pods fill', sensitivity: 1.15, traits: [],
  }),
  vegetable('runner-bean', 'Runner bean', {
    kc: [0.5, 1.1, 0.95], kcb: [0.15, 1.05, 0.85], heightM: 1.8, stages: [25, 35, 50, 15], rootsM: [0.5, 0.8], p: 0.45, spacing: [250, 600],
    usualStart: 'direct-sown', frost: 'tender', toughening: 'legume', thirstiest: 'first flower until the last picking', sensitivity: 1.15, traits: [],
    kcSource: 'judgement: green bean of table 12, raised for a climbing stand', kcbSource: 'judgement: follows kc', heightSource: 'judgement: on poles', stagesSource: 'judgement: green bean, picked longer', rootsSource: 'judgement: a little deeper than green bean', pSource: 'judgement: as green bean',
    cropsOn: true,
  }),
  vegetable('dry-pea', 'Peas for drying', {
    kc: [0.5, 1.15, 0.3], kcb: [0.15, 1.1, 0.2], heightM: 0.5, stages: [20, 30, 35, 20], rootsM: [0.6, 1.0], p: 0.4, spacing: [60, 600],
    usualStart: 'direct-sown', frost: 'hardy', toughening: 'legume', thirstiest: 'first flower until the pods fill', sensitivity: 1.15, traits: [],
  }),
  vegetable('chickpea', 'Chickpea', {
    kc: [0.4, 1.0, 0.35], kcb: [0.15, 0.95, 0.25], heightM: 0.4, stages: [20, 30, 40, 20], rootsM: [0.6, 1.0], p: 0.5, spacing: [100, 400],
    usualStart: 'direct-sown', frost: 'half-hardy', toughening: 'legume', thirstiest: 'flowering', sensitivity: 0.9, traits: [],
    stagesSource: 'judgement: as dry beans',
  }),
  vegetable('lentil', 'Lentil', {
    kc: [0.4, 1.1, 0.3], kcb: [0.15, 1.05, 0.2], heightM: 0.5, stages: [20, 30, 60, 40], rootsM: [0.6, 0.8], p: 0.5, spacing: [50, 250],
    usualStart: 'direct-sown', frost: 'hardy', toughening: 'legume', thirstiest: 'flowering', sensitivity: 0.85, traits: [],
  }),
  vegetable('soybean', 'Soybean', {
    kc: [0.4, 1.15, 0.5], kcb: [0.15, 1.1, 0.3], heightM: 0.7, stages: [20, 30, 60, 25], rootsM: [0.6, 1.3], p: 0.5, spacing: [80, 450],
    usualStart: 'direct-sown', frost: 'tender', toughening: 'legume', thirstiest: 'pods filling', sensitivity: 0.85, traits: [],
  }),
  vegetable('okra', 'Okra', {
    kc: [0.6, 1.05, 0.9], kcb: [0.15, 1.0, 0.8], heightM: 1.2, stages: [25, 35, 50, 20], rootsM: [0.6, 1.0], p: 0.45, spacing: [300, 600],
    usualStart: 'module', frost: 'tender', toughening: 'not needed', thirstiest: 'flowering and picking', sensitivity: 0.9, traits: [],
    kcSource: 'judgement: no row; as aubergine', kcbSource: 'judgement: no row; as aubergine', heightSource: 'judgement: usual height', stagesSource: 'judgement: as aubergine', rootsSource: 'judgement: near aubergine', pSource: 'judgement: as aubergine',
    cropsOn: true,
  }),
  vegetable('chilli', 'Chilli pepper', {
    kc: [0.6, 1.05, 0.9], kcb: [0.15, 1.0, 0.8], heightM: 0.6, stages: [30, 35, 50, 25], rootsM: [0.5, 1.0], p: 0.3, spacing: [400, 500],
    usualStart: 'module', frost: 'tender', toughening: 'tomato', thirstiest: 'flowering and fruit set', sensitivity: 1.0, traits: ['blossomEndRot'],
    kcSource: 'judgement: as sweet pepper', kcbSource: 'judgement: as sweet pepper', heightSource: 'judgement: usual height', stagesSource: 'judgement: as sweet pepper, longer', rootsSource: 'judgement: as sweet pepper', pSource: 'judgement: as sweet pepper',
    cropsOn: true,
  }),
  vegetable('rocket', 'Rocket', {
    kc: [0.7, 1.0, 0.95], kcb: [0.15, 0.9, 0.9], heightM: 0.25, stages: [10, 15, 15, 5], rootsM: [0.25, 0.4], p: 0.25, spacing: [50, 200],
    usualStart: 'direct-sown', frost: 'hardy', toughening: 'never', thirstiest: 'always; shortage sends it to seed', sensitivity: 1.2, traits: ['leafyGreen', 'boltsWhenDry'],
    kcSource: 'judgement: as lettuce', kcbSource: 'judgement: as lettuce', heightSource: 'judgement: usual height', stagesSource: 'judgement: a quick salad', rootsSource: 'judgement: a little shallower than lettuce', pSource: 'judgement: between spinach and lettuce',
  }),
  vegetable('endive', 'Endive and chicory', {
    kc: [0.7, 1.0, 0.95], kcb: [0.15, 0.9, 0.9], heightM: 0.3, stages: [25, 35, 25, 10], rootsM: [0.3, 0.5], p: 0.3, spacing: [300, 300],
    usualStart: 'module', frost: 'half-hardy', toughening: 'never', thirstiest: 'always', sensitivity: 1.1, traits: ['leafyGreen', 'boltsWhenDry'],
    kcSource: 'judgement: as lettuce', kcbSource: 'judgement: as lettuce', heightSource: 'judgement: usual height', stagesSource: 'judgement: a slow lettuce', rootsSource: 'judgement: as lettuce', pSource: 'judgement: as lettuce',
  }),
  vegetable('pak-choi', 'Pak choi', {
    kc: [0.7, 1.0, 0.95], kcb: [0.15, 0.9, 0.9], heightM: 0.3, stages: [15, 20, 15, 5], rootsM: [0.3, 0.45], p: 0.3, spacing: [200, 300],
    usualStart: 'module', frost: 'half-hardy', toughening: 'never', thirstiest: 'always; shortage sends it to seed', sensitivity: 1.15, traits: ['leafyGreen', 'boltsWhenDry'],
    kcSource: 'judgement: as lettuce', kcbSource: 'judgement: as lettuce', heightSource: 'judgement: usual height', stagesSource: 'judgement: a quick brassica', rootsSource: 'judgement: as lettuce', pSource: 'judgement: as lettuce',
  }),
  vegetable('kohlrabi', 'Kohlrabi', {
    kc: [0.7, 1.05, 0.95], kcb: [0.15, 0.95, 0.85], heightM: 0.35, stages: [20, 25, 20, 10], rootsM: [0.4, 0.6], p: 0.45, spacing: [200, 300],
    usualStart: 'module', frost: 'hardy', toughening: 'never', thirstiest: 'while the stems swell', sensitivity: 1.0, traits: ['splits'],
    kcSource: 'judgement: the small-vegetable group of table 12', kcbSource: 'judgement: the small-vegetable group of table 17', heightSource: 'judgement: usual height', stagesSource: 'judgement: a quick brassica', rootsSource: 'judgement: as broccoli', pSource: 'judgement: as broccoli',
  }),
  vegetable('sunflower', 'Sunflower', {
    kc: [0.35, 1.1, 0.35], kcb: [0.15, 1.05, 0.25], heightM: 2.0, stages: [25, 35, 45, 25], rootsM: [0.8, 1.5], p: 0.45, spacing: [300, 600],
    usualStart: 'direct-sown', frost: 'half-hardy', toughening: 'not needed', thirstiest: 'bud to the end of flowering', sensitivity: 0.95, traits: [],
  }),
  vegetable('artichoke', 'Globe artichoke', {
    kc: [0.5, 1.0, 0.95], kcb: [0.15, 0.95, 0.9], heightM: 0.7, stages: [40, 40, 250, 30], rootsM: [0.6, 0.9], p: 0.45, spacing: [900, 1000],
    usualStart: 'pot', frost: 'half-hardy', toughening: 'not needed', thirstiest: 'while the buds form', sensitivity: 0.95, traits: [],
    cycle: 'deciduous',
  }),
  vegetable('asparagus', 'Asparagus', {
    kc: [0.5, 0.95, 0.3], kcb: [0.15, 0.9, 0.2], heightM: 0.8, stages: [50, 30, 100, 50], rootsM: [1.2, 1.8], p: 0.45, spacing: [400, 1000],
    usualStart: 'bare-root', frost: 'hardy', toughening: 'not needed', thirstiest: 'the fern, after cutting ends', sensitivity: 0.7, traits: [],
    cycle: 'deciduous',
  }),
  vegetable('rhubarb', 'Rhubarb', {
    kc: [0.5, 1.05, 0.8], kcb: [0.2, 1.0, 0.7], heightM: 0.6, stages: [30, 40, 110, 40], rootsM: [0.6, 1.0], p: 0.4, spacing: [900, 900],
    usualStart: 'bare-root', frost: 'hardy', toughening: 'not needed', thirstiest: 'spring growth, and after pulling', sensitivity: 0.8, traits: [],
    cycle: 'deciduous', kcSource: 'judgement: a broad-leaved perennial vegetable; near artichoke', kcbSource: 'judgement: follows kc', heightSource: 'judgement: usual height', stagesSource: 'judgement: leaf from early spring to autumn', rootsSource: 'judgement: thick storage roots', pSource: 'judgement: large soft leaves',
  }),
  vegetable('florence-fennel', 'Florence fennel', {
    kc: [0.7, 1.05, 0.95], kcb: [0.15, 0.95, 0.85], heightM: 0.6, stages: [25, 35, 30, 10], rootsM: [0.3, 0.5], p: 0.35, spacing: [250, 350],
    usualStart: 'direct-sown', frost: 'half-hardy', toughening: 'never', thirstiest: 'while the bulb swells; shortage sends it to seed', sensitivity: 1.15, traits: ['boltsWhenDry'],
    ...judged('no row; as celery, a little quicker'),
  }),
  vegetable('chinese-cabbage', 'Chinese cabbage', {
    kc: [0.7, 1.0, 0.95], kcb: [0.15, 0.9, 0.9], heightM: 0.4, stages: [20, 25, 25, 10], rootsM: [0.3, 0.5], p: 0.35, spacing: [350, 400],
    usualStart: 'module', frost: 'half-hardy', toughening: 'never', thirstiest: 'always; shortage sends it to seed', sensitivity: 1.15, traits: ['leafyGreen', 'boltsWhenDry'],
    ...judged('no row; a cabbage that grows like lettuce'),
  }),
  vegetable('lambs-lettuce', 'Lamb’s lettuce', {
    kc: [0.7, 1.0, 0.95], kcb: [0.15, 0.9, 0.9], heightM: 0.1, stages: [20, 25, 30, 10], rootsM: [0.2, 0.3], p: 0.3, spacing: [100, 150],
    usualStart: 'direct-sown', frost: 'hardy', toughening: 'never', thirstiest: 'germination, in dry autumns', sensitivity: 1.0, traits: ['leafyGreen'],
    ...judged('no row; as lettuce, lower'),
  }),
  vegetable('mizuna', 'Mizuna', {
    kc: [0.7, 1.0, 0.95], kcb: [0.15, 0.9, 0.9], heightM: 0.25, stages: [15, 20, 25, 10], rootsM: [0.25, 0.4], p: 0.3, spacing: [150, 250],
    usualStart: 'direct-sown', frost: 'hardy', toughening: 'never', thirstiest: 'always; shortage sends it to seed', sensitivity: 1.15, traits: ['leafyGreen', 'boltsWhenDry'],
    ...judged('no row; as lettuce'),
  }),
  vegetable('jerusalem-artichoke', 'Jerusalem artichoke', {
    kc: [0.5, 1.1, 0.6], kcb: [0.15, 1.05, 0.5], heightM: 2.2, stages: [30, 45, 75, 30], rootsM: [0.6, 1.0], p: 0.5, spacing: [350, 800],
    usualStart: 'tubers', frost: 'hardy', toughening: 'not needed', thirstiest: 'while the tubers swell, in late summer', sensitivity: 0.8, traits: [],
    ...judged('no row; a sunflower grown for its tubers'),
  }),
  vegetable('salsify', 'Salsify', {
    kc: [0.7, 1.05, 0.95], kcb: [0.15, 0.95, 0.85], heightM: 0.5, stages: [30, 45, 70, 25], rootsM: [0.6, 1.0], p: 0.45, spacing: [100, 300],
    usualStart: 'direct-sown', frost: 'hardy', toughening: 'root', thirstiest: 'germination, then dry summers', sensitivity: 0.9, traits: [],
    ...judged('no row; as parsnip'),
  }),
  // Green manures are grown to be dug in or mown: what they lose by waiting is cover, not a crop, and so they bear it. Judgements.
  vegetable('green-manure-rye', 'Green manure, rye or oats', {
    kc: [0.5, 1.05, 0.9], kcb: [0.15, 1.0, 0.8], heightM: 0.6, stages: [20, 40, 100, 30], rootsM: [0.5, 1.0], p: 0.6, spacing: [20, 150],
    usualStart: 'direct-sown', frost: 'hardy', toughening: 'not needed', thirstiest: 'germination, in dry autumns', sensitivity: 0.3, traits: [],
    ...judged('no row; a rye sown for its leaf, as small grains grow'),
  }),
  vegetable('green-manure-clover', 'Green manure, clover or vetch', {
    kc: [0.4, 1.0, 0.9], kcb: [0.15, 0.95, 0.85], heightM: 0.4, stages: [25, 45, 110, 30], rootsM: [0.4, 0.8], p: 0.5, spacing: [20, 150],
    usualStart: 'direct-sown', frost: 'hardy', toughening: 'not needed', thirstiest: 'germination', sensitivity: 0.3, traits: [],
    ...judged('no row of its own; near clover hay'),
  }),
  vegetable('green-manure-mustard', 'Green manure, mustard or phacelia', {
    kc: [0.4, 1.05, 0.7], kcb: [0.15, 1.0, 0.6], heightM: 0.7, stages: [15, 30, 30, 15], rootsM: [0.4, 0.9], p: 0.5, spacing: [20, 150],
    usualStart: 'direct-sown', frost: 'half-hardy', toughening: 'not needed', thirstiest: 'germination', sensitivity: 0.3, traits: [],
    ...judged('no row; a quick leafy stand'),
  }),
  vegetable('horseradish', 'Horseradish', {
    kc: [0.5, 1.0, 0.6], kcb: [0.2, 0.95, 0.5], heightM: 0.8, stages: [30, 40, 110, 40], rootsM: [0.6, 1.0], p: 0.5, spacing: [350, 600],
    usualStart: 'bare-root', frost: 'hardy', toughening: 'not needed', thirstiest: 'while the root thickens, in late summer', sensitivity: 0.7, traits: [],
    ...judged('no row; a deep root under large leaves'),
    cycle: 'deciduous',
  }),
  vegetable('tomatillo', 'Tomatillo', {
    kc: [0.6, 1.1, 0.8], kcb: [0.15, 1.05, 0.7], heightM: 0.9, stages: [30, 40, 45, 30], rootsM: [0.6, 1.0], p: 0.4, spacing: [700, 900],
    usualStart: 'module', frost: 'tender', toughening: 'tomato', thirstiest: 'flowering and fruit', sensitivity: 1.0, traits: ['splits'],
    ...judged('no row; as tomato, a little less leaf'),
    cropsOn: true,
  }),
  vegetable('peanut', 'Peanut', {
    kc: [0.4, 1.15, 0.6], kcb: [0.15, 1.1, 0.5], heightM: 0.4, stages: [25, 35, 45, 25], rootsM: [0.5, 1.0], p: 0.5, spacing: [200, 600],
    usualStart: 'direct-sown', frost: 'tender', toughening: 'legume', thirstiest: 'flowering, and while the pegs go down', sensitivity: 0.7, traits: [],
  }),
].map(entry);
