import { treeTasks } from './treeTasks.ts';
import { newTree, treeAsDeclared } from '../places/treeRing/newTree.ts';
import { type TreeFacts } from '../places/treeRing/treeFacts.ts';
import { treePlan } from '../places/treeRing/treePlan.ts';
import { cropById } from '../plants/catalogue/index.ts';
import { type SourcedDay } from '../weather/completeWeather.ts';
import { expect, test } from '@jest/globals';

const TODAY = '2026-12-20';
const loam = { horizons: [{ textureClass: 'loam' as const }] };
const day = (date: string, tMaxC: number, windMs: number): SourcedDay => ({
  date,
  tMinC: tMaxC - 6,
  tMaxC,
  windMs,
  rainMm: 0,
  rainChance: 0,
  source: 'forecast',
});
function tasks(
  cropId: string,
  plantedOn: string,
  change: Partial<TreeFacts> = {},
  facts: Partial<Parameters<typeof treeTasks>[0]> = {},
): string[] {
  const crop = cropById(cropId);
  const tree = treeAsDeclared({ ...newTree(crop, 10), ...change }, plantedOn, TODAY);
  const plan = treePlan(tree, { cropId, plantedOn }, TODAY, loam, {
    method: 'bubbler',
    litresPerMinute: 8,
  });
  return treeTasks({
    tree,
    plan,
    crop,
    plantedOn,
    today: TODAY,
    soak: null,
    scarce: false,
    heat: false,
    freezing: false,
    depletionShare: 0,
    ahead: [day(TODAY, 4, 2), day('2026-12-21', -1, 8)],
    ...facts,
  }).map(({ code }) => code);
}

// Common practice, all of it: no figure of a book stands behind these.
test('icy wind is told of evergreens and of first-years, not of what has lost its leaves', () => {
  expect(tasks('yew', '2010-03-01')).toContain('icy wind');
  expect(tasks('pear', '2026-03-20')).toContain('icy wind');
  expect(tasks('pear', '2015-03-20')).not.toContain('icy wind');
  expect(tasks('yew', '2010-03-01', {}, { ahead: [day(TODAY, 4, 2)] })).not.toContain('icy wind');
});

test('dry ground goes into frost moist; a moist one is left', () => {
  expect(tasks('pear', '2015-03-20', {}, { freezing: true, depletionShare: 0.7 })).toContain(
    'moist into the frost',
  );
  expect(tasks('pear', '2015-03-20', {}, { freezing: true, depletionShare: 0.1 })).not.toContain(
    'moist into the frost',
  );
});

test('a large dry tree by a building is a danger; a small one, or one with water, is none', () => {
  const soak = { days: 20, counted: 20, gapDays: 21, onRecord: true, ballGone: null };
  const big = { canopyM: 9, near: 'building', nearM: 5 } as const;
  expect(tasks('walnut', '1985-03-01', big, { soak })).toContain('a dry tree by a wall');
  expect(tasks('walnut', '1985-03-01', { ...big, canopyM: 3 }, { soak })).not.toContain(
    'a dry tree by a wall',
  );
  expect(tasks('walnut', '1985-03-01', big, { soak: { ...soak, counted: 5 } })).not.toContain(
    'a dry tree by a wall',
  );
});

test('lines left at the trunk are to be moved outward, with the circle clear of grass; in drought nothing is fed', () => {
  const left = { ring: { innerM: 0.35, outerM: 0.8 }, canopyM: 5, beneath: 'lawn' } as const;
  const told = tasks('apple', '2012-03-01', left, { scarce: true, heat: true });
  expect(told).toEqual(
    expect.arrayContaining(['move the water outward', 'widen the clearing', 'no feed this summer']),
  );
  expect(tasks('apple', '2012-03-01', { canopyM: 5 })).not.toContain('move the water outward');
});

test('what hangs first is looked at in heat; past its gap is said', () => {
  expect(tasks('hydrangea', '2020-03-01', { indicator: true }, { heat: true })).toContain('it hangs first');
  const soak = { days: 25, counted: 24, gapDays: 21, onRecord: true, ballGone: null };
  expect(tasks('walnut', '1985-03-01', {}, { soak })).toContain('past its gap');
});
