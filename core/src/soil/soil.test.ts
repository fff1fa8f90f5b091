import { at } from '../units/at.ts';
import { describe, expect, test } from '@jest/globals';
import { soilFromFractions } from './soilFromFractions.ts';
import { soilProfile } from './soilProfile.ts';
import { soilOfClass, TEXTURES } from './soils.ts';
import { TEXTURE_CLASSES, textureClassOf, type TextureClass } from './textureClass.ts';
import { wetFrontDepth } from './wetFrontDepth.ts';

/** Saxton & Rawls 2006, table 3: wilting point, field capacity, saturation in % and conductivity in mm/h at 2.5 % organic matter (from memory). */
const TABLE_3: readonly [
  TextureClass,
  sand: number,
  clay: number,
  wp: number,
  fc: number,
  sat: number,
  ks: number,
][] = [
  ['sand', 88, 5, 5, 10, 46, 108.1],
  ['loamy sand', 80, 5, 5, 12, 46, 96.7],
  ['sandy loam', 65, 10, 8, 18, 45, 50.3],
  ['loam', 40, 20, 14, 28, 46, 15.5],
  ['silt loam', 20, 15, 11, 31, 48, 16.1],
  ['silt', 10, 5, 6, 30, 48, 22.0],
  ['sandy clay loam', 60, 25, 17, 27, 43, 11.3],
  ['clay loam', 30, 35, 22, 36, 48, 4.3],
  ['silty clay loam', 10, 35, 22, 38, 51, 5.7],
  ['silty clay', 10, 45, 27, 41, 52, 3.7],
  ['sandy clay', 50, 40, 25, 36, 44, 1.4],
  ['clay', 25, 50, 30, 42, 50, 1.1],
];

describe('soil water from texture', () => {
  test.each(TABLE_3)('%s: Saxton & Rawls 2006 table 3', (name, sandPct, clayPct, wp, fc, sat, ks) => {
    const soil = soilFromFractions({ sandPct, clayPct, organicMatterPct: 2.5 });
    expect(soil.textureClass).toBe(name);
    expect(Math.abs(soil.wiltingPoint * 100 - wp)).toBeLessThanOrEqual(0.6);
    expect(Math.abs(soil.fieldCapacity * 100 - fc)).toBeLessThanOrEqual(0.6);
    expect(Math.abs(soil.saturation * 100 - sat)).toBeLessThanOrEqual(0.6);
    expect(Math.abs(soil.saturatedConductivityMmPerHour / ks - 1)).toBeLessThan(0.05);
  });

  test('corners of the texture triangle (USDA)', () => {
    expect(textureClassOf({ sandPct: 100, clayPct: 0 })).toBe('sand');
    expect(textureClassOf({ sandPct: 0, clayPct: 100 })).toBe('clay');
    expect(textureClassOf({ sandPct: 0, clayPct: 0 })).toBe('silt');
    expect(textureClassOf({ sandPct: 33, clayPct: 33 })).toBe('clay loam');
    expect(textureClassOf({ sandPct: 40, clayPct: 18 })).toBe('loam');
  });

  test('every class lies within 5 points of its FAO-56 table 19 band, silt aside', () => {
    for (const name of TEXTURE_CLASSES) {
      // Saxton & Rawls put pure silt's wilting point well under the band of FAO-56; the paper's value stands.
      if (name === 'silt') continue;
      const soil = soilOfClass(name);
      const { fieldCapacityBand: fc, wiltingPointBand: wp } = TEXTURES[name];
      expect(soil.fieldCapacity).toBeGreaterThan(fc[0] - 0.05);
      expect(soil.fieldCapacity).toBeLessThan(fc[1] + 0.05);
      expect(soil.wiltingPoint).toBeGreaterThan(wp[0] - 0.05);
      expect(soil.wiltingPoint).toBeLessThan(wp[1] + 0.1);
    }
  });

  test('refuses shares that cannot be', () => {
    expect(() => soilFromFractions({ sandPct: 70, clayPct: 40 })).toThrow(/sandPct \+ clayPct/);
    expect(() => soilFromFractions({ sandPct: -3, clayPct: 40 })).toThrow(
      /sandPct must be .*0 to 100 %; got -3/,
    );
    expect(() => soilFromFractions({ sandPct: 40, clayPct: 20, organicMatterPct: Number.NaN })).toThrow(
      /organicMatterPct/,
    );
  });
});

