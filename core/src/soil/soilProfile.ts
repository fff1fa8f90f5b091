import { at, item } from '../units/at.ts';
import { OutOfRange, atLeast, ordered, positive, within, withinIfGiven } from '../units/guard.ts';
import { remembered } from '../units/remembered.ts';
import { drainageAbility } from './drainageAbility.ts';
import { ASSUMED_ORGANIC_MATTER_PCT, soilFromFractions } from './soilFromFractions.ts';
import { soilOfClass, TEXTURES } from './soils.ts';
import type { Fill } from './fills.ts';
import type { TextureClass } from './textureClass.ts';

/** A layer of the profile is 50 mm thick, and there are 30 of them: 1.5 m. */
export const LAYER_MM = 50;
export const PROFILE_MM = 1500;
export const LAYER_COUNT = PROFILE_MM / LAYER_MM;

/** One kind of soil, from its top to the next one. What is not given follows from the texture. */
export interface Horizon {
  /** mm; the lowest horizon may leave it out and goes to the bottom of the profile. */
  thicknessMm?: number;
  textureClass: TextureClass;
  /** What a raised bed was filled with here, instead of soil. */
  fill?: Fill;
  /** Shares from a jar test, % by weight; win over the class's typical ones. */
  sandPct?: number;
  clayPct?: number;
  organicMatterPct?: number;
  /** Stones, % of the volume: they hold no water. */
  stonesPct?: number;
  /** How tightly it lies, as a share of the usual: 0.9 loosened, 1.3 trodden hard. */
  densityFactor?: number;
  /** Measured values, m³/m³ and mm/h; win over everything. */
  fieldCapacity?: number;
  wiltingPoint?: number;
  saturation?: number;
  saturatedConductivityMmPerHour?: number;
}

/** The ground under a bed. */
export interface GroundInput {
  /** One or two horizons (more are allowed), top first. */
  horizons: Horizon[];
  /** Fall of water in a refilled test hole, mm/h: limits what leaves the bottom. */
  drainageMmPerHour?: number;
  /** Steady intake measured on the spot, mm/h; otherwise from the texture. */
  infiltrationMmPerHour?: number;
  /** Slope of the surface, %. */
  slopePct?: number;
  /** A crust or a trodden surface lowers intake. */
  crusted?: boolean;
  /** Rock or a hard pan, mm down: nothing is stored below it. */
  bedrockMm?: number;
  /** Suction at which it is taken to have drained, 10–33 kPa; default 33. 10 suits sands and raised beds. */
  fieldCapacityKPa?: number;
}

/** The ground as the daily step wants it: one number per 50 mm layer, mm of water. */
export interface SoilProfile {
  layers: number;
  /** Where the ground ends, mm: its lowest layer may be thinner than the others. */
  depthMm: number;
  /** mm of water per layer. */
  fieldCapacityMm: Float64Array;
  wiltingPointMm: Float64Array;
  saturationMm: Float64Array;
  /** Between field capacity and wilting point. */
  availableMm: Float64Array;
  /** Driest the air can make the top layers: half the wilting point (FAO-56 eq. 73). */
  airDryMm: Float64Array;
  /** mm a day that can pass into each layer from above. */
  maxFluxMmPerDay: Float64Array;
  /** What a layer lets go of in a day is this × (exp(its water above field capacity ÷ 50 mm) − 1), mm (see `drainColumn`). */
  drainScaleMm: Float64Array;
  /** mm a day that can leave the bottom. */
  bottomFluxMmPerDay: number;
  /** Readily and totally evaporable water of the top 100 mm, mm (FAO-56 ch. 7). */
  readilyEvaporableMm: number;
  totalEvaporableMm: number;
  /** Steady intake of the surface, mm/h. */
  infiltrationMmPerHour: number;
  textureOfLayer: TextureClass[];
}

/** Depth of a test hole, mm. Common practice: a spade deep. */
const HOLE_MM = 300;
/** Depth of the soil that dries by evaporation, mm. Source: FAO-56 ch. 7, 0.10–0.15 m. */
export const EVAPORATION_DEPTH_MM = 100;

/** Intake left on a slope: common practice thresholds in %, our judgement as to the factors. */
const SLOPE_FACTORS: readonly (readonly [uptoPct: number, factor: number])[] = [
  [3, 1],
  [8, 0.8],
  [15, 0.6],
  [Number.POSITIVE_INFINITY, 0.4],
];
/** Intake left under a crust or on trodden ground. Judgement. */
const CRUST_FACTOR = 0.4;

/** A mulch keeps the surface open; organic matter above or below the usual 2.5 % opens or closes it, within limits. Judgement; the direction is common practice. */
const MULCH_FACTOR = 1.3;
const ORGANIC_PER_PCT = 0.08;
const ORGANIC_LIMITS = [0.8, 1.4] as const;

