import type { PotsView, PotView, SpotView } from '@kibble/contract';
import { isColdWater, summed, vesselKind } from '@kibble/core';
import { useContext, useState } from 'react';
import { Link } from 'react-router';
import { usePotsQuery } from '../../api/api.ts';
import { useArchivePotMutation, useBeginSequenceMutation } from '../../api/pots.ts';
import { RoundContext, useGarden } from '../../state/gardenRound.ts';
import { minutesText, useUnits } from '../../words/units.ts';
import { isOver, vesselsText } from '../../words/potWords.ts';
import { dayMonth, timeOfDay } from '../../words/words.ts';
import { Shelf, ShelfKey } from '../../drawing/Shelf.tsx';
import { AfterFirst } from '../../ui/AfterFirst.tsx';
import { Button } from '../../ui/Button.tsx';
import { OpensTree } from '../../ui/Opens.tsx';
import { PotTasks } from '../../ui/PotTasks.tsx';
import { PotWalk } from '../../ui/PotWalk.tsx';
import { Empty, Loading, Trouble } from '../../ui/states.tsx';
import { UnderWay } from '../../ui/UnderWay.tsx';
import { DaysAway } from './DaysAway.tsx';
import { useBegin } from '../../ui/useBegin.ts';
import { PotForm } from './PotForm.tsx';
import { PotWater } from './PotWater.tsx';
import { Refused } from '../../ui/Refused.tsx';
import { Check } from '../../ui/Check.tsx';
import { Fold } from '../../ui/Fold.tsx';

/** All pots and trays, shelf by shelf: what each can still give, and what to do. */
export function PotsRoom() {
  const garden = useGarden();
  const units = useUnits();
  const { data, error, refetch } = usePotsQuery(garden.id);
  const sun = useContext(RoundContext)?.sun;
  const [adding, setAdding] = useState(useBegin());
  const [archive] = useArchivePotMutation();
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  if (!data) return <Loading what="the shelf" />;
  const { totals, spots } = data;
  return (
    <section>
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-3xl">Pots &amp; trays</h1>
        <p>
          {totals.pots === 0 ? (
            'No pot asks for water now.'
          ) : (
            <>
              {totals.pots} {totals.pots === 1 ? 'asks' : 'ask'} for water:{' '}
              <OpensTree
                title="Water for the pots now"
                working={summed(
                  'Water for the pots now',
                  'L',
                  spots.map((spot) => ({ label: spot.name, value: spot.walk.litres })),
                )}
              >
                {units.text('litresFine', totals.litres)}
              </OpensTree>
              , {minutesText(totals.minutes)}, {totals.cans} {totals.cans === 1 ? 'can' : 'cans'}.
            </>
          )}
          {totals.pots > 0 && sun ? ` It is light until ${timeOfDay(sun.sunset * 60, units)}.` : ''}
        </p>
        <span className="no-print ml-auto flex gap-x-4">
          <Link className="flex min-h-11 items-center font-semibold underline underline-offset-4" to="weigh">
            Weigh in
          </Link>
          <Button look="quiet" onClick={() => setAdding(true)}>
            Add a pot or tray
          </Button>
        </span>
      </div>
      <UnderWay sequences={data.sequences} />
      {data.unplanned.map((pot) => (
        <p key={pot.id} role="alert" className="border-l-4 border-brick pl-3">
          <strong>{pot.name}</strong> cannot be planned: {pot.message}
        </p>
      ))}
      {spots.length === 0 ? (
        <Empty title="No pot yet">
          Add one: its size, its mix and what grows in it are enough to begin with.
        </Empty>
      ) : null}
      {spots.slice(0, 1).map((spot) => (
        <Spot key={spot.name} spot={spot} view={data} />
      ))}
      <AfterFirst>
        {spots.slice(1).map((spot) => (
          <Spot key={spot.name} spot={spot} view={data} />
        ))}
        {spots.length > 0 ? <ShelfKey /> : null}
        {spots.length > 0 ? <DaysAway view={data} /> : null}
        {spots.length > 0 ? <PotWater view={data} /> : null}
        {data.archived.length > 0 ? (
          <Fold heading={<>{data.archived.length} put away</>} className="mt-6">
            <ul>
              {data.archived.map((pot) => (
                <li key={pot.id}>
                  {pot.name}, {pot.spot}{' '}
                  <Button
                    look="quiet"
                    className="px-2"
                    onClick={() => void archive({ potId: pot.id, restore: true })}
                  >
                    Bring back
                  </Button>
                </li>
              ))}
            </ul>
          </Fold>
        ) : null}
      </AfterFirst>
      {adding ? (
        <PotForm pot={null} spots={spots.map(({ name }) => name)} onClose={() => setAdding(false)} />
      ) : null}
    </section>
  );
}

