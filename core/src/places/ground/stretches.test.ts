import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seattle, seattleSite as site } from '../../../tests/seattle.ts';
import { planGarden } from '../../plan/planGarden.ts';
import type { PlanBed } from '../../follow/types.ts';
import { bedModel, type BedInput } from './bedModel.ts';
import { startState, storedMm } from './bedState.ts';
import { carriedOver } from './carriedOver.ts';
import { completeWeather } from '../../weather/completeWeather.ts';

const today = '2015-07-20';
const weather = completeWeather({
  record: seattle.filter((day) => day.date < today),
  forecast: [],
  site,
  from: '2015-05-15',
  to: '2015-08-02',
  today,
});
const plain: BedInput = {
  areaM2: 10,
  ground: { horizons: [{ textureClass: 'loam' }] },
  plantings: [{ cropId: 'tomato', plantedOn: '2015-05-15' }],
};
const bed = (change: Partial<PlanBed> = {}): PlanBed => ({
  id: 1,
  bed: plain,
  delivery: { method: 'hose wand', litresPerMinute: 20 },
  irrigations: ['2015-07-02', '2015-07-12', '2015-07-16'].map((date) => ({ date, netMm: 25 })),
  startOn: '2015-05-15',
  startFullness: 1,
  ...change,
});
const past = (input: PlanBed) =>
  planGarden({ site, beds: [input] }, weather, {}, { today, members: 0 }).beds[0]?.past ?? [];
/** How it was until today, and is otherwise from today on. */
const from = (day: string, input: Partial<PlanBed>): PlanBed =>
  bed({
    ...input,
    earlier: [{ until: day, bed: plain, delivery: { method: 'hose wand', litresPerMinute: 20 } }],
  });

describe('a change holds from its day and leaves the days before as they were', () => {
  const before = past(bed());
  // Each of these moved this morning's figures of a bed that had never seen them, before changes had a day.
  test.each([
    ['80 mm of straw', { bed: { ...plain, mulch: { material: 'straw' as const, depthMm: 80 } } }],
    ['a tunnel', { bed: { ...plain, place: { demandFactor: 0.7, underCover: true } } }],
    ['another way of watering', { delivery: { method: 'drip' as const, litresPerMinute: 4 } }],
    ['another area', { bed: { ...plain, areaM2: 4 } }],
    ['a rim', { bed: { ...plain, form: 'basin' as const } }],
  ])('%s laid today', (what, change) => {
    expect(past(from(today, change))).toEqual(before);
    // The same from ten days ago is another past, and only from then on.
    const since = past(from('2015-07-10', change));
    const at = before.findIndex(({ date }) => date === '2015-07-10');
    expect(since.slice(0, at)).toEqual(before.slice(0, at));
    // A rim keeps rain, and none fell; on another area a depth is a depth.
    if (!['a rim', 'another area'].includes(what)) expect(since.slice(at)).not.toEqual(before.slice(at));
  });

  test('straw laid ten days ago has cut what dried from the soil since then, not before', () => {
    const straw = past(from('2015-07-10', { bed: { ...plain, mulch: { material: 'straw', depthMm: 80 } } }));
    const dried = (days: typeof before, upTo: string, after = ''): number =>
      days
        .filter(({ date }) => date >= after && date < upTo)
        .reduce((sum, day) => sum + day.evaporationMm, 0);
    expect(dried(straw, '2015-07-10')).toBe(dried(before, '2015-07-10'));
    expect(dried(straw, today, '2015-07-10')).toBeLessThan(dried(before, today, '2015-07-10'));
  });
});

describe('water on the day of a change', () => {
  const of = (share: number): BedInput => ({ ...plain, wettedFraction: share });
  test('no drop is lost or made, whatever shares of the bed are wetted before and after', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        fc.array(fc.double({ min: 2, max: 20, noNaN: true }), { minLength: 60, maxLength: 60 }),
        (a, b, mm) => {
          const before = bedModel(of(a), '2015-05-15', 1);
          const after = bedModel(of(b), '2015-05-15', 1);
          const state = startState(before, 1);
          state.water.set(mm.slice(0, state.water.length));
          expect(storedMm(after, carriedOver(before, state, after))).toBeCloseTo(storedMm(before, state), 9);
        },
      ),
    );
  });
  test('lines laid closer take the dry ground between them in; nothing that was wet becomes wetter', () => {
    const before = bedModel(of(0.4), '2015-05-15', 1);
    const after = bedModel(of(0.8), '2015-05-15', 1);
    const state = startState(before, 1);
    const { layers } = before.profile;
    state.water.fill(10, 0, layers).fill(4, layers);
    const water = carriedOver(before, state, after).water;
    // Half of the wetted ground was wet at 10, half dry at 4; what stays unwetted was dry.
    expect(water[0]).toBeCloseTo(7, 9);
    expect(water[layers]).toBeCloseTo(4, 9);
  });
});
