import { describe, expect, test } from '@jest/globals';
import { withinEdge, type Beyond } from '../units/edges.ts';
import { whatIsKnown } from './whatIsKnown.ts';

const told = {
  areaM2: 10,
  textureClass: 'loam' as const,
  method: 'watering can' as const,
  litresPerMinute: 12,
};
const on = '2026-07-14';

test('a figure within its edges is taken as it is, one beyond them is taken at the edge and noted', () => {
  const beyond: Beyond[] = [];
  expect(withinEdge('flow', 42, beyond)).toBe(42);
  expect(beyond).toEqual([]);
  expect(withinEdge('flow', 650, beyond)).toBe(500);
  expect(withinEdge('intake', 0, beyond)).toBe(0.1);
  expect(beyond).toEqual([
    { what: 'flow', label: 'Flow', told: 650, taken: 500, unit: 'L/min' },
    { what: 'intake', label: 'What the ground takes in', told: 0, taken: 0.1, unit: 'mm/h' },
  ]);
});

describe('what is known of a bed never leaves the edges', () => {
  // Common practice: heavy clays hold 60 to 80 % clay; such a jar is no error.
  test('a jar of 65 % clay is clay, and planned as that', () => {
    const jar = { kind: 'jar' as const, horizon: 'top' as const, sandMm: 10, siltMm: 25, clayMm: 65, on };
    const known = whatIsKnown(told, [jar], on);
    expect(known.ground.horizons[0]).toMatchObject({ textureClass: 'clay', clayPct: 65, sandPct: 10 });
    expect(known.beyond).toEqual([]);
  });

  test('a jar with one layer alone is that soil, also where the division rounds', () => {
    const jar = { kind: 'jar' as const, horizon: 'top' as const, sandMm: 0, siltMm: 0, clayMm: 4.07e-33, on };
    expect(whatIsKnown(told, [jar], on).ground.horizons[0]?.textureClass).toBe('clay');
  });

  test('a hundred buckets that empty in a minute are a flow, but not one any garden has', () => {
    const slow = { kind: 'slow-bucket' as const, litres: 20, minutesToEmpty: 1, buckets: 100, on };
    const known = whatIsKnown({ ...told, method: 'slow bucket' }, [slow], on);
    expect(known.delivery.litresPerMinute).toBe(500);
    expect(known.beyond).toEqual([{ what: 'flow', label: 'Flow', told: 2000, taken: 500, unit: 'L/min' }]);
  });
});
