import { at, item, listed } from '../../units/at.ts';
import { heldByLeaves } from '../../delivery/heldByLeaves.ts';
import { fittingRun, PASSES } from '../../delivery/fittingRun.ts';
import { wettedFractionOf } from '../../delivery/runPlan.ts';
import { daysBetween } from '../../units/dates.ts';
import { emptyGauge, type GrowingPlace, type PlaceKind, type PlaceSpan } from '../place.ts';
import { bedModel, plantDays, type BedInput, type BedModel } from './bedModel.ts';
import { cloneState, copyState, OUT, startState, type BedState } from './bedState.ts';
import { capillaryPullMm } from './capillaryPull.ts';
import { carriedOver } from './carriedOver.ts';
import { plugClock } from './plugClock.ts';
import { rootZoneCapacity, rootZoneDepletion } from './rootZone.ts';
import { dailyRecord } from './simulateBed.ts';
import { stepDay } from './stepDay.ts';

/** What a person who opens and shuts the tap gives at most. */
const handled = ({
  litres,
  totalMinutes = Number.POSITIVE_INFINITY,
  longestMinutes = Number.POSITIVE_INFINITY,
  passes = PASSES,
}: NonNullable<PlaceSpan<BedInput>['most']> = {}): Parameters<typeof fittingRun>[1] => ({
  litres,
  totalMinutes: Math.min(totalMinutes, longestMinutes),
  passes,
});

/** A seedbed’s water is that of its first layers: twice the depth of most seed. */
const TOP_LAYERS = 2;

const heldOn = ({ model, delivery }: Stretch, d: number): number =>
  heldByLeaves(delivery.method, at(model.canopyCover, d));

/** A bed's water, and which of its states it is in. */
export interface GroundState {
  stretch: number;
  /** Share of the store that might go on the day just stepped, before its use moved that. */
  depletionFraction: number;
  water: BedState;
}

/** Days over which a bed stayed as it was. */
interface Stretch {
  from: number;
  model: BedModel;
  delivery: PlaceSpan<BedInput>['delivery'];
}

/** The bed's states, each from its first day on; the plants' calendar is the same in all of them. */
function stretchesOf(span: PlaceSpan<BedInput>): Stretch[] {
  const { startOn, dayCount } = span;
  const plants = plantDays(span.bed.plantings, startOn, dayCount);
  const of = (from: number, bed: BedInput, delivery: Stretch['delivery']): Stretch => ({
    from,
    delivery,
    model: bedModel({ ...bed, wettedFraction: wettedFractionOf(delivery) }, startOn, dayCount, { plants }),
  });
  const stretches: Stretch[] = [];
  let from = 0;
  for (const { until, bed, delivery } of span.earlier ?? []) {
    const end = daysBetween(startOn, until);
    if (end <= from) continue;
    stretches.push(of(from, { ...bed, plantings: span.bed.plantings }, delivery));
    from = end;
  }
  stretches.push(of(from, span.bed, span.delivery));
  return stretches;
}

