import { at } from '../units/at.ts';
import { countedOn, rootedAt, ROOT_DEPTHS, ROOTS_AT, USUAL_BELIEF } from '../plants/rootBelief.ts';
import { sumsSoFar } from './paths.ts';
import { depthOf, gaugeOf, stepRun, trialOf, type PlaceNow } from './run.ts';
import type { RootWay } from './rootWay.ts';
import type { PlanBed, RootOutlook } from './types.ts';

/**
 * The same past for every depth its roots may have had, each as much as it is believed.
 * @param now with the roots that are counted on; `follow` follows a bed that is the same but for its roots
 */
export function waysOfRoots(input: PlanBed, now: PlaceNow, follow: (bed: PlanBed) => PlaceNow): RootWay[] {
  const belief = input.rootBelief ?? USUAL_BELIEF;
  const counted = countedOn(belief);
  return ROOT_DEPTHS.map((depth) => {
    const rooted = rootedAt(input.bed.plantings, ROOTS_AT[depth]);
    const bed = { ...input, bed: { ...input.bed, plantings: rooted } };
    const followed = (as: PlanBed): PlaceNow => {
      const on = follow(as);
      // What stands there is the same however deep it is rooted, and however wet it was.
      on.plants = now.plants;
      return on;
    };
    const on = depth === counted ? now : followed(bed);
    const otherwise = fullnessesOf(input).map((startFullness) => {
      const as = followed({ ...bed, startFullness });
      return { now: as, sums: sumsSoFar(as, input) };
    });
    return {
      depth,
      share: belief[depth],
      counted: depth === counted,
      now: on,
      sums: sumsSoFar(on, input),
      otherwise,
    };
  });
}

/** A drier and a wetter first day than was told. */
const fullnessesOf = ({ startFullness, startDoubt = 0 }: PlanBed): number[] =>
  startDoubt > 0
    ? [Math.max(0, startFullness - startDoubt), Math.min(1, startFullness + startDoubt)].filter(
        (fullness) => fullness !== startFullness,
      )
    : [];

/** How the bed stands this morning by each of its ways. */
export const rootOutlooks = (ways: readonly RootWay[]): RootOutlook[] =>
  ways.map(({ depth, share, counted, now }) => {
    const d = now.todayIndex;
    const trial = trialOf(now, 'evening');
    stepRun(trial, d, at(now.rain, d), 0);
    return {
      depth,
      share,
      counted,
      rootDepthMm: now.place.drawn(now.state).rootDepthMm,
      depletionMm: depthOf(now, d, now.place.depletionL(now.state)),
      readilyMm: depthOf(now, d, gaugeOf(trial).readilyAvailableL),
    };
  });

/** Depths of roots nearer than this are not told apart, mm. Judgement. */
const APART_MM = 100;

/**
 * What is in doubt about a bed's roots: the depth the plan counts on and the one they may have, mm, and what it could then
 * still spare this morning, mm in the watered ground; null where that is one depth.
 * Source: arithmetic on the ways of `rootOutlooks`.
 */
export function rootDoubt(
  roots: readonly RootOutlook[],
): { countedMm: number; upToMm: number; leftIfDeepMm: number } | null {
  const counted = roots.find((way) => way.counted);
  const deep = roots.at(-1);
  if (!counted || !deep || deep.rootDepthMm - counted.rootDepthMm < APART_MM) return null;
  return {
    countedMm: counted.rootDepthMm,
    upToMm: deep.rootDepthMm,
    leftIfDeepMm: deep.readilyMm - deep.depletionMm,
  };
}
