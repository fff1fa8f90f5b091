import type { TreesView } from '@kibble/contract';
import { useState } from 'react';
import { Link } from 'react-router';
import { useTreesQuery } from '../../api/api.ts';
import { useGarden, useGardenRound } from '../../state/gardenRound.ts';
import { layoutWords, PHASE_WORDS, ringText } from '../../words/treeWords.ts';
import { useUnits } from '../../words/units.ts';
import { plainDate, shareWords } from '../../words/words.ts';
import { Button } from '../../ui/Button.tsx';
import { Empty, Loading, Trouble } from '../../ui/states.tsx';
import { TaskList } from '../../ui/TaskList.tsx';
import { GapBar } from './GapBar.tsx';
import { useBegin } from '../../ui/useBegin.ts';
import { TreeForm } from './TreeForm.tsx';

type Row = TreesView['trees'][number];

/** Trees, shrubs and hedges: how long each may still stand, and where it is watered. */
export function TreesRoom() {
  const garden = useGarden();
  const units = useUnits();
  const round = useGardenRound();
  const { data: view, error, refetch } = useTreesQuery(garden.id);
  const [telling, setTelling] = useState<number | 'new' | null>(useBegin() ? 'new' : null);
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  if (!view) return <Loading what="the trees" />;
  const ids = new Set(view.trees.map(({ bedId }) => bedId));
  const tasks = round.tasks.filter(({ bedId }) => ids.has(bedId));
  // Whoever has least left of its gap comes first.
  const rows = [...view.trees].sort((a, b) => left(a) - left(b));
  const bed = typeof telling === 'number' ? (garden.beds.find(({ id }) => id === telling) ?? null) : null;
  return (
    <section>
      <div className="mb-2 flex flex-wrap items-center justify-between gap-x-6">
        <h1 className="text-3xl">Trees</h1>
        <Button onClick={() => setTelling('new')}>A tree, shrub or hedge more</Button>
      </div>
      {rows.length === 0 ? (
        <Empty title="No tree yet">
          Tell one by its trunk, its branches and about when it was planted: a first plan grows as you type.
        </Empty>
      ) : (
        <p className="mb-2 max-w-prose">
          Each by how much of its longest gap has passed. Of the fortnight’s {units.text('volume', view.allL)}
          , trees and shrubs take {units.text('volume', view.treesL)},{' '}
          {shareWords(view.allL > 0 ? view.treesL / view.allL : 0)}: the last water to save.
        </p>
      )}
      {view.lawnsOff.map(({ bedName, trees }) => (
        <p key={bedName} className="mb-2 border-l-4 border-brick pl-3">
          <strong>{bedName} gets no water now.</strong>{' '}
          {trees.length > 0
            ? `${trees.join(', ')} shared it: ${trees.length === 1 ? 'it lives' : 'they live'} on soaks of ${trees.length === 1 ? 'its' : 'their'} own.`
            : 'Does a tree stand in it? Tell it here, so that it gets soaks of its own.'}
        </p>
      ))}
      <ul>
        {rows.map((row) => (
          <TreeRow key={row.bedId} row={row} today={garden.today} gardenId={garden.id} />
        ))}
      </ul>
      {view.woodyBeds.length > 0 ? (
        <section aria-labelledby="woody" className="mt-5">
          <h2 id="woody" className="text-xl">
            Kept as beds
          </h2>
          <p className="text-sm text-quiet">
            Woody plants that are watered over a bed. Told as trees or shrubs, they get a ring, a gap clock
            and a yearly move.
          </p>
          <ul>
            {view.woodyBeds.map(({ bedId, bedName, cropName }) => (
              <li key={bedId} className="flex flex-wrap items-center gap-x-4 border-t border-rule">
                <span className="flex-1">
                  {bedName}
                  {cropName ? `, ${cropName.toLowerCase()}` : ''}
                </span>
                <Button look="quiet" onClick={() => setTelling(bedId)}>
                  Tell it as a tree or shrub
                </Button>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      <TaskList tasks={tasks} named />
      {telling === 'new' ? <TreeForm bed={null} tree={null} onClose={() => setTelling(null)} /> : null}
      {bed ? <TreeForm bed={bed} tree={null} onClose={() => setTelling(null)} /> : null}
    </section>
  );
}

const left = ({ tree: { soak } }: Row): number => (soak ? 1 - soak.counted / soak.gapDays : 1);

function TreeRow({ row, today, gardenId }: { row: Row; today: string; gardenId: number }) {
  const units = useUnits();
  const { tree } = row;
  const { facts, plan } = tree;
  const due = row.nextDate === today;
  return (
    <li className="grid items-center gap-x-5 gap-y-1 border-t border-rule py-2 sm:grid-cols-[3rem_minmax(0,15rem)_15rem_minmax(0,1fr)]">
      <Glyph row={row} />
      <div className="leading-tight">
        <Link
          className="font-serif text-lg font-semibold underline decoration-rule underline-offset-4"
          to={`/garden/${gardenId}/trees/${row.bedId}`}
        >
          {row.bedName}
        </Link>
        <span className="block text-sm text-quiet">
          {facts.count > 1 ? `${facts.count} × ` : ''}
          {row.cropName?.toLowerCase()}, {PHASE_WORDS[plan.phase]}
        </span>
      </div>
      <GapBar tree={tree} width={230} named={false} />
      <div className="leading-tight">
        <strong>
          {due
            ? 'Water today'
            : row.nextDate
              ? `Next ${plainDate(row.nextDate, today)}`
              : 'Not within the fortnight'}
        </strong>
        {row.litres !== null && row.litres > 0 ? `: ${units.text('volume', row.litres)}` : ''}
        <span className="block text-sm text-quiet">
          {layoutWords(plan, facts.count, units)}; {ringText(facts.ring, units)} from the{' '}
          {facts.sort === 'hedge' ? 'middle' : 'trunk'}
          {tree.soak ? `; ${Math.round(tree.soak.counted)} of ${tree.soak.gapDays} days` : ''}
          {plan.moveOut ? '; to be moved outward' : ''}
        </span>
      </div>
    </li>
  );
}

/** Ring and branches, small: all on one scale of their own, for the shape. */
function Glyph({ row: { tree } }: { row: Row }) {
  const { ring, canopyM, sort } = tree.facts;
  const far = Math.max(ring.outerM, canopyM / 2);
  const r = (m: number): number => (20 * m) / far;
  const middle = (r(ring.innerM) + r(ring.outerM)) / 2;
  return (
    <svg aria-hidden width={44} height={44} viewBox="-22 -22 44 44" className="hidden sm:block">
      {sort === 'hedge' ? (
        <>
          <rect x={-20} y={-9} width={40} height={18} fill="var(--water)" opacity={0.35} />
          <rect x={-20} y={-5} width={40} height={10} fill="var(--leaf)" opacity={0.7} rx={3} />
        </>
      ) : (
        <>
          <circle
            r={middle}
            fill="none"
            stroke="var(--water)"
            strokeWidth={Math.max(2, r(ring.outerM) - r(ring.innerM))}
            opacity={0.45}
          />
          <circle
            r={r(canopyM / 2)}
            fill="none"
            stroke="var(--leaf)"
            strokeWidth={1.6}
            strokeDasharray="4 3"
          />
          <circle r={2.5} fill="var(--root)" />
        </>
      )}
    </svg>
  );
}
