import { at } from '../../units/at.ts';
import type { VesselModel } from './vesselModel.ts';

/** A pot's water, L: what plants can have, what stands in the saucer and lies in the reservoir; and what the day came to. */
export interface VesselState {
  availableL: number;
  saucerL: number;
  reservoirL: number;
  /** The mix has drawn back from the side: water runs past until it has stood in some. */
  shrunk: boolean;
  wantedL: number;
  drunkL: number;
  /** Dried from the mix, the saucer and the wall. */
  driedL: number;
  drainedL: number;
  givenL: number;
  rainL: number;
  /** Hour of the day (0–24) from which the plant wanted more than it got since it was last watered; null when it never did. */
  shortFrom: number | null;
}

export const startVessel = (model: VesselModel, fullness: number): VesselState => ({
  availableL: model.holdsL * fullness,
  saucerL: 0,
  reservoirL: model.reservoirL * fullness,
  shrunk: fullness * model.holdsL < model.shrinksUnderL,
  wantedL: 0,
  drunkL: 0,
  driedL: 0,
  drainedL: 0,
  givenL: 0,
  rainL: 0,
  shortFrom: null,
});

/** Of what is poured on a mix that has drawn back, so much stays; the rest runs down the side. Judgement. */
const SHRUNK_TAKES = 0.4;

/** Share of the day's use in each hour, by the sun from six to eight in the evening; and for plants that open at night. Judgement; each adds up to 1. */
const HOURS = 24;
const NIGHT = 0.05;
const byDay = Float64Array.from({ length: HOURS }, (_, h) =>
  h >= 6 && h < 20 ? Math.sin((Math.PI * (h - 5.5)) / 14) : 0,
);
const daySum = byDay.reduce((a, b) => a + b, 0);
const DAY_WEIGHTS = byDay.map((w) => ((1 - NIGHT) * w) / daySum + NIGHT / HOURS);
const NIGHT_WEIGHTS = Float64Array.from({ length: HOURS }, (_, h) => (h >= 18 || h < 6 ? 1 / 12 : 0));

/**
 * The surface and a porous wall dry freely until so much of the store is gone, then ever less, and faster than what is left:
 * what lies next to the air is dry long before the middle. Judgement, as FAO-56’s readily evaporable water.
 */
const DRIES_FREELY = 0.4;
/** What stands in a saucer is drawn up into a mix with so much room. */
const WICKED = 0.999;

/** Pours litres on: what it holds stays, what it cannot runs into the saucer or away. */
export function pour(
  model: VesselModel,
  state: VesselState,
  litres: number,
  how: 'above' | 'below' = 'above',
): void {
  if (litres <= 0) return;
  state.givenL += litres;
  state.shortFrom = null;
  take(model, state, litres, how);
}

function take(model: VesselModel, state: VesselState, litres: number, how: 'above' | 'below'): void {
  const { holdsL } = model;
  if (how === 'below') {
    // It stands in water and takes what it has room for; the rest is poured away.
    const taken = Math.min(litres, holdsL - state.availableL);
    state.availableL += taken;
    state.shrunk = false;
    state.drainedL += litres - taken;
    return;
  }
  const room = holdsL - state.availableL;
  const taken = Math.min(room, state.shrunk ? SHRUNK_TAKES * litres : litres);
  state.availableL += taken;
  let left = litres - taken;
  const tank = Math.min(left, model.reservoirL - state.reservoirL);
  state.reservoirL += tank;
  left -= tank;
  const caught = Math.min(left, model.saucerL - state.saucerL);
  state.saucerL += caught;
  state.drainedL += left - caught;
  if (state.availableL > 0.5 * holdsL) state.shrunk = false;
}

/** Draws up what stands beneath. */
function drawUp(model: VesselModel, state: VesselState): void {
  const fromSaucer = Math.min(state.saucerL, Math.max(0, WICKED * model.holdsL - state.availableL));
  state.availableL += fromSaucer;
  state.saucerL -= fromSaucer;
  if (fromSaucer > 0) state.shrunk = false;
  const fromTank = Math.min(state.reservoirL, Math.max(0, WICKED * model.holdsL - state.availableL));
  state.availableL += fromTank;
  state.reservoirL -= fromTank;
}

