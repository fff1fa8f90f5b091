import { LAYER_MM } from '../soil/soilProfile.ts';
import type { Drawn } from '../places/place.ts';
import { cropOf } from '../plants/plantOnDay.ts';
import { standingOn } from '../plants/standing.ts';
import { at, item } from '../units/at.ts';
import type { PlaceNow } from './run.ts';
import type { PlanBed } from './types.ts';

/** Grass that has missed so much of what it wanted to drink, over so many days, has drawn its roots up. Judgements. */
const MISSED_SHARE = 0.3;
const DAYS = 21;

/** A watering that goes no deeper than roots lie in a drought: how deep that is, and what is gone above it, mm in the watered ground. */
export interface ShallowFill {
  depthMm: number;
  lacksMm: number;
}

/**
 * How deep a lawn is soaked after weeks of drought, mm; null where it has not gone short, and of what is no lawn.
 * Source: common practice: drought draws the roots of grass towards the surface. The depth is the shallow end of its range (FAO-56
 * table 22).
 */
export function droughtRootsMm(
  input: PlanBed,
  { days, todayIndex, pastMissedL, pastWantedL }: Omit<PlaceNow, 'droughtRootsMm'>,
): number | null {
  const planting = standingOn(input.bed.plantings, item(days, todayIndex).date);
  if (!planting || cropOf(planting).group !== 'turf' || todayIndex < DAYS) return null;
  let missed = 0;
  let wanted = 0;
  for (let d = todayIndex - DAYS; d < todayIndex; d += 1) {
    missed += at(pastMissedL, d);
    wanted += at(pastWantedL, d);
  }
  return wanted > 0 && missed / wanted >= MISSED_SHARE ? 1000 * cropOf(planting).roots.minM : null;
}

/** What is gone from the ground down to a depth, mm; null where the roots reach no deeper. */
export function shallowFill(drawn: Drawn, depthMm: number): ShallowFill | null {
  if (drawn.rootDepthMm <= depthMm || drawn.layersMm.length === 0) return null;
  let lacksMm = 0;
  for (let i = 0; i * LAYER_MM < depthMm && i < drawn.layersMm.length; i += 1)
    lacksMm += Math.max(0, item(drawn.fieldCapacityMm, i) - item(drawn.layersMm, i));
  return { depthMm, lacksMm };
}
