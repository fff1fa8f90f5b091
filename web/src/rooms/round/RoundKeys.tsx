import { useEffect, useState } from 'react';
import { Sheet } from '../../ui/Sheet.tsx';

const KEYS = [
  ['j, k', 'next stop, the one before'],
  ['d', 'done, as planned'],
  ['t', 'open the tap: a clock starts'],
  ['o', 'another amount'],
  ['c', 'look into the ground first'],
  ['s', 'skip, with a reason'],
  ['p', 'print the round'],
  ['?', 'this sheet'],
] as const;

const stopsOf = (): HTMLElement[] => [...document.querySelectorAll<HTMLElement>('li[data-stop]')];

/** One-letter keys for the round: they act on the stop that holds the focus, or on the first. */
export function useRoundKeys(): { helping: boolean; setHelping: (open: boolean) => void } {
  const [helping, setHelping] = useState(false);
  useEffect(() => {
    const press = (e: KeyboardEvent): void => {
      const target = e.target as HTMLElement;
      if (e.ctrlKey || e.metaKey || e.altKey || target.closest('input, select, textarea, [role=dialog]'))
        return;
      if (e.key === '?') setHelping(true);
      if (e.key === 'p') window.print();
      const stops = stopsOf();
      const at = stops.findIndex((stop) => stop.contains(document.activeElement));
      if (e.key === 'j' || e.key === 'k') {
        const to = e.key === 'j' ? at + 1 : at - 1;
        stops[Math.min(stops.length - 1, Math.max(0, to))]?.focus();
        return;
      }
      stops[Math.max(0, at)]?.querySelector<HTMLButtonElement>(`[data-key="${e.key}"]`)?.click();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, []);
  return { helping, setHelping };
}

export function KeysSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Sheet open={open} onClose={onClose} title="Keys on the round">
      <dl className="grid grid-cols-[4rem_minmax(0,1fr)] gap-y-1">
        {KEYS.map(([key, words]) => (
          <div key={key} className="contents">
            <dt className="font-bold">{key}</dt>
            <dd>{words}</dd>
          </div>
        ))}
      </dl>
    </Sheet>
  );
}
