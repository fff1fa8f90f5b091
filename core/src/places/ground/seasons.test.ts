import { describe, expect, test } from '@jest/globals';
import { dualDay } from '../../../tests/dualBalance.ts';
import { seattle, seattleSite as site } from '../../../tests/seattle.ts';
import { plantOnDay } from '../../plants/plantOnDay.ts';
import { LAYER_MM } from '../../soil/soilProfile.ts';
import type { TextureClass } from '../../soil/textureClass.ts';
import { at, item } from '../../units/at.ts';
import { weatherSeries } from '../../weather/weatherSeries.ts';
import { bedModel, type BedInput } from './bedModel.ts';
import { OUT, startState } from './bedState.ts';
import { rootZoneDepletion } from './rootZone.ts';
import { stepDay } from './stepDay.ts';

interface Season {
  irrigationMm: number;
  useMm: number;
  percolationMm: number;
  /** Gone at the end of each day, mm. */
  depletionMm: number[];
  /** What the root zone can hold, mm. */
  availableMm: number[];
  /** Days on which it was watered. */
  on: Set<number>;
  /** Above field capacity in the root zone at the end, mm. */
  surplusMm: number;
  tr?: number;
  days?: string[];
}

const newSeason = (): Season => ({
  irrigationMm: 0,
  useMm: 0,
  percolationMm: 0,
  depletionMm: [],
  availableMm: [],
  on: new Set<number>(),
  surplusMm: 0,
});

const bedOf = (textureClass: TextureClass, cropId: string, year: string): BedInput => ({
  areaM2: 10,
  form: 'basin',
  ground: { horizons: [{ textureClass }] },
  plantings: [{ cropId, plantedOn: `${year}-05-15` }],
});

/** The layered balance, filled to field capacity on the mornings given. */
function layered(bed: BedInput, days: typeof seattle, wateredOn: ReadonlySet<number>): Season {
  const model = bedModel(bed, item(days, 0).date, days.length, { rootResponse: false });
  const series = weatherSeries(days, site);
  const state = startState(model, 1);
  const made = newSeason();
  days.forEach((_, d) => {
    const irrigation = wateredOn.has(d) ? rootZoneDepletion(model, state) : 0;
    stepDay(model, state, d, at(series.et0, d), at(series.rain, d), irrigation, at(series.climate, d));
    const { out } = state;
    made.irrigationMm += irrigation;
    made.useMm += at(out, OUT.evaporation) + at(out, OUT.transpiration);
    made.percolationMm += at(out, OUT.belowRoots);
    made.depletionMm.push(at(out, OUT.depletion));
    made.availableMm.push(at(out, OUT.available));
  });
  const { fieldCapacityMm } = model.profile;
  for (let i = 0; i * LAYER_MM < state.rootMm; i += 1)
    made.surplusMm += Math.max(0, at(state.water, i) - at(fieldCapacityMm, i));
  return made;
}

/** FAO-56's dual balance over the same days, with nothing of the engine but the plant's calendar, the soil's constants and the day's ET0. */
function standard(bed: BedInput, days: typeof seattle): Season {
  const { profile } = bedModel(bed, item(days, 0).date, days.length);
  const ground = {
    fieldCapacity: at(profile.fieldCapacityMm, 0) / LAYER_MM,
    wiltingPoint: at(profile.wiltingPointMm, 0) / LAYER_MM,
    readilyEvaporableMm: profile.readilyEvaporableMm,
  };
  const { et0 } = weatherSeries(days, site);
  const made = newSeason();
  let state = { dr: 0, de: 0 };
  let due = false;
  days.forEach((day, d) => {
    // Tmin stands in for the dew point: eqs. 10 and 11 (ch. 3), 54 (ch. 3, RHmin).
    const e = (t: number): number => 0.6108 * Math.exp((17.27 * t) / (t + 237.3));
    const rhMin = Math.min(80, Math.max(20, (100 * e(day.tMinC)) / e(day.tMaxC)));
    const irrigation = due ? state.dr : 0;
    made.irrigationMm += irrigation;
    if (due) made.on.add(d);
    const today = dualDay(state, ground, {
      plant: plantOnDay(item(bed.plantings, 0), day.date),
      et0: at(et0, d),
      climate: 0.04 * (Math.min(6, Math.max(1, day.windMs ?? 2)) - 2) - 0.004 * (rhMin - 45),
      water: day.rainMm + irrigation,
    });
    state = today;
    made.useMm += today.evaporation + today.transpiration;
    made.percolationMm += today.percolation;
    made.depletionMm.push(today.dr);
    made.availableMm.push(today.taw);
    due = today.dr > today.p * today.taw;
  });
  return made;
}

const apart = (textureClass: TextureClass, cropId: string, year: string) => {
  const days = seattle.filter((d) => d.date >= `${year}-05-15` && d.date <= `${year}-09-30`);
  const bed = bedOf(textureClass, cropId, year);
  const theirs = standard(bed, days);
  const ours = layered(bed, days, theirs.on);
  const rain = days.reduce((sum, d) => sum + d.rainMm, 0);
  // What is still to be filled, and what is still to sink, on the last day belongs to the season.
  const filled = (made: Season): number => made.irrigationMm + item(made.depletionMm, days.length - 1);
  return {
    ours: filled(ours),
    theirs: filled(theirs),
    use: ours.useMm / theirs.useMm - 1,
    percolation: (ours.percolationMm + ours.surplusMm - theirs.percolationMm) / (rain + theirs.irrigationMm),
    depletion:
      ours.depletionMm.reduce(
        (sum, mm, d) => sum + Math.abs(mm - item(theirs.depletionMm, d)) / item(theirs.availableMm, d),
        0,
      ) / days.length,
  };
};
const YEARS = ['2012', '2013', '2014', '2015'];
/**
 * Watered on the mornings on which the standard asks, each by what is gone from its own store: asked each by itself, a tenth
 * of a millimetre puts a watering off by days, and two runs of the same balance are as far apart.
 * @param share by which irrigation may differ over the four seasons together
 */
function agrees(textureClass: TextureClass, cropId: string, share: number): void {
  const seasons = YEARS.map((year) => ({ year, ...apart(textureClass, cropId, year) }));
  const sum = (of: 'ours' | 'theirs'): number => seasons.reduce((all, season) => all + season[of], 0);
  expect(Math.abs(sum('ours') / sum('theirs') - 1)).toBeLessThan(share);
  expect(
    seasons.filter(
      ({ ours, theirs, use, percolation, depletion }) =>
        Math.abs(ours / theirs - 1) > 0.05 ||
        Math.abs(use) > 0.03 ||
        Math.abs(percolation) > share ||
        depletion > 0.03,
    ),
  ).toEqual([]);
}

describe('four real seasons against FAO-56’s own dual balance: irrigation, use and percolation within 3 %, each day’s depletion too', () => {
  for (const textureClass of ['loam', 'sand', 'clay'] as const)
    for (const cropId of ['tomato', 'sweetcorn'])
      test(`${cropId} on ${textureClass}`, () => agrees(textureClass, cropId, 0.03));
  test.each(['loam', 'sand'] as const)('shallow carrots on %s', (textureClass) =>
    agrees(textureClass, 'carrot', 0.03),
  );
  // The standard lets the rain's surplus go within its day. A clay does not, and shallow roots drink of it for some more:
  // up to a twentieth less is asked for.
  test('shallow carrots on clay', () => agrees('clay', 'carrot', 0.05));
});
