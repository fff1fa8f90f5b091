import { describe, expect, test } from '@jest/globals';
import { CATALOGUE, cropById } from './catalogue/index.ts';
import { frostyNights, withFrostKills } from './frostKill.ts';
import { plantOnDay, stageDates } from './plantOnDay.ts';
import { shortDays } from './shortDays.ts';
import type { PlantingInput } from './types.ts';

/** FAO-56 table 12 (kc mid), table 22 (roots m, p) and table 17 (kcb mid) for crops that have rows, from memory. */
const PRINTED: readonly (readonly [
  string,
  kcMid: number,
  kcbMid: number,
  rootMin: number,
  rootMax: number,
  p: number,
])[] = [
  ['tomato', 1.15, 1.1, 0.7, 1.5, 0.4],
  ['sweet-pepper', 1.05, 1.0, 0.5, 1.0, 0.3],
  ['sweetcorn', 1.15, 1.1, 0.8, 1.2, 0.5],
  ['french-bean', 1.05, 1.0, 0.5, 0.7, 0.45],
  ['onion', 1.05, 0.95, 0.3, 0.6, 0.3],
  ['carrot', 1.05, 0.95, 0.5, 1.0, 0.35],
  ['potato', 1.15, 1.1, 0.4, 0.6, 0.35],
  ['lettuce', 1.0, 0.9, 0.3, 0.5, 0.3],
  ['spinach', 1.0, 0.9, 0.3, 0.5, 0.2],
  ['cucumber', 1.0, 0.95, 0.7, 1.2, 0.5],
  ['aubergine', 1.05, 1.0, 0.7, 1.2, 0.45],
  ['pea', 1.15, 1.1, 0.6, 1.0, 0.35],
  ['garlic', 1.0, 0.9, 0.3, 0.5, 0.3],
  ['beetroot', 1.05, 0.95, 0.6, 1.0, 0.5],
  ['radish', 0.9, 0.85, 0.3, 0.5, 0.3],
  ['cabbage', 1.05, 0.95, 0.5, 0.8, 0.45],
  ['courgette', 0.95, 0.9, 0.6, 1.0, 0.5],
  ['melon', 1.05, 1.0, 0.8, 1.5, 0.4],
  ['broccoli', 1.05, 0.95, 0.4, 0.6, 0.45],
  ['brussels-sprouts', 1.05, 0.95, 0.4, 0.6, 0.45],
  ['cauliflower', 1.05, 0.95, 0.4, 0.7, 0.45],
  ['celery', 1.05, 0.95, 0.3, 0.5, 0.2],
  ['spring-onion', 1.0, 0.9, 0.3, 0.6, 0.3],
  ['parsnip', 1.05, 0.95, 0.5, 1.0, 0.4],
  ['turnip', 1.1, 1.0, 0.5, 1.0, 0.5],
  ['swede', 1.1, 1.0, 0.5, 1.0, 0.5],
  ['sweet-potato', 1.15, 1.1, 1.0, 1.5, 0.65],
  ['pumpkin', 1.0, 0.95, 1.0, 1.5, 0.35],
  ['watermelon', 1.0, 0.95, 0.8, 1.5, 0.4],
  ['gherkin', 1.0, 0.95, 0.7, 1.2, 0.5],
  ['broad-bean', 1.15, 1.1, 0.5, 0.7, 0.45],
  ['dry-bean', 1.15, 1.1, 0.6, 0.9, 0.45],
  ['dry-pea', 1.15, 1.1, 0.6, 1.0, 0.4],
  ['chickpea', 1.0, 0.95, 0.6, 1.0, 0.5],
  ['lentil', 1.1, 1.05, 0.6, 0.8, 0.5],
  ['soybean', 1.15, 1.1, 0.6, 1.3, 0.5],
  ['artichoke', 1.0, 0.95, 0.6, 0.9, 0.45],
  ['asparagus', 0.95, 0.9, 1.2, 1.8, 0.45],
  ['peanut', 1.15, 1.1, 0.5, 1.0, 0.5],
  ['mint', 1.15, 1.1, 0.4, 0.8, 0.4],
  ['strawberry', 0.85, 0.8, 0.2, 0.3, 0.2],
  ['grape-table', 0.85, 0.8, 1.0, 2.0, 0.35],
  ['grape-wine', 0.7, 0.65, 1.0, 2.0, 0.45],
  ['hop', 1.05, 1.0, 1.0, 1.2, 0.5],
  // Orchards with bare ground beneath them.
  ['apple', 0.95, 0.9, 1.0, 2.0, 0.5],
  ['pear', 0.95, 0.9, 1.0, 2.0, 0.5],
  ['cherry', 0.95, 0.9, 1.0, 2.0, 0.5],
  ['plum', 0.9, 0.85, 1.0, 2.0, 0.5],
  ['apricot', 0.9, 0.85, 1.0, 2.0, 0.5],
  ['peach', 0.9, 0.85, 1.0, 2.0, 0.5],
  ['almond', 0.9, 0.85, 1.0, 2.0, 0.4],
  ['walnut', 1.1, 1.05, 1.7, 2.4, 0.5],
  // Crowns over 70 % of the ground.
  ['citrus', 0.65, 0.6, 1.2, 1.5, 0.5],
  ['olive', 0.7, 0.65, 1.2, 1.7, 0.65],
  ['kiwi', 1.05, 1.0, 0.7, 1.3, 0.35],
  ['avocado', 0.85, 0.8, 0.5, 1.0, 0.7],
];

