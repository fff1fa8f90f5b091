import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import type { PlanBed } from '../follow/types.ts';
import { CATALOGUE, cropById } from '../plants/catalogue/index.ts';
import { isGerminating, upAfterAt, upAfterDays } from '../plants/emergence.ts';
import { withEmergence } from '../plants/plantingsHere.ts';
import type { PlantingInput } from '../plants/types.ts';
import type { TextureClass } from '../soil/textureClass.ts';
import { addDays, daysBetween, type IsoDate } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import { planGarden } from './planGarden.ts';

const site = { latitudeDeg: 46.9, elevationM: 112 };
const FROM = '2026-06-01';
const DAYS = 60;

/** Dry days of one kind: night and day, °C. */
const weatherOf = ([tMinC, tMaxC]: readonly [number, number]): SourcedDay[] =>
  Array.from({ length: DAYS }, (_, i) => ({
    date: addDays(FROM, i),
    tMinC,
    tMaxC,
    windMs: 2,
    rhMinPct: 35,
    rhMaxPct: 80,
    rainMm: 0,
    rainChance: 0,
    source: 'record' as const,
  }));
const HOT = [18, 34] as const;

const bedOf = (
  plantings: PlantingInput[],
  change: Partial<PlanBed> = {},
  soil: TextureClass = 'loam',
): PlanBed => ({
  id: 1,
  bed: { areaM2: 10, ground: { horizons: [{ textureClass: soil }] }, plantings },
  delivery: { method: 'hose wand', litresPerMinute: 12, measured: true } as PlanBed['delivery'],
  irrigations: [],
  startOn: FROM,
  startFullness: 1,
  ...change,
});

/** Lived day by day by somebody who gives what is asked: the days on which it was watered, and why and how much. */
function lived(bed: PlanBed, weather: readonly SourcedDay[], days: number, constraints: object = {}) {
  const given: { date: IsoDate; netMm: number }[] = [];
  const asked: { date: IsoDate; code: string; localMm: number; reachesMm: number }[] = [];
  for (let d = 0; d < days; d += 1) {
    const today = addDays(FROM, d);
    const plan = planGarden({ site, beds: [{ ...bed, irrigations: [...given] }] }, weather, constraints, {
      today,
      members: 0,
    });
    const due = plan.waterings.find(({ date }) => date === today);
    if (!due) continue;
    given.push({ date: today, netMm: due.run.bedMm });
    asked.push({ date: today, code: due.reason.code, localMm: due.run.localMm, reachesMm: due.reachesMm });
  }
  return { given, asked };
}

