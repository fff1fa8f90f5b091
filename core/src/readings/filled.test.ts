import { describe, expect, test } from '@jest/globals';
import { FILL_IDS, FILLS } from '../soil/fills.ts';
import { soilProfile } from '../soil/soilProfile.ts';
import { whatIsKnown } from './whatIsKnown.ts';

const declared = {
  areaM2: 3,
  textureClass: 'clay',
  method: 'hose wand',
  litresPerMinute: 15,
} as const;
const known = (fill: (typeof FILL_IDS)[number], depthMm: number) =>
  whatIsKnown(declared, [{ on: '2026-04-01', kind: 'filled', fill, depthMm }], '2026-07-14');

describe('a raised bed that is filled with something else than soil', () => {
  // Nursery guidance on bark, peat and compost mixes, from memory: total room 55–85 %, held too tightly 15–28 %.
  test.each(FILL_IDS)('%s lies within what mixes hold', (id) => {
    const { fieldCapacity, wiltingPoint, saturation } = FILLS[id];
    expect(saturation).toBeGreaterThanOrEqual(0.55);
    expect(saturation).toBeLessThanOrEqual(0.85);
    expect(wiltingPoint).toBeGreaterThanOrEqual(0.15);
    expect(wiltingPoint).toBeLessThanOrEqual(0.28);
    expect(fieldCapacity).toBeGreaterThan(wiltingPoint);
    expect(fieldCapacity).toBeLessThan(saturation);
  });

  test('its water is that of the fill as deep as it goes, and of the soil beneath below it (arithmetic)', () => {
    const profile = soilProfile(known('compost', 250).ground);
    const { fieldCapacity, wiltingPoint } = FILLS.compost;
    const above = [0, 1, 2, 3, 4].reduce((sum, layer) => sum + (profile.availableMm[layer] ?? 0), 0);
    expect(above).toBeCloseTo(250 * (fieldCapacity - wiltingPoint), 6);
    const plain = soilProfile({ horizons: [{ textureClass: 'clay' }] });
    expect(profile.availableMm[5]).toBeCloseTo(plain.availableMm[0] ?? 0, 6);
    expect(profile.textureOfLayer[5]).toBe('clay');
  });

  // Common practice: a raised bed of light mix is watered more often than a loam.
  test('the upper 300 mm of bagged mix hold less for roots than those of a loam', () => {
    const upper = (availableMm: Float64Array): number => availableMm.slice(0, 6).reduce((a, b) => a + b, 0);
    const loam = soilProfile({ horizons: [{ textureClass: 'loam' }] });
    expect(upper(soilProfile(known('bagged mix', 300).ground).availableMm)).toBeLessThan(
      upper(loam.availableMm),
    );
  });

  test('what it is filled with counts as told, not assumed', () =>
    expect(known('bagged mix', 250).known.soil).toEqual({ kind: 'told', on: '2026-04-01' }));
});
