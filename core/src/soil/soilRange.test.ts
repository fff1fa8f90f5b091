import { describe, expect, test } from '@jest/globals';
import { at } from '../units/at.ts';
import { soilFromFractions } from './soilFromFractions.ts';
import { pastStones, soilProfile, type GroundInput } from './soilProfile.ts';
import { soilOfClass, TEXTURES } from './soils.ts';
import { TEXTURE_CLASSES } from './textureClass.ts';

const held = ({ fieldCapacity, wiltingPoint }: { fieldCapacity: number; wiltingPoint: number }): number =>
  fieldCapacity - wiltingPoint;
const heldBy = (ground: GroundInput): number =>
  soilProfile(ground).availableMm.reduce((sum, mm) => sum + mm, 0);

describe('stones', () => {
  test('slow the water as Saxton & Rawls 2006 eq. 22 has it by weight', () => {
    for (const byVolume of [0, 0.1, 0.25, 0.5, 0.8]) {
      for (const saturation of [0.4, 0.46, 0.55]) {
        // Eqs. 19–22: matric density 2.65 (1 − θS), gravel 2.65, α their ratio, Rw the gravel's share by weight.
        const alpha = 1 - saturation;
        const byWeight = (byVolume * 2.65) / (byVolume * 2.65 + (1 - byVolume) * 2.65 * alpha);
        const share = (1 - byWeight) / (1 - byWeight * (1 - (3 * alpha) / 2));
        expect(pastStones(byVolume)).toBeCloseTo(share, 12);
      }
    }
  });
});

describe('field capacity at −10 kPa', () => {
  test('sand and sandy loam then hold what the middle of FAO-56 table 19 says: about 80 and 130 mm/m', () => {
    // Table 19: θFC − θWP of sand 0.05–0.11, of sandy loam 0.11–0.15 (from memory).
    const at10 = (name: 'sand' | 'sandy loam'): number =>
      held(soilOfClass(name, 2.5, { fieldCapacityKPa: 10 }));
    expect(at10('sand')).toBeGreaterThan(0.065);
    expect(at10('sand')).toBeLessThan(0.095);
    expect(at10('sandy loam')).toBeGreaterThan(0.12);
    expect(at10('sandy loam')).toBeLessThan(0.16);
  });

  test('lies on the paper’s curve ψ = A θ^−B, and below saturation, for every class', () => {
    for (const name of TEXTURE_CLASSES) {
      const usual = soilOfClass(name);
      const sooner = soilOfClass(name, undefined, { fieldCapacityKPa: 10 });
      // Eqs. 12–15: B from the two ends, A from the dry one.
      const b =
        (Math.log(1500) - Math.log(33)) / (Math.log(usual.fieldCapacity) - Math.log(usual.wiltingPoint));
      const a = Math.exp(Math.log(33) + b * Math.log(usual.fieldCapacity));
      const suction = a * sooner.fieldCapacity ** -b;
      // A clay has not enough pores to follow it all the way.
      expect(suction).toBeGreaterThan(10 - 1e-9);
      if (sooner.fieldCapacity < sooner.saturation - 0.0301) expect(suction).toBeCloseTo(10, 6);
      expect(sooner.fieldCapacity).toBeLessThan(sooner.saturation);
      expect(sooner.fieldCapacity).toBeGreaterThan(usual.fieldCapacity);
    }
  });

  test('is refused outside the two suctions that mean something', () => {
    expect(() => soilOfClass('sand', 2.5, { fieldCapacityKPa: 5 })).toThrow(
      /fieldCapacityKPa must be .*10 to 33 kPa; got 5/,
    );
  });
});

describe('more organic matter than the equations know', () => {
  test('begins where they end, and ends at the peat it is taken for (Letts et al. 2000, hemic: 0.88, 0.62, 0.15)', () => {
    const loam = (organicMatterPct: number) =>
      soilFromFractions({ sandPct: 40, clayPct: 20, organicMatterPct });
    const edge = loam(8);
    const past = loam(8.000001);
    for (const key of ['fieldCapacity', 'wiltingPoint', 'saturation'] as const)
      expect(past[key]).toBeCloseTo(edge[key], 5);
    expect(past.saturatedConductivityMmPerHour).toBeCloseTo(edge.saturatedConductivityMmPerHour, 2);
    expect(loam(100)).toMatchObject({ saturation: 0.88, fieldCapacity: 0.62, wiltingPoint: 0.15 });
    // Common practice: compost lets a bed hold more, all the way.
    let before = held(edge);
    for (const pct of [10, 15, 20, 30, 50, 80]) {
      expect(held(loam(pct))).toBeGreaterThan(before);
      before = held(loam(pct));
    }
  });

  test('a bed of 20 % is half humus by volume, worked by hand', () => {
    // 12 of 92 parts by weight at 0.17 t/m³ against 80 at the mineral soil's own.
    const at8 = soilFromFractions({ sandPct: 40, clayPct: 20, organicMatterPct: 8 });
    const humus = 12 / 92 / 0.17;
    const mineral = 80 / 92 / (2.65 * (1 - at8.saturation));
    const share = humus / (humus + mineral);
    const mix = soilFromFractions({ sandPct: 40, clayPct: 20, organicMatterPct: 20 });
    expect(mix.fieldCapacity).toBeCloseTo(at8.fieldCapacity * (1 - share) + 0.62 * share, 9);
    expect(share).toBeGreaterThan(0.4);
    expect(share).toBeLessThan(0.6);
  });
});

