import { useState } from 'react';
import { momentWords } from '../words/dateWords.ts';
import { useAppSelector } from '../api/store.ts';
import { Button } from '../ui/Button.tsx';
import { later } from '../ui/later.tsx';

const KeptHere = later(async () => (await import('./KeptHere.tsx')).KeptHere);

/** Without a way home: how old what is shown is, or since when there is none, and what waits here. Nothing while all is well. */
export function AwayBar() {
  const { home, lostAt, shownOf, kept } = useAppSelector((state) => state.way);
  const [open, setOpen] = useState(false);
  const refused = kept.filter((act) => act.refused).length;
  const waiting = kept.length - refused;
  return (
    <div aria-live="polite" className="no-print" data-testid="way-home">
      {home && kept.length === 0 ? null : (
        <div className="flex flex-wrap items-center gap-x-4 border-b-2 border-ink bg-sheet px-4 text-sm md:px-8">
          <span className="min-w-0 flex-1 py-1 leading-tight">
            {home ? (
              refused > 0 ? (
                <strong className="text-brick">Home has a question about what was kept here.</strong>
              ) : (
                'On its way home…'
              )
            ) : (
              <>
                <strong>
                  No way home{shownOf === null && lostAt !== null ? ` since ${momentWords(lostAt)}` : ''}
                </strong>
                {shownOf === null ? '.' : `; this is of ${momentWords(shownOf)}.`}
                {waiting === 0 ? ' What you write down is kept here.' : ''}
              </>
            )}
          </span>
          {kept.length > 0 ? (
            <Button
              look="quiet"
              className="px-0 text-sm"
              aria-label={waiting > 0 ? `${waiting} kept here, not yet at home` : undefined}
              onClick={() => setOpen(true)}
            >
              {waiting > 0 ? (
                <>
                  {waiting} kept here<span className="hidden md:inline">, not yet at home</span>
                </>
              ) : (
                `${refused} to decide`
              )}
            </Button>
          ) : null}
        </div>
      )}
      {open ? <KeptHere open onClose={() => setOpen(false)} /> : null}
    </div>
  );
}
