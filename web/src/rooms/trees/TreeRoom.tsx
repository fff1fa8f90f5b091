import { type BedPageView, type TreeNow } from '@kibble/contract';
import {
  treePlan,
  trunkStaysDry,
  type BedPeriod,
  type TreeFacts,
  type TreePlan,
  historyOf,
} from '@kibble/core';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { useBedPageQuery } from '../../api/api.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { BENEATH_WORDS } from '../../words/treeWords.ts';
import { useUnits } from '../../words/units.ts';
import { fullDate } from '../../words/words.ts';
import { AfterFirst } from '../../ui/AfterFirst.tsx';
import { Button } from '../../ui/Button.tsx';
import { TaskList } from '../../ui/TaskList.tsx';
import { useTaps } from '../../ui/useTaps.ts';
import { RingSection } from './RingSection.tsx';
import { TreeForm } from './TreeForm.tsx';
import { SoakSizes } from './SoakSizes.tsx';
import { TreeTag } from './TreeTag.tsx';
import { useKeepTree } from './useKeepTree.ts';
import { TreeToday } from './TreeToday.tsx';
import { MoveOutward } from './MoveOutward.tsx';
import { SavedWater } from './SavedWater.tsx';
import { Loading, Trouble } from '../../ui/states.tsx';
import { draggedTo, faultOf, PlanView } from './PlanView.tsx';
import { Years, yearsOf } from './Years.tsx';
import { TreeStory, RingAndMulch, WhenShort } from './TreeStory.tsx';

/** One tree, shrub or hedge: where it is watered, how, and how long it may stand. */
export function TreeRoom() {
  const bedId = Number(useParams().bedId);
  const garden = useGarden();
  const { data: page, error, refetch } = useBedPageQuery(bedId);
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  if (!page) return <Loading what="the tree" />;
  if ('unplanned' in page || !page.tree)
    return (
      <p>
        This is not told as a tree.{' '}
        <Link className="underline underline-offset-4" to={`/garden/${garden.id}/beds/${bedId}`}>
          Its page as a bed
        </Link>
      </p>
    );
  return <Tree key={page.bed.version} page={page} tree={page.tree} />;
}

/** A tree's plan as it is dragged; the last one that can be, with why the next cannot. */
function usePlan(page: BedPageView, tree: TreeNow) {
  const garden = useGarden();
  const [draft, setDraft] = useState<TreeFacts | null>(null);
  const facts = draft ?? tree.facts;
  const fault = draft ? faultOf(draft, trunkStaysDry(draft, tree.plantedOn, garden.today)) : null;
  const now = historyOf(page.bed, garden.today).periods.at(-1) as BedPeriod;
  const { planting } = page.bed;
  let plan: TreePlan = tree.plan;
  if (draft && !fault && planting)
    plan = treePlan(
      facts,
      { ...planting, endedOn: undefined },
      garden.today,
      now.bed.ground,
      { ...now.delivery, litresPerMinute: now.tree?.litresPerMinute ?? page.bed.delivery.litresPerMinute },
      page.stop?.run.localMm ?? page.next?.localMm,
    );
  return { draft, setDraft, facts, fault, plan };
}

