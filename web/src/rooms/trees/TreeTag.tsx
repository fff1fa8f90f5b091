import type { TreeFacts, TreePlan } from '@kibble/core';
import { layoutWords, ringWords } from '../../words/treeWords.ts';
import { useUnits } from '../../words/units.ts';
import { longDate } from '../../words/words.ts';

/** What is pinned to the tree: only on paper. */
export function TreeTag({
  name,
  facts,
  plan,
  today,
}: {
  name: string;
  facts: TreeFacts;
  plan: TreePlan;
  today: string;
}) {
  const units = useUnits();
  const hedge = facts.sort === 'hedge';
  return (
    <section className="hidden border-2 border-ink p-4 print:block" aria-label="Tag for the tree">
      <h2 className="text-2xl">{name}</h2>
      <p className="text-lg">
        Water <strong>{ringWords(facts.ring, units, hedge)}</strong>: {layoutWords(plan, facts.count, units)},{' '}
        {units.text('volume', plan.litres)} in all, to {units.text('depth', facts.depthMm)} deep.
      </p>
      <p>
        {plan.dryM > 0 ? `Nothing within ${units.text('length', plan.dryM)} of the trunk. ` : ''}
        At most {plan.gapDays} days without a soak.
        {plan.moveOut ? ` Next to be moved out to ${ringWords(plan.wanted, units, hedge)}.` : ''}
      </p>
      {plan.laid.spots.length > 0 && plan.laid.spots.length <= 12 && !hedge ? (
        <ol className="mt-1 columns-2">
          {plan.laid.spots.map((spot) => (
            <li key={spot.number}>
              Spot {spot.number}: {units.text('length', spot.radiusM)} from the trunk,{' '}
              {COMPASS[Math.round(spot.angleDeg / 45) % 8]}
            </li>
          ))}
        </ol>
      ) : null}
      <p className="mt-1 text-sm">Of {longDate(today)}. The top of the plan is north.</p>
    </section>
  );
}

const COMPASS = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west'];
