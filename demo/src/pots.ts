import type { PotDraft } from '@kibble/contract';
import type { PotEntry } from '@kibble/core';

/** A pot, since when it is kept, and up to which evening it was watered as it was due. */
export interface DemoPot extends PotDraft {
  startOn: string;
  followedUntil: string;
  entries?: { on: string; hour: number; entry: PotEntry }[];
}

const TERRACE = 'Terrace';
const HALL = 'Hallway';
const BENCH = 'Seed bench';
const kept = { startOn: '2026-06-01', followedUntil: '2026-07-13' };

const tray = (
  name: string,
  cropId: string,
  sownOn: string,
  followedUntil: string,
  roots: 'young' | 'filled' = 'filled',
): DemoPot => ({
  kind: 'tray',
  name,
  spot: BENCH,
  startOn: sownOn,
  followedUntil,
  plantings: [{ cropId, plantedOn: sownOn }],
  facts: {
    trough: true,
    topM: 0.36,
    baseM: 0.22,
    heightM: 0.055,
    mix: 'seed',
    material: 'plastic',
    roots,
    stands: 'greenhouse',
  },
});

/** Pots and trays of Three Poplars. All of it made up. */
export const pots: DemoPot[] = [
  {
    ...kept,
    name: 'Lemon by the door',
    spot: TERRACE,
    plantings: [{ cropId: 'citrus', plantedOn: '2021-04-20' }],
    facts: {
      topM: 0.42,
      baseM: 0.32,
      heightM: 0.36,
      mix: 'rich',
      material: 'terracotta',
      dressing: 'grit',
      wall: true,
    },
    entries: [
      { on: '2026-07-04', hour: 9, entry: { kind: 'weighed', kg: 38.4, full: true } },
      { on: '2026-07-05', hour: 9, entry: { kind: 'weighed', kg: 36.2 } },
    ],
  },
  {
    ...kept,
    name: 'Blueberry, left',
    spot: TERRACE,
    plantings: [{ cropId: 'blueberry', plantedOn: '2023-03-28' }],
    facts: { volumeL: 30, mix: 'acid', material: 'plastic', dressing: 'bark', sun: 'half' },
  },
  {
    ...kept,
    name: 'Blueberry, right',
    spot: TERRACE,
    plantings: [{ cropId: 'blueberry', plantedOn: '2023-03-28' }],
    facts: { volumeL: 30, mix: 'acid', material: 'plastic', dressing: 'bark', sun: 'half' },
  },
  {
    ...kept,
    startOn: '2026-06-14',
    name: 'Potatoes in a sack',
    spot: TERRACE,
    plantings: [{ cropId: 'potato', plantedOn: '2026-06-14' }],
    facts: { volumeL: 40, mix: 'rich', material: 'fabric' },
  },
  {
    ...kept,
    name: 'Tomato in the black pot',
    spot: TERRACE,
    plantings: [{ cropId: 'tomato', plantedOn: '2026-05-16' }],
    facts: { volumeL: 12, mix: 'standard', material: 'plastic', saucer: true, roots: 'root-bound' },
  },
  {
    ...kept,
    name: 'Peppers, long trough',
    spot: TERRACE,
    plantings: [{ cropId: 'sweet-pepper', plantedOn: '2026-05-20' }],
    facts: {
      trough: true,
      topM: 0.8,
      baseM: 0.2,
      heightM: 0.18,
      mix: 'peat-free',
      material: 'plastic',
      reservoirL: 4,
    },
  },
  {
    ...kept,
    name: 'Basil',
    spot: TERRACE,
    plantings: [{ cropId: 'basil', plantedOn: '2026-05-25' }],
    facts: { volumeL: 3, mix: 'standard', material: 'terracotta', saucer: true },
  },
  {
    ...kept,
    name: 'Rosemary',
    spot: TERRACE,
    plantings: [{ cropId: 'rosemary', plantedOn: '2024-04-15' }],
    facts: { volumeL: 9, mix: 'soil-based', material: 'terracotta', dressing: 'pebbles' },
  },
  {
    ...kept,
    name: 'Mint',
    spot: TERRACE,
    plantings: [{ cropId: 'mint', plantedOn: '2025-04-20' }],
    facts: { volumeL: 5, mix: 'rich', material: 'glazed', saucer: true, sun: 'half', hangs: true },
  },
  {
    ...kept,
    name: 'Strawberries in wood',
    spot: TERRACE,
    plantings: [{ cropId: 'strawberry', plantedOn: '2025-08-20' }],
    facts: {
      trough: true,
      topM: 0.6,
      baseM: 0.25,
      heightM: 0.2,
      mix: 'peat-free',
      material: 'wood',
      dressing: 'bark',
    },
  },
  {
    ...kept,
    name: 'Jade plant',
    spot: TERRACE,
    plantings: [{ cropId: 'jade-plant', plantedOn: '2020-05-01' }],
    facts: { volumeL: 1.1, mix: 'gritty', material: 'terracotta', dressing: 'grit' },
  },
  {
    ...kept,
    name: 'Echeveria bowl',
    spot: TERRACE,
    plantings: [{ cropId: 'echeveria', plantedOn: '2023-05-01' }],
    facts: { topM: 0.26, baseM: 0.2, heightM: 0.1, mix: 'gritty', material: 'glazed', dressing: 'pebbles' },
  },
  {
    ...kept,
    name: 'Fern',
    spot: HALL,
    plantings: [{ cropId: 'fern', plantedOn: '2024-09-01' }],
    facts: {
      volumeL: 2.5,
      mix: 'peat-free',
      material: 'glazed',
      saucer: true,
      stands: 'indoors',
      light: 'bright',
    },
    entries: [
      { on: '2026-07-10', hour: 18, entry: { kind: 'weighed', kg: 3.07, full: true } },
      { on: '2026-07-12', hour: 18, entry: { kind: 'weighed', kg: 2.93 } },
    ],
  },
  {
    ...kept,
    name: 'Peace lily',
    spot: HALL,
    plantings: [{ cropId: 'peace-lily', plantedOn: '2022-03-01' }],
    facts: {
      volumeL: 4.5,
      mix: 'standard',
      material: 'plastic',
      saucer: true,
      stands: 'indoors',
      light: 'bright',
    },
  },
  {
    ...kept,
    name: 'Aloe',
    spot: HALL,
    plantings: [{ cropId: 'aloe', plantedOn: '2021-06-01' }],
    facts: { volumeL: 1.1, mix: 'gritty', material: 'terracotta', stands: 'indoors', light: 'sunny sill' },
  },
  tray('Lettuce, first tray', 'lettuce', '2026-06-26', '2026-07-12'),
  tray('Lettuce, second tray', 'lettuce', '2026-06-26', '2026-07-12'),
  tray('Kale', 'kale', '2026-06-22', '2026-07-12'),
  tray('Beetroot', 'beetroot', '2026-07-02', '2026-07-13', 'young'),
  tray('Florence fennel', 'florence-fennel', '2026-07-02', '2026-07-13', 'young'),
  tray('Leek for autumn', 'leek', '2026-07-08', '2026-07-13', 'young'),
];

/** pH of the water that pots are given. */
export const ph: { on: string; of: 'tap' | 'rain'; ph: number }[] = [
  { on: '2026-05-02', of: 'rain', ph: 6.2 },
  { on: '2026-06-20', of: 'tap', ph: 7.9 },
];
