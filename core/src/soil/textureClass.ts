import { within } from '../units/guard.ts';

/** The twelve texture classes of the USDA triangle, coarse to fine. */
export const TEXTURE_CLASSES = [
  'sand',
  'loamy sand',
  'sandy loam',
  'sandy clay loam',
  'sandy clay',
  'loam',
  'silt loam',
  'silt',
  'silty clay loam',
  'silty clay',
  'clay loam',
  'clay',
] as const;

export type TextureClass = (typeof TEXTURE_CLASSES)[number];

/** One class's corner of the triangle: a test on sand, silt and clay in %. First match wins. */
const TRIANGLE: readonly [TextureClass, (sand: number, silt: number, clay: number) => boolean][] = [
  ['sand', (_s, silt, clay) => silt + 1.5 * clay < 15],
  ['loamy sand', (_s, silt, clay) => silt + 2 * clay < 30],
  ['sandy clay', (sand, _si, clay) => clay >= 35 && sand >= 45],
  ['silty clay', (_s, silt, clay) => clay >= 40 && silt >= 40],
  ['clay', (_s, _si, clay) => clay >= 40],
  ['sandy clay loam', (sand, silt, clay) => clay >= 20 && silt < 28 && sand > 45],
  ['silty clay loam', (sand, _si, clay) => clay >= 27 && sand <= 20],
  ['clay loam', (_s, _si, clay) => clay >= 27],
  ['silt', (_s, silt, clay) => silt >= 80 && clay < 12],
  ['silt loam', (_s, silt) => silt >= 50],
  ['sandy loam', (sand, silt, clay) => sand > 52 || (clay < 7 && silt < 50)],
  ['loam', () => true],
];

/**
 * USDA texture class from the shares of sand and clay, % by weight; the rest is silt.
 * @throws RangeError when a share is outside 0–100 or the two sum above 100
 * Source: USDA Soil Survey Manual, texture triangle (class limits from memory).
 */
export function textureClassOf(shares: { sandPct: number; clayPct: number }): TextureClass {
  const sand = within('sandPct', shares.sandPct, 0, 100, '%');
  const clay = within('clayPct', shares.clayPct, 0, 100, '%');
  within('sandPct + clayPct', sand + clay, 0, 100.0001, '%');
  const silt = Math.max(0, 100 - sand - clay);
  const match = TRIANGLE.find(([, holds]) => holds(sand, silt, clay));
  return match ? match[0] : 'loam';
}
