import type { z } from 'zod';
import type { BedDraftBody, GardenBody, PlantingDraft, treeBody } from '@kibble/contract';
import type { Finding } from '@kibble/core';

/** "Three Poplars", an invented market garden on a dry inland plain. Everything in it is made up. */
export const threePoplars: GardenBody = {
  name: 'Three Poplars',
  latitudeDeg: 46.9,
  elevationM: 112,
  longitudeDeg: 26.5,
  timeZone: 'Europe/Bucharest',
  units: 'metric',
  clock: { mode: 'practice', date: '2026-07-14' },
};

/** The simulated station of the demo; another seed is another year. */
export const stationSeed = 46;

/** The first day of the grower's own book of weather: years before the station, by which a year is judged. */
export const bookFrom = '2021-01-01';
export const bookName = 'our weather book.csv';

/** A bed, and the last morning on which it was watered by the plan: since then nobody has been round. */
interface DemoBed extends BedDraftBody {
  followedUntil: string;
  /** Where it is a tree place: what is known of it. */
  tree?: z.input<typeof treeBody>;
  /** The tap it draws from, by its place in `taps`. */
  tap?: number;
  /** The bed whose ground it shares, by name. */
  groundOf?: string;
  /** What else stands on it. */
  also?: PlantingDraft[];
  findings?: { on: string; input: Finding }[];
}

/** The taps, and the buckets timed at them. */
export const taps: { name: string; nozzle: string; findings: { on: string; input: Finding }[] }[] = [
  {
    name: 'Well pump',
    nozzle: 'feed to the drip lines',
    findings: [{ on: '2026-05-20', input: { kind: 'bucket', litres: 20, seconds: 62 } }],
  },
  {
    name: 'Yard tap, mains',
    nozzle: 'wand',
    findings: [{ on: '2025-08-02', input: { kind: 'bucket', litres: 10, seconds: 55 } }],
  },
];

