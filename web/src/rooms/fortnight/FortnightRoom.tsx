import type { FortnightBed, PlanChange } from '@kibble/contract';
import { useCallback, useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useFortnightQuery, usePotsQuery } from '../../api/api.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { usePref } from '../../state/pref.ts';
import { minutesText, useUnits } from '../../words/units.ts';
import { partsOf } from '../../words/inParts.ts';
import { longDate } from '../../words/words.ts';
import { Button } from '../../ui/Button.tsx';
import { Check } from '../../ui/Check.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { AfterFirst } from '../../ui/AfterFirst.tsx';
import { Unplanned } from '../../ui/Unplanned.tsx';
import { Empty, Loading, Trouble } from '../../ui/states.tsx';
import { ChangeSheet } from './ChangeSheet.tsx';
import type { Cell } from './dragging.ts';
import type { Ask } from './dragging.ts';
import { FortnightGrid } from './FortnightGrid.tsx';
import { MoveRound } from './MoveRound.tsx';
import { Rounds } from './Rounds.tsx';
import { LeftOut } from './LeftOut.tsx';
import { Lost } from './Lost.tsx';
import { TimerSettings } from './TimerSettings.tsx';
import { bedOfRow } from './zoneRows.ts';

/** Beds that the fortnight can show alone. */
const ALONE: Readonly<Record<string, (bed: FortnightBed, today: string) => boolean>> = {
  'watered today': ({ waterings }, today) => waterings.some(({ date }) => date === today),
  'losing more than its goal allows': ({ costs }) => costs.over,
};
/** So many beds are seen at a glance. */
const FEW_BEDS = 12;

/** Beds by days: bars are depth, lines the days on which each may fall due; a watering can be moved, resized or left out. */
export function FortnightRoom() {
  const garden = useGarden();
  const units = useUnits();
  const { data, error, refetch } = useFortnightQuery(garden.id);
  const { data: pots } = usePotsQuery(garden.id);
  const [change, setChange] = useState<{ bed: FortnightBed; cell: Cell; change: PlanChange } | null>(null);
  const [moving, setMoving] = useState<string | null>(null);
  const [part, setPart] = useState<string | null>(null);
  const [alone, setAlone] = useState('');
  const { today } = garden;
  const keep = useMemo(() => {
    const isShown = ALONE[alone];
    return isShown ? (bed: FortnightBed) => isShown(bed, today) : null;
  }, [alone, today]);
  const moveRound = useCallback((date: string) => setMoving(date), []);
  const ask = useCallback<Ask>(
    (bed, cell, asked) => setChange({ bed: bedOfRow(bed), cell, change: asked }),
    [],
  );
  const [everyBed, setEveryBed] = usePref('everyBed', false);
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  if (!data) return <Loading what="the fortnight" />;
  if (data.beds.length === 0)
    return (
      <>
        <Unplanned items={data.unplanned} />
        {data.unplanned.length === 0 ? (
          <Empty title="No bed is planted yet">Add one under Garden; its fortnight appears here.</Empty>
        ) : null}
      </>
    );
  const sums = data.perDay;
  const handsOn = sums.reduce((s, d) => s + d.handsOnMinutes, 0);
  const parts = [...new Set(data.beds.map(partsOf(garden)))];
  const many = parts.length > 1 || data.beds.length > FEW_BEDS;
  const zones = garden.taps.filter(({ id }) => data.beds.some(({ zone }) => zone === id));
  return (
    <section className="wide-sheet">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-3xl">The fortnight</h1>
        <p className="text-quiet">
          {units.text(
            'volume',
            sums.reduce((s, d) => s + d.litres, 0),
          )}{' '}
          in {data.beds.reduce((s, b) => s + b.waterings.length, 0)} waterings,{' '}
          {handsOn < 0.5 ? 'none of your time' : `${minutesText(handsOn)} of your time`}.{' '}
          <span className="hidden print:inline">
            {garden.name}, as planned on {longDate(garden.today)}.
          </span>
          <span className="print:hidden">
            Drag one to another day, or up and down to make it more or less; arrow keys do the same. Limits
            are set in{' '}
            <Link className="underline" to="../settings">
              Settings
            </Link>
            .
          </span>
        </p>
      </div>
      <Unplanned items={data.unplanned} />
      {data.leftOut.length > 0 ? <LeftOut view={data} /> : null}
      <Lost over={data.over} givenUp={data.givenUp} />
      <Rounds view={data} />
      {many || zones.length > 0 ? (
        <div className="no-print mt-2 flex flex-wrap items-center gap-x-6 text-sm">
          <Choice
            label={zones.length > 0 ? 'Part or zone' : 'Part'}
            manner="beside"
            value={part ?? ''}
            onChange={(e) => setPart(e.target.value || null)}
          >
            <option value="">all of it</option>
            {parts.map((name) => (
              <option key={name}>{name}</option>
            ))}
            {zones.map(({ id, name }) => (
              <option key={`zone ${id}`} value={name}>
                {name}
              </option>
            ))}
          </Choice>
          {data.beds.length > FEW_BEDS ? (
            <Choice label="Show" manner="beside" value={alone} onChange={(e) => setAlone(e.target.value)}>
              <option value="">every bed</option>
              {Object.keys(ALONE).map((words) => (
                <option key={words}>{words}</option>
              ))}
            </Choice>
          ) : null}
          {zones.length > 0 ? (
            <Check checked={everyBed} onChange={() => setEveryBed(!everyBed)}>
              Every bed of a zone
            </Check>
          ) : null}
        </div>
      ) : null}
      <FortnightGrid
        view={data}
        pots={pots}
        part={part}
        keep={keep}
        zoned={!everyBed}
        onAsk={ask}
        onRound={moveRound}
      />
      <p className="mt-2 text-sm text-quiet">
        Framed days are rounds, paler ones between are for the beds that need more. Bars: depth where it
        falls, {units.of('depth').unit}. The dark line under a row: when its next watering may fall due in
        eight of ten ways the weather and the roots may go. Brick at the foot of a day: the plants run short.
        Hatched days are closed. A day’s name moves its whole round.
      </p>
      <Button look="quiet" className="no-print -ml-4" onClick={() => window.print()}>
        Print the fortnight
      </Button>
      <AfterFirst>
        <TimerSettings view={data} />
      </AfterFirst>
      {moving ? <MoveRound view={data} date={moving} onClose={() => setMoving(null)} /> : null}
      {change ? (
        <ChangeSheet
          {...change}
          dates={data.dates}
          onChange={(c) => setChange({ ...change, change: c })}
          onClose={() => setChange(null)}
        />
      ) : null}
    </section>
  );
}
