import type { BedPageView, TreeNow } from '@kibble/contract';
import { TRUNK_L_PER_CM, YOUNG_GUIDES, type SoakBy, type SoakSize, type TreePlan } from '@kibble/core';
import { perTrunk, soakByWords } from '../../words/treeWords.ts';
import { useUnits } from '../../words/units.ts';
import { useKeepTree } from './useKeepTree.ts';

const KEPT: Readonly<Record<SoakBy, string>> = {
  ground: 'gets what its ground lacks at a soak.',
  trunk: 'gets a soak by its trunk.',
  ring: 'gets a soak over its ring.',
};

/** How much a soak is: the three ways of measuring it side by side, or what guides give a young tree. */
export function SoakSizes({ tree, plan, page }: { tree: TreeNow; plan: TreePlan; page: BedPageView }) {
  const units = useUnits();
  if (plan.guide)
    return (
      <section aria-labelledby="sizes">
        <h2 id="sizes" className="text-xl">
          How much at a watering
        </h2>
        <p>
          Published guides give a young tree with this trunk{' '}
          <strong>
            {units.text('volume', plan.guide.leastL)} to {units.text('volume', plan.guide.mostL)}
          </strong>{' '}
          at a watering: {YOUNG_GUIDES[0].name} the least of it, {YOUNG_GUIDES[1].name} about twice that, and{' '}
          {YOUNG_GUIDES[2].name} the most. In its first three months Kibble keeps to the first of them, which
          waters often, and later to the other two, which water weekly; within that it fills what the ball and
          the ground lack.
        </p>
      </section>
    );
  if (tree.facts.sort !== 'tree' || plan.phase !== 'established') return null;
  const isSet = tree.facts.litresEach !== undefined;
  return (
    <section aria-labelledby="sizes">
      <h2 id="sizes" className="text-xl">
        How much a soak is
      </h2>
      <ul>
        {plan.sizes.map((size) => (
          <Size key={size.by} size={size} tree={tree} page={page} isSet={isSet} />
        ))}
      </ul>
      <p className="mt-1 text-sm text-quiet">
        {isSet ? `It gets the set volume of ${units.text('volume', tree.facts.litresEach ?? 0)}. ` : ''}
        {tree.facts.trunkM === undefined
          ? `Measure its trunk, and the rule of ${perTrunk(TRUNK_L_PER_CM, units)} is worked out too. `
          : ''}
        They differ because they mean different soaks. What the ground lacks fills all of the ring as deep as
        it is wanted, and lasts longest. The rule by the trunk wets a part of that: it wants to be given every
        week or two in heat. The rule over the ring was made for a soak every second week on clay loam.
      </p>
    </section>
  );
}

function Size({
  size,
  tree,
  page,
  isSet,
}: {
  size: SoakSize;
  tree: TreeNow;
  page: BedPageView;
  isSet: boolean;
}) {
  const units = useUnits();
  const { keep, isLoading } = useKeepTree(page);
  const used = size.used && !isSet;
  return (
    <li className="flex flex-wrap items-baseline justify-between gap-x-3 border-t border-rule py-1">
      <span>
        {used ? 'Used: ' : ''}
        {soakByWords(size.by, units)}
        {used ? null : (
          <button
            type="button"
            className="no-print ml-2 min-h-6 text-sm font-semibold underline underline-offset-4"
            disabled={isLoading}
            onClick={() =>
              void keep(
                {
                  ...tree.facts,
                  soakBy: size.by === 'ground' ? undefined : size.by,
                  litresEach: undefined,
                },
                KEPT[size.by],
              ).catch(() => undefined)
            }
          >
            Use this
          </button>
        )}
      </span>
      <span className="font-semibold whitespace-nowrap">
        {units.text('volume', size.litresEach)}
        {size.lPerCm === null ? '' : `, ${perTrunk(size.lPerCm, units)}`}
      </span>
    </li>
  );
}
