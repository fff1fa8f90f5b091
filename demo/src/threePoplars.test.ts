import { describe, expect, test } from '@jest/globals';
import { bedBody, gardenBody, treeBody } from '@kibble/contract';
import { cropById, deliveryRate, TEXTURES } from '@kibble/core';
import { beds, threePoplars } from './threePoplars.ts';

describe('Three Poplars', () => {
  test('is a garden the API would take', () => {
    expect(gardenBody.parse(threePoplars)).toEqual(threePoplars);
    expect(beds).toHaveLength(15);
    for (const { followedUntil: _, tree, ...bed } of beds) {
      expect(() => bedBody.parse(bed)).not.toThrow();
      if (tree) expect(() => treeBody.parse(tree)).not.toThrow();
    }
  });
  test('has sand, loam and clay, mulch and bare soil, measured and guessed flows', () => {
    const clays = beds.filter((b) => TEXTURES[b.textureClass].clayPct >= 35);
    const sands = beds.filter((b) => TEXTURES[b.textureClass].sandPct >= 65);
    expect(clays.length).toBeGreaterThan(0);
    expect(sands.length).toBeGreaterThan(0);
    expect(new Set(beds.map((b) => Boolean(b.mulchMm)))).toEqual(new Set([true, false]));
    expect(new Set(beds.map((b) => b.delivery.measured))).toEqual(new Set([true, false]));
  });
  test('was planted before its first morning, with crops of the catalogue and possible rates', () => {
    const today = threePoplars.clock.mode === 'practice' ? threePoplars.clock.date : '';
    for (const bed of beds) {
      expect((bed.planting?.plantedOn ?? today) < today).toBe(true);
      expect(cropById(bed.planting?.cropId ?? '').name).toBeTruthy();
      // A tree's water falls on its ring, not on the bed it was told as.
      if (!bed.tree) expect(deliveryRate(bed.delivery, bed.areaM2)).toBeLessThan(120);
    }
  });
});