/** A bed of ground: layers of soil, in mm inside. */
export const ground: PlaceKind<BedInput, GroundState> = {
  kind: 'ground',
  mustWater: ({ plantings }, from) => plugClock(plantings, from),
  prepare(span) {
    const stretches = stretchesOf(span);
    const last = stretches.length - 1;
    const on = (d: number): Stretch => {
      let i = last;
      while (i > 0 && item(stretches, i).from > d) i -= 1;
      return item(stretches, i);
    };
    const modelOf = (state: GroundState): BedModel => item(stretches, state.stretch).model;
    const perMm = ({ bed, wettedFraction }: BedModel): number => bed.areaM2 * wettedFraction;
    const place: GrowingPlace<GroundState> = {
      litresPerMm: (d) => perMm(on(d).model),
      areaM2: (d) => on(d).model.bed.areaM2,
      start: (fullness) => ({
        stretch: 0,
        depletionFraction: 0,
        water: startState(item(stretches, 0).model, fullness),
      }),
      clone: (state) => ({ ...state, water: cloneState(state.water) }),
      copy(from, to) {
        to.depletionFraction = from.depletionFraction;
        if (from.stretch === to.stretch) copyState(from.water, to.water);
        else {
          to.stretch = from.stretch;
          to.water = cloneState(from.water);
        }
      },
      dawn(state, d) {
        while (state.stretch < last && item(stretches, state.stretch + 1).from <= d) {
          const before = modelOf(state);
          state.stretch += 1;
          state.water = carriedOver(before, state.water, modelOf(state));
        }
      },
      step(state, d, et0, rain, climate, givenL, warmth) {
        if (state.stretch < last) place.dawn(state, d);
        const model = modelOf(state);
        state.depletionFraction = at(model.p, d);
        const given = givenL / model.bed.areaM2;
        // What the leaves hold back was given, and dries from them.
        const held = given > 0 ? Math.min(given, heldOn(on(d), d)) : 0;
        stepDay(model, state.water, d, et0, rain, given - held, climate, warmth);
        const { out } = state.water;
        out[OUT.irrigation] = at(out, OUT.irrigation) + held;
        out[OUT.evaporation] = at(out, OUT.evaporation) + held;
      },
      depletionL(state) {
        const model = modelOf(state);
        return perMm(model) * rootZoneDepletion(model, state.water);
      },
      holdsL(state) {
        const model = modelOf(state);
        return perMm(model) * rootZoneCapacity(model, state.water);
      },
      top(state) {
        const { profile } = modelOf(state);
        let lacksMm = 0;
        for (let i = 0; i < TOP_LAYERS && i < profile.layers; i += 1)
          lacksMm += Math.max(0, at(profile.fieldCapacityMm, i) - at(state.water.water, i));
        const available = at(profile.fieldCapacityMm, 0) - at(profile.wiltingPointMm, 0);
        const gone = at(profile.fieldCapacityMm, 0) - at(state.water.water, 0);
        return { dryShare: available > 0 ? gone / available : 0, lacksMm };
      },
      airlessDays: (state) => state.water.wetDays,
      gauge(state, into = emptyGauge()) {
        const model = modelOf(state);
        const { out } = state.water;
        const wetted = perMm(model);
        const { areaM2 } = model.bed;
        into.depletionL = wetted * at(out, OUT.depletion);
        into.readilyAvailableL = wetted * at(out, OUT.readily);
        into.depletionFraction = state.depletionFraction;
        into.holdsL = wetted * at(out, OUT.available);
        into.wantedL = areaM2 * at(out, OUT.transpirationWanted);
        into.suppliedL = areaM2 * at(out, OUT.transpiration);
        into.evaporatedL = areaM2 * at(out, OUT.evaporation);
        into.lostL = areaM2 * (at(out, OUT.belowRoots) + at(out, OUT.runoff));
        into.ks = at(out, OUT.stress);
        into.frontMm = Math.min(model.profile.depthMm, at(out, OUT.front));
        return into;
      },
      leavesL: (d) => heldOn(on(d), d) * on(d).model.bed.areaM2,
      give(state, d, localMm, { pulses, byHand, whole } = {}) {
        const { model, delivery } = on(d);
        return fittingRun(
          {
            localMm,
            leavesMm: heldOn(on(d), d),
            areaM2: model.bed.areaM2,
            delivery,
            infiltrationMmPerHour: model.profile.infiltrationMmPerHour,
            // What was seen on the spot has the ground's dryness in it.
            capillaryPullMm:
              model.bed.ground.infiltrationMmPerHour === undefined
                ? capillaryPullMm(model.profile, state.water.water)
                : 0,
            pulses,
          },
          // Only a timer comes back as often as it likes.
          whole
            ? {}
            : pulses && !delivery.timer
              ? // Somebody comes back for each of them.
                { litres: span.most?.litres }
              : delivery.timer || pulses || byHand
                ? { litres: span.most?.litres, totalMinutes: span.most?.totalMinutes }
                : handled(span.most),
        );
      },
      underCover: (d) => on(d).model.underCover,
      record: (state, date, et0Mm, route, withLayers) =>
        dailyRecord(modelOf(state), state.water, date, et0Mm, route, withLayers),
      drawn(state) {
        const { profile } = modelOf(state);
        return {
          rootDepthMm: Math.min(state.water.rootMm, profile.depthMm),
          depthMm: profile.depthMm,
          layersMm: listed(state.water.water, profile.layers),
          fieldCapacityMm: listed(profile.fieldCapacityMm),
          wiltingPointMm: listed(profile.wiltingPointMm),
          saturationMm: listed(profile.saturationMm),
        };
      },
    };
    return place;
  },
};
