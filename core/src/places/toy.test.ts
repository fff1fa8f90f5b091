import { expect, test } from '@jest/globals';
import { runPlan } from '../delivery/runPlan.ts';
import type { PlanBed } from '../follow/types.ts';
import { planGarden } from '../plan/planGarden.ts';
import { addDays } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import { USUAL_KINDS } from './index.ts';
import type { GrowingPlace, PlaceInput, PlaceKind, PlaceSpan } from './place.ts';

/**
 * The simplest growing place there can be, to prove the seam: a tub that holds 20 L, gives what is asked while it has it,
 * and takes no rain. It counts in litres and knows nothing of soil. What stands here is all that a new kind needs in the
 * core: this object and its name in the list of kinds.
 */
const HOLDS_L = 20;
interface Tub {
  gone: number;
  wanted: number;
  supplied: number;
}
const tub: PlaceKind<PlaceInput, Tub> = {
  kind: 'tub',
  prepare: ({ bed, delivery }: PlaceSpan<PlaceInput>): GrowingPlace<Tub> => ({
    litresPerMm: () => bed.areaM2,
    areaM2: () => bed.areaM2,
    start: (fullness) => ({ gone: HOLDS_L * (1 - fullness), wanted: 0, supplied: 0 }),
    clone: (state) => ({ ...state }),
    copy: (from, to) => void Object.assign(to, from),
    dawn: () => undefined,
    step(state, _d, et0, _rain, _climate, givenL) {
      state.gone = Math.max(0, state.gone - givenL);
      state.wanted = et0 * bed.areaM2;
      state.supplied = Math.min(state.wanted, HOLDS_L - state.gone);
      state.gone += state.supplied;
    },
    goneL: ({ gone }) => gone,
    holdsL: () => HOLDS_L,
    airlessDays: () => 0,
    gauge: ({ gone, wanted, supplied }) => ({
      goneL: gone,
      spareL: HOLDS_L / 2,
      spareShare: 0.5,
      holdsL: HOLDS_L,
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
      totalAvailableMm: HOLDS_L / bed.areaM2,
      readilyAvailableMm: HOLDS_L / 2 / bed.areaM2,
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

const site = { latitudeDeg: 46.9, elevationM: 112 };
const today = '2026-07-01';
const weather = Array.from({ length: 44 }, (_, i): SourcedDay => ({
  date: addDays('2026-06-01', i),
  tMinC: 15,
  tMaxC: 30,
  windMs: 2,
  rhMinPct: 35,
  rhMaxPct: 85,
  rainMm: 0,
  rainChance: 0,
  source: 'record',
}));
const place = (id: number, kind?: string): PlanBed => ({
  id,
  kind,
  bed: {
    areaM2: 1,
    ground: { horizons: [{ textureClass: 'loam' }] },
    plantings: [{ cropId: 'basil', plantedOn: '2026-06-01' }],
  },
  delivery: { method: 'watering can', litresPerMinute: 6 },
  irrigations: [{ date: '2026-06-30', netMm: 20 }],
  startOn: '2026-06-01',
  startFullness: 1,
});
const kinds = { ...USUAL_KINDS, tub: tub as unknown as (typeof USUAL_KINDS)[string] };

test('a place of another kind is planned beside the ground: followed, refilled, windowed, capped and put on the clock', () => {
  const plan = planGarden(
    { site, beds: [place(1), place(2, 'tub')] },
    weather,
    { litresPerDay: 40, clock: { utcOffsetHours: 2 } },
    { today, members: 50, kinds },
  );
  expect(plan.unplanned).toEqual([]);
  const given = plan.waterings.filter(({ bedId }) => bedId === 2);
  // Half of 20 L may go; the sun asks for 6 to 7 L a day of each square metre.
  expect(given.length).toBeGreaterThan(5);
  for (const { run } of given) expect(run.bedMm).toBeLessThanOrEqual(HOLDS_L + 1e-9);
  const outlook = plan.beds.find(({ bedId }) => bedId === 2);
  expect(outlook?.window?.litres.middle).toBeGreaterThan(0);
  expect(outlook?.missedL).toBeCloseTo(0, 6);
  expect(plan.schedule.some(({ slots }) => slots.some(({ bedId }) => bedId === 2))).toBe(true);
  // The ground beside it is as it would be alone.
  const alone = planGarden({ site, beds: [place(1)] }, weather, {}, { today, members: 0 });
  expect(plan.beds[0]?.past).toEqual(alone.beds[0]?.past);
});

test('a kind that is in no list is a place that cannot be planned, by name; the others are', () => {
  const plan = planGarden({ site, beds: [place(1), place(2, 'tub')] }, weather, {}, { today, members: 0 });
  expect(plan.unplanned).toMatchObject([
    { bedId: 2, range: { field: 'kind', allowed: 'be one of ground, vessel', got: 'tub' } },
  ]);
  expect(plan.beds.map(({ bedId }) => bedId)).toEqual([1]);
});
