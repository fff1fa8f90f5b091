import { runPlan } from '../../delivery/runPlan.ts';
import { emptyGauge, type GrowingPlace, type PlaceInput, type PlaceKind } from '../place.ts';
import { daysBetween } from '../../units/dates.ts';
import { item } from '../../units/at.ts';
import { startVessel, stepVessel, type VesselState } from './stepVessel.ts';
import { vesselModel, type VesselInput, type VesselModel } from './vesselModel.ts';

/** A pot on the plan of the garden, as `planGarden` takes it: what rain falls on is its open top. */
export type VesselPlace = VesselInput & PlaceInput;

export interface State {
  stretch: number;
  water: VesselState;
}
/** Water goes in as fast as a hand pours, mm/h. */
const TAKES_MM_PER_HOUR = 1000;

/** A pot, planter or tray: litres of mix, hour by hour in heat. */
export const vessel: PlaceKind<VesselPlace, State> = {
  kind: 'vessel',
  prepare({ bed, earlier = [], delivery, startOn, dayCount, most }) {
    const latitudeDeg = bed.plantings[0]?.latitudeDeg ?? 0;
    const of = (input: VesselPlace, from: number) => ({
      from,
      model: vesselModel({ ...input, plantings: bed.plantings }, { startOn, dayCount, latitudeDeg }),
    });
    const stretches: { from: number; model: VesselModel }[] = [];
    let from = 0;
    for (const { until, bed: was } of earlier) {
      const end = daysBetween(startOn, until);
      if (end <= from) continue;
      stretches.push(of(was, from));
      from = end;
    }
    stretches.push(of(bed, from));
    const last = stretches.length - 1;
    const modelOf = (state: State): VesselModel => item(stretches, state.stretch).model;
    const on = (d: number): VesselModel => {
      let i = last;
      while (i > 0 && item(stretches, i).from > d) i -= 1;
      return item(stretches, i).model;
    };
    const place: GrowingPlace<State> = {
      litresPerMm: (d) => on(d).shape.openingM2,
      areaM2: (d) => on(d).shape.openingM2,
      start: (fullness) => ({ stretch: 0, water: startVessel(item(stretches, 0).model, fullness) }),
      clone: (state) => ({ ...state, water: { ...state.water } }),
      copy(from_, to) {
        to.stretch = from_.stretch;
        Object.assign(to.water, from_.water);
      },
      // Moved or repotted: what the mix held for the plant goes with it, as far as the new pot holds it.
      dawn(state, d) {
        while (state.stretch < last && item(stretches, state.stretch + 1).from <= d) {
          state.stretch += 1;
          state.water.availableL = Math.min(state.water.availableL, modelOf(state).holdsL);
        }
      },
      step(state, d, et0, rain, _climate, givenL) {
        place.dawn(state, d);
        stepVessel(
          modelOf(state),
          state.water,
          d,
          et0,
          rain,
          givenL > 0 ? [{ hour: 0, litres: givenL }] : [],
        );
      },
      depletionL: (state) => modelOf(state).holdsL - state.water.availableL,
      holdsL: (state) => modelOf(state).holdsL,
      airlessDays: () => 0,
      gauge(state, into = emptyGauge()) {
        const { holdsL, p } = modelOf(state);
        const { water } = state;
        into.depletionL = holdsL - water.availableL;
        into.depletionFraction = p;
        into.readilyAvailableL = p * holdsL;
        into.holdsL = holdsL;
        into.wantedL = water.wantedL;
        into.suppliedL = water.drunkL;
        into.evaporatedL = water.driedL;
        into.lostL = water.drainedL;
        into.ks = water.wantedL > 0 ? water.drunkL / water.wantedL : 1;
        into.frontMm = 0;
        return into;
      },
      give: (_state, d, localMm, { whole } = {}) =>
        runPlan({
          localMm: whole || !most?.litres ? localMm : Math.min(localMm, most.litres / on(d).shape.openingM2),
          areaM2: on(d).shape.openingM2,
          delivery: { ...delivery, wettedFraction: 1 },
          infiltrationMmPerHour: TAKES_MM_PER_HOUR,
        }),
      underCover: (d) => !on(d).rained,
      record(state, date, et0Mm, et0Route) {
        const { openingM2 } = modelOf(state).shape;
        const { holdsL, p, shape } = modelOf(state);
        const { water } = state;
        return {
          date,
          et0Mm,
          et0Route,
          rainMm: water.rainL / openingM2,
          irrigationMm: water.givenL / openingM2,
          runoffMm: 0,
          evaporationMm: water.driedL / openingM2,
          transpirationMm: water.drunkL / openingM2,
          transpirationWantedMm: water.wantedL / openingM2,
          useMm: (water.drunkL + water.driedL) / openingM2,
          lostBelowRootsMm: water.drainedL / openingM2,
          drainageMm: water.drainedL / openingM2,
          depletionMm: (holdsL - water.availableL) / openingM2,
          totalAvailableMm: holdsL / openingM2,
          readilyAvailableMm: (p * holdsL) / openingM2,
          rootDepthMm: 1000 * shape.heightM,
          stressCoefficient: water.wantedL > 0 ? water.drunkL / water.wantedL : 1,
          wetFrontMm: 0,
          airlessDays: 0,
        };
      },
      drawn: (state) => ({
        rootDepthMm: 1000 * modelOf(state).shape.heightM,
        depthMm: 1000 * modelOf(state).shape.heightM,
        layersMm: [],
        fieldCapacityMm: [],
        wiltingPointMm: [],
        saturationMm: [],
      }),
    };
    return place;
  },
};