/** Pots that stand together: their walk, their shelf, what to mind. */
function Spot({ spot, view }: { spot: SpotView; view: PotsView }) {
  const units = useUnits();
  const trays = spot.pots.filter(({ kind }) => vesselKind(kind).seedlings);
  return (
    <section aria-label={spot.name} className="mt-4 border-t-2 border-ink pt-2">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-2xl">{spot.name}</h2>
        <p className="text-sm text-quiet">
          {vesselsText(spot.pots)}
          {spot.away.first
            ? `; watered today and then left, the first hangs on ${dayMonth(spot.away.first)}`
            : spot.pots.every(isOver)
              ? '; their plants are dead or finished'
              : '; watered today and then left, all last the fortnight'}
          {spot.again ? `; a second look this afternoon, ${units.text('litresFine', spot.again.litres)}` : ''}
          .
        </p>
      </div>
      <div className="mt-1 grid gap-x-8 lg:grid-cols-[minmax(0,1fr)_20rem]">
        <Shelf pots={spot.pots} today={view.date} label={spot.name} />
        <div className="mt-3 lg:mt-0">
          <PotWalk spot={spot} />
          <PotTasks pots={spot.pots} />
          {trays.length > 0 ? <Soak trays={trays} view={view} /> : null}
        </div>
      </div>
    </section>
  );
}

/** Trays are asked by what is seen; those that are ready go into the bath together. */
function Soak({ trays, view }: { trays: readonly PotView[]; view: PotsView }) {
  const garden = useGarden();
  const units = useUnits();
  const [begin, { isLoading, error }] = useBeginSequenceMutation();
  const busy = new Set(view.sequences.flatMap(({ potIds }) => potIds));
  const free = trays.filter((tray) => !busy.has(tray.id) && !isOver(tray) && tray.leave?.code !== 'frozen');
  const dry = free.filter(({ leave, give }) => give !== null || leave?.code === 'look for the signs');
  const [chosen, setChosen] = useState<ReadonlySet<number> | null>(null);
  const ids = chosen ?? new Set(dry.map(({ id }) => id));
  const cold = isColdWater(view.coldC);
  if (free.length === 0) return null;
  return (
    <fieldset className="mt-3 border-t border-rule pt-1">
      <legend className="float-left w-full font-semibold">Soak trays</legend>
      <p className="clear-both text-sm text-quiet">
        No date is kept to: soak when the mix shrinks from the side, a tray is light, or leaves droop. From
        below, no can over seedlings.
        {cold
          ? ` ${units.text('temperature', view.coldC ?? 0)} last night: the water stands 30 min first.`
          : ''}
      </p>
      <ul>
        {free.map((tray) => (
          <li key={tray.id}>
            <Check
              checked={ids.has(tray.id)}
              onChange={() => {
                const next = new Set(ids);
                if (!next.delete(tray.id)) next.add(tray.id);
                setChosen(next);
              }}
            >
              {tray.name}
              {dry.includes(tray) ? <span className="text-sm text-quiet">probably dry</span> : null}
            </Check>
          </li>
        ))}
      </ul>
      <Button
        className="mt-1"
        disabled={isLoading || ids.size === 0}
        onClick={() =>
          void begin({
            gardenId: garden.id,
            body: { kind: 'tray soak', potIds: free.filter(({ id }) => ids.has(id)).map(({ id }) => id) },
          })
            .unwrap()
            .then(() => setChosen(null))
            .catch(() => undefined)
        }
      >
        Soak {ids.size} {ids.size === 1 ? 'tray' : 'trays'}
      </Button>
      <Refused error={error} />
    </fieldset>
  );
}
