import { historyOf, type BedPageView, type TreeNow } from '@kibble/contract';
import {
  cropOf,
  doseCheck,
  GAP_DAYS,
  LAYOUT_FACTS,
  METHOD_FACTS,
  RING_MONTH_MM,
  RING_FORTNIGHT_MM,
  treePlan,
  type BedPeriod,
  type TreeFacts,
  type TreePlan,
} from '@kibble/core';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { refusal, useBedPageQuery, useChangeTreeMutation, useLogWateringMutation } from '../../app/api.ts';
import { useGarden } from '../../app/gardenRound.ts';
import { noticeShown } from '../../app/noticeSlice.ts';
import { numberRule, typedSi } from '../../app/numberRule.ts';
import { useAppDispatch } from '../../app/store.ts';
import {
  BENEATH_WORDS,
  CAME_WORDS,
  gapWords,
  layoutLabel,
  layoutWords,
  PHASE_WORDS,
  ringText,
  ringWords,
  SEASON_WORDS,
  tenth,
} from '../../app/treeWords.ts';
import { minutesText, useUnits } from '../../app/units.ts';
import { dayMonth, fullDate, leaveHead, plainDate, waterSentence } from '../../app/words.ts';
import { Button } from '../../ui/Button.tsx';
import { Field } from '../../ui/Field.tsx';
import { Opens, Sentence } from '../../ui/Opens.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Loading, Trouble } from '../../ui/states.tsx';
import { TaskList } from '../../ui/TaskList.tsx';
import { useTaps } from '../../ui/useTaps.ts';
import { movesOf, useStopActs } from '../round/useStopActs.ts';
import { GapBar } from './GapBar.tsx';
import { draggedTo, faultOf, PlanView } from './PlanView.tsx';
import { RingSection } from './RingSection.tsx';
import { TreeForm } from './TreeForm.tsx';
import { TreeTag } from './TreeTag.tsx';
import { Years, yearsOf } from './Years.tsx';

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
  const fault = draft ? faultOf(draft, tree.plan.phase === 'established') : null;
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
          <Today page={page} tree={tree} plan={plan} facts={facts} tried={draft !== null} />
        </div>
      </div>
      <Years years={years} now={now} chosen={year} onChoose={setYear} />
      <div className="mt-4 grid gap-x-10 gap-y-4 border-t border-ink pt-3 lg:grid-cols-3">
        <Story tree={tree} plan={plan} facts={facts} page={page} />
        <Mulch plan={plan} facts={facts} />
        <Short tree={tree} plan={plan} page={page} />
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
      {sheet === 'change' ? <TreeForm bed={page.bed} tree={tree} onClose={() => setSheet(null)} /> : null}
      {sheet === 'move' ? <MoveOutward page={page} tree={tree} onClose={() => setSheet(null)} /> : null}
      {sheet === 'saved' ? <Saved page={page} onClose={() => setSheet(null)} /> : null}
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
  const { keep, isLoading, refused } = useKeep(page);
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

/** Keeps a tree as it is told now, with its way back. */
function useKeep(page: BedPageView) {
  const dispatch = useAppDispatch();
  const [change, { isLoading, error }] = useChangeTreeMutation();
  return {
    isLoading,
    refused: error ? refusal(error).message : null,
    keep: async (facts: TreeFacts, words: string): Promise<void> => {
      const { settings } = await change({
        bedId: page.bedId,
        body: { version: page.bed.version, tree: facts },
      }).unwrap();
      dispatch(noticeShown({ text: `${page.bedName} ${words}`, undoSettingIds: settings }));
    },
  };
}

/** What to do today, large; the gap; what the lawn takes; the loss of a hot day. */
function Today({
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
  const { keep } = useKeep(page);
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
          ? `${GAP_DAYS.fine} days are fine, ${GAP_DAYS.better} better.`
          : `In ${PHASE_WORDS[plan.phase]}: ${plan.gapDays} at most.`}
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
          {units.text('volume', roughly(tree.peak.litres))}. That is why it cannot wait long; it is no dose.
        </p>
      ) : null}
    </div>
  );
}

/** Seconds counted at a bush against the volume it is meant to get, at this tap. */
function SecondsCheck({ page, plan }: { page: BedPageView; plan: TreePlan }) {
  const units = useUnits();
  const [seconds, setSeconds] = useState('');
  const garden = useGarden();
  const { litresPerMinute } = historyOf(page.bed, garden.today).periods.at(-1)?.tree ?? page.bed.delivery;
  const rule = numberRule('seconds', seconds, units, true);
  const typed = rule === true ? typedSi('seconds', seconds, units) : undefined;
  const at = doseCheck({ litres: plan.litresEach, seconds: typed ?? 1, litresPerMinute });
  return (
    <div className="no-print mt-2">
      <p>
        {units.text('volume', plan.litresEach)} at {units.text('flow', litresPerMinute)} are{' '}
        <strong>{Math.round(at.seconds)} s</strong> a bush.
      </p>
      <div className="max-w-44">
        <Field
          label="You count"
          inputMode="decimal"
          unit="s"
          value={seconds}
          error={rule === true ? undefined : rule}
          onChange={(e) => setSeconds(e.target.value)}
        />
      </div>
      {typed === undefined ? null : (
        <p role="status" className={at.agrees ? '' : 'font-semibold text-brick'}>
          {at.agrees
            ? 'That agrees.'
            : `That is ${units.text('volume', at.litres)} a bush: count anew, or time a bucket at this tap.`}
        </p>
      )}
    </div>
  );
}

/** Two figures are all that a guess can bear. */
const roughly = (litres: number): number => Number(litres.toPrecision(2));

