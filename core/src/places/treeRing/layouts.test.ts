import { treeAsDeclared } from './newTree.ts';
import { BENEATH, CAME_AS, LAYOUTS, REACHES, TREE_SORTS, type TreeFacts } from './treeFacts.ts';
import { treePlan } from './treePlan.ts';
import { type TextureClass } from '../../soil/textureClass.ts';
import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';

const TODAY = '2026-07-14';
/** Trees as people may tell them, of every age and layout, on every soil. */
const anyTree = fc.record({
  sort: fc.constantFrom(...TREE_SORTS),
  canopyM: fc.double({ min: 0.3, max: 14, noNaN: true }),
  lengthM: fc.double({ min: 1, max: 40, noNaN: true }),
  count: fc.integer({ min: 1, max: 20 }),
  cameAs: fc.constantFrom(...CAME_AS),
  beneath: fc.constantFrom(...BENEATH),
  reach: fc.constantFrom(...REACHES),
  part: fc.double({ min: 0.2, max: 1, noNaN: true }),
  // Of buckets there may be too many: that is refused, and checked where it is.
  by: fc.constantFrom(...LAYOUTS.filter((by) => by !== 'buckets')),
  plantedOn: fc.constantFrom(
    '2026-07-01',
    '2026-03-20',
    '2025-03-20',
    '2023-11-10',
    '2010-03-01',
    '1985-03-01',
  ),
});
const soils = fc.constantFrom<TextureClass>('sand', 'sandy loam', 'loam', 'clay loam', 'clay');
const flows = fc.double({ min: 0.5, max: 30, noNaN: true });

type Told = typeof anyTree extends fc.Arbitrary<infer T> ? T : never;
const factsOf = ({ by, plantedOn, lengthM, ...tree }: Told): TreeFacts =>
  treeAsDeclared(
    {
      ...tree,
      count: tree.sort === 'hedge' ? 1 : tree.count,
      lengthM: tree.sort === 'hedge' ? lengthM : undefined,
      near: 'nothing',
      layout: { by },
    },
    plantedOn,
    TODAY,
  );
const planOf = (told: Told, soil: TextureClass, litresPerMinute: number, localMm?: number) => {
  const tree = factsOf(told);
  const cropId = { tree: 'apple', shrub: 'lilac', hedge: 'beech-hedge' }[tree.sort];
  const plan = treePlan(
    tree,
    { cropId, plantedOn: told.plantedOn },
    TODAY,
    { horizons: [{ textureClass: soil }] },
    { method: 'bubbler', litresPerMinute },
    localMm,
  );
  return { tree, plan };
};

describe('whatever is told of a tree', () => {
  test('its ring lies outside its dry ground, and what gets wet is a part of it and of its roots’ ground', () => {
    fc.assert(
      fc.property(anyTree, soils, flows, (told, soil, flow) => {
        const { tree, plan } = planOf(told, soil, flow);
        expect(tree.ring.outerM).toBeGreaterThan(tree.ring.innerM);
        expect(tree.ring.innerM).toBeGreaterThanOrEqual(plan.dryM - 1e-9);
        expect(plan.wetM2).toBeLessThanOrEqual(plan.ringM2 + 1e-9);
        expect(plan.rootsShare).toBeGreaterThanOrEqual(0.05);
        expect(plan.rootsShare).toBeLessThanOrEqual(1);
      }),
    );
  });

  test('minutes × flow are its litres, spot by spot and in all, and twice the depth is twice the litres', () => {
    fc.assert(
      fc.property(anyTree, soils, flows, (told, soil, flow) => {
        const { tree, plan } = planOf(told, soil, flow, 20);
        // What is moved or held runs at one plant after another; lines run at all of them at once.
        const atOnce = ['bubbler stops', 'trickle', 'basin', 'soaker ring'].includes(tree.layout.by)
          ? 1
          : tree.count;
        expect(plan.minutes * plan.laid.litresPerMinute * atOnce).toBeCloseTo(plan.litres, 4);
        expect(plan.eachMinutes * plan.moves * plan.laid.litresPerMinute * atOnce).toBeCloseTo(
          plan.litres,
          4,
        );
        expect(planOf(told, soil, flow, 40).plan.litres).toBeCloseTo(2 * plan.litres, 4);
      }),
    );
  });

  test('spots are numbered in walking order, each on the ring', () => {
    fc.assert(
      fc.property(anyTree, soils, flows, (told, soil, flow) => {
        const { tree, plan } = planOf(told, soil, flow);
        expect(plan.laid.spots.map(({ number }) => number)).toEqual(plan.laid.spots.map((_, i) => i + 1));
        for (const { radiusM } of plan.laid.spots) expect(radiusM).toBeLessThanOrEqual(tree.ring.outerM);
      }),
    );
  });

  test('a part of the ring never asks for more litres than the whole of it', () => {
    fc.assert(
      fc.property(anyTree, soils, flows, (told, soil, flow) => {
        const whole = planOf({ ...told, part: 1 }, soil, flow, 20).plan;
        expect(planOf(told, soil, flow, 20).plan.litres).toBeLessThanOrEqual(whole.litres * (1 + 1e-9));
      }),
    );
  });
});
