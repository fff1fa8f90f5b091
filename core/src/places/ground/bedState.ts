import { at } from '../../units/at.ts';
import { EVAPORATION_DEPTH_MM, LAYER_MM } from '../../soil/soilProfile.ts';
import type { BedModel } from './bedModel.ts';

/** Slots of the numbers one step leaves behind, all mm over the bed unless said otherwise. */
export const OUT = {
  rain: 0,
  irrigation: 1,
  runoff: 2,
  evaporation: 3,
  transpiration: 4,
  transpirationWanted: 5,
  /** Water that passed the present root depth. */
  belowRoots: 6,
  /** Water that left the bottom of the profile. */
  drainage: 7,
  /** Root-zone depletion and stores of the wetted ground, mm deep there. */
  depletion: 8,
  available: 9,
  readily: 10,
  stress: 11,
  rootDepth: 12,
  /** Depth of the damp front on the wetted ground, mm; 0 on a day without water. */
  front: 13,
  /** Days in a row with too little air in the root zone. */
  wetDays: 14,
} as const;
export const OUT_SIZE = 15;

/** What changes from day to day. Copying is cheap, so that forecasts can start from it. */
export interface BedState {
  /** All rows of numbers below in one, so that a copy is one copy. */
  numbers: Float64Array;
  /** mm of water per layer; the wetted ground's layers first, then the rest's. */
  water: Float64Array;
  /** Water gone from the exposed top 100 mm of each column, mm (FAO-56 De). */
  surface: Float64Array;
  out: Float64Array;
  /** Water that stands on the surface, and what lies frozen on it, mm. */
  standingMm: number;
  snowMm: number;
  rootMm: number;
  wetDays: number;
  /** No layer holds more than field capacity, so nothing sinks until water comes. */
  drained: boolean;
}

/** Room for a bed's numbers, all 0. */
export function emptyState(layers: number, columns: number): BedState {
  const size = layers * columns;
  const numbers = new Float64Array(size + columns + OUT_SIZE);
  return {
    numbers,
    water: numbers.subarray(0, size),
    surface: numbers.subarray(size, size + columns),
    out: numbers.subarray(size + columns),
    standingMm: 0,
    snowMm: 0,
    rootMm: 0,
    wetDays: 0,
    drained: false,
  };
}

/** A bed at a share of its available water: 1 is field capacity, 0 the wilting point. */
export function startState(model: BedModel, fullness: number): BedState {
  const { layers, fieldCapacityMm, wiltingPointMm } = model.profile;
  const state = emptyState(layers, model.columns);
  const { water, surface } = state;
  for (let c = 0; c < model.columns; c += 1) {
    for (let i = 0; i < layers; i += 1) {
      const wilting = at(wiltingPointMm, i);
      water[c * layers + i] = wilting + fullness * (at(fieldCapacityMm, i) - wilting);
    }
    for (let i = 0; i * LAYER_MM < EVAPORATION_DEPTH_MM; i += 1) {
      surface[c] = at(surface, c) + Math.max(0, at(fieldCapacityMm, i) - at(water, c * layers + i));
    }
  }
  state.rootMm = at(model.potentialRootMm, 0) ?? LAYER_MM;
  return state;
}

/** Sets `target` to what `source` is, without allocating. */
export function copyState(source: BedState, target: BedState): void {
  target.numbers.set(source.numbers);
  target.standingMm = source.standingMm;
  target.snowMm = source.snowMm;
  target.rootMm = source.rootMm;
  target.wetDays = source.wetDays;
  target.drained = source.drained;
}

export function cloneState(source: BedState): BedState {
  const columns = source.surface.length;
  const copy = emptyState(source.water.length / columns, columns);
  copyState(source, copy);
  return copy;
}

/** Water in the whole profile and on it, mm over the bed. */
export function storedMm(model: BedModel, state: BedState): number {
  const { layers } = model.profile;
  let total = state.standingMm + state.snowMm;
  for (let c = 0; c < model.columns; c += 1) {
    for (let i = 0; i < layers; i += 1) total += at(model.columnShare, c) * at(state.water, c * layers + i);
  }
  return total;
}
