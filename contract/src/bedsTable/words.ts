import {
  BED_FORMS,
  METHODS,
  MULCH_MATERIALS,
  TEXTURE_CLASSES,
  type BedForm,
  type Method,
  type MulchMaterial,
  type StartMethod,
  type TextureClass,
} from '@kibble/core';

/** Letters alone, as two people may write one word: without capitals, marks, doubled spaces and a plural's end. */
export const plainWord = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[’']/g, '')
    .replace(/[-_/.]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

/** Names by themselves, and what else they are called. */
const named = <T extends string>(
  all: readonly T[],
  others: Readonly<Record<string, T>>,
): ReadonlyMap<string, T> =>
  new Map([...all.map((one) => [plainWord(one), one] as const), ...Object.entries(others)]);

/** What soils are called besides their classes. Common practice; “light” and “heavy” are judgements. */
export const SOILS = named<TextureClass>(TEXTURE_CLASSES, {
  sandy: 'loamy sand',
  light: 'sandy loam',
  loamy: 'loam',
  medium: 'loam',
  silty: 'silt loam',
  'silty loam': 'silt loam',
  heavy: 'clay loam',
  'heavy loam': 'clay loam',
  clayey: 'clay',
  'heavy clay': 'clay',
  'clayey loam': 'clay loam',
});

/** What ways of watering are called. Common practice. */
export const WAYS = named<Method>(METHODS, {
  sprinklers: 'sprinkler',
  overhead: 'sprinkler',
  spray: 'sprinkler',
  impact: 'sprinkler',
  microspray: 'micro-spray',
  'micro sprinkler': 'micro-spray',
  'micro sprinklers': 'micro-spray',
  microsprinkler: 'micro-spray',
  'mini sprinkler': 'micro-spray',
  wand: 'hose wand',
  hose: 'hose wand',
  'hand hose': 'hose wand',
  'by hand': 'hose wand',
  hand: 'hose wand',
  'drip tape': 'drip',
  'drip line': 'drip',
  dripline: 'drip',
  'drip irrigation': 'drip',
  tape: 'drip',
  't tape': 'drip',
  drippers: 'drip',
  dripper: 'drip',
  'gravity drip': 'gravity drip kit',
  'gravity kit': 'gravity drip kit',
  soaker: 'soaker hose',
  'soaker hoses': 'soaker hose',
  'seep hose': 'soaker hose',
  'leaky hose': 'soaker hose',
  'porous hose': 'soaker hose',
  bubblers: 'bubbler',
  bucket: 'slow bucket',
  can: 'watering can',
  cans: 'watering can',
  'watering cans': 'watering can',
});

/** How what is planted was begun. Common practice. */
export const STARTS: ReadonlyMap<string, StartMethod> = new Map<string, StartMethod>([
  ['direct sown', 'direct-sown'],
  ['direct', 'direct-sown'],
  ['seed', 'direct-sown'],
  ['seeds', 'direct-sown'],
  ['sown', 'direct-sown'],
  ['module', 'module'],
  ['modules', 'module'],
  ['plug', 'module'],
  ['plugs', 'module'],
  ['plants', 'module'],
  ['transplant', 'module'],
  ['transplants', 'module'],
  ['starts', 'module'],
  ['pot', 'pot'],
  ['pots', 'pot'],
  ['potted', 'pot'],
  ['bare root', 'bare-root'],
  ['bare roots', 'bare-root'],
  ['cloves', 'cloves'],
  ['sets', 'cloves'],
  ['tubers', 'tubers'],
  ['seed potatoes', 'tubers'],
]);

export const MULCHES = named<MulchMaterial>(MULCH_MATERIALS, {
  hay: 'straw',
  grass: 'grass clippings',
  'wood chips': 'wood chip',
  woodchip: 'wood chip',
  woodchips: 'wood chip',
  chips: 'wood chip',
  'pine needles': 'needles',
  plastic: 'plastic film',
  film: 'plastic film',
  'black plastic': 'plastic film',
  fabric: 'woven fabric',
  'landscape fabric': 'woven fabric',
  'ground cover': 'woven fabric',
});

export const SHAPES = named<BedForm>(BED_FORMS, {
  level: 'flat',
  'raised bed': 'raised',
  sunken: 'basin',
});

const YES =
  /^(yes|y|x|true|1|tunnel|polytunnel|high tunnel|hoop ?house|greenhouse|glasshouse|glass|plastic|cover(ed)?|under cover|timer)$/;
const NO = /^(no|n|false|0|-|–|none|open|outside|outdoors|field)$/;

/** A cell that says yes or no; null for anything else. */
export const yesOrNo = (text: string): boolean | null =>
  YES.test(plainWord(text)) ? true : NO.test(plainWord(text)) || plainWord(text) === '' ? false : null;

/** What is written where there is none of something. */
export const isNone = (text: string): boolean =>
  /^(none|no|nothing|empty|bare|fallow|n\/a|-|–|—|0|\?)?$/i.test(text.trim());
