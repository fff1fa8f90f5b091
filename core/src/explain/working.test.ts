import { describe, expect, test } from '@jest/globals';
import { planGarden } from '../plan/planGarden.ts';
import type { PlanBed } from '../follow/types.ts';
import { addDays } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import { explainNumber } from './explainNumber.ts';
import { explainRate } from '../delivery/explainRate.ts';
import { nextBestTest } from '../compare/nextBestTest.ts';
import { leaves, type Working } from '../working/types.ts';

const site = { latitudeDeg: 46.9, elevationM: 112 };
const weather = Array.from({ length: 60 }, (_, i): SourcedDay => ({
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
const bed: PlanBed = {
  id: 1,
  bed: {
    areaM2: 12,
    ground: { horizons: [{ textureClass: 'loam' }] },
    plantings: [{ cropId: 'tomato', plantedOn: '2026-06-01' }],
  },
  delivery: { method: 'drip', litresPerMinute: 4 },
  irrigations: [],
  startOn: '2026-06-01',
  startFullness: 1,
};
const today = '2026-06-25';
const ahead =
  planGarden({ site, beds: [bed] }, weather, {}, { today, members: 0 }).waterings[0]?.date ?? today;
const known = { flow: { kind: 'measured' as const, on: '2026-06-01' } };
const plan = planGarden({ site, beds: [{ ...bed, known }] }, weather, {}, { today: ahead, members: 0 });
const tree = plan.waterings[0]?.because as Working;

const find = (working: Working, label: string): Working => {
  const found = [working, ...flatten(working)].find((w) => w.label === label);
  if (!found) throw new Error(`no ${label} in the working`);
  return found;
};
const flatten = (working: Working): Working[] =>
  working.inputs.flatMap((input) => [input, ...flatten(input)]);

describe('the working of growth lost', () => {
  const [outlook] = plan.beds;
  const tell = (of: 'growth' | 'lately' | 'waiting'): Working => {
    if (!outlook) throw new Error('no outlook');
    const made = explainNumber(of, { bed, outlook, site, weather, today: ahead });
    if (!made) throw new Error(`no working of ${of}`);
    return made;
  };
  test('over the plan: what is missed, weighed, of what is wanted', () => {
    const growth = tell('growth');
    expect(growth.value).toBeCloseTo(
      find(growth, 'Missed, weighed').value / find(growth, 'The plants want').value,
      9,
    );
    expect(find(growth, 'What its goal lets it lose').value).toBe(0.03);
  });
  test('behind: the days add up to what was missed, and tomatoes mind a tenth more than in proportion at most', () => {
    const lately = tell('lately');
    const missed = find(lately, 'Missed').value;
    const days = find(lately, 'Missed').inputs.reduce((sum, day) => sum + day.value, 0);
    expect(Math.abs(days - missed)).toBeLessThan(14 * 0.05);
    // FAO-33 table 24: ky of tomato 0.4 to 1.1 by stage.
    const share = missed / find(lately, 'The plants wanted').value;
    expect(lately.value).toBeLessThanOrEqual(1.1 * 1.1 * share + 1e-9);
  });
  test('waiting: the plan’s own figure', () => {
    expect(tell('waiting').value).toBe(outlook?.waiting?.planShare);
    expect(outlook?.waiting?.planShare).toBeLessThan(outlook?.waiting?.lostShare ?? 0);
  });
});

describe('the working of a watering', () => {
  test('each value follows from its inputs by the formula beside it', () => {
    const of = (label: string): number => find(tree, label).value;
    expect(of('Minutes')).toBeCloseTo(of('Litres through the tap') / of('Flow'), 9);
    expect(of('Litres through the tap')).toBeCloseTo(
      (of('The same over the whole bed') * of('Area')) /
        of('Share that reaches the soil') /
        of('Share that evens out'),
      9,
    );
    expect(of('Share that evens out')).toBeCloseTo(0.4 + 0.6 * of('Evenness of the driest quarter'), 9);
    expect(of('The same over the whole bed')).toBeCloseTo(
      of('Depth to fill the root zone') * of('Share that gets wet'),
      9,
    );
    expect(of('Depth to fill the root zone')).toBeCloseTo(of('Gone this morning') - of('Rain by then'), 9);
    expect(of('Gone this morning')).toBeCloseTo(of('Full') - of('Now'), 9);
    expect(of('The root zone can spare')).toBeCloseTo(of('It can hold') * of('Share that may go'), 9);
    const p = of('The crop’s share') + 0.04 * (5 - of('Its use today'));
    expect(of('Share that may go')).toBeCloseTo(Math.min(0.8, Math.max(0.1, p)), 9);
  });
  test('every leaf says how it is known, and what is assumed says why', () => {
    for (const leaf of leaves(tree)) {
      if (leaf.provenance.kind === 'assumed') expect(leaf.provenance.why.length).toBeGreaterThan(5);
    }
    expect(find(tree, 'Flow').provenance).toEqual({ kind: 'measured', on: '2026-06-01' });
    expect(find(tree, 'Share that gets wet').provenance.kind).toBe('assumed');
  });
  test('rate where it falls: 4 L/min on half of 12 m² is 40 mm/h', () => {
    expect(explainRate(bed.bed.areaM2, bed.delivery).value).toBeCloseTo(40, 9);
  });
});

describe('the next best test', () => {
  const ask = (assumed: Parameters<typeof nextBestTest>[0]['assumed']) =>
    nextBestTest({ bed, assumed, site, weather, today });
  test('nothing assumed, nothing to test', () => expect(ask([])).toBeNull());
  test('an unknown flow run by the clock is off by as much as the guess', () => {
    const best = ask(['flow']);
    expect(best?.ranking[0]?.test).toBe('bucket');
    expect((best?.now.low ?? 0) / (best?.litres ?? 1)).toBeCloseTo(0.6, 9);
    expect((best?.now.high ?? 0) / (best?.litres ?? 1)).toBeCloseTo(1.5, 9);
    expect(best?.after).toEqual({ low: best?.litres, high: best?.litres });
  });
  test('the ranking is by what it would settle, and doing the first narrows the range', () => {
    const best = ask(['flow', 'texture', 'wetted share', 'wetness at the start']);
    if (!best) throw new Error('something is assumed');
    expect(best.ranking).toHaveLength(4);
    expect(best.after.high - best.after.low).toBeLessThan(best.now.high - best.now.low);
    expect(best.now.low).toBeLessThanOrEqual(best.litres);
    expect(best.now.high).toBeGreaterThanOrEqual(best.litres);
  });
});
