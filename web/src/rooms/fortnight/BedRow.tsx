import type { FortnightBed } from '@kibble/contract';
import { useDraggable } from '@dnd-kit/core';
import { SHORT_OF_WATER } from '@kibble/core';
import { memo, useMemo, type KeyboardEvent } from 'react';
import { Link } from 'react-router';
import { minutesText, useUnits } from '../../words/units.ts';
import { dayMonth, shareWords } from '../../words/words.ts';
import { Opens } from '../../ui/Opens.tsx';
import type { FortnightRow } from './zoneRows.ts';
import { barShare, type Ask, type Cell } from './dragging.ts';

/** A key up or down changes an amount by this share. */
const KEY_STEP = 0.1;

/** One bed's fortnight; drawn again only when it is its own turn. */
export const BedRow = memo(function BedRow({
  bed,
  dates,
  closed,
  target,
  asked,
  onAsk,
}: {
  bed: FortnightRow;
  dates: string[];
  closed: string[];
  /** The day a bar hovers over. */
  target: number | null;
  /** Of each day: the garden's round, or one on which only this bed and others like it are asked. */
  asked: ('round' | 'between' | null)[];
  onAsk: Ask;
}) {
  const { lostShare, over } = bed.costs;
  return (
    <tr data-bed={bed.bedId} className="border-t border-rule">
      <th scope="row" className="py-1 pr-2 text-left text-sm leading-tight">
        <Link
          className="underline decoration-rule underline-offset-4"
          to={bed.beds ? '../ground' : `../beds/${bed.bedId}`}
        >
          {bed.bedName}
        </Link>
        {bed.beds ? <span className="block text-xs text-quiet">{bed.beds.length} beds</span> : null}
        {bed.soak ? (
          <span
            className={`block text-xs ${bed.soak.counted > bed.soak.gapDays ? 'font-semibold text-brick' : 'text-quiet'}`}
          >
            {Math.round(bed.soak.counted)} of {bed.soak.gapDays} days
          </span>
        ) : null}
      </th>
      {dates.map((date, i) => (
        <DayCell
          key={date}
          bed={bed}
          date={date}
          i={i}
          dates={dates}
          shut={closed.includes(date)}
          isTarget={target === i}
          asked={asked[i] ?? null}
          onAsk={onAsk}
        />
      ))}
      <td className={`pl-2 text-right text-sm whitespace-nowrap ${over ? 'font-semibold text-brick' : ''}`}>
        <Opens
          bedId={bed.bedId}
          bedName={bed.bedName}
          of="growth"
          className="min-h-8 min-w-8 max-md:min-h-11 max-md:min-w-11"
        >
          {shareWords(lostShare)}
        </Opens>
      </td>
    </tr>
  );
});

function DayCell({
  bed,
  date,
  i,
  dates,
  shut,
  isTarget,
  asked,
  onAsk,
}: {
  bed: FortnightBed;
  date: string;
  i: number;
  dates: readonly string[];
  shut: boolean;
  isTarget: boolean;
  asked: 'round' | 'between' | null;
  onAsk: Ask;
}) {
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
      className={`relative h-(--row) p-0 align-bottom ${shut ? 'shut' : asked === 'round' ? 'border-x border-ink bg-sheet' : asked === 'between' ? 'bg-sheet/60' : ''} ${isTarget ? 'bg-sheet outline-2 outline-ink' : ''}`}
    >
      {cell ? (
        <Bar
          bed={bed}
          cell={cell}
          onMove={(step) => {
            const to = dates[i + step];
            if (to) onAsk(bed, cell, { bedId: bed.bedId, date, to });
          }}
          onResize={(factor) =>
            onAsk(bed, cell, { bedId: bed.bedId, date, to: date, litres: cell.litres * factor })
          }
          onOpen={() => onAsk(bed, cell, { bedId: bed.bedId, date })}
        />
      ) : null}
      {bed.soak?.limitOn === date && !cell ? (
        <span className="absolute inset-y-1 left-0 border-l-2 border-dashed border-brick">
          <span className="sr-only">its longest gap ends here without water</span>
        </span>
      ) : null}
      {inWindow ? <span aria-hidden className="absolute inset-x-0 bottom-0 h-[3px] bg-ink" /> : null}
      {short ? (
        <span className="absolute right-0 bottom-0 left-0 h-[5px] bg-brick">
          <span className="sr-only">runs short</span>
        </span>
      ) : null}
    </td>
  );
}

function Bar({
  bed,
  cell,
  onMove,
  onResize,
  onOpen,
}: {
  bed: FortnightBed;
  cell: Cell;
  onMove: (step: number) => void;
  onResize: (factor: number) => void;
  onOpen: () => void;
}) {
  const units = useUnits();
  const { attributes, listeners, setNodeRef, transform, isDragging } = useDraggable({
    id: `${bed.bedId}-${cell.date}`,
    data: { bed, cell },
  });
  const label = useMemo(
    () =>
      `${bed.bedName}, ${dayMonth(cell.date)}: ${units.text('depth', cell.localMm)}, ${minutesText(cell.minutes)} of the tap${cell.byHand ? ', set by hand' : ''}. Left and right move it, up and down change it, Enter opens it.`,
    [bed.bedName, cell, units],
  );
  const upright = transform !== null && Math.abs(transform.y) > Math.abs(transform.x);
  const keys = (e: KeyboardEvent): void => {
    const step = { ArrowLeft: -1, ArrowRight: 1 }[e.key];
    if (step !== undefined) {
      e.preventDefault();
      onMove(step);
    }
    const factor = { ArrowUp: 1 + KEY_STEP, ArrowDown: 1 - KEY_STEP }[e.key];
    if (factor !== undefined) {
      e.preventDefault();
      onResize(factor);
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
      data-begin
      aria-roledescription="watering"
      aria-label={label}
      onKeyDown={keys}
      onClick={onOpen}
      className={`absolute inset-0 flex touch-manipulation items-end px-1 pb-1 ${isDragging ? 'z-10 opacity-70' : ''}`}
      style={{ transform: transform && !upright ? `translateX(${transform.x}px)` : undefined }}
    >
      {/* The whole day takes the finger; what is drawn in it is as tall as the water is deep. */}
      <span
        className={`flex min-h-1 w-full items-end justify-center bg-water text-xs font-bold text-paper ${cell.byHand ? 'outline-2 outline-ink' : ''}`}
        style={{
          height: `calc(${barShare(cell.localMm)} * (var(--row) - 4px) - ${upright ? (transform?.y ?? 0) : 0}px)`,
        }}
      >
        {units.number('depth', cell.localMm)}
      </span>
    </button>
  );
}
