import type { BedModel } from '../balance/bedModel.ts';
import { cloneState, copyState, OUT, type BedState } from '../balance/bedState.ts';
import { stepDay } from '../balance/stepDay.ts';
import { LAYER_MM } from '../soil/soilProfile.ts';
import type { ForecastEnsemble } from '../weather/forecastEnsemble.ts';

/** What the members of an ensemble make of one bed. */
export interface BedSpread {
  /** Day (0 = today) on which each member asks for the first watering; `days` when none does. */
  dueDay: Int16Array;
  /** Net water each member asks for over the horizon, mm over the bed. */
  bedMm: Float64Array;
}

/** Water gone from the root zone of the wetted ground as it stands, mm deep there. */
export function rootZoneDepletion(model: BedModel, state: BedState): number {
  const { profile } = model;
  let depletion = 0;
  for (let i = 0; i * LAYER_MM < state.rootMm && i < profile.layers; i += 1) {
    const part = Math.min(1, state.rootMm / LAYER_MM - i);
    const gone = profile.fieldCapacityMm[i] - state.water[i];
    if (gone > 0) depletion += part * gone;
  }
  return depletion;
}

/**
 * Runs one bed through every member: refilled on the morning of a day that would end past the refill line.
 * Allocates nothing per day.
 * @param options the bed's model and this morning's state, index of today in the model, the ensemble of the days
 *   from today on, whether something grows on each of them, and the least depth worth bringing, mm
 */
export function bedSpread(options: {
  model: BedModel;
  state: BedState;
  todayIndex: number;
  ensemble: ForecastEnsemble;
  grows: readonly boolean[];
  leastMm: number;
  /** Water the bed has had already today, mm over the bed: nothing more is asked of it until tomorrow. */
  givenTodayMm?: number;
  settledToday?: boolean;
}): BedSpread {
  const { model, todayIndex, ensemble, grows } = options;
  const { members, days } = ensemble;
  const dueDay = new Int16Array(members).fill(days);
  const bedMm = new Float64Array(members);
  const state = cloneState(options.state);
  const before = cloneState(options.state);
  for (let m = 0; m < members; m += 1) {
    copyState(options.state, state);
    for (let d = 0; d < days; d += 1) {
      const at = m * days + d;
      const given = d === 0 ? (options.givenTodayMm ?? 0) : 0;
      const held = !grows[d] || (d === 0 && Boolean(options.settledToday));
      if (!held) copyState(state, before);
      const index = todayIndex + d;
      stepDay(model, state, index, ensemble.et0[at], ensemble.rain[at], given, ensemble.climate[at]);
      if (held || state.out[OUT.depletion] <= state.out[OUT.readily]) continue;
      const missing = rootZoneDepletion(model, before);
      if (missing < options.leastMm) continue;
      const dose = missing * model.wettedFraction;
      if (dueDay[m] === days) dueDay[m] = d;
      bedMm[m] += dose;
      copyState(before, state);
      stepDay(model, state, index, ensemble.et0[at], ensemble.rain[at], given + dose, ensemble.climate[at]);
    }
  }
  return { dueDay, bedMm };
}

/** The value below which a share of the members lie (nearest rank). */
export function quantile(values: ArrayLike<number>, share: number): number {
  const sorted = Float64Array.from(values).sort();
  return sorted[Math.min(sorted.length - 1, Math.max(0, Math.ceil(share * sorted.length) - 1))];
}
