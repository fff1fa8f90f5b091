import type { BedModel } from './bedModel.ts';
import { OUT, type BedState } from './bedState.ts';
import { rootZoneCapacity, rootZoneDepletion } from './rootZone.ts';

/**
 * A day on frozen ground, in place: what falls or is given lies on the bed until it thaws, nothing sinks, dries or is drawn,
 * and roots stand still. The share that may go is kept as the season has it.
 * Source: mass balance; that nothing moves in frozen ground is a judgement.
 */
export function frozenDay(
  model: BedModel,
  state: BedState,
  d: number,
  rain: number,
  irrigation: number,
): void {
  const { out } = state;
  const fallen = model.underCover ? 0 : rain;
  state.snowMm += fallen + irrigation;
  out.fill(0);
  out[OUT.rain] = fallen;
  out[OUT.irrigation] = irrigation;
  out[OUT.depletion] = rootZoneDepletion(model, state);
  out[OUT.available] = rootZoneCapacity(model, state);
  out[OUT.readily] = (model.p[d] as number) * (out[OUT.available] as number);
  out[OUT.stress] = 1;
  out[OUT.rootDepth] = state.rootMm;
  out[OUT.wetDays] = state.wetDays;
}

/** Snow and ice that melt in a day once the ground has thawed, mm. Judgement: some degree-days of thaw. */
export const MELT_MM = 10;
