import type { GardenView } from '@kibble/contract';
import { expect, test } from '@jest/globals';
import { inParts, partsOf } from './inParts.ts';

test('stops are told part by part, each part whole and in its own order', () => {
  const garden = {
    beds: [
      { id: 1, place: 'Field' },
      { id: 2, place: 'Tunnel' },
      { id: 3, place: 'Field' },
      { id: 4, place: null },
    ],
  } as GardenView;
  const stops = [2, 1, 4, 3, 2].map((bedId) => ({ bedId }));
  const partOf = partsOf(garden);
  expect(inParts(stops, partOf).map((stop) => [stop.bedId, partOf(stop)])).toEqual([
    [2, 'Tunnel'],
    [2, 'Tunnel'],
    [1, 'Field'],
    [3, 'Field'],
    [4, 'Elsewhere'],
  ]);
  expect(partOf({ bedId: 99 })).toBe('Elsewhere');
});