export const beds: DemoBed[] = [
  {
    name: 'Peppers, low ground',
    place: 'Field',
    areaM2: 18,
    textureClass: 'sandy loam',
    subsoilClass: 'loamy sand',
    form: 'raised',
    planting: { cropId: 'sweet-pepper', plantedOn: '2026-05-18' },
    delivery: { method: 'drip', litresPerMinute: 4.2, measured: true },
    followedUntil: '2026-07-13',
    tap: 0,
    findings: [
      {
        on: '2026-04-18',
        input: {
          kind: 'feel',
          horizon: 'top',
          answers: { ball: true, ribbon: true, ribbonLength: 'under 25 mm', rub: 'gritty' },
        },
      },
      { on: '2026-05-24', input: { kind: 'spread', widthM: 0.3, spacingM: 0.6 } },
    ],
  },
  {
    name: 'Tomatoes, long bed',
    place: 'Field',
    // 12 m by 0.75 m.
    areaM2: 9,
    textureClass: 'loam',
    subsoilClass: 'silt loam',
    form: 'raised',
    mulchMaterial: 'straw',
    mulchMm: 60,
    planting: { cropId: 'tomato', plantedOn: '2026-05-12' },
    delivery: { method: 'drip', litresPerMinute: 2.3, measured: true },
    followedUntil: '2026-07-13',
    tap: 0,
    findings: [
      { on: '2026-03-28', input: { kind: 'jar', horizon: 'top', sandMm: 38, siltMm: 41, clayMm: 18 } },
    ],
  },
  {
    name: 'Sweetcorn block',
    place: 'Field',
    areaM2: 24,
    textureClass: 'silt loam',
    subsoilClass: 'loam',
    planting: { cropId: 'sweetcorn', plantedOn: '2026-05-12' },
    delivery: { method: 'sprinkler', litresPerMinute: 9.5, measured: false },
    followedUntil: '2026-07-13',
  },
  {
    name: 'Onions',
    place: 'Field',
    areaM2: 12,
    textureClass: 'loamy sand',
    planting: { cropId: 'onion', plantedOn: '2026-04-02' },
    delivery: { method: 'hose wand', litresPerMinute: 11, measured: false },
    followedUntil: '2026-07-13',
    tap: 1,
  },
  {
    name: 'Melons, clay corner',
    place: 'Clay',
    areaM2: 14,
    textureClass: 'clay',
    form: 'flat',
    mulchMaterial: 'straw',
    mulchMm: 50,
    planting: { cropId: 'melon', plantedOn: '2026-05-22' },
    delivery: { method: 'soaker hose', litresPerMinute: 1.6, measured: false },
    followedUntil: '2026-07-13',
    tap: 0,
    findings: [{ on: '2026-04-11', input: { kind: 'hole', fallMm: 14, minutes: 120 } }],
  },
  {
    name: 'Salads, clay edge',
    place: 'Clay',
    areaM2: 8,
    textureClass: 'clay loam',
    subsoilClass: 'clay',
    planting: { cropId: 'lettuce', plantedOn: '2026-06-20' },
    delivery: { method: 'watering can', litresPerMinute: 8, measured: false },
    followedUntil: '2026-07-13',
  },
  {
    name: 'Beans by the path',
    place: 'Field',
    areaM2: 10,
    textureClass: 'loam',
    planting: { cropId: 'french-bean', plantedOn: '2026-07-05', method: 'module' },
    delivery: { method: 'drip', litresPerMinute: 2.6, measured: true },
    followedUntil: '2026-07-13',
    tap: 0,
    groundOf: 'Tomatoes, long bed',
  },
  {
    name: 'Carrots and leeks',
    place: 'Field',
    areaM2: 12,
    textureClass: 'loamy sand',
    planting: { cropId: 'carrot', plantedOn: '2026-04-20', share: 0.6 },
    also: [{ cropId: 'leek', plantedOn: '2026-06-01', share: 0.4 }],
    delivery: { method: 'micro-spray', litresPerMinute: 7, measured: false },
    followedUntil: '2026-07-13',
    tap: 0,
    groundOf: 'Onions',
  },
  {
    name: 'Tunnel tomatoes',
    place: 'Tunnel',
    areaM2: 20,
    textureClass: 'sandy loam',
    underCover: true,
    mulchMaterial: 'compost',
    mulchMm: 30,
    planting: { cropId: 'tomato', plantedOn: '2026-04-25' },
    delivery: { method: 'drip', litresPerMinute: 5, measured: true },
    followedUntil: '2026-07-13',
    tap: 0,
  },
  {
    name: 'Young apricots',
    place: 'Yard',
    areaM2: 6,
    textureClass: 'loam',
    form: 'basin',
    mulchMaterial: 'wood chip',
    mulchMm: 80,
    planting: { cropId: 'apricot', plantedOn: '2025-03-20', method: 'bare-root' },
    delivery: { method: 'slow bucket', litresPerMinute: 0.6, measured: false },
    followedUntil: '2026-07-13',
    tree: {
      sort: 'tree',
      count: 2,
      canopyM: 1.8,
      heightM: 2.2,
      trunkM: 0.035,
      cameAs: 'bare-root',
      beneath: 'mulch',
      mulchedM: 0.7,
      // They still stand where they were dug in for their first year.
      ring: { innerM: 0, outerM: 0.45 },
      layout: { by: 'buckets' },
    },
  },
  {
    name: 'New pear',
    place: 'Yard',
    areaM2: 1,
    textureClass: 'loam',
    form: 'basin',
    mulchMaterial: 'wood chip',
    mulchMm: 60,
    planting: { cropId: 'pear', plantedOn: '2026-03-24', method: 'bare-root' },
    delivery: { method: 'watering can', litresPerMinute: 8, measured: false },
    followedUntil: '2026-07-13',
    tree: {
      sort: 'tree',
      canopyM: 0.7,
      heightM: 1.8,
      trunkM: 0.022,
      cameAs: 'bare-root',
      beneath: 'mulch',
      mulchedM: 0.5,
      layout: { by: 'basin' },
    },
  },
  {
    name: 'Old walnut',
    place: 'Yard',
    areaM2: 60,
    textureClass: 'clay loam',
    planting: { cropId: 'walnut', plantedOn: '1985-03-01' },
    delivery: { method: 'bubbler', litresPerMinute: 8.5, measured: false },
    goal: 'thrifty',
    // Soaked by a long rain late in June, and left since.
    startWetness: 'soaked',
    wetnessOn: '2026-06-27',
    followedUntil: '2026-07-12',
    tap: 1,
    tree: {
      sort: 'tree',
      canopyM: 9,
      heightM: 11,
      trunkM: 0.58,
      cameAs: 'not known',
      beneath: 'lawn',
      near: 'path',
      nearM: 6,
      layout: { by: 'bubbler stops' },
    },
  },
  {
    name: 'Hybrid musks',
    place: 'Yard',
    areaM2: 9,
    textureClass: 'loam',
    subsoilClass: 'clay loam',
    mulchMaterial: 'bark',
    mulchMm: 50,
    planting: { cropId: 'rose', plantedOn: '2022-03-15' },
    startWetness: 'soaked',
    wetnessOn: '2026-07-11',
    delivery: { method: 'bubbler', litresPerMinute: 6, measured: false },
    goal: 'show',
    followedUntil: '2026-07-13',
    tap: 1,
    tree: {
      sort: 'shrub',
      count: 7,
      canopyM: 0.9,
      heightM: 1.2,
      cameAs: 'potted',
      potL: 4,
      beneath: 'mulch',
      layout: { by: 'bubbler stops', pieces: 1 },
      litresEach: 9,
    },
  },
  {
    name: 'Currants',
    place: 'Yard',
    areaM2: 8,
    textureClass: 'loam',
    mulchMaterial: 'grass clippings',
    mulchMm: 40,
    planting: { cropId: 'blackcurrant', plantedOn: '2023-11-05' },
    startWetness: 'soaked',
    wetnessOn: '2026-07-12',
    delivery: { method: 'soaker hose', litresPerMinute: 2, measured: false },
    followedUntil: '2026-07-13',
    tap: 1,
    tree: {
      sort: 'shrub',
      count: 5,
      canopyM: 1.2,
      heightM: 1.3,
      cameAs: 'bare-root',
      beneath: 'mulch',
      layout: { by: 'soaker ring' },
    },
  },
  {
    name: 'Beech hedge',
    place: 'Yard',
    areaM2: 8,
    textureClass: 'loam',
    mulchMaterial: 'bark',
    mulchMm: 50,
    planting: { cropId: 'beech-hedge', plantedOn: '2023-11-20', method: 'bare-root' },
    startWetness: 'soaked',
    wetnessOn: '2026-07-12',
    delivery: { method: 'soaker hose', litresPerMinute: 2.5, measured: false },
    goal: 'thrifty',
    followedUntil: '2026-07-13',
    tap: 1,
    tree: {
      sort: 'hedge',
      canopyM: 0.6,
      heightM: 1.4,
      lengthM: 12,
      cameAs: 'bare-root',
      beneath: 'mulch',
      layout: { by: 'soaker ring' },
    },
  },
];