describe('more clay than the equations know', () => {
  test('goes over to the very fine topsoil of Wösten et al. 1999, table 4', () => {
    // van Genuchten: θs 0.614, θr 0.01, α 0.0265 /cm, n 1.1033 (from memory).
    const theta = (cm: number): number => 0.01 + 0.604 * (1 + (0.0265 * cm) ** 1.1033) ** -(1 - 1 / 1.1033);
    const heavy = soilFromFractions({ sandPct: 5, clayPct: 85 });
    expect(heavy.fieldCapacity).toBeCloseTo(theta(33 * 10.2), 2);
    expect(heavy.wiltingPoint).toBeCloseTo(theta(1500 * 10.2), 2);
    expect(heavy.saturation).toBeCloseTo(0.614, 9);
    expect(heavy.textureClass).toBe('clay');
  });

  test('begins where the equations end', () => {
    const edge = soilFromFractions({ sandPct: 20, clayPct: 60 });
    const past = soilFromFractions({ sandPct: 19.9999, clayPct: 60.0002 });
    for (const key of [
      'fieldCapacity',
      'wiltingPoint',
      'saturation',
      'saturatedConductivityMmPerHour',
    ] as const)
      expect(past[key]).toBeCloseTo(edge[key], 4);
    expect(soilFromFractions({ sandPct: 0, clayPct: 100 }).fieldCapacity).toBeCloseTo(0.489, 9);
  });
});

describe('how tightly it lies', () => {
  test('a loosened loam has a tenth fewer solids, most of them less among the coarse pores (eqs. 7–10)', () => {
    const { sandPct, clayPct } = TEXTURES.loam;
    const usual = soilFromFractions({ sandPct, clayPct });
    const loose = soilFromFractions({ sandPct, clayPct, densityFactor: 0.9 });
    const density = 2.65 * (1 - usual.saturation) * 0.9;
    expect(loose.saturation).toBeCloseTo(1 - density / 2.65, 12);
    expect(loose.fieldCapacity).toBeCloseTo(
      usual.fieldCapacity - 0.2 * (usual.saturation - loose.saturation),
      12,
    );
    expect(loose.saturatedConductivityMmPerHour).toBeGreaterThan(1.5 * usual.saturatedConductivityMmPerHour);
    const trodden = soilFromFractions({ sandPct, clayPct, densityFactor: 1.2 });
    expect(trodden.saturatedConductivityMmPerHour).toBeLessThan(0.5 * usual.saturatedConductivityMmPerHour);
  });
});

describe('where ground ends and changes', () => {
  test('rock lies where it was struck, not where a layer ends', () => {
    const perMm = held(soilOfClass('loam'));
    for (const bedrockMm of [100, 104, 120, 333, 1000, 1499])
      expect(heldBy({ horizons: [{ textureClass: 'loam' }], bedrockMm })).toBeCloseTo(perMm * bedrockMm, 9);
  });

  test('so does the soil below: every millimetre of topsoil counts', () => {
    const ground = (thicknessMm: number): GroundInput => ({
      horizons: [{ thicknessMm, textureClass: 'loam' }, { textureClass: 'sand' }],
    });
    const loam = held(soilOfClass('loam'));
    const sand = held(soilOfClass('sand'));
    for (const mm of [180, 200, 230, 275])
      expect(heldBy(ground(mm))).toBeCloseTo(loam * mm + sand * (1500 - mm), 9);
  });

  test('water passes two soils in one layer as slowly as both in turn', () => {
    const ground = (thicknessMm: number): GroundInput => ({
      horizons: [{ thicknessMm, textureClass: 'sand' }, { textureClass: 'clay' }],
    });
    const [sand, clay] = [soilOfClass('sand'), soilOfClass('clay')].map(
      (s) => 24 * s.saturatedConductivityMmPerHour,
    );
    const between = at(soilProfile(ground(275)).maxFluxMmPerDay, 5);
    expect(between).toBeCloseTo(2 / (1 / (sand ?? 1) + 1 / (clay ?? 1)), 9);
  });
});
