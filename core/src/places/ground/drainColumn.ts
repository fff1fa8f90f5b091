import { LAYER_MM, type SoilProfile } from '../../soil/soilProfile.ts';
import { backUp, PASS } from './passDown.ts';

/** Water above field capacity of which so little is left in a layer goes with the rest, mm. */
const LAST_MM = 0.01;

/**
 * One day of drainage of a column, in place: each layer lets go of a part of what it holds above field capacity, and that
 * sinks on; a layer below fills to field capacity first, and then to where it lets as much pass as came on the mean from
 * each layer above. No more enters a layer in a day than its conductivity allows.
 * @param base index of its top layer in `water`; `zone` layers of its root zone; `pass` is set to what came of it
 * @returns whether nothing is left above field capacity
 * Source: Raes et al. 2009, Agron. J. 101:438–447 (from memory): what a layer loses in a day is
 * τ (θsat − θfc) (exp(θ − θfc) − 1) / (exp(θsat − θfc) − 1), in which layers of one soil lose the same share however
 * thick they are drawn.
 */
export function drainColumn(
  profile: SoilProfile,
  water: Float64Array,
  base: number,
  zone: number,
  pass: Float64Array,
): boolean {
  const n = profile.layers;
  const fc = profile.fieldCapacityMm;
  const sat = profile.saturationMm;
  const maxFlux = profile.maxFluxMmPerDay;
  const scale = profile.drainScaleMm;
  let carried = 0;
  let drained = true;
  pass.fill(0);
  for (let i = 0; i < n; i += 1) {
    const k = base + i;
    const holds = fc[i] as number;
    let now = water[k] as number;
    let over = now - holds;
    if (carried > 0) {
      const most = (maxFlux[i] as number) + (over < 0 ? -over : 0);
      if (carried > most) {
        backUp(profile, water, base, zone, i, 0, carried - most, pass);
        drained = false;
        carried = most;
      }
      if (over < 0) {
        const taken = carried < -over ? carried : -over;
        now += taken;
        carried -= taken;
        over = carried > 0 ? 0 : now - holds;
      }
    }
    if (over > 0 || carried > 0) {
      const s = scale[i] as number;
      // The last of it goes at once: a tail of nothing would keep the ground busy for weeks.
      let own = over <= 0 ? 0 : over < LAST_MM ? over : s * Math.expm1(over / LAYER_MM);
      const above = i > 0 ? carried / i : 0;
      if (own < above) {
        // It stores until it lets through as much as the layers above.
        const target = Math.min((sat[i] as number) - holds, LAYER_MM * Math.log1p(above / s));
        const taken = Math.min(carried, Math.max(0, target - over));
        now += taken;
        carried -= taken;
        over += taken;
        own = over < LAST_MM ? over : s * Math.expm1(over / LAYER_MM);
      }
      now -= own;
      carried += own;
      if (over - own > 0) drained = false;
    }
    water[k] = now;
    if (i === zone - 1) pass[PASS.below] = carried;
  }
  const out = carried < profile.bottomFluxMmPerDay ? carried : profile.bottomFluxMmPerDay;
  if (carried > out) {
    backUp(profile, water, base, zone, n, 0, carried - out, pass);
    drained = false;
  }
  pass[PASS.bottom] = out;
  return drained;
}
