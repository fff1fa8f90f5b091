import type { FortnightBed, FortnightView, PotsView } from '@kibble/contract';
import {
  DndContext,
  MouseSensor,
  TouchSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
  type DragMoveEvent,
} from '@dnd-kit/core';
import { getDay, parseISO } from 'date-fns';
import { Fragment, memo, useMemo, useState } from 'react';
import { useGarden, useGardenRound } from '../../state/gardenRound.ts';
import { inParts, partsOf } from '../../words/inParts.ts';
import { useUnits } from '../../words/units.ts';
import { dayMonth, shortDay, timeOfDay } from '../../words/words.ts';
import { AfterFirst } from '../../ui/AfterFirst.tsx';
import { useNarrow } from '../../ui/useMedia.ts';
import { BedRow } from './BedRow.tsx';
import { PotRows } from './PotRows.tsx';
import { zoneRows, type FortnightRow } from './zoneRows.ts';
import { landing, type Ask, type Dragged } from './dragging.ts';

/** So many rows fill a phone's first screen. */
const FIRST_ROWS = 8;

function DayHead({ date, today }: { date: string; today: string }) {
  return (
    <span className={date === today ? 'font-bold' : ''}>{date === today ? 'Today' : shortDay(date)}</span>
  );
}

/** Beds by days. A bar dragged sideways moves to another day, dragged up or down it becomes more or less. */
export const FortnightGrid = memo(function FortnightGrid({
  view: data,
  pots,
  part,
  keep,
  zoned,
  onAsk,
  onRound,
}: {
  view: FortnightView;
  pots: PotsView | undefined;
  /** The part of the garden that alone is shown; null for all of it. */
  part: string | null;
  /** Which beds alone are shown; null for all of them. */
  keep: ((bed: FortnightBed) => boolean) | null;
  /** The beds of a zone are one row. */
  zoned: boolean;
  onAsk: Ask;
  /** A whole round is to be moved. */
  onRound: (date: string) => void;
}) {
  const garden = useGarden();
  const { ribbon } = useGardenRound();
  const units = useUnits();
  const narrow = useNarrow();
  // A finger that swipes scrolls; one that rests on a bar takes it along.
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 5 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 350, tolerance: 8 } }),
  );
  const [target, setTarget] = useState<{ bedId: number; day: number } | null>(null);
  const caps = {
    minutesPerDay: garden.limits.minutesPerDay ?? undefined,
    litresPerDay: garden.limits.litresPerDay ?? undefined,
  };
  const landed = ({ active, delta }: DragMoveEvent | DragEndEvent) => {
    const { bed, cell } = active.data.current as Dragged;
    const width = active.rect.current.initial?.width ?? 0;
    return {
      bed,
      cell,
      ...landing({ delta, dayWidth: width, at: data.dates.indexOf(cell.date), of: data.dates.length }),
    };
  };
  const moved = (e: DragMoveEvent): void => {
    const { bed, day, resized } = landed(e);
    setTarget((was) =>
      was?.bedId === bed.bedId && was.day === day ? was : { bedId: bed.bedId, day: resized ? -1 : day },
    );
  };
  const dropped = (e: DragEndEvent): void => {
    setTarget(null);
    const { bed, cell, day, resized } = landed(e);
    const to = data.dates[day];
    if (resized)
      onAsk(bed, cell, { bedId: bed.bedId, date: cell.date, to: cell.date, litres: cell.litres * resized });
    else if (to && to !== cell.date) onAsk(bed, cell, { bedId: bed.bedId, date: cell.date, to });
  };
  const sums = data.perDay;
  const potsPerDay = pots?.perDay ?? [];
  const { round, askedBy } = useMemo(() => {
    const { rounds, dates } = data;
    const on = (weekdays: readonly number[]) =>
      dates.map((date) => weekdays.includes(getDay(parseISO(date))));
    const main = on(rounds.weekdays);
    const plain = main.map((is) => (is ? ('round' as const) : null));
    const more = rounds.between.map(
      ({ bedId, weekdays }) =>
        [
          bedId,
          on(weekdays).map((is, i) => (main[i] ? ('round' as const) : is ? ('between' as const) : null)),
        ] as const,
    );
    return { round: plain, askedBy: new Map(more) };
  }, [data]);
  const over = (i: number): boolean =>
    (caps.minutesPerDay !== undefined && (sums[i]?.handsOnMinutes ?? 0) > caps.minutesPerDay + 0.01) ||
    (caps.litresPerDay !== undefined && (sums[i]?.litres ?? 0) > caps.litresPerDay + 0.01);

  const partOf = partsOf(garden);
  const zoneName = ({ zone }: FortnightBed): string | undefined =>
    garden.taps.find(({ id }) => id === zone)?.name;
  const parted = part === null && new Set(data.beds.map(partOf)).size > 1;
  const all = part === null && keep === null;
  const shown = data.beds.filter(
    (bed) =>
      (keep === null || keep(bed)) && (part === null || partOf(bed) === part || zoneName(bed) === part),
  );
  const rows = zoned ? zoneRows(shown, garden) : shown;
  const beds = parted ? inParts(rows, partOf) : rows;
  const row = (bed: FortnightRow) => (
    <BedRow
      key={bed.bedId}
      bed={bed}
      dates={data.dates}
      closed={data.closed}
      target={target?.bedId === bed.bedId ? target.day : null}
      asked={askedBy.get(bed.bedId) ?? round}
      onAsk={onAsk}
    />
  );

  /** The row, under the name of its part where that begins with it. */
  const rowInPart = (bed: FortnightRow, i: number) => {
    const before = beds[i - 1];
    const begins = parted && (!before || partOf(before) !== partOf(bed));
    return begins ? (
      <Fragment key={bed.bedId}>
        <tr className="print:hidden">
          <th
            scope="rowgroup"
            colSpan={data.dates.length + 2}
            className="border-t border-ink bg-paper pt-3 pb-1 text-left text-lg font-semibold xl:sticky xl:top-0 xl:z-10"
          >
            <span className="sticky left-0">{partOf(bed)}</span>
          </th>
        </tr>
        {row(bed)}
      </Fragment>
    ) : (
      row(bed)
    );
  };

  return (
    <DndContext sensors={sensors} onDragMove={moved} onDragEnd={dropped} onDragCancel={() => setTarget(null)}>
      <div className="mt-2 relative overflow-x-auto xl:overflow-visible">
        <table className="w-full min-w-[60rem] table-fixed border-collapse" data-testid="fortnight">
          <thead className="text-xs">
            <tr>
              <th className="w-40 text-left font-normal text-quiet">highs, use, rain</th>
              {data.dates.map((date, i) => {
                const day = ribbon.find((d) => d.date === date);
                return (
                  <th
                    key={date}
                    className={`px-0.5 pb-1 text-center font-normal ${data.closed.includes(date) ? 'shut' : round[i] ? 'border-x border-t-4 border-ink bg-sheet' : ''}`}
                  >
                    {data.beds.some((bed) => bed.waterings.some((w) => w.date === date)) ? (
                      <button
                        type="button"
                        className="min-h-6 underline underline-offset-4 max-md:min-h-11 max-md:min-w-11"
                        onClick={() => onRound(date)}
                      >
                        <DayHead date={date} today={garden.today} />
                        <span className="sr-only">: move the whole round of {dayMonth(date)}</span>
                      </button>
                    ) : (
                      <DayHead date={date} today={garden.today} />
                    )}
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
              <th className="w-20 text-right font-normal text-quiet">growth lost</th>
            </tr>
          </thead>
          <tbody>
            {beds.length === 0 ? (
              <tr>
                <td colSpan={data.dates.length + 2} className="border-t border-rule py-3">
                  There is no such bed.
                </td>
              </tr>
            ) : null}
            {beds.slice(0, FIRST_ROWS).map(rowInPart)}
            <AfterFirst now={!narrow}>
              {beds.slice(FIRST_ROWS).map((bed, i) => rowInPart(bed, i + FIRST_ROWS))}
              {all ? <PotRows spots={pots?.spots ?? []} dates={data.dates} /> : null}
            </AfterFirst>
          </tbody>
          <tfoot hidden={!all} className="border-t border-ink text-sm">
            <tr>
              <th scope="row" className="py-1 text-left font-normal">
                your minutes
                {caps.minutesPerDay !== undefined ? `, at most ${Math.round(caps.minutesPerDay)}` : ''}
              </th>
              {sums.map((d, i) => (
                <td key={data.dates[i]} className={`text-center ${over(i) ? 'font-bold text-brick' : ''}`}>
                  {d.handsOnMinutes < 0.5 ? '' : Math.round(d.handsOnMinutes)}
                </td>
              ))}
            </tr>
            {potsPerDay.some((day) => day.pots > 0) ? (
              <tr>
                <th scope="row" className="text-left font-normal">
                  beside them, pots
                </th>
                {data.dates.map((date) => {
                  const minutes = potsPerDay.find((day) => day.date === date)?.minutes ?? 0;
                  return (
                    <td key={date} className="text-center">
                      {minutes < 0.5 ? '' : Math.round(minutes)}
                    </td>
                  );
                })}
              </tr>
            ) : null}
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
                const day = data.schedule.find((d) => d.date === date);
                const slots = day?.slots ?? [];
                return (
                  <td key={date} className="text-center text-xs leading-tight">
                    {slots.length > 0 ? (
                      <>
                        {timeOfDay(Math.min(...slots.map((s) => s.from)), units)}
                        <br />
                        {timeOfDay(Math.max(...slots.map((s) => s.until)), units)}
                      </>
                    ) : day ? (
                      <span className="text-quiet">no round</span>
                    ) : null}
                  </td>
                );
              })}
            </tr>
          </tfoot>
        </table>
      </div>
    </DndContext>
  );
});
