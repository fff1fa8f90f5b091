import { expect, test } from '@jest/globals';
import type { GardenView, LeaveView, StopView } from '@kibble/contract';
import { settledTogether, zonesTogether } from './zonesTogether.ts';

const garden = {
  taps: [
    { id: 9, name: 'North drip', together: true },
    { id: 8, name: 'Yard tap', together: false },
  ],
} as unknown as GardenView;

const whole = { litres: 90, handsOnMinutes: 5, beyondL: 10 };
const stop = (bedId: number, zone: StopView['zone'], litres: number): StopView =>
  ({ bedId, bedName: `Bed ${bedId}`, zone, run: { litres, minutes: 20 }, handsOnMinutes: 2.5 }) as StopView;

test('the beds of a zone are one stop, by the bed that could least wait, with what the whole run comes to', () => {
  const zone = { tapId: 9, lead: 2, beyondL: 0, whole };
  const stops = [stop(1, zone, 50), stop(4, null, 30), stop(2, zone, 40)];
  const [first, second, ...more] = zonesTogether(stops, garden);
  expect(more).toEqual([]);
  expect(first).toMatchObject({ bedId: 2, bedName: 'North drip', handsOnMinutes: 5 });
  expect(first?.run.litres).toBe(90);
  expect(first?.beds?.map(({ bedId }) => bedId)).toEqual([1, 2]);
  expect(second).toEqual(stops[1]);
});

const settled = (bedId: number, zone: number | null, id: number, minutes: number) =>
  ({
    bedId,
    zone,
    bedName: `Bed ${bedId}`,
    event: { id, kind: 'watering', minutes, at: `${id}` },
  }) as LeaveView & {
    event: NonNullable<LeaveView['event']>;
  };

test('what a zone watered at once has settled as one; what was carried beside it, or another time, by itself', () => {
  const rows = settledTogether(
    [settled(1, 9, 11, 20), settled(3, null, 12, 20), settled(2, 9, 13, 20), settled(4, null, 14, 20)],
    garden,
  );
  expect(rows.map(({ bedName, eventIds }) => [bedName, eventIds])).toEqual([
    ['North drip', [11, 13]],
    ['Bed 3', [12]],
    ['Bed 4', [14]],
  ]);
  const apart = settledTogether([settled(1, 9, 11, 20), settled(2, 9, 13, 5)], garden);
  expect(apart.map(({ bedName }) => bedName)).toEqual(['Bed 1', 'Bed 2']);
});
