import { at, item } from '../../units/at.ts';
import { LAYER_MM } from '../../soil/soilProfile.ts';
import type { BedModel } from './bedModel.ts';
import { emptyState, type BedState } from './bedState.ts';

/**
 * A bed's water as it stands in the ground on the day the bed becomes another: laid on other lines, dug deeper, given
 * another soil. No drop is lost or made where the ground is as deep as before; what lies deeper than the new ground
 * goes with it, and new ground below stands as full as what lay above it.
 * @param before the bed until then, with its `state`; `after` the bed from then on
 * Source: mass balance; that watered ground keeps to its place when lines are laid closer or wider is a judgement.
 */
export function carriedOver(before: BedModel, state: BedState, after: BedModel): BedState {
  const deep = { before: before.profile.layers, after: after.profile.layers };
  const mixed = sharesOf(before, after);
  const carried = emptyState(deep.after, after.columns);
  const { water, surface } = carried;
  mixed.forEach((parts, c) => {
    parts.forEach((share, k) => {
      surface[c] = at(surface, c) + share * at(state.surface, k);
      for (let i = 0; i < deep.after; i += 1) {
        const layer = Math.min(i, deep.before - 1);
        water[c * deep.after + i] =
          at(water, c * deep.after + i) + share * at(state.water, k * deep.before + layer);
      }
    });
    surface[c] = Math.min(at(surface, c), after.profile.totalEvaporableMm);
  });
  carried.out.set(state.out);
  carried.rootMm = Math.min(state.rootMm, deep.after * LAYER_MM);
  carried.standingMm = state.standingMm;
  carried.snowMm = state.snowMm;
  carried.wetDays = state.wetDays;
  return carried;
}

/** For each column of the bed as it becomes, the shares of the columns as they were that lie in it. */
function sharesOf(before: BedModel, after: BedModel): number[][] {
  const was = Array.from(before.columnShare);
  const ends = (shares: Float64Array): number[] => {
    let end = 0;
    return Array.from(shares, (share) => (end += share));
  };
  const old = ends(before.columnShare);
  const now = ends(after.columnShare);
  return now.map((end, c) => {
    const from = c === 0 ? 0 : item(now, c - 1);
    return was.map((share, k) => {
      const start = item(old, k) - share;
      const overlap = Math.max(0, Math.min(end, item(old, k)) - Math.max(from, start));
      return overlap / (end - from);
    });
  });
}