/**
 * Steady intake of a surface, mm/h, from texture, slope, crust, organic matter and mulch; a measured figure wins.
 * @throws RangeError on ground without a horizon
 * Source: basic rates by texture, common practice; factors are the judgements named above.
 */
export function intakeRate(ground: GroundInput, mulched = false): number {
  if (ground.infiltrationMmPerHour !== undefined) return ground.infiltrationMmPerHour;
  const top = ground.horizons[0];
  if (!top) throw new OutOfRange('horizons', 'hold at least 1 value(s)', 0);
  const slope = ground.slopePct ?? 0;
  const organicFactor =
    1 + ORGANIC_PER_PCT * ((top.organicMatterPct ?? ASSUMED_ORGANIC_MATTER_PCT) - ASSUMED_ORGANIC_MATTER_PCT);
  const slopeFactor = SLOPE_FACTORS.find(([upto]) => slope <= upto)?.[1] ?? 1;
  const [least, most] = ORGANIC_LIMITS;
  return (
    TEXTURES[top.textureClass].basicInfiltrationMmPerHour *
    slopeFactor *
    (ground.crusted ? CRUST_FACTOR : 1) *
    Math.min(most, Math.max(least, organicFactor)) *
    (mulched ? MULCH_FACTOR : 1)
  );
}

interface HorizonWater {
  fieldCapacity: number;
  wiltingPoint: number;
  saturation: number;
  conductivity: number;
}

function waterOf(horizon: Horizon, index: number, fieldCapacityKPa?: number): HorizonWater {
  const at = (field: string): string => `horizons[${index}].${field}`;
  const { sandPct, clayPct, organicMatterPct, densityFactor } = horizon;
  const base =
    sandPct !== undefined && clayPct !== undefined
      ? soilFromFractions({ sandPct, clayPct, organicMatterPct, fieldCapacityKPa, densityFactor })
      : soilOfClass(horizon.textureClass, organicMatterPct, { fieldCapacityKPa, densityFactor });
  const fieldCapacity = within(
    at('fieldCapacity'),
    horizon.fieldCapacity ?? base.fieldCapacity,
    0.02,
    0.9,
    'm³/m³',
  );
  const wiltingPoint = within(
    at('wiltingPoint'),
    horizon.wiltingPoint ?? base.wiltingPoint,
    0.005,
    0.5,
    'm³/m³',
  );
  ordered(at('wiltingPoint'), wiltingPoint + 0.005, at('fieldCapacity'), fieldCapacity);
  const saturation = within(
    at('saturation'),
    horizon.saturation ?? Math.max(base.saturation, fieldCapacity + 0.03),
    0.05,
    0.95,
    'm³/m³',
  );
  ordered(at('fieldCapacity'), fieldCapacity, at('saturation'), saturation);
  const conductivity = positive(
    at('saturatedConductivityMmPerHour'),
    horizon.saturatedConductivityMmPerHour ?? base.saturatedConductivityMmPerHour,
    5000,
    'mm/h',
  );
  const stones = within(at('stonesPct'), horizon.stonesPct ?? 0, 0, 90, '%') / 100;
  return {
    fieldCapacity: fieldCapacity * (1 - stones),
    wiltingPoint: wiltingPoint * (1 - stones),
    saturation: saturation * (1 - stones),
    conductivity: conductivity * pastStones(stones),
  };
}

/**
 * Share of its conductivity that a soil keeps among stones, 0–1 of its volume: they leave less room for the water, and
 * longer ways round.
 * Source: Peck & Watson 1979; Saxton & Rawls 2006, eq. 22, is the same by weight.
 */
export const pastStones = (byVolume: number): number => (2 * (1 - byVolume)) / (2 + byVolume);

/** A layer thinner than this above the rock is none, mm. */
const LEAST_LAYER_MM = 5;

/** What of each horizon lies in a layer from `top` to `bottom`, 0–1 each; the last goes on for ever. */
function sharesIn(top: number, bottom: number, ends: readonly number[]): number[] {
  return ends.map((end, h) => {
    const from = Math.max(top, ends[h - 1] ?? 0);
    const to = h === ends.length - 1 ? bottom : Math.min(bottom, end);
    return Math.max(0, to - from) / (bottom - top);
  });
}

/** Layers of one kind above another, as one: what each holds by its share, and a way through that is as slow as both in turn. */
function mixed(waters: readonly HorizonWater[], shares: readonly number[]): HorizonWater {
  const sum = (of: (water: HorizonWater) => number): number =>
    shares.reduce((total, share, h) => total + (share > 0 ? share * of(item(waters, h)) : 0), 0);
  return {
    fieldCapacity: sum((water) => water.fieldCapacity),
    wiltingPoint: sum((water) => water.wiltingPoint),
    saturation: sum((water) => water.saturation),
    conductivity: 1 / sum((water) => 1 / water.conductivity),
  };
}

/** Beds share their grounds, and a bed's profile is asked for again by whoever draws it. */
const profiles = remembered<string, SoilProfile>(1000);

