import type { Explainable } from '@kibble/contract';
import type { Working } from '@kibble/core';
import { lazy, Suspense, useState, type ReactNode } from 'react';
import type { Sentence as Pieces } from '../words/words.ts';

// The drawer is fetched when the first number is opened.
const BedWorkingDrawer = lazy(async () => ({
  default: (await import('./WorkingDrawer.tsx')).BedWorkingDrawer,
}));

const DayWorkingDrawer = lazy(async () => ({
  default: (await import('./WorkingDrawer.tsx')).DayWorkingDrawer,
}));
const TreeDrawer = lazy(async () => ({ default: (await import('./WorkingDrawer.tsx')).TreeDrawer }));

interface Bed {
  bedId: number;
  bedName: string;
}

interface Props extends Bed {
  of: Explainable;
  /** The figure rests on an assumption. */
  assumed?: boolean;
  label?: string;
  /** The letter that opens it, with its stop focused. */
  letter?: string;
  className?: string;
  children: ReactNode;
}

/** A number that opens its working. */
export function Opens({
  bedId,
  bedName,
  of,
  assumed = false,
  label,
  letter,
  className = '',
  children,
}: Props) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        className={`opens ${assumed ? 'assumed' : ''} ${className}`}
        aria-label={label}
        data-key={letter}
        aria-haspopup="dialog"
        onClick={() => setOpen(true)}
      >
        {children}
      </button>
      {open ? (
        <Suspense fallback={null}>
          <BedWorkingDrawer bedId={bedId} bedName={bedName} of={of} onClose={() => setOpen(false)} />
        </Suspense>
      ) : null}
    </>
  );
}

/** A number whose working is already at hand. */
export function OpensTree({
  working,
  title,
  children,
}: {
  working: Working;
  title: string;
  children: ReactNode;
}) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button type="button" className="opens" aria-haspopup="dialog" onClick={() => setOpen(true)}>
        {children}
      </button>
      {open ? (
        <Suspense fallback={null}>
          <TreeDrawer working={working} title={title} onClose={() => setOpen(false)} />
        </Suspense>
      ) : null}
    </>
  );
}

/** The drawer of a day of the ribbon, when one is asked for. */
export function DayDrawer({ date, onClose }: { date: string | null; onClose: () => void }) {
  return date === null ? null : (
    <Suspense fallback={null}>
      <DayWorkingDrawer date={date} onClose={onClose} />
    </Suspense>
  );
}

/** A sentence whose numbers open. */
export function Sentence({ pieces, ...bed }: Bed & { pieces: Pieces }) {
  return pieces.map((piece, i) =>
    typeof piece === 'string' ? (
      piece
    ) : (
      <Opens key={`${piece.of}-${i}`} {...bed} of={piece.of}>
        {piece.text}
      </Opens>
    ),
  );
}
