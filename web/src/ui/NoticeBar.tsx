import { X } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { canUndo, noticeDismissed, rememberDone } from '../state/noticeSlice.ts';
import { useAppDispatch, useAppSelector } from '../api/store.ts';
import { takeBack } from '../api/undo.ts';
import { later } from './later.tsx';

const DoneLately = later(async () => (await import('./DoneLately.tsx')).DoneLately);

/** Undo is the next thing the tab key reaches after an act, and from it the way goes on where it was left. */
function useNextInOrder(id: string | undefined) {
  const bar = useRef<HTMLDivElement>(null);
  const from = useRef<HTMLElement | null>(null);
  useEffect(() => {
    if (id === undefined) return;
    let fresh = true;
    from.current = null;
    const press = (e: KeyboardEvent): void => {
      if (e.key !== 'Tab' || e.altKey || e.ctrlKey || e.metaKey) return;
      const buttons = [...(bar.current?.querySelectorAll('button') ?? [])];
      const at = document.activeElement as HTMLElement | null;
      const [first] = buttons;
      if (!first || at?.closest('[role=dialog]')) return;
      const inside = at !== null && buttons.includes(at as HTMLButtonElement);
      if (!inside && fresh && !e.shiftKey) {
        fresh = false;
        from.current = at;
        e.preventDefault();
        first.focus();
      } else if (inside && from.current?.isConnected && from.current !== document.body) {
        const leaves = e.shiftKey ? at === first : at === buttons.at(-1);
        if (!leaves) return;
        e.preventDefault();
        from.current.focus();
      }
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [id]);
  return { bar, from };
}

/** What was just done, with undo: it stays until it is closed or something else is done. */
export function NoticeBar() {
  const { current: notice, done } = useAppSelector((state) => state.notice);
  const dispatch = useAppDispatch();
  const [listed, setListed] = useState(false);
  const [busy, setBusy] = useState(false);
  const { bar, from } = useNextInOrder(notice?.id);
  useEffect(() => rememberDone(done), [done]);
  const leave = (): void => {
    const back = from.current;
    dispatch(noticeDismissed());
    if (back?.isConnected) back.focus();
  };
  const undo = async (): Promise<void> => {
    if (!notice) return;
    setBusy(true);
    const back = from.current;
    if ((await takeBack(notice, dispatch)) && back?.isConnected) back.focus();
    setBusy(false);
  };
  return (
    <>
      {listed ? <DoneLately open onClose={() => setListed(false)} /> : null}
      {/* Always there, so that what appears in it is read out. */}
      <div aria-live="polite" aria-atomic ref={bar}>
        {notice ? (
          <div
            role="status"
            aria-live="off"
            className="no-print flex w-full items-center gap-x-4 bg-ink px-4 py-1 text-paper md:fixed md:inset-x-0 md:bottom-6 md:z-10 md:mx-auto md:w-fit md:max-w-[90vw] md:px-5 md:py-2"
          >
            <span className="min-w-0 flex-1">{notice.text}</span>
            {canUndo(notice) ? (
              <button
                type="button"
                disabled={busy}
                className="min-h-11 px-1 font-semibold underline underline-offset-4"
                onClick={() => void undo()}
              >
                Undo
              </button>
            ) : null}
            {done.length > 1 ? (
              <button
                type="button"
                className="min-h-11 px-1 underline underline-offset-4"
                onClick={() => setListed(true)}
              >
                Earlier
              </button>
            ) : null}
            <button
              type="button"
              aria-label="Close this message"
              className="min-h-11 min-w-11"
              onClick={leave}
            >
              <X size={18} aria-hidden className="mx-auto" />
            </button>
          </div>
        ) : null}
      </div>
    </>
  );
}
