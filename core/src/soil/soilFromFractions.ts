import { within } from '../units/guard.ts';
import { textureClassOf, type TextureClass } from './textureClass.ts';

/** Water a soil holds, m³ of water per m³ of soil, and how fast it lets water through when full. */
export interface SoilWater {
  /** Held after free drainage (−33 kPa). */
  fieldCapacity: number;
  /** Still held when plants can draw no more (−1500 kPa). */
  wiltingPoint: number;
  /** Every pore full. */
  saturation: number;
  /** mm/h through a full soil. */
  saturatedConductivityMmPerHour: number;
}

export interface SoilFromFractions extends SoilWater {
  textureClass: TextureClass;
}

/** Organic matter assumed where nothing is known, % by weight: that of Saxton & Rawls 2006 table 3. */
export const ASSUMED_ORGANIC_MATTER_PCT = 2.5;

/**
 * Soil water from texture and organic matter.
 * @param options sand and clay in % by weight (the rest is silt), organic matter in % by weight, 0–8
 * @returns fractions by volume and mm/h
 * @throws RangeError when a share is outside 0–100, sand and clay sum above 100, clay is above 60 %
 *   or organic matter above 8 % (the data behind the equations end there)
 * Source: Saxton & Rawls 2006, Soil Sci. Soc. Am. J. 70:1569–1578, eqs. 1–5, 15 and 18, normal density.
 * Coefficients written from memory and checked against the paper's table 3 (also from memory).
 */
export function soilFromFractions(options: {
  sandPct: number;
  clayPct: number;
  organicMatterPct?: number;
}): SoilFromFractions {
  const sandPct = within('sandPct', options.sandPct, 0, 100, '%');
  const clayPct = within('clayPct', options.clayPct, 0, 100, '%');
  within('sandPct + clayPct', sandPct + clayPct, 0, 100.0001, '%');
  within('clayPct', clayPct, 0, 60, '% (the published equations end there)');
  const om = within(
    'organicMatterPct',
    options.organicMatterPct ?? ASSUMED_ORGANIC_MATTER_PCT,
    0,
    8,
    '% (the published equations end there)',
  );
  const s = sandPct / 100;
  const c = clayPct / 100;

  const wilting0 =
    -0.024 * s + 0.487 * c + 0.006 * om + 0.005 * s * om - 0.013 * c * om + 0.068 * s * c + 0.031;
  const wiltingPoint = Math.max(0.01, wilting0 + 0.14 * wilting0 - 0.02);
  const field0 =
    -0.251 * s + 0.195 * c + 0.011 * om + 0.006 * s * om - 0.027 * c * om + 0.452 * s * c + 0.299;
  const fieldCapacity = field0 + (1.283 * field0 ** 2 - 0.374 * field0 - 0.015);
  const coarse0 =
    0.278 * s + 0.034 * c + 0.022 * om - 0.018 * s * om - 0.027 * c * om - 0.584 * s * c + 0.078;
  const coarsePores = coarse0 + 0.636 * coarse0 - 0.107;
  const saturation = fieldCapacity + coarsePores - 0.097 * s + 0.043;

  const lambda = (Math.log(fieldCapacity) - Math.log(wiltingPoint)) / (Math.log(1500) - Math.log(33));
  const drainable = Math.max(0.001, saturation - fieldCapacity);
  return {
    textureClass: textureClassOf({ sandPct, clayPct }),
    fieldCapacity,
    wiltingPoint,
    saturation,
    saturatedConductivityMmPerHour: 1930 * drainable ** (3 - lambda),
  };
}
