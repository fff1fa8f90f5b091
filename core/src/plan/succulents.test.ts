import { describe, expect, test } from '@jest/globals';
import type { PlanBed } from '../follow/types.ts';
import { cropById } from '../plants/catalogue/index.ts';
import { withFrostKills } from '../plants/frostKill.ts';
import { defaultSchool } from '../schools/schools.ts';
import type { TextureClass } from '../soil/textureClass.ts';
import { addDays, type IsoDate } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import { planGarden } from './planGarden.ts';

const site = { latitudeDeg: 46.9, elevationM: 112 };
const WEATHERS = {
  mild: { tMaxC: 22, tMinC: 11, rhMinPct: 50, windMs: 1.5 },
  hot: { tMaxC: 33, tMinC: 18, rhMinPct: 28, windMs: 2.5 },
  extreme: { tMaxC: 42, tMinC: 24, rhMinPct: 15, windMs: 4 },
} as const;
type Weather = keyof typeof WEATHERS;
const SUMMER = '2026-07-01';
const WINTER = '2026-12-05';

/** Waterings of four weeks, rainless and asked every day, days from the first. */
function waterings(cropId: string, soil: TextureClass, kind: Weather, from: IsoDate = SUMMER) {
  const weather = Array.from({ length: 60 }, (_, i): SourcedDay => ({
    ...WEATHERS[kind],
    date: addDays(from, i - 20),
    rainMm: 0,
    rainChance: 0,
    source: 'record',
  }));
  const bed: PlanBed = {
    id: 1,
    bed: {
      areaM2: 3,
      ground: { horizons: [{ textureClass: soil }] },
      plantings: [{ cropId, plantedOn: '2022-05-01', latitudeDeg: site.latitudeDeg }],
    },
    delivery: { method: 'hose wand', litresPerMinute: 12, measured: true } as PlanBed['delivery'],
    school: defaultSchool(cropById(cropId)).id,
    irrigations: [],
    startOn: addDays(from, -20),
    startFullness: 1,
  };
  return planGarden({ site, beds: [bed] }, weather, {}, { today: from, horizonDays: 28, members: 0 })
    .waterings;
}

describe('beds of succulents live on what their bodies store', () => {
  // Common practice: quick globe kinds about weekly in the hottest summer, slow desert kinds every second week or less.
  test.each<[string, TextureClass, Weather, most: number]>([
    ['globe-cactus', 'sand', 'mild', 3],
    ['globe-cactus', 'loam', 'hot', 4],
    ['globe-cactus', 'sand', 'extreme', 4],
    ['columnar-cactus', 'sand', 'hot', 2],
    ['agave', 'loam', 'extreme', 2],
    ['echeveria', 'sand', 'hot', 3],
  ])(
    '%s on %s, %s weather: at most %i waterings in four weeks, and one in heat at least',
    (id, soil, kind, most) => {
      const count = waterings(id, soil, kind).length;
      expect(count).toBeLessThanOrEqual(most);
      if (kind !== 'mild') expect(count).toBeGreaterThanOrEqual(1);
    },
  );
  test('quick kinds get more than slow ones (common practice)', () => {
    expect(waterings('globe-cactus', 'sand', 'hot').length).toBeGreaterThan(
      waterings('columnar-cactus', 'sand', 'hot').length,
    );
  });
  test('next to nothing in winter, when they rest; echeveria rests in midsummer instead and gets less then (common practice)', () => {
    for (const id of ['globe-cactus', 'columnar-cactus', 'agave'])
      expect(waterings(id, 'sand', 'mild', WINTER)).toEqual([]);
    expect(waterings('echeveria', 'sand', 'hot').length).toBeLessThan(
      waterings('globe-cactus', 'sand', 'hot').length,
    );
  });
});

test('herbs of dry summers in the ground want water weekly at most in heat, on sand (common practice)', () => {
  for (const id of ['rosemary', 'lavender', 'sage'])
    expect(waterings(id, 'sand', 'hot').length).toBeLessThanOrEqual(5);
});

test('tender evergreens in pots outdoors die in a hard frost and not in a light one; olives and roses live (common practice)', () => {
  const killed = (cropId: string, tMinC: number, underCover = false): boolean => {
    const planting = { cropId, plantedOn: '2022-05-01' };
    const [after] = withFrostKills([planting], [{ date: '2026-12-10', tMinC }], {
      underCover,
      inPotSince: '2026-06-01',
    });
    return after?.killedOn !== undefined;
  };
  for (const id of ['citrus', 'globe-cactus', 'fern']) {
    expect(killed(id, -2)).toBe(false);
    expect(killed(id, -8)).toBe(true);
    expect(killed(id, -6, true)).toBe(false);
  }
  for (const id of ['olive', 'rose', 'rosemary', 'yew']) expect(killed(id, -8)).toBe(false);
});