describe('a sowing', () => {
  const sown = (cropId: string, on = FROM): PlantingInput[] => [
    { cropId, plantedOn: on, method: 'direct-sown' },
  ];

  test('every crop that is named with its days to come up is in the catalogue, and takes 5 to 25 (common practice)', () => {
    for (const { id } of CATALOGUE) {
      expect(upAfterDays(id)).toBeGreaterThanOrEqual(5);
      expect(upAfterDays(id)).toBeLessThanOrEqual(25);
    }
    // Slow and quick ones, as seed packets have them.
    expect(upAfterDays('parsnip')).toBeGreaterThan(upAfterDays('lettuce'));
    expect(upAfterDays('carrot')).toBeGreaterThan(upAfterDays('radish'));
  });

  test('into dry ground is watered on its day, whatever the round', () => {
    const bed = bedOf(sown('carrot', addDays(FROM, 1)), { startFullness: 0.3, asked: [addDays(FROM, 6)] });
    const [first] = lived(bed, weatherOf([12, 24]), 3).asked;
    expect(first).toMatchObject({ date: addDays(FROM, 1), code: 'seedbed' });
  });

  test('after soaking rain it asks for nothing that day', () => {
    const weather = weatherOf([8, 14]).map((day, i) =>
      i === 1 ? { ...day, rainMm: 25, rainChance: 1 } : day,
    );
    const { asked } = lived(bedOf(sown('carrot', addDays(FROM, 1)), { startFullness: 0.3 }), weather, 2);
    expect(asked).toEqual([]);
  });

  test('beans in heat are not left a week: they are watered every day until they are up, and then by the bed', () => {
    const { asked } = lived(bedOf(sown('french-bean')), weatherOf(HOT), 9);
    const days = asked.map(({ date }) => daysBetween(FROM, date));
    // Soaked on the first day; from then on bare ground at 34 °C is dry on top by evening, on loam too.
    expect(days).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
    expect(new Set(asked.map(({ code }) => code))).toEqual(new Set(['seedbed']));
  });

  test('in the cool the top is never drier by evening than its wilting point while it is followed', () => {
    const weather = weatherOf([6, 13]);
    const { given } = lived(bedOf(sown('radish')), weather, 6);
    const plan = planGarden(
      { site, beds: [bedOf(sown('radish'), { irrigations: given })] },
      weather,
      {},
      {
        today: addDays(FROM, 6),
        members: 0,
      },
    );
    const [outlook] = plan.beds;
    for (const { layersMm } of outlook?.past ?? [])
      expect(layersMm?.[0]).toBeGreaterThanOrEqual((outlook?.wiltingPointMm[0] ?? 0) - 0.1);
  });

  test('ends when they are seen to be up, and at a quarter as long again as usual where nobody says', () => {
    const [carrots] = sown('carrot') as [PlantingInput];
    const on = (n: number) => addDays(FROM, n);
    expect(isGerminating(carrots, on(0))).toBe(true);
    expect(isGerminating(carrots, on(17))).toBe(true);
    expect(isGerminating(carrots, on(18))).toBe(false);
    expect(isGerminating({ ...carrots, upOn: on(11) }, on(11))).toBe(false);
    expect(isGerminating({ ...carrots, seen: [{ stage: 'growing', on: on(9) }] }, on(9))).toBe(false);
    // What came as a plant does not come up.
    expect(isGerminating({ ...carrots, method: 'module' }, on(3))).toBe(false);
  });

  test('takes longer in cold ground and less in warm, by the days that Harrington & Minges (1954) measured (from memory)', () => {
    const days = (cropId: string, meanC: number) =>
      upAfterAt({ cropId, plantedOn: FROM, method: 'direct-sown' }, () => meanC);
    // Days at 10, 15, 20 and 25 °C as shares of those at 15 °C: carrot 17, 10, 7, 6; onion 13, 7, 5; beans 16, 11, 8 from 15 °C; sweetcorn 12, 7.
    const measured: Record<string, [number, number][]> = {
      carrot: [
        [10, 1.7],
        [20, 0.7],
        [25, 0.6],
      ],
      onion: [
        [10, 1.86],
        [20, 0.71],
      ],
      'french-bean': [
        [20, 0.69],
        [25, 0.5],
      ],
      sweetcorn: [[20, 0.58]],
    };
    for (const [cropId, rows] of Object.entries(measured))
      for (const [meanC, share] of rows) {
        const found = days(cropId, meanC) / days(cropId, 15);
        expect(found).toBeGreaterThan(0.75 * share);
        expect(found).toBeLessThan(1.3 * share);
      }
    // A plan asks whether they are up once that time has passed, and keeps the top moist for a quarter as long again.
    const [carrots] = sown('carrot') as [PlantingInput];
    const here = (meanC: number) => withEmergence(carrots, FROM, () => meanC);
    expect(isGerminating(here(8), addDays(FROM, 30))).toBe(true);
    expect(isGerminating(here(24), addDays(FROM, 14))).toBe(false);
  });

  /*
   * The top 50 mm of bare ground, from field capacity to wilting point, dries at about the reference demand (FAO-56: evaporation
   * from a wet bare surface, Ke near 1.1): at least a day, and no stretch without water is longer.
   */
  test('twenty sowings followed as planned: no stretch without water is longer than the top takes to dry, and each wets twice the sowing depth', () => {
    const crops = ['carrot', 'french-bean', 'pea', 'radish', 'beetroot', 'spinach', 'parsnip', 'sweetcorn'];
    const soils: readonly TextureClass[] = ['sand', 'sandy loam', 'loam', 'clay loam'];
    const weathers = [
      [8, 18],
      [12, 24],
      [15, 29],
      [18, 34],
    ] as const;
    /** Twice the depth of small and of large seed, mm. Common practice: 25 mm and 40 mm deep at most. */
    const deep = (cropId: string) => (['french-bean', 'pea', 'sweetcorn'].includes(cropId) ? 80 : 50);
    /** Millimetres between field capacity and wilting point in the top 50 mm, and of bare ground dried on a day, both generous. */
    const TOP_MM: Record<string, number> = { sand: 3, 'sandy loam': 5, loam: 7, 'clay loam': 7 };
    const DRIES_MM = [2.5, 3.5, 4.5, 5.5];
    fc.assert(
      fc.property(
        fc.constantFrom(...crops),
        fc.constantFrom(...soils),
        fc.integer({ min: 0, max: 3 }),
        (cropId, soil, w) => {
          const [tMinC, tMaxC] = weathers[w] ?? HOT;
          const [planting] = sown(cropId) as [PlantingInput];
          const until = upAfterAt(planting, () => (tMinC + tMaxC) / 2);
          const { asked } = lived(bedOf([planting], {}, soil), weatherOf([tMinC, tMaxC]), until);
          const days = [0, ...asked.map(({ date }) => daysBetween(FROM, date)), until];
          const longest = Math.max(...days.slice(1).map((day, i) => day - (days[i] ?? 0)));
          const allowed = Math.max(1, Math.ceil((TOP_MM[soil] ?? 5) / (DRIES_MM[w] ?? 3)));
          expect(longest).toBeLessThanOrEqual(allowed + 1e-9);
          for (const { reachesMm, code } of asked.filter((one) => one.code === 'seedbed'))
            expect([code, reachesMm >= deep(cropId)]).toEqual([code, true]);
        },
      ),
      { numRuns: 20, seed: 20261201 },
    );
  });
});

