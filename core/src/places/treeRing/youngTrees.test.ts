import { newTree, treeAsDeclared } from './newTree.ts';
import { phaseOn, trunkAtPlantingM } from './phases.ts';
import { treeGround, treePlantings } from './treeGround.ts';
import type { TreeRingInput } from './treeRingPlace.ts';
import { treeSoaks } from './treeSoaks.ts';
import type { CameAs, TreeFacts } from './treeFacts.ts';
import type { PlanBed } from '../../follow/types.ts';
import { planGarden } from '../../plan/planGarden.ts';
import { cropById } from '../../plants/catalogue/index.ts';
import type { TextureClass } from '../../soil/textureClass.ts';
import { addDays } from '../../units/dates.ts';
import type { SourcedDay } from '../../weather/completeWeather.ts';
import { describe, expect, test } from '@jest/globals';

const site = { latitudeDeg: 46.9, elevationM: 112 };
const PLANTED = '2026-04-20';
const DAYS = 112;
const hose = { method: 'bubbler' as const, litresPerMinute: 8.5 };
/** Weather of deciding.md's cases, rainless and the same every day. */
const WEATHERS = {
  mild: { tMaxC: 22, tMinC: 11, rhMinPct: 50, windMs: 1.5 },
  warm: { tMaxC: 27, tMinC: 14, rhMinPct: 40, windMs: 2 },
  hot: { tMaxC: 33, tMinC: 18, rhMinPct: 28, windMs: 2.5 },
} as const;
type Weather = keyof typeof WEATHERS;

/*
 * Published rhythms and litres, all from memory. University of Minnesota Extension, Watering newly planted trees and shrubs: daily or
 * every other day for one to two weeks, every two to three days to twelve weeks, then weekly; 1 to 1.5 US gal an inch of trunk a
 * watering, 1.5 to 2.2 L a cm. University of Florida IFAS: 2 to 3 gal an inch, 3 to 4.5 L a cm. Nurseries: 5 to 7.5 L a cm.
 */
const GUIDES = { leastLPerCm: 1.5, mostLPerCm: 7.5 };
const PHASES = [
  { from: 0, until: 14, aWeek: [3.5, 7], lPerCm: [1.5, 2.2] },
  { from: 14, until: 84, aWeek: [7 / 3, 3.5], lPerCm: [1.5, 2.2] },
  { from: 84, until: DAYS, aWeek: [1, 1], lPerCm: [3, 7.5] },
] as const;
const middle = ([a, b]: readonly [number, number]): number => (a + b) / 2;

function young(cropId: string, trunkM: number, cameAs: CameAs): TreeFacts {
  const { canopyM: _c, ...base } = newTree(cropById(cropId), 0);
  return treeAsDeclared(
    {
      ...base,
      sort: 'tree',
      canopyM: 0.4 + 20 * trunkM,
      trunkM,
      cameAs,
      // Balls and pots twelve times as wide as the trunk, as the trade's standard has them (ANSI Z60.1, from memory).
      ballM: cameAs === 'balled' ? 12 * trunkM : undefined,
      potL: cameAs === 'potted' ? 1000 * Math.PI * (6 * trunkM) ** 3 : undefined,
      layout: { by: 'basin' },
    },
    PLANTED,
    PLANTED,
  );
}

/** Waterings of somebody who does what is asked, days from planting and litres of each. */
function lived(tree: TreeFacts, cropId: string, soil: TextureClass, kind: Weather, rainOn: number[] = []) {
  const weather = Array.from({ length: DAYS + 10 }, (_, i): SourcedDay => {
    const isWet = rainOn.includes(i);
    return {
      ...WEATHERS[kind],
      date: addDays(PLANTED, i),
      rainMm: isWet ? 30 : 0,
      rainChance: isWet ? 1 : 0,
      source: 'record',
    };
  });
  const crop = cropById(cropId);
  const ground = { horizons: [{ textureClass: soil }] };
  const planting = { cropId, plantedOn: PLANTED, latitudeDeg: site.latitudeDeg };
  const given: { date: string; netMm: number }[] = [];
  const waterings: { day: number; litres: number }[] = [];
  for (let day = 0; day < DAYS; day += 1) {
    const today = addDays(PLANTED, day);
    const made = treeGround(tree, { plantedOn: PLANTED, on: today, crop }, ground, hose);
    const bed: PlanBed = {
      id: 1,
      kind: 'tree ring',
      bed: {
        areaM2: made.areaM2,
        ground,
        plantings: treePlantings([planting], tree, made),
        soaks: treeSoaks(tree, planting, { ground, made, on: today }),
      } as TreeRingInput,
      delivery: made.delivery,
      irrigations: [...given],
      startOn: PLANTED,
      startFullness: 1,
    };
    const plan = planGarden({ site, beds: [bed] }, weather, {}, { today, horizonDays: 2, members: 0 });
    const due = plan.waterings.find(({ date }) => date === today);
    if (!due) continue;
    given.push({ date: today, netMm: due.run.bedMm });
    waterings.push({ day, litres: due.run.litres });
  }
  return waterings;
}

