import type { StopView } from '@kibble/contract';
import { useEffect, useState } from 'react';
import { usePref } from '../../state/pref.ts';

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
