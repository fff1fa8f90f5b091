import type { FortnightBed, FortnightView, PlanChange } from '@kibble/contract';
import {
  DndContext,
  pointerWithin,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
  type DragEndEvent,
} from '@dnd-kit/core';
import { SHORT_OF_WATER } from '@kibble/core';
import { useState, type KeyboardEvent } from 'react';
import { Link } from 'react-router';
import { useFortnightQuery } from '../../app/api.ts';
import { useGardenRound } from '../../app/gardenRound.ts';
import { minutesText, useUnits } from '../../app/units.ts';
import { capWords, dayMonth, shortDay, timeOfDay } from '../../app/words.ts';
import { Empty, Loading, Trouble } from '../../ui/states.tsx';
import { ChangeSheet } from './ChangeSheet.tsx';
import { TimerSettings } from './TimerSettings.tsx';

/** Depth at which a bar is as tall as its row, mm. */
const FULL_MM = 45;
const ROW = 40;

type Cell = FortnightBed['waterings'][number];

/** Beds by days: bars are depth, lines the days on which each may fall due; a watering can be moved, resized or left out. */
export function FortnightRoom() {
  const { garden, ribbon } = useGardenRound();
  const units = useUnits();
  const { data, error, refetch } = useFortnightQuery(garden.id);
  const [change, setChange] = useState<{ bed: FortnightBed; cell: Cell; change: PlanChange } | null>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 5 } }));
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  if (!data) return <Loading what="the fortnight" />;
  if (data.beds.length === 0)
    return <Empty title="No bed is planted yet">Add one under Garden; its fortnight appears here.</Empty>;
  const caps = {
    minutesPerDay: garden.limits.minutesPerDay ?? undefined,
    litresPerDay: garden.limits.litresPerDay ?? undefined,
  };
  const ask = (bed: FortnightBed, cell: Cell, to: string): void => {
    if (to !== cell.date && data.dates.includes(to))
      setChange({ bed, cell, change: { bedId: bed.bedId, date: cell.date, to } });
  };
  const dropped = ({ active, over }: DragEndEvent): void => {
    const { bed, cell } = active.data.current as { bed: FortnightBed; cell: Cell };
    const to = (over?.data.current as { date?: string } | undefined)?.date;
    if (to) ask(bed, cell, to);
  };
  const sums = data.perDay;
  const over = (i: number): boolean =>
    (caps.minutesPerDay !== undefined && (sums[i]?.minutes ?? 0) > caps.minutesPerDay + 0.01) ||
    (caps.litresPerDay !== undefined && (sums[i]?.litres ?? 0) > caps.litresPerDay + 0.01);

  return (
    <section className="wide-sheet">
      <div className="flex flex-wrap items-baseline gap-x-4">
        <h1 className="text-3xl">The fortnight</h1>
        <p className="text-quiet">
          {units.text(
            'volume',
            sums.reduce((s, d) => s + d.litres, 0),
          )}{' '}
          in {data.beds.reduce((s, b) => s + b.waterings.length, 0)} waterings. Drag one to another day, or
          take it with the arrow keys.{' '}
          {data.sparedRounds.length > 0
            ? `${data.sparedRounds.length === 1 ? 'One round is' : `${data.sparedRounds.length} rounds are`} spared by filling beds a little early. `
            : ''}
          Limits are set in{' '}
          <Link className="underline" to="../settings">
            Settings
          </Link>
          .
        </p>
      </div>
      {data.leftOut.length > 0 ? <LeftOut view={data} /> : null}
      <DndContext sensors={sensors} collisionDetection={pointerWithin} onDragEnd={dropped}>
        <div className="mt-2 overflow-x-auto">
          <table className="w-full min-w-[60rem] table-fixed border-collapse" data-testid="fortnight">
            <thead className="text-xs">
              <tr>
                <th className="w-40 text-left font-normal text-quiet">highs, use, rain</th>
                {data.dates.map((date) => {
                  const day = ribbon.find((d) => d.date === date);
                  return (
                    <th
                      key={date}
                      className={`px-0.5 pb-1 text-center font-normal ${data.closed.includes(date) ? 'shut' : ''}`}
                    >
                      <span className={date === garden.today ? 'font-bold' : 'text-quiet'}>
                        {date === garden.today ? 'Today' : shortDay(date)}
                      </span>
                      <br />
                      <span className={day && day.tMaxC >= 32 ? 'font-bold text-brick' : ''}>
                        {day ? `${units.number('temperature', day.tMaxC)}°` : ''}
                      </span>
                      <br />
                      <span className="text-quiet">{day ? units.number('depth', day.et0Mm) : ''}</span>{' '}
                      <span className="text-water">
                        {day && day.rainMm > 0.5
                          ? `${units.number('depth', day.rainMm)}${day.source === 'record' ? '' : '?'}`
                          : ''}
                      </span>
                    </th>
                  );
                })}
              </tr>
            </thead>
            <tbody>
              {data.beds.map((bed) => (
                <tr key={bed.bedId} className="border-t border-rule">
                  <th scope="row" className="py-1 pr-2 text-left text-sm leading-tight">
                    <Link
                      className="underline decoration-rule underline-offset-4"
                      to={`../beds/${bed.bedId}`}
                    >
                      {bed.bedName}
                    </Link>
                  </th>
                  {data.dates.map((date, i) => (
                    <DayCell
                      key={date}
                      bed={bed}
                      date={date}
                      i={i}
                      view={data}
                      onMove={ask}
                      onOpen={(cell) =>
                        setChange({ bed, cell, change: { bedId: bed.bedId, date: cell.date } })
                      }
                    />
                  ))}
                </tr>
              ))}
            </tbody>
            <tfoot className="border-t border-ink text-sm">
              <tr>
                <th scope="row" className="py-1 text-left font-normal">
                  minutes
                  {caps.minutesPerDay !== undefined ? `, at most ${Math.round(caps.minutesPerDay)}` : ''}
                </th>
                {sums.map((d, i) => (
                  <td key={data.dates[i]} className={`text-center ${over(i) ? 'font-bold text-brick' : ''}`}>
                    {d.minutes < 0.5 ? '' : Math.round(d.minutes)}
                  </td>
                ))}
              </tr>
              <tr>
                <th scope="row" className="text-left font-normal">
                  {units.of('volume').unit}
                  {caps.litresPerDay !== undefined
                    ? `, at most ${units.number('volume', caps.litresPerDay)}`
                    : ''}
                </th>
                {sums.map((d, i) => (
                  <td key={data.dates[i]} className="text-center">
                    {d.litres < 0.5 ? '' : units.number('volume', d.litres)}
                  </td>
                ))}
              </tr>
              <tr>
                <th scope="row" className="text-left font-normal">
                  first tap, last one off
                </th>
                {data.dates.map((date) => {
                  const slots = data.schedule.find((day) => day.date === date)?.slots ?? [];
                  return (
                    <td key={date} className="text-center text-xs leading-tight">
                      {slots.length > 0 ? (
                        <>
                          {timeOfDay(Math.min(...slots.map((s) => s.from)), units)}
                          <br />
                          {timeOfDay(Math.max(...slots.map((s) => s.until)), units)}
                        </>
                      ) : (
                        <span className="text-quiet">no round</span>
                      )}
                    </td>
                  );
                })}
              </tr>
            </tfoot>
          </table>
        </div>
      </DndContext>
      <p className="mt-2 text-sm text-quiet">
        Bars: depth where it falls, {units.of('depth').unit}. The line under a row: when its next watering may
        fall due in eight of ten ways of the weather. Brick at the foot of a day: the plants run short.
        Hatched days are closed.
      </p>
      <TimerSettings view={data} />
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

function DayCell({
  bed,
  date,
  i,
  view,
  onMove,
  onOpen,
}: {
  bed: FortnightBed;
  date: string;
  i: number;
  view: FortnightView;
  onMove: (bed: FortnightBed, cell: Cell, to: string) => void;
  onOpen: (cell: Cell) => void;
}) {
  const { setNodeRef, isOver } = useDroppable({ id: `${bed.bedId}:${date}`, data: { date } });
  const cell = bed.waterings.find((w) => w.date === date);
  const { window } = bed;
  const inWindow =
    window !== null &&
    window.early !== null &&
    date >= window.early &&
    (window.late === null || date <= window.late);
  const short = (bed.stress[i] ?? 1) < SHORT_OF_WATER;
  return (
    <td
      ref={setNodeRef}
      className={`relative p-0 align-bottom ${view.closed.includes(date) ? 'shut' : ''} ${isOver ? 'bg-sheet outline-2 outline-ink' : ''}`}
      style={{ height: ROW }}
    >
      {cell ? (
        <Bar
          bed={bed}
          cell={cell}
          onMove={(step) => onMove(bed, cell, view.dates[i + step] ?? date)}
          onOpen={() => onOpen(cell)}
        />
      ) : null}
      {inWindow ? <span aria-hidden className="absolute inset-x-0 bottom-0 h-[3px] bg-ink/50" /> : null}
      {short ? (
        <span className="absolute right-0 bottom-0 left-0 h-[5px] bg-brick" title="runs short" />
      ) : null}
    </td>
  );
}

function Bar({
  bed,
  cell,
  onMove,
  onOpen,
}: {
  bed: FortnightBed;
  cell: Cell;
  onMove: (step: number) => void;
  onOpen: () => void;
}) {
  const units = useUnits();
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({
    id: `${bed.bedId}-${cell.date}`,
    data: { bed, cell },
  });
  const keys = (e: KeyboardEvent): void => {
    const step = { ArrowLeft: -1, ArrowRight: 1 }[e.key];
    if (step !== undefined) {
      e.preventDefault();
      onMove(step);
    }
    if (e.key === 'Enter' || e.key === ' ') {
      e.preventDefault();
      onOpen();
    }
  };
  return (
    <button
      ref={setNodeRef}
      type="button"
      {...attributes}
      {...listeners}
      aria-roledescription="watering"
      aria-label={`${bed.bedName}, ${dayMonth(cell.date)}: ${units.text('depth', cell.localMm)}, ${minutesText(cell.minutes)}${cell.byHand ? ', set by hand' : ''}. Arrows move it, Enter opens it.`}
      onKeyDown={keys}
      onClick={onOpen}
      className={`absolute inset-x-1 bottom-1 flex touch-none items-end justify-center bg-water/85 text-xs font-bold text-paper ${cell.byHand ? 'outline-2 outline-ink' : ''} ${isDragging ? 'z-10 opacity-70' : ''}`}
      style={{
        height: Math.max(17, Math.min(ROW - 4, (cell.localMm / FULL_MM) * (ROW - 4))),
        transform: transform ? `translate(${transform.x}px, ${transform.y}px)` : undefined,
      }}
    >
      {units.number('depth', cell.localMm)}
    </button>
  );
}

/** What did not fit, and what it waits for. */
function LeftOut({ view }: { view: FortnightView }) {
  const units = useUnits();
  const shown = view.leftOut.slice(0, 4);
  return (
    <section aria-labelledby="left-out" className="mt-2 border-l-4 border-brick pl-3">
      <h2 id="left-out" className="text-lg">
        Does not fit
      </h2>
      <ul>
        {shown.map((l) => (
          <li key={`${l.bedId}-${l.date}`}>
            <strong>{l.bedName}</strong> on {dayMonth(l.date)}: {minutesText(l.minutes)},{' '}
            {units.text('volume', l.litres)}: {capWords(l.why)}{' '}
            {l.until ? `Its turn is ${dayMonth(l.until)}.` : 'No day of the fortnight has room for it.'}
          </li>
        ))}
      </ul>
      {view.leftOut.length > shown.length ? (
        <p className="text-sm text-quiet">and {view.leftOut.length - shown.length} more</p>
      ) : null}
      {view.givenUp.length > 0 ? (
        <p data-testid="given-up">
          What that costs:{' '}
          {view.givenUp
            .map(
              (g) =>
                `${g.bedName} ${g.shortDays > 0 ? `${g.shortDays} ${g.shortDays === 1 ? 'day' : 'days'} short of water` : `${units.text('depth', g.missedMm)} missed`}`,
            )
            .join(', ')}
          .
        </p>
      ) : null}
    </section>
  );
}
