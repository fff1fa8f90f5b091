import type { PotsView } from '@kibble/contract';
import { isUrgent } from '@kibble/core';
import { Link } from 'react-router';
import { giveText, taskText } from '../../words/potWords.ts';
import { minutesText, useUnits } from '../../words/units.ts';
import { PotTasks } from '../../ui/PotTasks.tsx';
import { PotWalk } from '../../ui/PotWalk.tsx';
import { later } from '../../ui/later.tsx';

const Fold = later(async () => (await import('../../ui/Fold.tsx')).Fold);

/** Pots in the round: each place one group, with its litres, minutes and cans. */
export function PotWalks({ pots }: { pots: PotsView }) {
  const units = useUnits();
  const { totals } = pots;
  const walked = pots.spots.filter(
    ({ walk, pots: of }) =>
      walk.pots > 0 || of.some(({ leave, today }) => leave?.code === 'look if it is dry' || today.length > 0),
  );
  const trays = pots.spots.flatMap(({ pots: of }) =>
    of.filter(({ leave }) => leave?.code === 'look for the signs'),
  );
  const all = pots.spots.flatMap(({ pots: of }) => of);
  // The same thing of several pots is one line.
  const besides = new Set(all.flatMap(({ tasks }) => tasks.map(taskText))).size;
  const urgent = pots.spots.flatMap(({ pots: of }) =>
    of.flatMap((pot) => pot.tasks.filter(isUrgent).map((task) => ({ name: pot.name, text: taskText(task) }))),
  );
  if (walked.length + trays.length + besides === 0) return null;
  return (
    <section aria-label="Pots" className="mt-6 border-t-2 border-ink pt-2">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-xl">Pots</h2>
        <p className="text-quiet">
          {totals.pots > 0
            ? `${totals.pots} ask for water: ${units.text('litresFine', totals.litres)}, ${minutesText(totals.minutes)}, ${totals.cans} ${totals.cans === 1 ? 'can' : 'cans'}`
            : 'none asks for water now'}
        </p>
        <Link className="ml-auto flex min-h-11 items-center underline underline-offset-4" to="../pots">
          The shelf
        </Link>
      </div>
      {urgent.map(({ name, text }) => (
        <p key={name + text} className="border-l-4 border-brick pl-2 font-semibold">
          {name}: {text}
        </p>
      ))}
      <div className="grid gap-x-10 md:grid-cols-2">
        {walked.map((spot) => (
          <PotWalk key={spot.name} spot={spot} titled />
        ))}
      </div>
      {trays.length > 0 ? (
        <p className="mt-2">
          Look at {trays.length === 1 ? 'a tray' : `${trays.length} trays`}:{' '}
          {trays.map(({ name }) => name).join(' · ')}. Soak those that have shrunk from the side, are light or
          droop.
        </p>
      ) : null}
      {besides > 0 ? (
        <Fold
          heading={
            <>
              Besides: {besides} {besides === 1 ? 'thing' : 'things'} to mind about the pots
            </>
          }
          look="underline underline-offset-4"
        >
          <PotTasks pots={all} />
        </Fold>
      ) : null}
    </section>
  );
}

/** The same on paper. */
export function PotsOnPaper({ pots }: { pots: PotsView }) {
  const units = useUnits();
  const spots = pots.spots.filter(({ walk }) => walk.pots > 0);
  if (spots.length === 0) return null;
  return (
    <div className="mt-3 text-sm">
      {spots.map((spot) => (
        <p key={spot.name}>
          <strong>
            {spot.name} ({spot.walk.pots} pots, {units.text('litresFine', spot.walk.litres)}):
          </strong>{' '}
          {spot.pots
            .filter(({ give }) => give)
            .map((pot) => `\u2610 ${pot.name} ${giveText(pot, units)}`)
            .join('   ')}
        </p>
      ))}
    </div>
  );
}