describe('the profile', () => {
  test('two horizons meet at 250 mm', () => {
    const profile = soilProfile({
      horizons: [{ thicknessMm: 250, textureClass: 'loam' }, { textureClass: 'clay' }],
    });
    expect(profile.layers).toBe(30);
    expect(profile.textureOfLayer[4]).toBe('loam');
    expect(profile.textureOfLayer[5]).toBe('clay');
  });

  test('half stones hold half the water', () => {
    const plain = soilProfile({ horizons: [{ textureClass: 'loam' }] });
    const stony = soilProfile({ horizons: [{ textureClass: 'loam', stonesPct: 50 }] });
    expect(at(stony.fieldCapacityMm, 0)).toBeCloseTo(at(plain.fieldCapacityMm, 0) / 2, 10);
  });

  test('evaporable water of the top 100 mm stands near FAO-56 table 19', () => {
    // Table 19's total for a 0.10 m layer: sand 6–12 mm, loam 16–22 mm, clay 22–29 mm (from memory).
    const tew = (textureClass: TextureClass): number =>
      soilProfile({ horizons: [{ textureClass }] }).totalEvaporableMm;
    expect(tew('sand')).toBeGreaterThan(6);
    expect(tew('sand')).toBeLessThan(12);
    expect(tew('loam')).toBeGreaterThan(16);
    expect(tew('loam')).toBeLessThan(22.5);
    expect(tew('clay')).toBeGreaterThan(22);
    expect(tew('clay')).toBeLessThan(29);
  });

  test('refuses a wilting point above field capacity', () => {
    expect(() =>
      soilProfile({ horizons: [{ textureClass: 'loam', wiltingPoint: 0.4, fieldCapacity: 0.2 }] }),
    ).toThrow(/wiltingPoint/);
  });
});

describe('how deep a watering goes (common practice)', () => {
  const at = (
    fieldCapacity: number,
    waterContent: number,
  ): { thicknessMm: number; fieldCapacity: number; waterContent: number }[] =>
    Array.from({ length: 30 }, () => ({ thicknessMm: 50, fieldCapacity, waterContent }));

  test('5 mm wets 20 mm and 125 mm wets 500 mm: of silt at its wilting point; no other soil is so dry that plants live in it', () => {
    for (const textureClass of TEXTURE_CLASSES) {
      const soil = soilOfClass(textureClass);
      const dry = at(soil.fieldCapacity, soil.wiltingPoint);
      const little = wetFrontDepth({ appliedMm: 5, profile: dry });
      const filling = wetFrontDepth({ appliedMm: 125, profile: dry });
      if (textureClass === 'silt') {
        expect(Math.abs(little / 20 - 1)).toBeLessThan(0.05);
        expect(Math.abs(filling / 500 - 1)).toBeLessThan(0.05);
      } else expect([little > 25, filling > 600]).toEqual([true, true]);
    }
  });

  test('25.4 mm wets about 203 mm of part-dry clay loam', () => {
    const clayLoam = soilOfClass('clay loam');
    // Part-dry: nearly all that plants can take is gone, none of what they cannot.
    const partDry = at(clayLoam.fieldCapacity, clayLoam.wiltingPoint + 0.015);
    const depth = wetFrontDepth({ appliedMm: 25.4, profile: partDry });
    expect(Math.abs(depth / 203 - 1)).toBeLessThan(0.05);
  });

  test('a full profile lets it through to the bottom', () => {
    expect(wetFrontDepth({ appliedMm: 10, profile: at(0.3, 0.3) })).toBe(1500);
    expect(wetFrontDepth({ appliedMm: 0, profile: at(0.3, 0.1) })).toBe(0);
  });
});
