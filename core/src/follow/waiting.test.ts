import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seattle, seattleSite as site, seattleTomatoes as tomatoes } from '../../tests/seattle.ts';
import { followSeason } from '../compare/followSeason.ts';
import { planGarden } from '../plan/planGarden.ts';
import { GOALS, GOAL_FACTS, type Goal } from '../plants/goals.ts';
import { CATALOGUE, cropById } from '../plants/catalogue/index.ts';
import { plantOnDay } from '../plants/plantOnDay.ts';
import { curveAt } from '../plants/cropCoefficient.ts';
import { STAGE_NAMES } from '../plants/types.ts';
import { yieldResponse } from '../plants/yieldResponse.ts';
import type { TextureClass } from '../soil/textureClass.ts';
import { addDays } from '../units/dates.ts';
import { completeWeather, type SourcedDay } from '../weather/completeWeather.ts';
import { plantsOnDay } from '../plants/plantOnDay.ts';
import { floorOf } from './floor.ts';
import { addDay, keptAfter, noSums } from './sums.ts';
import type { PlanBed } from './types.ts';

describe('yield response by stage (FAO-33 table 24)', () => {
  test('an even shortage over the season gives the season’s figure, for every crop of the catalogue', () => {
    for (const crop of CATALOGUE) {
      const { ini, dev, mid, late } = crop.stages;
      const response = yieldResponse(crop);
      let use = 0;
      let weighed = 0;
      for (let day = 0; day < ini + dev + mid + late; day += 1) {
        const stage = STAGE_NAMES[day < ini ? 0 : day < ini + dev ? 1 : day < ini + dev + mid ? 2 : 3];
        const kcb = curveAt(crop.stages, crop.kcb, day);
        use += kcb;
        weighed += kcb * response[stage ?? 'past'];
      }
      if (use > 0) expect(weighed / use).toBeCloseTo(crop.sensitivity, 9);
    }
  });
  // The periods stand to one another as in the table: maize 0.4, 1.5 and 0.5 for flowering and filling, 0.2.
  test.each([
    ['sweetcorn', 0.4, 1.0, 0.2],
    ['tomato', 0.4, 0.95, 0.4],
    ['onion', 0.45, 0.8, 0.3],
    ['french-bean', 0.2, 0.93, 0.2],
  ])('%s', (id, growing, full, ripening) => {
    const of = yieldResponse(cropById(id));
    expect(of.growing / of['in full leaf']).toBeCloseTo(growing / full, 9);
    expect(of.ripening / of['in full leaf']).toBeCloseTo(ripening / full, 9);
  });
});

describe('what is missed, and what water makes of it', () => {
  test('a day counts by its yield response, and what lack of air takes is no thirst', () => {
    const sums = noSums();
    addDay(sums, { wantedL: 50, suppliedL: 40 }, { ky: 1.1, lossShare: 0.03 }, false);
    expect(sums.missedL).toBeCloseTo(11, 12);
    expect(sums).toMatchObject({ wantedL: 50, allowedL: 1.5 });
    addDay(sums, { wantedL: 50, suppliedL: 20 }, { ky: 1.1, lossShare: 0.03 }, true);
    expect(sums.missedL).toBeCloseTo(11, 12);
  });
  test('under a tenth missing is a full watering; less leaves its part of the sums', () => {
    expect(keptAfter(60, 55, 100)).toBe(0);
    expect(keptAfter(60, 30, 100)).toBeCloseTo(0.5, 12);
    expect(keptAfter(60, 0, 100)).toBe(1);
  });
  test('what bolts, fruit that splits and what is new drink at least nine tenths, whatever the goal', () => {
    const on = (cropId: string, plantedOn: string) =>
      floorOf(plantsOnDay([{ cropId, plantedOn }], '2015-07-20'), 'alive');
    expect(on('lettuce', '2015-06-20')).toBe(0.9);
    expect(on('tomato', '2015-05-10')).toBe(0.9);
    expect(on('tomato', '2015-06-25')).toBe(GOAL_FACTS.alive.floor);
    expect(on('sweetcorn', '2015-07-10')).toBe(0.9);
    expect(on('sweetcorn', '2015-06-01')).toBe(0.35);
  });
});

const TEXTURES: TextureClass[] = ['loamy sand', 'sandy loam', 'loam', 'clay loam'];
/** A bed that is always filled whole: a timer comes as often as it takes. */
const bedOf = (cropId: string, textureClass: TextureClass, goal: Goal = 'steady'): PlanBed => ({
  ...tomatoes,
  bed: {
    ...tomatoes.bed,
    goal,
    ground: { horizons: [{ textureClass }] },
    plantings: [{ cropId, plantedOn: '2015-05-15' }],
  },
  delivery: { method: 'drip', litresPerMinute: 6, timer: true, wettedFraction: 1 },
  startOn: '2015-05-15',
});
const season = (change: (day: SourcedDay) => SourcedDay = (day) => day): SourcedDay[] =>
  completeWeather({
    record: seattle,
    forecast: [],
    site,
    from: '2015-05-15',
    to: '2015-09-15',
    today: '2015-09-15',
  }).map(change);
