import { createRequire } from 'node:module';
import { stations } from '@kibble/core';
import { describe, expect, test } from '@jest/globals';
import { Coast } from './coast.ts';

const coast = new Coast(
  createRequire(import.meta.url)('world-atlas/land-50m.json') as ConstructorParameters<typeof Coast>[0],
);

describe('the distance to the sea', () => {
  // From the atlas, to a tenth or 10 km.
  test.each([
    ['Paris', 48.86, 2.35, 165],
    ['Madrid', 40.4, -3.7, 300],
    ['Moscow', 55.75, 37.6, 640],
    ['Denver', 39.7, -105, 1230],
    ['Brighton', 50.83, -0.14, 0],
    ['Honolulu', 21.3, -157.86, 0],
  ])('of %s', (_town, latitudeDeg, longitudeDeg, km) => {
    expect(Math.abs(coast.distanceKm(latitudeDeg, longitudeDeg) - km)).toBeLessThan(0.12 * km + 12);
  });

  test('out at sea there is only an island, by the shore', () => {
    expect(coast.distanceKm(35.9, 14.4)).toBeLessThan(10);
    expect(coast.distanceKm(0, -30)).toBe(0);
  });

  test('is what the table of stations says of each', () => {
    for (const { name, latitudeDeg, longitudeDeg, coastKm } of stations()) {
      // A station by the water may lie a little off the outline.
      const measured = coast.distanceKm(latitudeDeg, longitudeDeg);
      expect({ name, near: measured === 0 ? coastKm < 60 : Math.abs(measured - coastKm) <= 1 }).toEqual({
        name,
        near: true,
      });
    }
  });
});