describe('the catalogue', () => {
  test.each(PRINTED)('%s stands as printed', (id, kcMid, kcbMid, rootMin, rootMax, p) => {
    const crop = cropById(id);
    expect([crop.kc.mid, crop.kcb.mid, crop.roots.minM, crop.roots.maxM, crop.p.value]).toEqual([
      kcMid,
      kcbMid,
      rootMin,
      rootMax,
      p,
    ]);
  });

  test.each(CATALOGUE.map((crop) => [crop.id, crop] as const))('%s is physically consistent', (_id, crop) => {
    expect(crop.kcb.mid).toBeLessThanOrEqual(crop.kc.mid);
    expect(crop.kcb.ini).toBeLessThanOrEqual(crop.kc.ini);
    expect(crop.kcb.end).toBeLessThanOrEqual(crop.kc.end);
    expect(crop.kc.mid).toBeLessThanOrEqual(1.25);
    expect(crop.roots.minM).toBeLessThanOrEqual(crop.roots.maxM);
    expect(crop.roots.minM).toBeGreaterThanOrEqual(0.05);
    expect(crop.p.value).toBeGreaterThanOrEqual(0.1);
    expect(crop.p.value).toBeLessThanOrEqual(0.8);
    const { ini, dev, mid, late } = crop.stages;
    expect(Math.min(ini, dev, mid, late)).toBeGreaterThan(0);
    expect(ini + dev + mid + late).toBeLessThanOrEqual(366);
    for (const source of [
      crop.kc.source,
      crop.kcb.source,
      crop.stages.source,
      crop.roots.source,
      crop.p.source,
      crop.heightSource,
    ]) {
      expect(source).toMatch(/^FAO-56 table \d+$|^ANSI.ASABE S623$|^judgement: .{6,}/);
    }
  });

  test('holds at least 90 plants over every group, each coefficient curve in order', () => {
    expect(CATALOGUE.length).toBeGreaterThanOrEqual(90);
    expect(new Set(CATALOGUE.map((c) => c.group)).size).toBe(10);
  });

  test('ids are unique', () => expect(new Set(CATALOGUE.map((c) => c.id)).size).toBe(CATALOGUE.length));

  test('an unknown plant is refused by name', () =>
    expect(() => cropById('triffid')).toThrow(/cropId .*got triffid/));
});

