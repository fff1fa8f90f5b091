import type { BedPageView, TreeNow } from '@kibble/contract';
import { GAP_DAYS, LAYOUT_FACTS, METHOD_FACTS, type TreeFacts, type TreePlan } from '@kibble/core';
import { useGarden } from '../../state/gardenRound.ts';
import { gapWords, layoutLabel, layoutWords, PHASE_WORDS, ringWords } from '../../words/treeWords.ts';
import { minutesText, useUnits } from '../../words/units.ts';
import { dayMonth, days, leaveHead, plainDate, waterSentence } from '../../words/words.ts';
import { Button } from '../../ui/Button.tsx';
import { GapBar } from './GapBar.tsx';
import { useKeepTree } from './useKeepTree.ts';
import { SecondsCheck } from './SecondsCheck.tsx';
import { Opens, OpensTree, Sentence } from '../../ui/Opens.tsx';
import { movesOf, useStopActs } from '../round/useStopActs.ts';

/** What to do today, large; the gap; what the lawn takes; the loss of a hot day. */
export function TreeToday({
  page,
  tree,
  plan,
  facts,
  tried,
}: {
  page: BedPageView;
  tree: TreeNow;
  plan: TreePlan;
  facts: TreeFacts;
  tried: boolean;
}) {
  const units = useUnits();
  const garden = useGarden();
  const acts = useStopActs();
  const bed = { bedId: page.bedId, bedName: page.bedName };
  const { stop, leave, next } = page;
  const running = acts.runs(page.bedId);
  const moved = plan.moves > 1 && LAYOUT_FACTS[plan.laid.by].moved && plan.laid.by !== 'buckets';
  const carried =
    stop !== null && METHOD_FACTS[stop.method as keyof typeof METHOD_FACTS].fillLitres !== undefined;
  const { keep } = useKeepTree(page);
  return (
    <div data-testid="tree-today">
      <p className="text-quiet">
        {tried
          ? 'As it is drawn'
          : stop
            ? 'Today'
            : next
              ? `Next ${plainDate(next.date, garden.today)}`
              : 'When it is due'}
      </p>
      <p className="text-5xl leading-none font-bold">
        {minutesText(moved ? plan.eachMinutes : plan.minutes)}
      </p>
      <p className="mt-1 text-lg leading-snug font-semibold">
        {moved ? `at each of ${plan.moves} spots, ${minutesText(plan.minutes)} in all, ` : ''}
        <Opens {...bed} of="litres">
          {units.text('volume', plan.litres)}
        </Opens>
        {facts.count > 1 ? `, ${units.text('volume', plan.litresEach)} each` : ''}
      </p>
      <p className="text-quiet">
        {layoutLabel(plan, facts.sort)}: {layoutWords(plan, facts.count, units)}.{' '}
        {units.text('depth', plan.depthMm)} where it falls,{' '}
        {ringWords(facts.ring, units, facts.sort === 'hedge')}.
      </p>
      {stop && !tried ? (
        <>
          <p className="mt-2">
            <Sentence {...bed} pieces={waterSentence(stop.reason, stop.reachesMm, units, stop.run.localMm)} />
          </p>
          <div className="no-print mt-2">
            {running ? (
              <p className="bg-sheet px-4 py-3 font-semibold">The tap runs: its clock is above.</p>
            ) : carried ? (
              <Button
                className="w-full"
                disabled={acts.isLoading}
                onClick={() => void acts.done(stop).catch(() => undefined)}
              >
                It had its water
              </Button>
            ) : (
              <div className="flex gap-2">
                <Button className="flex-1" onClick={() => void acts.openTap(stop).catch(() => undefined)}>
                  {movesOf(stop) ? 'Open the tap at spot 1' : 'Open the tap'}
                </Button>
                <Button
                  look="quiet"
                  disabled={acts.isLoading}
                  onClick={() => void acts.done(stop).catch(() => undefined)}
                >
                  Done
                </Button>
              </div>
            )}
          </div>
        </>
      ) : null}
      {facts.sort === 'shrub' && !tried ? <SecondsCheck page={page} plan={plan} /> : null}
      {leave && !tried ? (
        <p className="mt-2">
          <strong>Leave it today: {leaveHead(leave.reason, leave.nextDate)}.</strong>
        </p>
      ) : null}
      <h2 className="mt-3 text-xl">The gap</h2>
      <GapBar tree={tree} />
      <p className="mt-1">
        {gapWords(tree)}{' '}
        {plan.phase === 'established'
          ? `Every ${GAP_DAYS.fine} days is plenty, every ${GAP_DAYS.better} is good, and ${plan.gapDays} is the limit.`
          : `It is ${PHASE_WORDS[plan.phase]}: at most ${days(plan.gapDays)} between two waterings.`}
      </p>
      {tree.soak && tree.soak.ballGone !== null && stop?.reason.code !== 'ball' ? (
        <p>
          Its ball dries before the ground round it: {Math.round(100 * tree.soak.ballGone)} % of the ball’s
          water is gone.
        </p>
      ) : null}
      {facts.beneath === 'lawn' || facts.beneath === 'lawn, unwatered' ? (
        <>
          <h2 className="mt-3 text-xl">The lawn’s share</h2>
          <p>
            {facts.beneath === 'lawn'
              ? 'Of what the lawn gets, the tree has next to nothing: it stays in the turf’s own roots. '
              : 'The lawn is off: the tree lives on its own soaks now. '}
            <button
              type="button"
              className="no-print min-h-6 font-semibold underline underline-offset-4"
              onClick={() =>
                void keep(
                  { ...tree.facts, beneath: facts.beneath === 'lawn' ? 'lawn, unwatered' : 'lawn' },
                  facts.beneath === 'lawn'
                    ? 'stands in a lawn without water from today: its own soaks are all it has.'
                    : 'stands in a watered lawn again.',
                ).catch(() => undefined)
              }
            >
              {facts.beneath === 'lawn' ? 'The lawn’s water is off' : 'The lawn is watered again'}
            </button>
          </p>
        </>
      ) : null}
      {tree.peak && plan.phase === 'established' ? (
        <p className="mt-2 text-quiet">
          On {dayMonth(tree.peak.date)} {facts.count > 1 ? 'they' : 'it'} may lose some{' '}
          <OpensTree title="What it may lose" working={tree.peak.working}>
            {units.text('volume', roughly(tree.peak.working.value))}
          </OpensTree>
          . That is why it cannot wait long; it is no dose.
        </p>
      ) : null}
    </div>
  );
}

/** Two figures are all that a guess can bear. */
const roughly = (litres: number): number => Number(litres.toPrecision(2));