describe('plugs', () => {
  const tomatoes: PlantingInput[] = [{ cropId: 'tomato', plantedOn: FROM, method: 'module' }];

  test('in heat they are not drenched once and then left for weeks: watered daily or every other day for a week, then by the bed', () => {
    const { asked } = lived(bedOf(tomatoes), weatherOf(HOT), 14);
    const days = asked.map(({ date }) => daysBetween(FROM, date));
    const gaps = days.slice(1).map((day, i) => day - (days[i] ?? 0));
    expect(asked[0]?.code).toBe('planting drench');
    expect(days.filter((day) => day < 7).length).toBeGreaterThanOrEqual(4);
    // No day of the first week more than two after the last (common practice: daily at first).
    expect(Math.max(...gaps.slice(0, 4))).toBeLessThanOrEqual(2);
    // Two weeks on nothing is asked for a plug's own sake.
    const later = lived(bedOf(tomatoes), weatherOf(HOT), 24).asked.filter(
      ({ date }) => daysBetween(FROM, date) >= 14,
    );
    expect(later.map(({ code }) => code)).not.toContain('plug');
  });

  test('a plant out of a larger pot asks less often than one out of a module, and in the cool less than in heat', () => {
    const plugs = (method: 'module' | 'pot', weather: readonly [number, number]) =>
      lived(bedOf([{ cropId: 'tomato', plantedOn: FROM, method }]), weatherOf(weather), 12).asked.filter(
        ({ code }) => code === 'plug',
      ).length;
    expect(plugs('pot', HOT)).toBeLessThanOrEqual(plugs('module', HOT));
    expect(plugs('module', [8, 16])).toBeLessThan(plugs('module', HOT));
  });

  test('rain waters a plug as a can does', () => {
    const rainy = weatherOf(HOT).map((day) => ({ ...day, rainMm: 8, rainChance: 1 }));
    const { asked } = lived(bedOf(tomatoes), rainy, 8);
    expect(asked.filter(({ code }) => code === 'plug')).toEqual([]);
  });
  test('a bed without plugs bears no such clock, nor one whose plugs have rooted out', () => {
    expect(cropById('tomato').usualStart).toBe('module');
    const old = lived(
      bedOf([{ cropId: 'tomato', plantedOn: '2026-05-01', method: 'module' }]),
      weatherOf(HOT),
      3,
    );
    expect(old.asked.map(({ code }) => code)).not.toContain('plug');
  });
});