test('every food crop that claims FAO-56’s rows is one of those held above, or one of the table’s row for berries', () => {
  const BERRIES = ['raspberry', 'blackcurrant', 'redcurrant', 'gooseberry', 'blackberry', 'loganberry'];
  for (const id of BERRIES) {
    const { kc, kcb, roots, p } = cropById(id);
    expect([kc.mid, kcb.mid, roots.minM, roots.maxM, p.value]).toEqual([1.05, 1.0, 0.6, 1.2, 0.5]);
  }
  // Sunflower is printed as a span, 1.0–1.15 and 0.95–1.10.
  const sunflower = cropById('sunflower');
  expect(sunflower.kc.mid).toBeGreaterThanOrEqual(1);
  expect(sunflower.kc.mid).toBeLessThanOrEqual(1.15);
  expect([sunflower.roots.minM, sunflower.roots.maxM, sunflower.p.value]).toEqual([0.8, 1.5, 0.45]);
  const held = new Set([...PRINTED.map(([id]) => id), ...BERRIES, 'sunflower']);
  const claims = CATALOGUE.filter(({ kc }) => kc.source.startsWith('FAO')).map(({ id }) => id);
  expect(claims.filter((id) => !held.has(id))).toEqual([]);
});

describe('landscape plants (ANSI/ASABE S623, from memory)', () => {
  test('trees, shrubs and perennials use 0.5 to 0.7 of reference, annual flowers and cool turf 0.8, warm turf 0.6', () => {
    const factor = (id: string): number => cropById(id).kc.mid;
    expect([factor('lawn-cool'), factor('lawn-warm'), factor('petunia')]).toEqual([0.8, 0.6, 0.8]);
    for (const { group, kc } of CATALOGUE)
      if (group === 'ornamental trees' || group === 'shrubs and roses')
        expect([0.5, 0.6, 0.7]).toContain(kc.mid);
    expect([factor('willow'), factor('hydrangea'), factor('oak'), factor('buddleia')]).toEqual([
      0.7, 0.7, 0.5, 0.5,
    ]);
  });
  test('cover the ground with their leaves in summer, whatever their height', () => {
    const cover = (cropId: string, date: string): number =>
      plantOnDay({ cropId, plantedOn: '2015-03-01' }, date)?.canopyCover ?? 0;
    expect(cover('oak', '2026-07-14')).toBeCloseTo(0.85, 9);
    expect(cover('oak', '2026-01-14')).toBeLessThan(0.4);
    expect(cover('yew', '2026-01-14')).toBeCloseTo(0.85, 9);
  });
});

test('yield response of citrus and of vines stands in FAO-33’s bands (citrus 1.1–1.3, grape 0.85, from memory)', () => {
  expect(cropById('citrus').sensitivity).toBeGreaterThanOrEqual(1.1);
  expect(cropById('citrus').sensitivity).toBeLessThanOrEqual(1.3);
  expect(cropById('grape-wine').sensitivity).toBe(0.85);
  expect(cropById('grape-table').sensitivity).toBe(0.85);
});

test('what lives in pots has roots that fit one (common practice: pots of 150 to 300 mm)', () => {
  for (const { id, group } of CATALOGUE) {
    if (group !== 'houseplants' && group !== 'cacti and succulents') continue;
    for (const date of ['2026-05-01', '2029-05-01'])
      expect(plantOnDay({ cropId: id, plantedOn: '2026-05-01' }, date)?.rootDepthMm).toBeLessThanOrEqual(200);
  }
});

