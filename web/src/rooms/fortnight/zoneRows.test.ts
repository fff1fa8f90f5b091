import { expect, test } from '@jest/globals';
import type { FortnightBed, GardenView } from '@kibble/contract';
import { bedOfRow, zoneRows } from './zoneRows.ts';

const bed = (bedId: number, zone: number | null, lostShare: number, stress: number[]): FortnightBed => ({
  bedId,
  bedName: `Bed ${bedId}`,
  cropName: null,
  byHand: false,
  zone,
  timer: false,
  carried: false,
  waterings: [],
  stress,
  window: null,
  soak: null,
  costs: {
    litres: 1,
    waterings: 1,
    handsOnMinutes: 1,
    lostShare,
    lostIfShallow: lostShare,
    allowedShare: 0.03,
    over: false,
    stressDays: 0,
    lostBelowRootsMm: 0,
  },
});
const garden = { taps: [{ id: 9, name: 'North drip' }] } as unknown as GardenView;

test('a zone is one row under its name, with the worst of its beds', () => {
  const beds = [bed(1, 9, 0.01, [1, 0.9]), bed(2, null, 0, [1, 1]), bed(3, 9, 0.05, [0.8, 1])];
  const rows = zoneRows(beds, garden);
  expect(rows.map(({ bedName, bedId }) => [bedName, bedId])).toEqual([
    ['North drip', 3],
    ['Bed 2', 2],
  ]);
  expect(rows[0]?.stress).toEqual([0.8, 0.9]);
  expect(rows[0] && bedOfRow(rows[0])).toEqual(beds[2]);
  expect(rows[1] && bedOfRow(rows[1])).toEqual(beds[1]);
});
