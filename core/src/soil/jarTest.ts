import { OutOfRange, within } from '../units/guard.ts';
import { textureClassOf, type TextureClass } from './textureClass.ts';

export interface JarTest {
  sandPct: number;
  siltPct: number;
  clayPct: number;
  textureClass: TextureClass;
}

/**
 * Texture from a settled jar: the heights of its three layers as shares of the whole.
 * Heights stand for volumes; taking them for weights is the test's usual simplification.
 * @param options heights in mm, 0–1000 each, at least one above 0
 * @throws RangeError on a negative height or a jar in which nothing settled
 * Source: common practice; class by the USDA triangle.
 */
export function jarTest(options: { sandMm: number; siltMm: number; clayMm: number }): JarTest {
  const sand = within('sandMm', options.sandMm, 0, 1000, 'mm');
  const silt = within('siltMm', options.siltMm, 0, 1000, 'mm');
  const clay = within('clayMm', options.clayMm, 0, 1000, 'mm');
  const total = sand + silt + clay;
  if (!(total > 0)) {
    throw new OutOfRange('sandMm + siltMm + clayMm', 'be above 0 mm', '0: nothing has settled');
  }
  // One layer alone is the whole, also where the division rounds a hair above it.
  const sandPct = Math.min(100, (100 * sand) / total);
  const clayPct = Math.min(100, (100 * clay) / total);
  return {
    sandPct,
    siltPct: (100 * silt) / total,
    clayPct,
    textureClass: textureClassOf({ sandPct, clayPct }),
  };
}