describe('the end of an annual', () => {
  const on = (cropId: string, plantedOn: string, date: string, more: Partial<PlantingInput> = {}) =>
    plantOnDay({ cropId, plantedOn, latitudeDeg: 51, ...more }, date);

  test('past ripening it drinks nothing more; what is seen alive goes on', () => {
    expect(on('lettuce', '2026-05-15', '2026-07-20')?.over).toBeNull();
    expect(on('lettuce', '2026-05-15', '2026-08-15')).toMatchObject({
      over: 'ripened',
      kcb: 0,
      canopyCover: 0,
    });
    const seen = [{ stage: 'in full leaf' as const, on: '2026-08-14' }];
    expect(on('lettuce', '2026-05-15', '2026-08-15', { seen })).toMatchObject({ over: null, kcb: 0.9 });
  });
  test('what is picked for as long as it lives has no last day (common practice)', () => {
    for (const id of ['tomato', 'courgette', 'chard', 'kale', 'runner-bean', 'basil'])
      expect(on(id, '2026-05-20', '2026-10-30')).toMatchObject({ over: null, stage: 'ripening' });
    expect(stageDates({ cropId: 'courgette', plantedOn: '2026-05-20' }, '2026-06-01').at(-1)?.stage).toBe(
      'ripening',
    );
  });
  test('what lives on for years only rests', () => {
    expect(on('apple', '2020-03-01', '2026-12-24')?.over).toBeNull();
    expect(on('peony', '2020-03-01', '2026-12-24')?.over).toBeNull();
  });

  const night = (date: string, tMinC: number) => ({ date, tMinC });
  const frosts = frostyNights([night('2026-09-20', 2), night('2026-10-08', -1.5), night('2026-11-20', -6)]);
  const kill = (cropId: string, underCover = false, seen?: PlantingInput['seen']) =>
    withFrostKills([{ cropId, plantedOn: '2026-05-20', seen }], frosts, { underCover })[0]?.killedOn;
  test('the first frost takes the tender, a hard one the half-hardy, none the hardy (common practice)', () => {
    expect([kill('tomato'), kill('lettuce'), kill('kale'), kill('apple')]).toEqual([
      '2026-10-08',
      '2026-11-20',
      undefined,
      undefined,
    ]);
    expect(kill('tomato', true)).toBe('2026-11-20');
    expect(on('tomato', '2026-05-20', '2026-10-08', { killedOn: '2026-10-08' })).toMatchObject({
      over: 'killed by frost',
      kcb: 0,
    });
  });
  test('what was seen alive afterwards lived', () =>
    expect(kill('tomato', false, [{ stage: 'ripening', on: '2026-10-10' }])).toBe('2026-11-20'));
});

describe('winter', () => {
  test('days under ten hours: from late October to mid February at 51°, less at 40°, none at 30°, half a year apart in the south', () => {
    // Sunrise tables (from memory), which count the bent light of the horizon and so are a few days shorter: London is
    // under ten hours from about 25 October to 17 February, Madrid from about 18 November to 24 January.
    expect(shortDays(51.5, '2026-08-01', '2026-10-15')).toBe(0);
    expect(shortDays(51.5, '2026-11-01', '2027-02-10')).toBe(101);
    expect(shortDays(51.5, '2027-02-27', '2027-06-01')).toBe(0);
    expect(shortDays(40, '2026-08-01', '2026-11-05')).toBe(0);
    expect(shortDays(40, '2026-11-25', '2027-01-15')).toBe(51);
    expect(shortDays(40, '2027-02-05', '2027-06-01')).toBe(0);
    expect(shortDays(30, '2026-08-01', '2027-06-01')).toBe(0);
    expect(shortDays(-51.5, '2026-05-01', '2026-08-10')).toBe(101);
  });
  test('garlic of October is lifted in July, not in March (common practice)', () => {
    const garlic = { cropId: 'garlic', plantedOn: '2025-10-15', latitudeDeg: 51 };
    expect(plantOnDay(garlic, '2026-03-20')?.over).toBeNull();
    expect(plantOnDay(garlic, '2026-06-10')?.stage).toBe('in full leaf');
    const past = stageDates(garlic, '2026-01-10').find(({ stage }) => stage === 'past')?.from ?? '';
    expect(past >= '2026-06-25' && past <= '2026-07-31').toBe(true);
  });
  test('the days of the stages are those on which the plant is in them, winter or not', () => {
    for (const planting of [
      { cropId: 'garlic', plantedOn: '2025-10-15', latitudeDeg: 51 },
      { cropId: 'leek', plantedOn: '2026-06-20', latitudeDeg: 57 },
      { cropId: 'broad-bean', plantedOn: '2026-05-10', latitudeDeg: -40 },
    ])
      for (const asked of ['2026-01-05', '2026-06-25', '2026-12-20'])
        for (const { stage, from } of stageDates(planting, asked))
          if (from > planting.plantedOn) expect(plantOnDay(planting, from)?.stage).toBe(stage);
  });
});