/** One hour of a pot, in place; `demand` of the whole day, mm. */
function stepHour(model: VesselModel, state: VesselState, d: number, demand: number, h: number): void {
  drawUp(model, state);
  const w = at(model.atNight ? NIGHT_WEIGHTS : DAY_WEIGHTS, h);
  const share = state.availableL / model.holdsL;
  const ks = Math.min(1, share / (1 - model.p));
  const kr = Math.min(1, share / (1 - DRIES_FREELY)) ** 2;
  const want = w * demand * at(model.leafLPerMm, d);
  let drunk = ks * want;
  let dried = kr * w * demand * (at(model.openLPerMm, d) + model.wallLPerMm);
  const all = drunk + dried;
  if (all > state.availableL) {
    drunk *= state.availableL / all;
    dried *= state.availableL / all;
  }
  if (state.shortFrom === null && want > 0 && drunk < SHORT * want) state.shortFrom = h;
  state.availableL = Math.max(0, state.availableL - drunk - dried);
  // A saucer stands open to the air; what stands in a pot without a hole does not.
  const fromSaucer = model.input.noHole ? 0 : Math.min(state.saucerL, w * demand * model.shape.openingM2);
  state.saucerL -= fromSaucer;
  state.driedL += dried + fromSaucer;
  state.wantedL += want;
  state.drunkL += drunk;
}

/** Less than so much of what it wants in an hour is short. Judgement. */
const SHORT = 0.8;

/** Hours of a day of a pot, in place, from one hour up to and without another; what the day came to is added to. */
export function runHours(
  model: VesselModel,
  state: VesselState,
  d: number,
  et0: number,
  from: number,
  until: number,
): void {
  const demand = model.useFactor * (model.ownMm ? at(model.ownMm, d) : et0);
  for (let h = from; h < until; h += 1) stepHour(model, state, d, demand, h);
  if (state.availableL < model.shrinksUnderL) state.shrunk = true;
}

/** Begins a day: nothing was drunk or given on it yet. */
export function newDay(state: VesselState): void {
  state.wantedL = state.drunkL = state.driedL = state.drainedL = state.givenL = state.rainL = 0;
  state.shortFrom = null;
}

/** What happens to a pot at an hour of a day: water is poured, or somebody looks and puts the reckoning right. */
export type VesselAct = { hour: number } & (
  { litres: number; how?: 'above' | 'below' } | { see: (state: VesselState) => void }
);

/**
 * One day of a pot, in place, hour by hour where it may run short and at once where it cannot.
 * @param et0 the garden's demand, mm; `rain` mm; `acts` in the order of their hours
 * Source: transpiration by FAO-56’s basal coefficient and Ks (eq. 84) on the pot's own store; the hours are judgements.
 */
export function stepVessel(
  model: VesselModel,
  state: VesselState,
  d: number,
  et0: number,
  rain: number,
  acts: readonly VesselAct[],
): void {
  newDay(state);
  const demand = model.useFactor * (model.ownMm ? at(model.ownMm, d) : et0);
  const wants = demand * at(model.leafLPerMm, d);
  const dries = demand * (at(model.openLPerMm, d) + model.wallLPerMm);
  const rainL = rain * at(model.rainLPerMm, d);
  if (rainL > 0) {
    state.rainL = rainL;
    take(model, state, rainL, 'above');
  }
  let next = 0;
  const actsUpTo = (hour: number): void => {
    for (; next < acts.length; next += 1) {
      const one = acts[next];
      if (!one || one.hour > hour) return;
      if ('see' in one) one.see(state);
      else pour(model, state, one.litres, one.how);
    }
  };
  actsUpTo(0);
  drawUp(model, state);
  const freelyL = Math.max(1 - model.p, 1 - DRIES_FREELY) * model.holdsL;
  // Nothing runs short before the day is over: the hours would add up to the same.
  if (
    next >= acts.length &&
    state.saucerL + state.reservoirL === 0 &&
    state.availableL - wants - dries >= freelyL
  ) {
    state.wantedL = state.drunkL = wants;
    state.driedL = dries;
    state.availableL -= wants + dries;
    return;
  }
  for (let h = 0; h < HOURS; h += 1) {
    actsUpTo(h);
    stepHour(model, state, d, demand, h);
  }
  actsUpTo(HOURS);
  if (state.availableL < model.shrinksUnderL) state.shrunk = true;
}
