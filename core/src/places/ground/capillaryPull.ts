import { LAYER_MM, type SoilProfile } from '../../soil/soilProfile.ts';
import type { TextureClass } from '../../soil/textureClass.ts';

/**
 * Suction at the wetting front, mm of water. Source: Rawls, Brakensiek & Miller 1983, J. Hydraul. Eng. 109:62–70, table 2 (from
 * memory); silt, which it has not, as silt loam.
 */
export const FRONT_SUCTION_MM: Readonly<Record<TextureClass, number>> = {
  sand: 49.5,
  'loamy sand': 61.3,
  'sandy loam': 110.1,
  loam: 88.9,
  'silt loam': 166.8,
  silt: 166.8,
  'sandy clay loam': 218.5,
  'clay loam': 208.8,
  'silty clay loam': 273,
  'sandy clay': 239,
  'silty clay': 292.2,
  clay: 316.3,
};

/** Ground that a watering first meets, layers of 50 mm: how dry it is decides how fast it drinks. Judgement. */
const FIRST_LAYERS = 3;

/** Suction at the wetting front × the room in the ground above it, mm: the pull of Green & Ampt. @param water of the column that is watered, mm a layer */
export function capillaryPullMm(profile: SoilProfile, water: Float64Array): number {
  const layers = Math.min(FIRST_LAYERS, profile.layers);
  let room = 0;
  for (let i = 0; i < layers; i += 1) {
    const full = profile.saturationMm[i] as number;
    room += Math.max(0, full - (water[i] as number));
  }
  const texture = profile.textureOfLayer[0];
  if (texture === undefined) return 0;
  // Room as a share of the soil: a layer is 50 mm.
  return (FRONT_SUCTION_MM[texture] * room) / (layers * LAYER_MM);
}