function Tree({ page, tree }: { page: BedPageView; tree: TreeNow }) {
  const units = useUnits();
  const garden = useGarden();
  const { draft, setDraft, facts, fault, plan } = usePlan(page, tree);
  const now = Number(garden.today.slice(0, 4));
  const [year, setYear] = useState(now);
  const [sheet, setSheet] = useState<'change' | 'move' | 'saved' | null>(null);
  const years = yearsOf(facts, tree.plantedOn, garden.today);
  const then = years.find((y) => y.year === year);
  const other =
    year !== now && then
      ? { ring: then.ring, words: `the ring of ${year}` }
      : plan.moveOut
        ? { ring: plan.wanted, words: 'where it wants to be' }
        : null;
  const { taps } = useTaps(garden.id);
  const running = taps.find(({ bedId }) => bedId === page.bedId);
  const hedge = facts.sort === 'hedge';
  return (
    <article>
      <p className="no-print text-sm">
        <Link className="underline underline-offset-4" to={`/garden/${garden.id}/trees`}>
          Trees
        </Link>
      </p>
      <div className="mb-2 flex flex-wrap items-baseline justify-between gap-x-6">
        <h1 className="text-3xl">{page.bedName}</h1>
        <p className="text-quiet">
          {facts.count > 1 ? `${facts.count} × ` : ''}
          {page.cropName?.toLowerCase()}, planted {fullDate(tree.plantedOn)}
          {facts.trunkM ? `, trunk ${units.text('span', facts.trunkM)}` : ''},{' '}
          {hedge
            ? `${units.text('length', facts.lengthM ?? 0)} long, ${units.text('length', facts.canopyM)} thick`
            : `branches ${units.text('length', facts.canopyM)} across`}
          , in {BENEATH_WORDS[facts.beneath]} on {page.textureClass}
        </p>
      </div>
      <div className="grid gap-x-7 gap-y-4 lg:grid-cols-[minmax(0,27rem)_13.5rem_minmax(0,1fr)]">
        <div>
          <PlanView
            tree={facts}
            plan={plan}
            other={other}
            at={running && !running.resting ? running.run : null}
            onEdge={(edge, m) => setDraft(draggedTo(facts, edge, m))}
          />
          <Dragged draft={draft} fault={fault} page={page} onLeave={() => setDraft(null)} />
        </div>
        <div className="hidden sm:block">
          <RingSection tree={facts} plan={plan} core={page.core} />
        </div>
        <div className="order-first lg:order-none">
          <TreeToday page={page} tree={tree} plan={plan} facts={facts} tried={draft !== null} />
        </div>
      </div>
      <AfterFirst>
        <Years years={years} now={now} chosen={year} onChoose={setYear} />
        <div className="mt-4 grid gap-x-10 gap-y-4 border-t border-ink pt-3 lg:grid-cols-3">
          <TreeStory tree={tree} plan={plan} facts={facts} page={page} />
          <RingAndMulch plan={plan} facts={facts} />
          <div className="flex flex-col gap-4">
            <SoakSizes tree={tree} plan={plan} page={page} />
            <WhenShort tree={tree} plan={plan} page={page} />
          </div>
        </div>
        <TaskList tasks={page.tasks} named={false} />
        <div className="no-print mt-4 -ml-4 flex flex-wrap border-t border-rule pt-2">
          <Button look="quiet" onClick={() => setSheet('change')}>
            Change it
          </Button>
          <Button look="quiet" onClick={() => setSheet('move')}>
            Move outward
          </Button>
          <Button look="quiet" onClick={() => setSheet('saved')}>
            Give it saved water
          </Button>
          <Button look="quiet" onClick={() => window.print()}>
            Print it for the tree
          </Button>
          <Link
            className="min-h-11 px-4 py-2 text-base font-semibold underline decoration-1 underline-offset-4"
            to={`/garden/${garden.id}/beds/${page.bedId}`}
          >
            Its balance, log and ways of watering
          </Link>
        </div>
        <TreeTag name={page.bedName} facts={facts} plan={plan} today={garden.today} />
      </AfterFirst>
      {sheet === 'change' ? <TreeForm bed={page.bed} tree={tree} onClose={() => setSheet(null)} /> : null}
      {sheet === 'move' ? <MoveOutward page={page} tree={tree} onClose={() => setSheet(null)} /> : null}
      {sheet === 'saved' ? <SavedWater page={page} onClose={() => setSheet(null)} /> : null}
    </article>
  );
}

/** What was dragged and is not kept yet. */
function Dragged({
  draft,
  fault,
  page,
  onLeave,
}: {
  draft: TreeFacts | null;
  fault: string | null;
  page: BedPageView;
  onLeave: () => void;
}) {
  const { keep, isLoading, refused } = useKeepTree(page);
  if (!draft)
    return (
      <p className="no-print mt-1 text-sm text-quiet">
        Drag the ring or the edge of the branches, or move them with the arrow keys: litres, minutes and spots
        follow at once.
      </p>
    );
  return (
    <div className="no-print mt-1" data-testid="dragged">
      {(fault ?? refused) ? (
        <p role="alert" className="font-semibold text-brick">
          {fault ?? refused}
        </p>
      ) : (
        <p>Not kept yet.</p>
      )}
      <div className="-ml-4 flex flex-wrap">
        <Button
          className="ml-4"
          disabled={isLoading || fault !== null}
          onClick={() => void keep(draft, 'is watered so from today.').catch(() => undefined)}
        >
          Keep it so
        </Button>
        <Button look="quiet" onClick={onLeave}>
          Leave as it was
        </Button>
      </div>
    </div>
  );
}
