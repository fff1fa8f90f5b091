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

/** Where the soils behind the equations end: clay and organic matter, % by weight. Source: Saxton & Rawls 2006. */
const MOST_CLAY_PCT = 60;
const MOST_ORGANIC_PCT = 8;
/** Weight of the grains of a mineral soil, t/m³. Source: Saxton & Rawls 2006. */
const GRAIN_DENSITY = 2.65;

/** Suction at which a soil is taken to have drained, kPa: the usual one, and that of sands and raised beds. */
export const DRAINED_AT_KPA = { usual: 33, sooner: 10 } as const;

/**
 * Soil water from texture, organic matter and how tightly it lies.
 * @param options sand and clay in % by weight (the rest is silt), organic matter in % by weight, all 0–100; the suction at
 *   which it is taken to have drained, 10 (sands, raised beds) to 33 kPa, the usual one; density as a share of the usual, 0.9
 *   (loosened) to 1.3 (trodden hard)
 * @returns fractions by volume and mm/h
 * @throws RangeError when a share is outside 0–100 or sand and clay sum above 100
 * Source: Saxton & Rawls 2006, Soil Sci. Soc. Am. J. 70:1569–1578, eqs. 1–11 and 16–18. Coefficients written from memory and
 * checked against the paper's table 3 (also from memory). Above 60 % clay and 8 % organic matter as `heavyClay` and
 * `mixedWithHumus` say; below 33 kPa as `drainedAt`.
 */
export function soilFromFractions(options: {
  sandPct: number;
  clayPct: number;
  organicMatterPct?: number;
  fieldCapacityKPa?: number;
  densityFactor?: number;
}): SoilFromFractions {
  const sandPct = within('sandPct', options.sandPct, 0, 100, '%');
  const clayPct = within('clayPct', options.clayPct, 0, 100, '%');
  within('sandPct + clayPct', sandPct + clayPct, 0, 100.0001, '%');
  const organicPct = within(
    'organicMatterPct',
    options.organicMatterPct ?? ASSUMED_ORGANIC_MATTER_PCT,
    0,
    100,
    '%',
  );
  const suction = within(
    'fieldCapacityKPa',
    options.fieldCapacityKPa ?? DRAINED_AT_KPA.usual,
    DRAINED_AT_KPA.sooner,
    DRAINED_AT_KPA.usual,
    'kPa',
  );
  const density = within('densityFactor', options.densityFactor ?? 1, 0.9, 1.3);

  const mineral = mineralSoil(sandPct, clayPct, Math.min(MOST_ORGANIC_PCT, organicPct), density);
  const soil = organicPct > MOST_ORGANIC_PCT ? mixedWithHumus(mineral, organicPct) : mineral;
  return {
    textureClass: textureClassOf({ sandPct, clayPct }),
    ...(suction < DRAINED_AT_KPA.usual ? drainedAt(suction, soil) : soil),
  };
}

/** A soil of up to 8 % organic matter; a clay beyond the equations is one of 60 % with the same sand to silt, and more. */
function mineralSoil(sandPct: number, clayPct: number, organicPct: number, density: number): SoilWater {
  if (clayPct <= MOST_CLAY_PCT) return equations(sandPct, clayPct, organicPct, density);
  const rest = (100 - MOST_CLAY_PCT) / Math.max(1e-9, 100 - clayPct);
  const sandAtEdge = clayPct >= 100 ? (100 - MOST_CLAY_PCT) / 2 : sandPct * rest;
  return heavyClay(equations(sandAtEdge, MOST_CLAY_PCT, organicPct, density), clayPct);
}

/** Saxton & Rawls 2006, eqs. 1–11 and 16–18. */
function equations(sandPct: number, clayPct: number, om: number, density: number): SoilWater {
  const s = sandPct / 100;
  const c = clayPct / 100;
  const wilting0 =
    -0.024 * s + 0.487 * c + 0.006 * om + 0.005 * s * om - 0.013 * c * om + 0.068 * s * c + 0.031;
  const wiltingPoint = Math.max(0.01, wilting0 + 0.14 * wilting0 - 0.02);
  const field0 =
    -0.251 * s + 0.195 * c + 0.011 * om + 0.006 * s * om - 0.027 * c * om + 0.452 * s * c + 0.299;
  const usualField = field0 + (1.283 * field0 ** 2 - 0.374 * field0 - 0.015);
  const coarse0 =
    0.278 * s + 0.034 * c + 0.022 * om - 0.018 * s * om - 0.027 * c * om - 0.584 * s * c + 0.078;
  const coarsePores = coarse0 + 0.636 * coarse0 - 0.107;
  const usualSaturation = usualField + coarsePores - 0.097 * s + 0.043;
  // Loosened soil has more pores, trodden soil fewer, and most of the difference is among the coarse ones (eqs. 7–10).
  const saturation = 1 - (1 - usualSaturation) * density;
  const fieldCapacity = usualField - 0.2 * (usualSaturation - saturation);
  return {
    fieldCapacity,
    wiltingPoint,
    saturation,
    saturatedConductivityMmPerHour: conductivity(fieldCapacity, wiltingPoint, saturation),
  };
}

