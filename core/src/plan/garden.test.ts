import { describe, expect, test } from '@jest/globals';
import { seattle } from '../../tests/seattle.ts';
import { mulchVolume } from '../places/ground/mulchVolume.ts';
import { cropById } from '../plants/catalogue/index.ts';
import { checkPlantings } from '../plants/checkPlantings.ts';
import { cropCautions } from '../care/cautions.ts';
import { plantCount } from '../plants/plantCount.ts';
import { ownCrop } from '../plants/ownCrop.ts';
import { stageStrip } from '../plants/stageStrip.ts';
import { stageUse } from '../plants/stageUse.ts';
import { GOALS, type Goal } from '../plants/goals.ts';
import type { PlantingInput } from '../plants/types.ts';
import { addDays, daysBetween } from '../units/dates.ts';
import { completeWeather } from '../weather/completeWeather.ts';
import { referenceEt } from '../weather/referenceEt.ts';
import { followSeason } from '../compare/followSeason.ts';
import { planGarden } from './planGarden.ts';
import { bedTasks, type TaskFacts } from '../care/tasks.ts';
import type { PlanBed } from '../follow/types.ts';

const site = { latitudeDeg: 47.6, elevationM: 50 };
const weather = completeWeather({
  record: seattle,
  forecast: [],
  site,
  from: '2015-05-01',
  to: '2015-09-30',
  today: '2015-09-30',
});
const bedOf = (plantings: PlantingInput[], change: Partial<PlanBed['bed']> = {}): PlanBed => ({
  id: 1,
  bed: { areaM2: 10, ground: { horizons: [{ textureClass: 'loam' }] }, plantings, ...change },
  delivery: { method: 'hose wand', litresPerMinute: 20 },
  irrigations: [],
  startOn: plantings[0]?.plantedOn ?? '2015-05-15',
  startFullness: 1,
});

describe('plantings of one bed', () => {
  const lettuce = { cropId: 'lettuce', plantedOn: '2015-05-01', endedOn: '2015-06-20' };
  test('a succession and an interplanting fit; more plants than bed do not', () => {
    expect(() => checkPlantings([lettuce, { cropId: 'carrot', plantedOn: '2015-06-20' }])).not.toThrow();
    expect(() =>
      checkPlantings([
        { ...lettuce, share: 0.5 },
        { cropId: 'onion', plantedOn: '2015-05-10', share: 0.5 },
      ]),
    ).not.toThrow();
    expect(() => checkPlantings([lettuce, { cropId: 'carrot', plantedOn: '2015-06-01' }])).toThrow(
      /on 2015-06-01 the plantings take 200 % of the bed, allowed up to 100 %/,
    );
  });
  test('cleared before it was planted, or a share of nothing, is refused', () => {
    expect(() => checkPlantings([{ ...lettuce, endedOn: '2015-04-01' }])).toThrow(
      /endedOn .*2015-05-01; got 2015-04-01/,
    );
    expect(() => checkPlantings([{ ...lettuce, share: 0 }])).toThrow(/share .*got 0/);
  });
  test('a bed of two halves drinks between the two crops grown whole (areas weigh)', () => {
    const season = (plantings: PlantingInput[]): number =>
      followSeason({ site, bed: bedOf(plantings), weather, to: '2015-08-31' }).reduce(
        (sum, w) => sum + w.run.litres,
        0,
      );
    const whole = season([{ cropId: 'sweetcorn', plantedOn: '2015-05-15' }]);
    const half = season([{ cropId: 'sweetcorn', plantedOn: '2015-05-15', share: 0.5 }]);
    expect(half).toBeLessThan(whole);
  });
});

describe('stages', () => {
  test('they stand in order, and what was seen moves the rest of the calendar with it', () => {
    const planting: PlantingInput = { cropId: 'tomato', plantedOn: '2015-05-15' };
    const before = stageStrip(planting, '2015-06-20');
    const dates = before.map((s) => s.from);
    expect([...dates].sort()).toEqual(dates);
    const full = before.find((s) => s.stage === 'in full leaf');
    const seenOn = addDays(full?.from ?? '', -10);
    const after = stageStrip({ ...planting, seen: [{ stage: 'in full leaf', on: seenOn }] }, seenOn);
    expect(after.find((s) => s.stage === 'in full leaf')).toMatchObject({ from: seenOn, by: 'seen' });
    const ripening = (strip: typeof before): string => strip.find((s) => s.stage === 'ripening')?.from ?? '';
    expect(daysBetween(ripening(after), ripening(before))).toBe(10);
  });
  test('full leaf drinks most (FAO-56 curve)', () => {
    const strip = stageStrip({ cropId: 'tomato', plantedOn: '2015-05-15' }, '2015-06-20');
    const kcb = (stage: string): number => strip.find((s) => s.stage === stage)?.kcb ?? 0;
    expect(kcb('in full leaf')).toBeGreaterThan(kcb('establishing'));
  });
});

