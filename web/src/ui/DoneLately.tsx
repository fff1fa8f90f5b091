import { useState } from 'react';
import { useAppDispatch, useAppSelector } from '../api/store.ts';
import { momentWords } from '../words/dateWords.ts';
import { takeBack } from '../api/undo.ts';
import { Button } from './Button.tsx';
import { Sheet } from './Sheet.tsx';

/** The last twenty acts, each of which can still be taken back. */
export function DoneLately({ open, onClose }: { open: boolean; onClose: () => void }) {
  const done = useAppSelector((state) => state.notice.done);
  const dispatch = useAppDispatch();
  const [busy, setBusy] = useState<string | null>(null);
  const back = async (id: string): Promise<void> => {
    const act = done.find((one) => one.id === id);
    if (!act) return;
    setBusy(id);
    await takeBack(act, dispatch);
    setBusy(null);
  };
  return (
    <Sheet open={open} onClose={onClose} title="Done lately">
      {done.length === 0 ? <p>Nothing was done in this tab that could be taken back.</p> : null}
      <ol>
        {done.map((act) => (
          <li key={act.id} className="flex items-center gap-4 border-t border-rule">
            <span className="text-sm text-quiet">{momentWords(act.at)}</span>
            <span className="min-w-0 flex-1">{act.text}</span>
            <Button look="quiet" disabled={busy !== null} onClick={() => void back(act.id)}>
              Take back
            </Button>
          </li>
        ))}
      </ol>
      <Button className="mt-4" onClick={onClose}>
        Close
      </Button>
    </Sheet>
  );
}
