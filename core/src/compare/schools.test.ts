import { describe, expect, test } from '@jest/globals';
import { seattle } from '../../tests/seattle.ts';
import { cropById } from '../plants/catalogue/index.ts';
import { planGarden } from '../plan/planGarden.ts';
import type { PlanBed } from '../follow/types.ts';
import type { TextureClass } from '../soil/textureClass.ts';
import { addDays } from '../units/dates.ts';
import { completeWeather } from '../weather/completeWeather.ts';
import { compareSchools, type SchoolFigures } from './compareSchools.ts';
import { defaultSchool, SCHOOLS, schoolOf, type SchoolId } from '../schools/schools.ts';
import { mayToughen, toughenWindow } from '../schools/toughening.ts';

const site = { latitudeDeg: 47.6, elevationM: 50 };
const weather = completeWeather({
  record: seattle,
  forecast: [],
  site,
  from: '2015-05-01',
  to: '2015-09-30',
  today: '2015-09-30',
});
const bedOf = (
  cropId: string,
  textureClass: TextureClass,
  method: PlanBed['delivery']['method'] = 'hose wand',
): PlanBed => ({
  id: 1,
  bed: {
    areaM2: 10,
    ground: { horizons: [{ textureClass }] },
    plantings: [{ cropId, plantedOn: '2015-05-15' }],
  },
  // Falling evenly: what is compared is when and how much.
  delivery: { method, litresPerMinute: 20, lowQuarterUniformity: 1 },
  irrigations: [],
  startOn: '2015-05-15',
  startFullness: 1,
});
const season = (bed: PlanBed): Map<SchoolId, SchoolFigures> =>
  new Map(
    compareSchools({ site, bed, weather, from: '2015-05-15', to: '2015-08-31' }).map((row) => [
      row.school,
      row,
    ]),
  );
const of = (rows: Map<SchoolId, SchoolFigures>, id: SchoolId): SchoolFigures => {
  const row = rows.get(id);
  if (!row) throw new Error(`${id} must be compared`);
  return row;
};

const SELDOM = 'as seldom as it can';

describe('over the real dry summer of 2015 at Seattle', () => {
  const tomatoes = season(bedOf('tomato', 'loam'));
  test('the fewer the waterings the larger each (common practice)', () => {
    expect(of(tomatoes, SELDOM).waterings).toBeLessThan(of(tomatoes, 'little and often').waterings);
    const each = (id: SchoolId): number => of(tomatoes, id).litres / of(tomatoes, id).waterings;
    expect(each(SELDOM)).toBeGreaterThan(each('little and often'));
  });
  test('holding to the wilt saves water and costs growth; the usual way keeps within what its goal allows', () => {
    expect(of(tomatoes, 'hold to the first wilt').litres).toBeLessThan(of(tomatoes, SELDOM).litres);
    expect(of(tomatoes, 'hold to the first wilt').lostShare).toBeGreaterThan(of(tomatoes, SELDOM).lostShare);
    expect(of(tomatoes, SELDOM).lostShare).toBeLessThanOrEqual(0.03);
    expect(of(tomatoes, 'little and often').lostShare).toBeLessThan(0.005);
  });
  test('dry-grown stops at the first ripe fruit', () => {
    expect(of(tomatoes, 'dry-grown').litres).toBeLessThanOrEqual(
      of(tomatoes, 'hold to the first wilt').litres,
    );
  });
  test('the flat inch a week knows no soil: it gives sand and clay the same, and in this summer starves both', () => {
    const sand = of(season(bedOf('tomato', 'sand')), 'fixed week');
    const clay = of(season(bedOf('tomato', 'clay')), 'fixed week');
    expect(sand.waterings).toBe(clay.waterings);
    expect(sand.litres).toBeCloseTo(clay.litres, 6);
    for (const starved of [sand, clay]) {
      expect(starved.stressDays).toBeGreaterThan(20);
      expect(starved.lostShare).toBeGreaterThan(0.08);
    }
  });
  test('no school of its own plan waters a leafy crop into wilt', () => {
    const lettuce = season(bedOf('lettuce', 'loam'));
    expect([...lettuce.keys()]).not.toContain('hold to the first wilt');
    expect([...lettuce.keys()]).not.toContain('dry-grown');
    for (const [id, row] of lettuce) if (id !== 'fixed week') expect(row.worst).toBeGreaterThan(0.6);
  });
});

