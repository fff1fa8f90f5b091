import { useState } from 'react';
import { momentWords } from '../words/dateWords.ts';
import { useAppSelector } from '../api/store.ts';
import { Button } from '../ui/Button.tsx';
import { later } from '../ui/later.tsx';

const KeptHere = later(async () => (await import('./KeptHere.tsx')).KeptHere);

/** While offline: how old what is shown is, or since when, and what waits here. Nothing while all is well. */
export function AwayBar() {
  const { online, lostAt, shownOf, waiting } = useAppSelector((state) => state.connection);
  const [open, setOpen] = useState(false);
  const refused = waiting.filter((act) => act.refused).length;
  const toSend = waiting.length - refused;
  return (
    <div aria-live="polite" className="no-print" data-testid="way-home">
      {online && waiting.length === 0 ? null : (
        <div className="flex flex-wrap items-center gap-x-4 border-b-2 border-ink bg-sheet px-4 text-sm md:px-8">
          <span className="min-w-0 flex-1 py-1 leading-tight">
            {online ? (
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
                {toSend === 0 ? ' What you write down is kept here.' : ''}
              </>
            )}
          </span>
          {waiting.length > 0 ? (
            <Button
              look="quiet"
              className="px-0 text-sm"
              aria-label={toSend > 0 ? `${toSend} kept here, not yet at home` : undefined}
              onClick={() => setOpen(true)}
            >
              {toSend > 0 ? (
                <>
                  {toSend} kept here<span className="hidden md:inline">, not yet at home</span>
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