describe('a day’s drink by stage', () => {
  // FAO-56 table 17: tomato Kcb 0.15 at first, 1.10 in mid season, on Seattle’s real summer of 2015.
  test('is a curve over the season: little at first, what short grass takes and more in full leaf', () => {
    const planting: PlantingInput = { cropId: 'tomato', plantedOn: '2015-05-15' };
    const strip = stageStrip(planting, '2015-06-20');
    const days = weather.filter(({ date }) => date < '2015-12-01');
    const use = stageUse(planting, strip, days, site);
    expect(use).toHaveLength(strip.length);
    const full = strip.findIndex((s) => s.stage === 'in full leaf');
    const inFull = days.filter(
      ({ date }) => date >= (strip[full]?.from ?? '') && date < (strip[full + 1]?.from ?? ''),
    );
    const et0 = inFull.reduce((sum, day) => sum + referenceEt(day, site).mm, 0) / inFull.length;
    expect((use[full] ?? 0) / et0).toBeGreaterThan(1.0);
    expect((use[full] ?? 0) / et0).toBeLessThan(1.25);
    expect(use[0] ?? 9).toBeLessThan(0.3 * (use[full] ?? 0));
    expect(stageUse(planting, strip, [], site).every((mm) => mm === null)).toBe(true);
  });
});

describe('planting out', () => {
  test('asks for a drench on the day, however moist the ground; seed sown in place does not', () => {
    const drench = (method: PlantingInput['method']): string | undefined =>
      planGarden(
        { site, beds: [bedOf([{ cropId: 'tomato', plantedOn: '2015-07-08', method }])] },
        weather,
        {},
        { today: '2015-07-08', members: 0 },
      ).waterings.find((w) => w.date === '2015-07-08')?.reason.code;
    expect(drench('module')).toBe('planting drench');
    expect(drench('direct-sown')).toBeUndefined();
  });
});

describe('goals (common practice: show beds are watered more often than ordinary ones)', () => {
  test('for show more often than for a steady crop, to keep alive least often', () => {
    const count = (goal: Goal): number =>
      followSeason({
        site,
        bed: bedOf([{ cropId: 'sweetcorn', plantedOn: '2015-05-15' }], { goal }),
        weather,
        to: '2015-09-20',
      }).length;
    const counts = GOALS.map(count);
    expect(counts).toEqual([...counts].sort((a, b) => b - a));
    expect(counts[0]).toBeGreaterThan(counts.at(-1) ?? 0);
  });
});

