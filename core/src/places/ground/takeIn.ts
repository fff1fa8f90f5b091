import { LAYER_MM, type SoilProfile } from '../../soil/soilProfile.ts';
import { backUp, PASS } from './passDown.ts';

/**
 * Water of a day into a column, in place: the zone of roots and of the drying surface fills to field capacity, top down;
 * what is more is held there for the day's use, as far as its larger pores have room (see `settle`); the rest goes deeper
 * at once.
 * @param base index of its top layer in `water`; `zone` layers of that zone; `inflow` mm on the column; `pass` is set
 * Source: percolation after the day's use, FAO-56 eq. 88.
 */
export function takeIn(
  profile: SoilProfile,
  water: Float64Array,
  base: number,
  zone: number,
  inflow: number,
  pass: Float64Array,
): void {
  const n = profile.layers;
  const fc = profile.fieldCapacityMm;
  const sat = profile.saturationMm;
  const maxFlux = profile.maxFluxMmPerDay;
  let left = inflow;
  let front = 0;
  pass.fill(0);
  for (let i = 0; i < zone && left > 0; i += 1) {
    const room = (fc[i] as number) - (water[base + i] as number);
    if (room <= 0) continue;
    const taken = left < room ? left : room;
    water[base + i] = (water[base + i] as number) + taken;
    left -= taken;
    front = (i + taken / room) * LAYER_MM;
  }
  if (left > 0) {
    let pores = 0;
    for (let i = 0; i < zone; i += 1) {
      const free = (sat[i] as number) - (water[base + i] as number);
      if (free <= 0) continue;
      if (pores < left) front = Math.max(front, (i + Math.min(1, (left - pores) / free)) * LAYER_MM);
      pores += free;
    }
    const held = pores > left ? left : pores;
    pass[PASS.held] = held;
    left -= held;
  }
  if (left > 0) {
    pass[PASS.below] = left;
    for (let i = zone; i < n && left > 0; i += 1) {
      const room = Math.max(0, (fc[i] as number) - (water[base + i] as number));
      const most = (maxFlux[i] as number) + room;
      if (left > most) {
        backUp(profile, water, base, zone, i, zone, left - most, pass);
        left = most;
      }
      const taken = left < room ? left : room;
      water[base + i] = (water[base + i] as number) + taken;
      left -= taken;
      front = (i + 1) * LAYER_MM;
    }
    const out = left < profile.bottomFluxMmPerDay ? left : profile.bottomFluxMmPerDay;
    if (left > out) backUp(profile, water, base, zone, n, zone, left - out, pass);
    pass[PASS.bottom] = out;
  }
  pass[PASS.front] = front;
}

/**
 * What was held for the day, after the day: it fills what the day took, top down, and the rest of it spreads over the larger
 * pores of the zone, from which it drains from the next morning on.
 * @param held mm on the column, no more than there are pores for
 * @returns whether nothing is left above field capacity
 */
export function settle(
  profile: SoilProfile,
  water: Float64Array,
  base: number,
  zone: number,
  held: number,
): boolean {
  const fc = profile.fieldCapacityMm;
  const sat = profile.saturationMm;
  let left = held;
  let pores = 0;
  for (let i = 0; i < zone; i += 1) {
    const room = (fc[i] as number) - (water[base + i] as number);
    if (room > 0 && left > 0) {
      const taken = left < room ? left : room;
      water[base + i] = (water[base + i] as number) + taken;
      left -= taken;
    }
    const free = (sat[i] as number) - (water[base + i] as number);
    if (free > 0) pores += free;
  }
  if (left <= 0) return true;
  const part = Math.min(1, left / pores);
  for (let i = 0; i < zone; i += 1) {
    const free = (sat[i] as number) - (water[base + i] as number);
    if (free > 0) water[base + i] = (water[base + i] as number) + part * free;
  }
  return false;
}