/**
 * Cuts the ground into 50 mm layers down to 1.5 m, or to rock.
 * The same ground gives the same profile, which nobody may write to.
 * @throws RangeError on impossible ground: no horizon, a wilting point above field capacity, 100 % stones…
 * Source: soil water as `soilFromFractions`; how it drains as `drainColumn`.
 */
export const soilProfile = (ground: GroundInput, mulched = false): SoilProfile =>
  profiles(JSON.stringify([ground, mulched]), () => cutIntoLayers(ground, mulched));

function cutIntoLayers(ground: GroundInput, mulched: boolean): SoilProfile {
  atLeast('horizons', ground.horizons, 1);
  withinIfGiven('drainageMmPerHour', ground.drainageMmPerHour, 0, 5000, 'mm/h');
  withinIfGiven('infiltrationMmPerHour', ground.infiltrationMmPerHour, 0.1, 1000, 'mm/h');
  withinIfGiven('slopePct', ground.slopePct, 0, 100, '%');
  const depth = within('bedrockMm', ground.bedrockMm ?? PROFILE_MM, 100, 100_000, 'mm');
  const depthMm = Math.min(PROFILE_MM, depth);
  const layers = Math.ceil((depthMm - LEAST_LAYER_MM) / LAYER_MM);

  const waters = ground.horizons.map((horizon, h) => waterOf(horizon, h, ground.fieldCapacityKPa));
  const profile: SoilProfile = {
    layers,
    depthMm,
    fieldCapacityMm: new Float64Array(layers),
    wiltingPointMm: new Float64Array(layers),
    saturationMm: new Float64Array(layers),
    availableMm: new Float64Array(layers),
    airDryMm: new Float64Array(layers),
    maxFluxMmPerDay: new Float64Array(layers),
    drainScaleMm: new Float64Array(layers),
    bottomFluxMmPerDay: 0,
    readilyEvaporableMm: 0,
    totalEvaporableMm: 0,
    infiltrationMmPerHour: intakeRate(ground, mulched),
    textureOfLayer: [],
  };

  const bottoms: number[] = [];
  let reached = 0;
  for (const [index, horizon] of ground.horizons.entries()) {
    const last = index === ground.horizons.length - 1;
    const thickness = last ? PROFILE_MM : (horizon.thicknessMm ?? PROFILE_MM);
    reached += positive(`horizons[${index}].thicknessMm`, thickness, 10_000, 'mm');
    bottoms.push(reached);
  }

  for (let i = 0; i < layers; i += 1) {
    const top = i * LAYER_MM;
    // Rock lies where it lies, not where a layer ends.
    const thick = i === layers - 1 ? depthMm - top : LAYER_MM;
    const shares = sharesIn(top, top + thick, bottoms);
    const water = mixed(waters, shares);
    profile.fieldCapacityMm[i] = water.fieldCapacity * thick;
    profile.wiltingPointMm[i] = water.wiltingPoint * thick;
    profile.saturationMm[i] = water.saturation * thick;
    profile.availableMm[i] = at(profile.fieldCapacityMm, i) - at(profile.wiltingPointMm, i);
    profile.airDryMm[i] = 0.5 * water.wiltingPoint * thick;
    // A test hole tells of the ground below its own depth; what it says wins over texture and rock.
    const conductivity =
      top >= HOLE_MM ? (ground.drainageMmPerHour ?? water.conductivity) : water.conductivity;
    const drainableMm = (water.saturation - water.fieldCapacity) * thick;
    profile.maxFluxMmPerDay[i] = conductivity * 24;
    profile.drainScaleMm[i] =
      (drainageAbility(conductivity * 24) * drainableMm) / Math.expm1(drainableMm / LAYER_MM);
    profile.textureOfLayer.push(item(ground.horizons, shares.indexOf(Math.max(...shares))).textureClass);
  }

  const lowest = at(profile.maxFluxMmPerDay, layers - 1) ?? 0;
  const onRock = ground.bedrockMm !== undefined && ground.bedrockMm < PROFILE_MM;
  profile.bottomFluxMmPerDay =
    ground.drainageMmPerHour === undefined ? (onRock ? 0 : lowest) : ground.drainageMmPerHour * 24;

  const evaporating = Math.min(layers, EVAPORATION_DEPTH_MM / LAYER_MM);
  for (let i = 0; i < evaporating; i += 1) {
    profile.totalEvaporableMm += (at(profile.fieldCapacityMm, i) ?? 0) - (at(profile.airDryMm, i) ?? 0);
  }
  const top = ground.horizons[0] as Horizon;
  // A stony or very sandy top can hold less than the table's figure for its class.
  profile.readilyEvaporableMm = Math.min(
    TEXTURES[top.textureClass].readilyEvaporableMm,
    0.9 * profile.totalEvaporableMm,
  );
  return profile;
}