/** Its season, its phase, and when the next one comes. */
function Story({
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
        . {plan.touchy ? 'Its kind bears neither drying nor wet feet: its gap is kept shorter. ' : ''}
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

function Mulch({ plan, facts }: { plan: TreePlan; facts: TreeFacts }) {
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
function Short({ tree, plan, page }: { tree: TreeNow; plan: TreePlan; page: BedPageView }) {
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

/** The yearly move: old and new place, what changes with it, and the tag to print. */
function MoveOutward({ page, tree, onClose }: { page: BedPageView; tree: TreeNow; onClose: () => void }) {
  const units = useUnits();
  const garden = useGarden();
  const { keep, isLoading, refused } = useKeep(page);
  const { facts, plan } = tree;
  const [canopy, setCanopy] = useState(units.number('length', facts.canopyM));
  const rule = numberRule('canopyM', canopy, units);
  const canopyM = rule === true ? (typedSi('canopyM', canopy, units) ?? facts.canopyM) : facts.canopyM;
  const planting = page.bed.planting;
  const then = historyOf(page.bed, garden.today).periods.at(-1) as BedPeriod;
  let moved: { facts: TreeFacts; plan: TreePlan } | null = null;
  if (planting && rule === true) {
    const given = { ...planting, endedOn: undefined };
    const delivery = {
      ...then.delivery,
      litresPerMinute: then.tree?.litresPerMinute ?? page.bed.delivery.litresPerMinute,
    };
    const wide = { ...facts, canopyM };
    const { wanted } = treePlan(wide, given, garden.today, then.bed.ground, delivery);
    const out = { ...wide, ring: wanted };
    moved = { facts: out, plan: treePlan(out, given, garden.today, then.bed.ground, delivery) };
  }
  return (
    <Sheet open onClose={onClose} title={`${page.bedName}: move the water outward`}>
      <p>
        Once a year, before growth begins or when it has rooted, lines, spots and the mulched circle go
        outward with the branches. Measure them, and Kibble lays out the ring anew.
      </p>
      <div className="my-3 max-w-56">
        <Field
          label="Branches across now"
          inputMode="decimal"
          unit={units.of('length').unit}
          value={canopy}
          error={rule === true ? undefined : rule}
          onChange={(e) => setCanopy(e.target.value)}
        />
      </div>
      {moved ? (
        <table className="mb-3 w-full">
          <thead className="text-left text-sm text-quiet">
            <tr>
              <th className="font-normal"> </th>
              <th className="pr-4 font-normal">was</th>
              <th className="font-normal">from today</th>
            </tr>
          </thead>
          <tbody>
            {(
              [
                ['From the trunk', ringText(facts.ring, units), ringText(moved.facts.ring, units)],
                ['Water', units.text('volume', plan.litres), units.text('volume', moved.plan.litres)],
                ['How', layoutWords(plan, facts.count, units), layoutWords(moved.plan, facts.count, units)],
                [
                  'Mulch to',
                  units.text('length', plan.mulch.outerM),
                  units.text('length', Math.max(moved.plan.mulch.outerM, moved.facts.ring.outerM)),
                ],
              ] as const
            ).map(([what, was, is]) => (
              <tr key={what} className="border-t border-rule align-baseline">
                <th scope="row" className="pr-4 text-left font-normal text-quiet">
                  {what}
                </th>
                <td className="pr-4">{was}</td>
                <td className="font-semibold">{is}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : null}
      {refused ? (
        <p role="alert" className="font-semibold text-brick">
          {refused}
        </p>
      ) : null}
      <div className="flex flex-wrap gap-2">
        <Button
          disabled={isLoading || moved === null}
          onClick={() =>
            moved &&
            void keep(
              moved.facts,
              `is watered ${ringText(moved.facts.ring, units)} from the trunk from today.`,
            )
              .then(onClose)
              .catch(() => undefined)
          }
        >
          It is moved
        </Button>
        <Button look="quiet" onClick={onClose}>
          Not yet
        </Button>
      </div>
    </Sheet>
  );
}

/** Shower water, kitchen water, what was saved: credited to the tree as it is poured. */
function Saved({ page, onClose }: { page: BedPageView; onClose: () => void }) {
  const units = useUnits();
  const dispatch = useAppDispatch();
  const [water, { isLoading, error }] = useLogWateringMutation();
  const [litres, setLitres] = useState('');
  const [wrong, setWrong] = useState<string | undefined>();
  const give = async (): Promise<void> => {
    const rule = numberRule('litres', litres, units);
    setWrong(rule === true ? undefined : rule);
    if (rule !== true) return;
    const event = await water({
      bedId: page.bedId,
      body: { litres: typedSi('litres', litres, units), note: 'saved water' },
    }).unwrap();
    dispatch(
      noticeShown({
        text: `${page.bedName}: ${units.text('volume', event.litres ?? 0)} of saved water written down.`,
        undoEventId: event.id,
      }),
    );
    onClose();
  };
  return (
    <Sheet open onClose={onClose} title={`Saved water for ${page.bedName}`}>
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          void give().catch(() => undefined);
        }}
      >
        <p>
          Water caught while the shower runs warm, or kept from rinsing, poured on the ring. Without soap or
          salt, the same day, and not where local rules forbid it.
        </p>
        <Field
          label="Poured"
          inputMode="decimal"
          unit={units.of('volume').unit}
          value={litres}
          error={wrong ?? (error ? refusal(error).message : undefined)}
          onChange={(e) => setLitres(e.target.value)}
        />
        <div className="flex gap-2">
          <Button type="submit" disabled={isLoading}>
            Write it down
          </Button>
          <Button look="quiet" onClick={onClose}>
            Leave it
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
