import type { BedView } from '@kibble/contract';
import { expect, test } from '@jest/globals';
import { unitsOf } from '../../words/units.ts';
import { likeMost } from './likeMost.ts';

const bed = (id: number, place: string | null, more: Partial<BedView>): BedView =>
  ({
    id,
    kind: 'ground',
    name: `Bed ${id}`,
    areaM2: 4,
    textureClass: 'loam',
    subsoilClass: null,
    form: 'flat',
    underCover: false,
    shadeCloth: false,
    mulchMaterial: null,
    mulchMm: null,
    place,
    goal: 'steady',
    rank: null,
    lengthM: null,
    widthM: null,
    notes: '',
    startWetness: 'moist',
    wetnessOn: null,
    startOn: '2026-05-01',
    planting: null,
    archived: false,
    delivery: { method: 'drip', litresPerMinute: 4, measured: false },
    ...more,
  }) as BedView;

const beds = [
  bed(1, 'Field', { textureClass: 'clay' }),
  bed(2, 'Field', { textureClass: 'clay', mulchMm: 50.8, mulchMaterial: 'compost' }),
  bed(3, 'Field', { mulchMm: 50.8, mulchMaterial: 'compost' }),
  bed(4, 'Tunnel', {
    underCover: true,
    delivery: { method: 'watering can', litresPerMinute: 8, measured: false },
  }),
  bed(5, 'Tunnel', { underCover: true, archived: true, textureClass: 'sand' }),
];

test('a new bed is begun as most beds of its part are, and as most of the garden where its part is new', () => {
  expect(likeMost(beds, 'field ', unitsOf('us'))).toMatchObject({
    textureClass: 'clay',
    method: 'drip',
    mulch: '2',
    mulchMaterial: 'compost',
    underCover: false,
  });
  expect(likeMost(beds, 'Tunnel', unitsOf('metric'))).toMatchObject({
    textureClass: 'loam',
    method: 'watering can',
    underCover: true,
    mulch: '',
  });
  expect(likeMost(beds, 'Orchard', unitsOf('metric'))).toMatchObject({ method: 'drip' });
  expect(likeMost([], '', unitsOf('metric'))).toEqual({});
});
