import type { Explainable } from '@kibble/contract';
import { lazy, Suspense, useState, type ReactNode } from 'react';
import type { Sentence as Pieces } from '../app/words.ts';

// The drawer is fetched when the first number is opened.
const BedWorkingDrawer = lazy(async () => ({
  default: (await import('./WorkingDrawer.tsx')).BedWorkingDrawer,
}));

interface Bed {
  bedId: number;
  bedName: string;
}

interface Props extends Bed {
  of: Explainable;
  /** The figure rests on an assumption. */
  assumed?: boolean;
  label?: string;
  className?: string;
  children: ReactNode;
}

/** A number that opens its working. */
export function Opens({ bedId, bedName, of, assumed = false, label, className = '', children }: Props) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        className={`opens ${assumed ? 'assumed' : ''} ${className}`}
        aria-label={label}
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
