import type { StopView } from '@kibble/contract';
import { useEffect, useState } from 'react';
import { usePref } from '../../app/pref.ts';
import { Sheet } from '../../ui/Sheet.tsx';

const KEYS = [
  ['j, k', 'next stop, the one before'],
  ['d', 'done, as planned'],
  ['o', 'open the tap, or one fill poured: a clock or a count begins'],
  ['a', 'another amount'],
  ['l', 'look into the ground first'],
  ['s', 'skip, with a reason'],
  ['p', 'print the round'],
  ['/', 'find a bed, a room, an act'],
  ['?', 'this sheet'],
] as const;

/** One-letter keys for the round: with a stop focused, in the list or opened, they act on the opened one. */
export function useRoundKeys(
  stops: readonly StopView[],
  index: number,
  open: (bedId: number) => void,
): { helping: boolean; setHelping: (open: boolean) => void } {
  const [helping, setHelping] = useState(false);
  const [on] = usePref('keys', true);
  useEffect(() => {
    if (!on) return;
    const press = (e: KeyboardEvent): void => {
      const target = e.target as HTMLElement;
      if (e.ctrlKey || e.metaKey || e.altKey || target.closest('input, select, textarea, [role=dialog]'))
        return;
      if (e.key === '?') setHelping(true);
      // A letter that strays from elsewhere, spoken or typed, does nothing.
      if (!target.closest('[data-stop], [data-stop-panel]')) return;
      if (e.key === 'p') window.print();
      if (e.key === 'j' || e.key === 'k') {
        const to = Math.min(stops.length - 1, Math.max(0, index + (e.key === 'j' ? 1 : -1)));
        const stop = stops[to];
        if (!stop) return;
        open(stop.bedId);
        document.querySelector<HTMLElement>(`[data-stop="${stop.bedId}"] button`)?.focus();
        return;
      }
      document.querySelector<HTMLButtonElement>(`[data-opened] [data-key="${e.key}"]`)?.click();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [on, stops, index, open]);
  return { helping, setHelping };
}

export function KeysSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const [on, setOn] = usePref('keys', true);
  return (
    <Sheet open={open} onClose={onClose} title="Keys on the round">
      <p className="mb-3">
        With a stop focused, in the list or opened. “To the room itself” goes to the first.
      </p>
      <dl className="grid grid-cols-[4rem_minmax(0,1fr)] gap-y-1">
        {KEYS.map(([key, words]) => (
          <div key={key} className="contents">
            <dt className="font-bold">{key}</dt>
            <dd>{words}</dd>
          </div>
        ))}
      </dl>
      <label className="mt-4 flex min-h-11 items-center gap-3">
        <input type="checkbox" className="size-6" checked={on} onChange={(e) => setOn(e.target.checked)} />
        Letter keys on this device
      </label>
    </Sheet>
  );
}