const anyBed = fc.record({
  cropId: fc.constantFrom('sweetcorn', 'cabbage', 'potato', 'onion', 'french-bean'),
  textureClass: fc.constantFrom(...TEXTURES),
});

describe('the single rule, over a whole season with full refills and no limits', () => {
  test('a looser goal never adds a round', () => {
    fc.assert(
      fc.property(anyBed, ({ cropId, textureClass }) => {
        const counts = GOALS.map(
          (goal) =>
            followSeason({
              site,
              bed: bedOf(cropId, textureClass, goal),
              weather: season(),
              to: '2015-09-15',
            }).length,
        );
        expect([...counts].sort((a, b) => b - a)).toEqual(counts);
      }),
      { numRuns: 12, seed: 14 },
    );
  });
  test('more rain never adds a round', () => {
    fc.assert(
      fc.property(anyBed, fc.integer({ min: 1, max: 6 }), ({ cropId, textureClass }, mm) => {
        const rounds = (weather: SourcedDay[]): number =>
          followSeason({ site, bed: bedOf(cropId, textureClass), weather, to: '2015-09-15' }).length;
        const wetter = season((day) => (day.rainMm > 0 ? { ...day, rainMm: day.rainMm + mm } : day));
        expect(rounds(wetter)).toBeLessThanOrEqual(rounds(season()));
      }),
      { numRuns: 12, seed: 14 },
    );
  });
  // Growth lost, weighed by hand from the days' records and FAO-33; what filling every morning would miss is nobody's choice.
  test('what is lost over the season, beyond what a filling every morning would miss, keeps to the goal', () => {
    const lostOf = (bed: PlanBed, cropId: string): number => {
      const given = followSeason({ site, bed, weather: season(), to: '2015-09-01' });
      const irrigations = given.map(({ date, run }) => ({ date, netMm: run.arrivesMm }));
      const { beds } = planGarden(
        { site, beds: [{ ...bed, irrigations }] },
        season(),
        {},
        { today: '2015-09-01', members: 0 },
      );
      let lost = 0;
      let wanted = 0;
      for (const day of beds[0]?.past ?? []) {
        const plant = plantOnDay({ cropId, plantedOn: '2015-05-15' }, day.date);
        if (!plant || plant.over) continue;
        lost +=
          yieldResponse(cropById(cropId))[plant.stage] * (day.transpirationWantedMm - day.transpirationMm);
        wanted += day.transpirationWantedMm;
      }
      return lost / wanted;
    };
    for (const cropId of ['sweetcorn', 'onion', 'cabbage'])
      for (const goal of GOALS) {
        const bed = bedOf(cropId, 'sandy loam', goal);
        const lost = lostOf(bed, cropId) - lostOf({ ...bed, school: 'little and often' }, cropId);
        expect(lost).toBeLessThanOrEqual(GOAL_FACTS[goal].lossShare);
      }
  });
});

describe('after real rain nothing is on the round that need not be', () => {
  const today = '2015-07-08';
  const wet = (
    mmOf: (date: string) => number,
    today_: { rainMm: number; rainChance: number },
  ): SourcedDay[] =>
    completeWeather({
      record: seattle.map((day) =>
        day.date >= '2015-06-20' && day.date < today ? { ...day, rainMm: mmOf(day.date) } : day,
      ),
      forecast: [{ date: today, tMinC: 14, tMaxC: 24, ...today_ }],
      site,
      from: '2015-05-15',
      to: addDays(today, 13),
      today: addDays(today, -1),
    });
  const beds = ['sweetcorn', 'tomato', 'onion', 'lettuce', 'cabbage', 'potato'].map((cropId, i) => ({
    ...bedOf(cropId, TEXTURES[i % TEXTURES.length] ?? 'loam'),
    id: i + 1,
    startOn: '2015-07-01',
    delivery: { method: 'hose wand' as const, litresPerMinute: 15 },
  }));
  const tended = (on: string) => beds.map((bed) => ({ ...bed, irrigations: [{ date: on, netMm: 60 }] }));
  const dueToday = (weather: SourcedDay[], wateredOn: string, rounds?: { weekdays: number[] }) =>
    planGarden({ site, beds: tended(wateredOn) }, weather, { rounds }, { today })
      .waterings.filter(({ date }) => date === today)
      .map(({ bedId, reason }) => ({ bedId, reason }));
  const dry = { rainMm: 0, rainChance: 0 };
  test('the morning after 30 mm, and after eleven days of 30 mm', () => {
    const daily = { weekdays: [0, 1, 2, 3, 4, 5, 6] };
    expect(
      dueToday(
        wet((date) => (date === '2015-07-07' ? 30 : 0), dry),
        '2015-07-03',
        daily,
      ),
    ).toEqual([]);
    expect(
      dueToday(
        wet((date) => (date >= '2015-06-27' ? 30 : 0), dry),
        '2015-07-01',
      ),
    ).toEqual([]);
  });
  test('with 8 mm likely today, a bed watered two days ago waits', () => {
    expect(
      dueToday(
        wet(() => 0, { rainMm: 8, rainChance: 0.8 }),
        '2015-07-06',
      ),
    ).toEqual([]);
  });
});
