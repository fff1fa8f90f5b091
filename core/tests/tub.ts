import { runPlan } from '../src/delivery/runPlan.ts';
import type { RoundsKind } from '../src/kinds/kind.ts';
import type { GrowingPlace, PlaceInput, PlaceKind, PlaceSpan } from '../src/places/place.ts';

/**
 * The simplest growing place there can be, to prove the seam: a tub that holds 20 L, gives what is asked while it has it,
 * and takes no rain. It counts in litres and knows nothing of soil. What stands here is all that a new kind needs in the
 * core: this object and its name in the list of kinds.
 */
export const TUB_HOLDS_L = 20;
interface Tub {
  gone: number;
  wanted: number;
  supplied: number;
}
export const tubPlace: PlaceKind<PlaceInput, Tub> = {
  kind: 'tub',
  prepare: ({ bed, delivery }: PlaceSpan<PlaceInput>): GrowingPlace<Tub> => ({
    litresPerMm: () => bed.areaM2,
    areaM2: () => bed.areaM2,
    start: (fullness) => ({ gone: TUB_HOLDS_L * (1 - fullness), wanted: 0, supplied: 0 }),
    clone: (state) => ({ ...state }),
    copy: (from, to) => void Object.assign(to, from),
    dawn: () => undefined,
    step(state, _d, et0, _rain, _climate, givenL) {
      state.gone = Math.max(0, state.gone - givenL);
      state.wanted = et0 * bed.areaM2;
      state.supplied = Math.min(state.wanted, TUB_HOLDS_L - state.gone);
      state.gone += state.supplied;
    },
    depletionL: ({ gone }) => gone,
    holdsL: () => TUB_HOLDS_L,
    airlessDays: () => 0,
    gauge: ({ gone, wanted, supplied }) => ({
      depletionL: gone,
      readilyAvailableL: TUB_HOLDS_L / 2,
      depletionFraction: 0.5,
      holdsL: TUB_HOLDS_L,
      wantedL: wanted,
      suppliedL: supplied,
      evaporatedL: 0,
      lostL: 0,
      ks: wanted > 0 ? supplied / wanted : 1,
      frontMm: 0,
    }),
    give: (_state, _d, localMm) =>
      runPlan({ localMm, areaM2: bed.areaM2, delivery, infiltrationMmPerHour: 1000 }),
    underCover: () => true,
    record: (state, date, et0Mm, et0Route) => ({
      date,
      et0Mm,
      et0Route,
      rainMm: 0,
      irrigationMm: 0,
      runoffMm: 0,
      evaporationMm: 0,
      transpirationMm: state.supplied / bed.areaM2,
      transpirationWantedMm: state.wanted / bed.areaM2,
      useMm: state.supplied / bed.areaM2,
      lostBelowRootsMm: 0,
      drainageMm: 0,
      depletionMm: state.gone / bed.areaM2,
      totalAvailableMm: TUB_HOLDS_L / bed.areaM2,
      readilyAvailableMm: TUB_HOLDS_L / 2 / bed.areaM2,
      rootDepthMm: 300,
      stressCoefficient: state.wanted > 0 ? state.supplied / state.wanted : 1,
      wetFrontMm: 0,
      airlessDays: 0,
    }),
    drawn: () => ({
      rootDepthMm: 300,
      depthMm: 300,
      layersMm: [],
      fieldCapacityMm: [],
      wiltingPointMm: [],
      saturationMm: [],
    }),
  }),
};

/** The same as the rest of Kibble knows it: asked in rounds, with one thing to do there in its first days. */
export const tub: RoundsKind = {
  schedule: 'rounds',
  subject: 'bed',
  place: tubPlace,
  tasks: ({ bed, today }) =>
    bed.plantings.some(({ plantedOn }) => plantedOn <= today) ? [{ code: 'do the spots join', day: 7 }] : [],
};
