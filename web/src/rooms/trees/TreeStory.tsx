import type { BedPageView, Quantity, TreeNow } from '@kibble/contract';
import {
  cropOf,
  explainTree,
  RING_FORTNIGHT_MM_A_DAY,
  RING_MONTH_MM_A_DAY,
  THICK_MM,
  THIN_MM,
  type TreeFacts,
  type TreePlan,
  type Working,
} from '@kibble/core';
import { Link } from 'react-router';
import { useGarden } from '../../state/gardenRound.ts';
import { CAME_WORDS, PHASE_WORDS, SEASON_WORDS, tenth } from '../../words/treeWords.ts';
import { useUnits } from '../../words/units.ts';
import { fullDate, shareWords } from '../../words/words.ts';
import { OpensTree } from '../../ui/Opens.tsx';
import { Caution } from '../../ui/Caution.tsx';

/** Its season, its phase, and when the next one comes. */
export function TreeStory({
  tree,
  plan,
  facts,
  page,
}: {
  tree: TreeNow;
  plan: TreePlan;
  facts: TreeFacts;
  page: BedPageView;
}) {
  const units = useUnits();
  const garden = useGarden();
  const next = plan.handsOver.find(({ from }) => from > garden.today);
  const fruit = page.bed.planting && cropOf(page.bed.planting as Parameters<typeof cropOf>[0]).cycle;
  return (
    <section aria-labelledby="story">
      <h2 id="story" className="text-xl">
        Why there, and why now
      </h2>
      <p>{SEASON_WORDS[tree.season]}</p>
      <p className="mt-1">
        {facts.cameAs === 'not known' ? '' : `It came ${CAME_WORDS[facts.cameAs]}. `}
        It is {PHASE_WORDS[plan.phase]}
        {next
          ? `; from ${fullDate(next.from)} ${next.phase === 'established' ? 'it counts as established' : `it is ${PHASE_WORDS[next.phase]}`}`
          : ''}
        .{' '}
        {plan.drySummer && plan.phase === 'established'
          ? 'It is at home where summers are dry: nothing at its base in the hottest weeks. '
          : ''}
        {plan.touchy ? 'Its kind bears neither drying nor wet feet: its gap is kept shorter. ' : ''}
      </p>
      <p className="mt-1">
        Its roots go out to about {units.text('length', tenth(plan.rootsM))}; the fine ones that drink lie
        near the surface and far out, where there is air.
        {facts.sort === 'tree' && plan.phase === 'established'
          ? ' Water at the trunk feeds rot; a ring farther out draws roots out, and they hold the tree.'
          : ''}
      </p>
      {facts.sort === 'tree' && facts.canopyM >= 4 ? (
        <p className="mt-1">Its shade cools the ground round it, so it comes first when water is short.</p>
      ) : null}
      {facts.near === 'building' && facts.canopyM >= 6 ? (
        <Caution of="old trees" className="max-w-prose mt-1" />
      ) : null}
      {fruit === 'evergreen' ? <p className="mt-1">It keeps its leaves: watch it in icy wind.</p> : null}
    </section>
  );
}

/** A soak that wets less of its roots’ ground leaves a tree short in a hot summer, share. From the engine’s own hot summers. */
const ENOUGH_ROOTS = 0.08;

export function RingAndMulch({ plan, facts }: { plan: TreePlan; facts: TreeFacts }) {
  const units = useUnits();
  const { mulch } = plan;
  const isTooLittle = plan.phase === 'established' && plan.rootsShare < ENOUGH_ROOTS;
  const { ring, wet, rootsShare, line, thick, thin } = explainTree(facts, plan);
  const row = (what: string, quantity: Quantity, working: Working, more = '') => ({
    what,
    text: `${units.text(quantity, working.value)}${more}`,
    working,
  });
  const rows = [
    row(
      'The ring',
      'area',
      ring,
      plan.openShare < 0.99 ? `, ${shareWords(plan.openShare)} of the round` : '',
    ),
    row('Of it gets wet', 'area', wet),
    row('Of its roots’ ground', 'share', rootsShare),
    ...(line.value > 0 ? [row('Line or hose', 'length', line)] : []),
    row(`Thick mulch, ${units.text('depth', THICK_MM)}`, 'volume', thick),
    row('Thin towards the trunk', 'volume', thin),
  ];
  return (
    <section aria-labelledby="mulch">
      <h2 id="mulch" className="text-xl">
        Ring and mulch
      </h2>
      <table className="w-full">
        <tbody>
          {rows.map(({ what, text, working }) => (
            <tr key={what} className="border-t border-rule">
              <th scope="row" className="py-0.5 pr-4 text-left font-normal text-quiet">
                {what}
              </th>
              <td className="text-right font-semibold whitespace-nowrap">
                <OpensTree title={what} working={working}>
                  {text}
                </OpensTree>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-sm text-quiet">
        {units.text('depth', THIN_MM)} only within {units.text('length', mulch.meetM)}, none against the bark.
        {plan.laid.by === 'soaker ring' && plan.laid.pieces === 1 && isTooLittle
          ? 'One circle of hose wets so little of its roots’ ground that it goes short in a hot summer. A second circle inside the first makes it enough. '
          : ''}
        {plan.rootsShare < 0.3
          ? ' A part of the roots that gets its full dose keeps the whole tree; in a long drought more of the round is better.'
          : ''}
      </p>
    </section>
  );
}

/** Where water is short: the two fall-backs, what they come to, and what they lack. */
export function WhenShort({ tree, plan, page }: { tree: TreeNow; plan: TreePlan; page: BedPageView }) {
  const units = useUnits();
  const garden = useGarden();
  const { fortnight, month } = explainTree(tree.facts, plan);
  const aDay = (mm: number): string => `${units.number('rate', mm)} ${units.of('depth').unit} a day`;
  return (
    <section aria-labelledby="short">
      <h2 id="short" className="text-xl">
        When water is short
      </h2>
      <p>
        Two rules of thumb (common practice), worked out for this ring. <strong>Every second week:</strong>{' '}
        <OpensTree title="A soak every second week" working={fortnight}>
          {units.text('volume', plan.fortnightL)}
        </OpensTree>
        , which is {aDay(RING_FORTNIGHT_MM_A_DAY)}.
      </p>
      <p className="mt-1">
        <strong>Once a month:</strong>{' '}
        <OpensTree title="A soak once a month" working={month}>
          {units.text('volume', plan.monthL)}
        </OpensTree>
        , which is {aDay(RING_MONTH_MM_A_DAY)}. That is for established trees only, because it leaves more
        than {plan.gapDays} days between soaks.
      </p>
      <p className="mt-1">
        {tree.scarce
          ? 'It is watered as where water is short. No feed this summer: it drives growth that wants water. '
          : ''}
        <Link className="underline underline-offset-4" to={`/garden/${garden.id}/beds/${page.bedId}#schools`}>
          {tree.scarce ? 'Another way of watering' : 'Take one of them'}
        </Link>
        . Trees come first: they cannot be had again, and a lawn comes back by itself.
      </p>
    </section>
  );
}