describe('tasks', () => {
  const heat = [
    { code: 'heat wave' as const, from: '2015-07-10', until: '2015-07-13', days: 4, highestC: 35 },
  ];
  const facts: TaskFacts = {
    today: '2015-07-08',
    plantings: [{ cropId: 'lettuce', plantedOn: '2015-06-01' }],
    alerts: [],
    latitudeDeg: 45,
    shaded: false,
    underCover: false,
    standSeen: [],
    depletionShare: 0.6,
  };
  const codes = (change: Partial<TaskFacts>): string[] =>
    bedTasks({ ...facts, ...change }).map((t) => t.code);
  test('before heat: mulch a bare shallow-rooted bed, soaking it first when it is dry, and shade what bolts', () => {
    expect(codes({})).toEqual([]);
    expect(codes({ alerts: heat })).toEqual(
      expect.arrayContaining(['mulch before the heat', 'shade before the heat']),
    );
    expect(bedTasks({ ...facts, alerts: heat })[0]).toMatchObject({ soakFirst: true });
    expect(bedTasks({ ...facts, alerts: heat, depletionShare: 0.1 })[0]).toMatchObject({ soakFirst: false });
    const covered = { alerts: heat, mulch: { material: 'straw', depthMm: 50 } as const, shaded: true };
    // A covered bed only has to go into the heat full.
    const later = { ...covered, nextOn: '2015-07-11' };
    expect(bedTasks({ ...facts, ...later })).toEqual([
      { code: 'soak before the heat', from: '2015-07-10', next: '2015-07-11', to: '2015-07-09' },
    ]);
    // What the plan waters before the heat by itself is not spoken of.
    expect(codes({ ...covered, nextOn: '2015-07-09' })).toEqual([]);
    expect(codes(covered)).toEqual([]);
    expect(codes({ ...later, depletionShare: 0.1 })).toEqual([]);
    // Where the well is empty nothing more can be given.
    expect(codes({ ...later, isWaterShort: true })).toEqual([]);
    // Mulch would smother what came up nine days ago, and is never laid on grass.
    const sown = { plantings: [{ cropId: 'carrot', plantedOn: '2015-06-29' }], alerts: heat };
    expect(codes(sown)).not.toContain('mulch before the heat');
    const lawn = { plantings: [{ cropId: 'lawn-cool', plantedOn: '2012-05-01' }], alerts: heat };
    expect(codes(lawn)).not.toContain('mulch before the heat');
  });
  // Common practice: rinse roses and cacti on hot dry mornings only; damp spots join in one to three weeks.
  test('in the heat roses may be rinsed; pulses are looked at on days 7, 14 and 21', () => {
    const now = heat.map((a) => ({ ...a, from: facts.today }));
    const rose = { plantings: [{ cropId: 'rose', plantedOn: '2012-03-01' }], depletionShare: 0 };
    expect(codes({ ...rose, alerts: now })).toContain('rinse against mites');
    expect(codes(rose)).not.toContain('rinse against mites');
    const cactus = { plantings: [{ cropId: 'globe-cactus', plantedOn: '2012-03-01' }], depletionShare: 0 };
    const air = (tMaxC: number, rhMinPct: number) => ({
      day: { date: facts.today, tMaxC, tMinC: tMaxC - 10, rhMinPct },
    });
    expect(codes({ ...cactus, ...air(34, 20) })).toEqual(['rinse dust']);
    expect(codes({ ...cactus, ...air(15, 70) })).toEqual(['wet bodies']);
    expect(codes({ ...cactus, ...air(15, 70), underCover: true })).toEqual([]);
    // At rest in winter nobody waters it.
    expect(codes({ ...cactus, ...air(9, 80), today: '2015-12-20' })).toEqual([]);
    const onDay = (day: number): boolean =>
      codes({ pulsesSince: addDays(facts.today, -day) }).includes('do the spots join');
    expect([6, 7, 8, 14, 21, 28].map(onDay)).toEqual([false, true, false, true, true, false]);
  });
  test('a fresh planting is looked over until somebody has, and mulch moved aside is asked for until it is back', () => {
    const young = { plantings: [{ cropId: 'lettuce', plantedOn: '2015-07-04' }] };
    expect(codes(young)).toContain('are all standing');
    expect(codes({ ...young, standSeen: [0] })).not.toContain('are all standing');
    expect(bedTasks({ ...facts, mulchMovedOn: '2015-07-05' })).toContainEqual({
      code: 'put the mulch back',
      days: 3,
    });
  });
  test('watering off the plan on four days of seven is called a habit', () => {
    expect(codes({ offPlanDays: 3 })).toEqual([]);
    expect(codes({ offPlanDays: 4 })).toEqual(['a little every day']);
  });
  test('an hour after a watering it is time to probe, not before and not the next day', () => {
    expect(codes({ minutesSinceWatering: 30 })).toEqual([]);
    expect(codes({ minutesSinceWatering: 90 })).toEqual(['probe it now']);
    expect(codes({ minutesSinceWatering: 600 })).toEqual([]);
  });
  test('straw is looked at after two months, gravel never', () => {
    const laid = { mulchLaidOn: '2015-05-01' };
    expect(codes({ ...laid, mulch: { material: 'straw', depthMm: 50 } })).toContain('look at the mulch');
    expect(codes({ ...laid, mulch: { material: 'gravel', depthMm: 50 } })).toEqual([]);
  });
});

describe('what goes with a crop', () => {
  test('a tomato must be kept even and dry-leaved; lettuce bolts', () => {
    expect(cropCautions(cropById('tomato')).join(' ')).toMatch(/leaves dry.*even/);
    expect(cropCautions(cropById('lettuce')).join(' ')).toMatch(/seed/);
    // A sprinkler over tomatoes or roses is not taken without a word (common practice).
    for (const id of ['tomato', 'rose'])
      expect(cropCautions(cropById(id), { fromAbove: true })[0]).toMatch(/from above/);
    expect(cropCautions(cropById('carrot'), { fromAbove: true }).join(' ')).not.toMatch(/from above/);
  });
  test('a plant of one’s own is like another but for what was said of it', () => {
    const own = ownCrop('own-1', cropById('sweet-pepper'), { name: 'Long red', rootDepthM: 0.4 });
    expect(own).toMatchObject({
      name: 'Long red',
      roots: { minM: 0.4 },
      kcb: { mid: cropById('sweet-pepper').kcb.mid },
    });
    expect(() => ownCrop('own-1', cropById('tomato'), { name: 'x', p: 3 })).toThrow(
      /p must be .*0.1 to 0.8; got 3/,
    );
  });
  // Common practice: two rows of 15 m on a bed of 1 m, 30 cm in the row, are 100 plants.
  test('plants on a bed', () => {
    expect(plantCount({ areaM2: 15, spacing: { inRowMm: 300, betweenRowsMm: 500 } })).toBe(100);
    expect(plantCount({ areaM2: 15, share: 0.5, spacing: { inRowMm: 300, betweenRowsMm: 500 } })).toBe(50);
  });
  // Common practice: 10 m² at 10 cm is 1 m³.
  test('mulch to buy', () => {
    expect(mulchVolume({ areaM2: 10, depthMm: 100, material: 'wood chip' })).toEqual({
      settledM3: 1,
      looseM3: 1,
    });
    expect(mulchVolume({ areaM2: 10, depthMm: 100, material: 'straw' }).looseM3).toBeGreaterThan(1);
  });
});
