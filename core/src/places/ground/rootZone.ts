import { at } from '../../units/at.ts';
import type { BedModel } from './bedModel.ts';
import type { BedState } from './bedState.ts';
import { LAYER_MM } from '../../soil/soilProfile.ts';

/** Water gone from the root zone of the wetted ground as it stands, mm deep there. */
export function rootZoneDepletion(model: BedModel, state: BedState): number {
  const { profile } = model;
  let depletion = 0;
  for (let i = 0; i * LAYER_MM < state.rootMm && i < profile.layers; i += 1) {
    const part = Math.min(1, state.rootMm / LAYER_MM - i);
    const gone = at(profile.fieldCapacityMm, i) - at(state.water, i);
    if (gone > 0) depletion += part * gone;
  }
  return depletion;
}

/** What the root zone of the wetted ground can hold between field capacity and wilting point, mm deep there. */
export function rootZoneCapacity(model: BedModel, state: BedState): number {
  const { profile } = model;
  let capacity = 0;
  for (let i = 0; i * LAYER_MM < state.rootMm && i < profile.layers; i += 1) {
    const part = Math.min(1, state.rootMm / LAYER_MM - i);
    capacity += part * (at(profile.fieldCapacityMm, i) - at(profile.wiltingPointMm, i));
  }
  return capacity;
}
