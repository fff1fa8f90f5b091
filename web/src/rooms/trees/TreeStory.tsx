import type { BedPageView, TreeNow } from '@kibble/contract';
import {
  cropOf,
  GAP_DAYS,
  RING_FORTNIGHT_MM,
  RING_MONTH_MM,
  type TreeFacts,
  type TreePlan,
} from '@kibble/core';
import { Link } from 'react-router';
import { useGarden } from '../../app/gardenRound.ts';
import { CAME_WORDS, PHASE_WORDS, SEASON_WORDS, tenth } from '../../app/treeWords.ts';
import { useUnits } from '../../app/units.ts';
import { fullDate } from '../../app/words.ts';

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
        {plan.phase === 'established' ? 'It is established' : `It is in ${PHASE_WORDS[plan.phase]}`}
        {next
          ? `; from ${fullDate(next.from)} ${next.phase === 'established' ? 'it counts as established' : `in ${PHASE_WORDS[next.phase]}`}`
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
        <p className="mt-1">
          Its shade spares the ground round it some 3 or 4 degrees: it comes first when water is short.
        </p>
      ) : null}
      {facts.near === 'building' && facts.canopyM >= 6 ? (
        <p className="mt-1 font-semibold">
          A large tree by a building: dead limbs are for a qualified arborist.
        </p>
      ) : null}
      {fruit === 'evergreen' ? <p className="mt-1">It keeps its leaves: watch it in icy wind.</p> : null}
    </section>
  );
}

export function RingAndMulch({ plan, facts }: { plan: TreePlan; facts: TreeFacts }) {
  const units = useUnits();
  const { mulch } = plan;
  return (
    <section aria-labelledby="mulch">
      <h2 id="mulch" className="text-xl">
        Ring and mulch
      </h2>
      <table className="w-full">
        <tbody>
          {(
            [
              [
                'The ring',
                `${units.text('area', plan.ringM2)}${plan.openShare < 0.99 ? `, ${Math.round(100 * plan.openShare)} % of the round` : ''}`,
              ],
              ['Of it gets wet', units.text('area', plan.wetM2)],
              ['Of its roots’ ground', `${Math.round(100 * plan.rootsShare)} %`],
              ...(plan.laid.lineM > 0
                ? [['Line or hose', units.text('length', tenth(plan.laid.lineM * facts.count))]]
                : []),
              [
                'Thick mulch, 100 mm'.replace('100 mm', units.text('depth', 100)),
                `${units.text('volume', mulch.thickL * facts.count)}`,
              ],
              ['Thin towards the trunk', `${units.text('volume', mulch.thinL * facts.count)}`],
            ] as [string, string][]
          ).map(([what, value]) => (
            <tr key={what} className="border-t border-rule">
              <th scope="row" className="py-0.5 pr-4 text-left font-normal text-quiet">
                {what}
              </th>
              <td className="text-right font-semibold whitespace-nowrap">{value}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-sm text-quiet">
        {units.text('depth', 25)} only within {units.text('length', mulch.meetM)}, none against the bark.
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
  return (
    <section aria-labelledby="short">
      <h2 id="short" className="text-xl">
        When water is short
      </h2>
      <p>
        <strong>{units.text('depth', RING_FORTNIGHT_MM)} a fortnight</strong> over the ring:{' '}
        {units.text('volume', plan.fortnightL)}, 3.6 mm a day.
      </p>
      <p className="mt-1">
        <strong>{units.text('depth', RING_MONTH_MM)} a month</strong>: {units.text('volume', plan.monthL)},
        2.5 mm a day. That is three tenths less, and past the {GAP_DAYS.limit} days it should stand: to keep
        it alive.
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
