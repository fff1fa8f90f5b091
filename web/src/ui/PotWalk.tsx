import type { PotView, SpotView } from '@kibble/contract';
import type { ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import { doseText, giveText } from '../words/potWords.ts';
import { minutesText, useUnits } from '../words/units.ts';
import { Button } from './Button.tsx';
import { echoesTick, useUnderFinger } from './underFinger.ts';
import { usePotActs, type PotActs } from './usePotActs.ts';
import { later } from './later.tsx';

const Fold = later(async () => (await import('./Fold.tsx')).Fold);

/** A spot's walk: each pot that asks, its dose and a box to tick; those to be looked at first; all of them at once. */
export function PotWalk({ spot, titled = false }: { spot: SpotView; titled?: boolean }) {
  const units = useUnits();
  const acts = usePotActs();
  const due = spot.pots.filter(({ give }) => give);
  const look = spot.pots.filter(({ leave }) => leave?.code === 'look if it is dry');
  const done = spot.pots.filter(({ today }) => today.some(({ entry }) => entry.kind === 'given'));
  const { walk } = spot;
  const under = useUnderFinger(spot);
  const row = (pot: PotView) => ({ pot, acts, held: under === tickOf(pot) });
  if (due.length + look.length + done.length === 0) return null;
  return (
    <div data-testid="pot-walk" aria-label={`Walk: ${spot.name}`} role="group">
      {due.length > 0 ? (
        <p className="flex items-baseline gap-3 leading-tight">
          <span className="min-w-0 flex-1">
            {titled ? <strong className="font-serif text-lg">{spot.name}</strong> : <strong>Now</strong>}:{' '}
            {walk.pots} {walk.pots === 1 ? 'pot' : 'pots'}, {units.text('litresFine', walk.litres)},{' '}
            {minutesText(walk.minutes)}
            {walk.cans > 1 ? `, ${walk.cans} cans` : ''}
            {spot.atDusk ? ', from sunset' : ''}
          </span>
          {due.length > 1 ? (
            <Button
              look="quiet"
              className="px-1 text-sm"
              disabled={acts.isLoading}
              onClick={(e) => {
                if (!echoesTick(e)) void acts.give(due).catch(() => undefined);
              }}
            >
              All {due.length} done
            </Button>
          ) : null}
        </p>
      ) : titled ? (
        <p>
          <strong className="font-serif text-lg">{spot.name}</strong>
        </p>
      ) : null}
      {acts.refused ? <p className="font-semibold text-brick">{acts.refused}</p> : null}
      <Folded folded={titled && due.length > 2} of={due.length}>
        {due.map((pot) => (
          <Due key={pot.id} {...row(pot)} />
        ))}
      </Folded>
      <ul>
        {look.map((pot) => (
          <Look key={pot.id} {...row(pot)} />
        ))}
        {done.map((pot) => (
          <Given key={pot.id} {...row(pot)} />
        ))}
      </ul>
    </div>
  );
}

/** In the round a place is one line; its pots are a tap away. */
function Folded({ folded, of, children }: { folded: boolean; of: number; children: ReactNode }) {
  if (of === 0) return null;
  return folded ? (
    <Fold heading="One by one" look="underline underline-offset-4">
      <ul>{children}</ul>
    </Fold>
  ) : (
    <ul>{children}</ul>
  );
}

function PotLink({ pot }: { pot: PotView }) {
  const { gardenId } = useParams();
  return (
    <Link className="underline decoration-rule underline-offset-4" to={`/garden/${gardenId}/pots/${pot.id}`}>
      {pot.name}
    </Link>
  );
}

const tickOf = (pot: PotView): string => `pot ${pot.id}`;

interface Row {
  pot: PotView;
  acts: PotActs;
  /** It came under the finger that ticked another one. */
  held: boolean;
}

const ROW = 'flex min-h-11 items-center gap-3 border-t border-rule';

function Due({ pot, acts, held }: Row) {
  const units = useUnits();
  return (
    <li className={ROW} data-tick={tickOf(pot)}>
      <span className="min-w-0 flex-1 leading-tight">
        <PotLink pot={pot} />
        {pot.give?.again ? (
          <span className="block text-sm text-quiet">
            and {doseText(pot.give.again.millilitres, units)} about {pot.give.again.hour}:00
          </span>
        ) : null}
      </span>
      <span className="text-right text-lg leading-tight font-bold">{giveText(pot, units)}</span>
      <button
        type="button"
        aria-label={`Done: ${pot.name}`}
        className="flex size-11 items-center justify-center"
        disabled={held || acts.isLoading}
        onClick={(e) => {
          if (!echoesTick(e)) void acts.give([pot]).catch(() => undefined);
        }}
      >
        <span aria-hidden className="size-6 border-2 border-ink bg-paper" />
      </button>
    </li>
  );
}

/** What must be dry first: asked, and only then watered. */
function Look({ pot, acts, held }: Row) {
  return (
    <li className={`${ROW} flex-wrap`} data-tick={tickOf(pot)}>
      <span className="min-w-32 flex-1 leading-tight">
        <PotLink pot={pot} />: wholly dry?
      </span>
      <Button
        look="quiet"
        className="px-1"
        disabled={held}
        onClick={(e) => {
          if (!echoesTick(e))
            void acts.one(pot, { kind: 'seen', sign: 'wholly dry' }, 'wholly dry.').catch(() => undefined);
        }}
      >
        Dry
        <span className="sr-only"> through: {pot.name}</span>
      </Button>
      <Button
        look="quiet"
        className="px-1"
        disabled={held}
        onClick={(e) => {
          if (!echoesTick(e))
            void acts.one(pot, { kind: 'left' }, 'left alone today.').catch(() => undefined);
        }}
      >
        Not yet
        <span className="sr-only"> dry: {pot.name}</span>
      </Button>
    </li>
  );
}

function Given({ pot, acts, held }: Row) {
  const units = useUnits();
  const given = pot.today.flatMap(({ id, entry }) =>
    entry.kind === 'given' ? [{ id, ml: entry.millilitres }] : [],
  );
  const total = given.reduce((sum, { ml }) => sum + ml, 0);
  return (
    <li className={`${ROW} text-quiet`} data-tick={tickOf(pot)}>
      <span className="min-w-0 flex-1">
        <PotLink pot={pot} /> had {doseText(total, units)}
      </span>
      <Button
        look="quiet"
        className="px-1 text-sm"
        disabled={held}
        onClick={(e) => {
          if (!echoesTick(e)) acts.takeBack(given.map(({ id }) => id));
        }}
      >
        Take back
        <span className="sr-only">: {pot.name}</span>
      </Button>
    </li>
  );
}