describe('defaults by plant and stage (common practice)', () => {
  test.each([
    ['columnar-cactus', 'soak and dry'],
    ['tomato', SELDOM],
    ['lettuce', SELDOM],
    ['rose', SELDOM],
  ] as const)('%s: %s', (crop, id) => expect(defaultSchool(cropById(crop)).id).toBe(id));
  test('every school is a rule with words, and a default is never one that does not suit', () => {
    for (const id of SCHOOLS) expect(schoolOf(id).words.length).toBeGreaterThan(20);
    for (const crop of ['tomato', 'lettuce', 'aloe', 'walnut'].map(cropById))
      expect(schoolOf(defaultSchool(crop).id).suits(crop)).toBe(true);
  });
});

describe('toughening (common practice)', () => {
  const planted = (cropId: string) => ({ cropId, plantedOn: '2015-05-15' });
  test('beans from three weeks after planting and over before they flower; leafy crops never; garlic need not', () => {
    const beans = toughenWindow(planted('french-bean'), '2015-06-01');
    expect(beans?.from).toBe('2015-06-05');
    expect(toughenWindow(planted('lettuce'), '2015-06-01')).toBeNull();
    expect(toughenWindow(planted('garlic'), '2015-06-01')).toBeNull();
  });
  test('squash from two weeks; onions between weeks 3 and 7, five days; roots after eight weeks, and only offered', () => {
    expect(mayToughen(planted('courgette'), '2015-05-28')).toBeNull();
    expect(mayToughen(planted('courgette'), '2015-05-29')).toMatchObject({ days: 6 });
    expect(toughenWindow(planted('onion'), '2015-06-01')).toMatchObject({
      from: '2015-06-05',
      until: '2015-07-03',
      days: 5,
    });
    expect(toughenWindow(planted('carrot'), '2015-06-01')).toMatchObject({
      from: '2015-07-10',
      optional: true,
    });
  });
  test('a dry spell mutes the plan until it ends, and wilting ends it at once', () => {
    const bed = { ...bedOf('french-bean', 'sand'), holdUntil: '2015-07-12' };
    const plan = (change: Partial<PlanBed>) =>
      planGarden({ site, beds: [{ ...bed, ...change }] }, weather, {}, { today: '2015-07-08', members: 0 });
    expect(plan({}).beds[0]?.leave).toMatchObject({ code: 'toughening', until: '2015-07-12' });
    expect(plan({}).waterings[0]?.date ?? '').toBe('2015-07-12');
    expect(plan({ wilting: true }).waterings[0]).toMatchObject({
      date: '2015-07-08',
      reason: { code: 'wilting' },
    });
  });
});

describe('set by hand', () => {
  const bed = bedOf('tomato', 'loam');
  const plan = (change: Partial<PlanBed>) =>
    planGarden({ site, beds: [{ ...bed, ...change }] }, weather, {}, { today: '2015-07-08', members: 0 });
  test('a watering moved earlier is made then, with its amount; a day that is closed is never used', () => {
    const moved = plan({ fixed: [{ date: '2015-07-09', localMm: 20 }], blocked: ['2015-07-08'] });
    expect(moved.waterings[0]).toMatchObject({ date: '2015-07-09', reason: { code: 'set by hand' } });
    expect(moved.waterings[0]?.run.localMm).toBeCloseTo(20, 9);
    const blocked = [0, 1, 2, 3].map((n) => addDays('2015-07-08', n));
    for (const w of plan({ blocked }).waterings) expect(blocked).not.toContain(w.date);
  });
});

test('more rain never brings a watering forward, whatever the school', () => {
  for (const school of SCHOOLS) {
    const next = (rainMm: number): string => {
      const wetter = weather.map((day) =>
        day.date === '2015-07-07' ? { ...day, rainMm: day.rainMm + rainMm } : day,
      );
      const bed: PlanBed = { ...bedOf('tomato', 'loam'), school };
      return (
        planGarden({ site, beds: [bed] }, wetter, {}, { today: '2015-07-08', members: 0 }).waterings[0]
          ?.date ?? '9999'
      );
    };
    const dates = [0, 5, 20, 60].map(next);
    expect([...dates].sort()).toEqual(dates);
  }
});