/** Slope of the drying curve between −33 and −1500 kPa in logarithms (eqs. 15 and 18). */
const slopeOf = (fieldCapacity: number, wiltingPoint: number): number =>
  (Math.log(fieldCapacity) - Math.log(wiltingPoint)) / (Math.log(1500) - Math.log(33));

/** mm/h through a full soil, from the pores that drain freely (eq. 16). */
function conductivity(fieldCapacity: number, wiltingPoint: number, saturation: number): number {
  const drainable = Math.max(0.001, saturation - fieldCapacity);
  return 1930 * drainable ** (3 - slopeOf(fieldCapacity, wiltingPoint));
}

/** A soil of more than 60 % clay, m³/m³. Source: the "very fine" topsoil of Wösten et al. 1999, Geoderma 90:169–185, table 4 (from memory), read at −33 and −1500 kPa. */
const VERY_FINE = { fieldCapacity: 0.489, wiltingPoint: 0.336, saturation: 0.614 } as const;
/** Clay that stands for that class, %: its middle. */
const VERY_FINE_PCT = 80;

/**
 * A clay of more than 60 %: on the way from the equations' last to a published class of very fine soils. How fast it lets
 * water through stays that of 60 % clay (judgement: the class's figure is that of cracks).
 */
function heavyClay(at60: SoilWater, clayPct: number): SoilWater {
  const part = Math.min(1, (clayPct - MOST_CLAY_PCT) / (VERY_FINE_PCT - MOST_CLAY_PCT));
  return { ...between(at60, { ...at60, ...VERY_FINE }, part) };
}

/** Decomposed organic matter, m³/m³ and its weight, t/m³. Source: hemic peat of Letts et al. 2000, Atmosphere–Ocean 38:141–160 (from memory); that garden compost is like it is a judgement. */
const HUMUS = { fieldCapacity: 0.62, wiltingPoint: 0.15, saturation: 0.88 } as const;
const HUMUS_DENSITY = 0.17;

/**
 * A bed of more than 8 % organic matter: the mineral soil at 8 %, and humus for what is more, each by its volume. Its
 * conductivity follows from the pores of the mix.
 */
function mixedWithHumus(at8: SoilWater, organicPct: number): SoilWater {
  const weight = (organicPct - MOST_ORGANIC_PCT) / (100 - MOST_ORGANIC_PCT);
  const humus = weight / HUMUS_DENSITY;
  const soil = (1 - weight) / (GRAIN_DENSITY * (1 - at8.saturation));
  const mix = between(at8, { ...at8, ...HUMUS }, humus / (humus + soil));
  return {
    ...mix,
    saturatedConductivityMmPerHour: conductivity(mix.fieldCapacity, mix.wiltingPoint, mix.saturation),
  };
}

function between(a: SoilWater, b: SoilWater, part: number): SoilWater {
  const mixed = (key: 'fieldCapacity' | 'wiltingPoint' | 'saturation'): number =>
    a[key] + part * (b[key] - a[key]);
  return {
    fieldCapacity: mixed('fieldCapacity'),
    wiltingPoint: mixed('wiltingPoint'),
    saturation: mixed('saturation'),
    saturatedConductivityMmPerHour: a.saturatedConductivityMmPerHour,
  };
}

/** Air that is left in the pores of any drained soil, m³/m³. Judgement. */
const LEAST_AIR = 0.03;

/**
 * The same soil taken to have drained at a lower suction, kPa: its drying curve (eq. 11) carried on from −33 kPa. Judgement: the paper's
 * own straight line from −33 kPa to air entry has a sand hold 0.36 there, which no drained sand does; the curve has 0.12.
 */
function drainedAt(suction: number, soil: SoilWater): SoilWater {
  const carried =
    soil.fieldCapacity * (DRAINED_AT_KPA.usual / suction) ** slopeOf(soil.fieldCapacity, soil.wiltingPoint);
  return {
    ...soil,
    fieldCapacity: Math.max(soil.fieldCapacity, Math.min(soil.saturation - LEAST_AIR, carried)),
  };
}