describe('perennials', () => {
  const apple = { cropId: 'apple', plantedOn: '2020-03-01' };
  test('stand bare in winter, in full leaf in July, and the south mirrors the north half a year on', () => {
    expect(plantOnDay(apple, '2026-01-15')?.kcb).toBeLessThanOrEqual(0.35);
    expect(plantOnDay(apple, '2026-07-15')?.kcb).toBeCloseTo(0.9, 6);
    const south = { ...apple, leafOut: '10-10' };
    expect(plantOnDay(south, '2026-01-15')?.kcb).toBeCloseTo(0.9, 1);
    expect(plantOnDay(south, '2026-07-15')?.kcb).toBeLessThanOrEqual(0.35);
  });
  test('are new by their age, not by the month: a maple of 2010 in April is rooted, one of last week in July is not (common practice)', () => {
    const rooted = (cropId: string, plantedOn: string, date: string): boolean | undefined =>
      plantOnDay({ cropId, plantedOn }, date)?.rooted;
    expect(rooted('apple', '2010-11-20', '2026-04-12')).toBe(true);
    expect(rooted('apple', '2026-07-07', '2026-07-14')).toBe(false);
    expect(rooted('rose', '2025-11-01', '2026-07-14')).toBe(false);
    expect(rooted('strawberry', '2026-04-01', '2026-07-14')).toBe(true);
    expect(rooted('tomato', '2026-05-15', '2026-05-20')).toBe(false);
  });
  test('take three years to their full roots (common practice)', () => {
    const young = { cropId: 'apple', plantedOn: '2026-04-10' };
    const depth = (date: string): number => plantOnDay(young, date)?.rootDepthMm ?? 0;
    expect(depth('2026-07-10')).toBeLessThan(depth('2027-07-10'));
    expect(depth('2029-07-10')).toBeCloseTo(1000, 6);
    expect(plantOnDay(young, '2026-07-15')?.kcb).toBeLessThan(0.5);
  });
});

describe('a planting through its season', () => {
  const planting = { cropId: 'tomato', plantedOn: '2026-05-12' };

  test('is not there before planting nor after it is cleared', () => {
    expect(plantOnDay(planting, '2026-05-11')).toBeNull();
    expect(plantOnDay({ ...planting, endedOn: '2026-09-01' }, '2026-09-01')).toBeNull();
  });

  test('grows roots and leaf, never backwards', () => {
    let before = plantOnDay(planting, '2026-05-12');
    for (const date of ['2026-06-01', '2026-06-20', '2026-07-10', '2026-08-01']) {
      const now = plantOnDay(planting, date);
      expect(now?.rootDepthMm).toBeGreaterThanOrEqual(before?.rootDepthMm ?? 0);
      expect(now?.canopyCover).toBeGreaterThanOrEqual(before?.canopyCover ?? 0);
      before = now;
    }
    expect(before?.rootDepthMm).toBeCloseTo(700, 6);
  });

  test('what the gardener saw re-anchors the rest of the curve', () => {
    const seen = { ...planting, seen: [{ stage: 'in full leaf' as const, on: '2026-07-01' }] };
    expect(plantOnDay(seen, '2026-07-01')?.stage).toBe('in full leaf');
    expect(stageDates(seen, '2026-07-05').find((s) => s.stage === 'in full leaf')?.from).toBe('2026-07-01');
    expect(plantOnDay(seen, '2026-06-20')?.stage).toBe(plantOnDay(planting, '2026-06-20')?.stage);
  });

  test('sown in place it is behind a transplant', () => {
    const sown = plantOnDay({ ...planting, method: 'direct-sown' }, '2026-06-25');
    expect(sown?.kcb).toBeLessThan(plantOnDay(planting, '2026-06-25')?.kcb ?? 0);
  });
});