describe('twelve young trees, from 2.5 to 10 cm, watered as asked', () => {
  test.each<[string, number, CameAs, TextureClass, Weather]>([
    ['apple', 0.025, 'bare-root', 'sand', 'mild'],
    ['oak', 0.04, 'potted', 'loam', 'warm'],
    ['maple', 0.05, 'potted', 'clay', 'hot'],
    ['birch', 0.06, 'balled', 'sandy loam', 'mild'],
    ['apple', 0.08, 'balled', 'loam', 'warm'],
    ['oak', 0.1, 'balled', 'clay', 'hot'],
    ['maple', 0.025, 'bare-root', 'sandy loam', 'mild'],
    ['birch', 0.04, 'potted', 'sand', 'warm'],
    ['apple', 0.05, 'balled', 'clay', 'hot'],
    ['oak', 0.06, 'balled', 'sandy loam', 'mild'],
    ['maple', 0.08, 'balled', 'sand', 'warm'],
    ['birch', 0.1, 'balled', 'loam', 'hot'],
  ])('%s, %p m thick, %s, %s, %s weather', (cropId, trunkM, cameAs, soil, kind) => {
    const waterings = lived(young(cropId, trunkM, cameAs), cropId, soil, kind);
    for (const { from, until, aWeek, lPerCm } of PHASES) {
      const here = waterings.filter(({ day }) => day >= from && day < until);
      const weeks = (until - from) / 7;
      // A watering may fall on either side of the day on which one phase hands over to the next.
      expect(here.length).toBeGreaterThanOrEqual(Math.floor(aWeek[0] * weeks) - 1);
      expect(here.length).toBeLessThanOrEqual(Math.ceil(aWeek[1] * weeks) + 1);
      for (const { litres } of here) {
        const each = litres / (100 * trunkM);
        expect(each).toBeGreaterThanOrEqual(0.75 * GUIDES.leastLPerCm);
        expect(each).toBeLessThanOrEqual(1.33 * GUIDES.mostLPerCm);
      }
      const litresAWeek = here.reduce((sum, { litres }) => sum + litres, 0) / weeks / (100 * trunkM);
      expect(litresAWeek).toBeGreaterThanOrEqual(0.6 * middle(aWeek) * middle(lPerCm));
      expect(litresAWeek).toBeLessThanOrEqual(1.6 * middle(aWeek) * middle(lPerCm));
    }
    // None is watered on two days running after its second week.
    const days = waterings.map(({ day }) => day).filter((day) => day > 14);
    expect(days.filter((day, i) => i > 0 && day - (days[i - 1] ?? 0) < 2)).toEqual([]);
  });

  test('a soaking rain stands for a watering', () => {
    const maple = young('maple', 0.05, 'balled');
    const wet = lived(maple, 'maple', 'clay', 'mild', [20]).map(({ day }) => day);
    const dry = lived(maple, 'maple', 'clay', 'mild').map(({ day }) => day);
    const next = (days: number[]): number => days.find((day) => day > 20) ?? DAYS;
    expect(wet).not.toContain(20);
    expect(next(wet)).toBeGreaterThanOrEqual(22);
    expect(wet.length).toBeLessThanOrEqual(dry.length);
  });
});

test('it is established after a year for each 2.5 cm of trunk, and after one at least (University of Minnesota Extension, from memory)', () => {
  const after = (trunkM: number, years: number) =>
    phaseOn({ sort: 'tree', cameAs: 'balled', trunkM }, PLANTED, addDays(PLANTED, Math.round(365 * years)));
  expect(after(0.02, 0.9)).toBe('first year');
  expect(after(0.02, 1.1)).toBe('established');
  expect(after(0.075, 2.8)).toBe('rooting out');
  expect(after(0.075, 3.1)).toBe('established');
  // Nobody measured the trunk: a ball twelve times as wide says it (ANSI Z60.1, from memory).
  expect(trunkAtPlantingM({ sort: 'tree', cameAs: 'balled', ballM: 0.6 })).toBeCloseTo(0.05, 9);
});
