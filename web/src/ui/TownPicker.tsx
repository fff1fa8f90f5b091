import type { TownView } from '@kibble/contract';
import { useDeferredValue, useId, useState } from 'react';
import { useTownsQuery } from '../app/api.ts';

/** A town as it is told: with its region and country, for many have the same name. */
export const townWords = ({ name, region, country }: TownView): string =>
  [name, region === name ? null : region, country].filter(Boolean).join(', ');

interface Props {
  label: string;
  /** The town that is taken, in words. */
  value: string;
  onChange: (town: TownView) => void;
  error?: string;
  hint?: string;
}

/** A town found by typing the beginning of its name. Arrows and Enter choose. */
export function TownPicker({ label, value, onChange, error, hint }: Props) {
  const [words, setWords] = useState<string | null>(null);
  const [at, setAt] = useState(0);
  const id = useId();
  const typed = useDeferredValue((words ?? '').trim());
  // Asked for nothing, the gazetteer is opened before the first letter is typed.
  const { data: found = [], isFetching } = useTownsQuery(typed.length >= 2 ? typed : '');
  const open = words !== null && typed.length >= 2;
  const take = (town: TownView | undefined): void => {
    if (town) onChange(town);
    setWords(null);
    setAt(0);
  };
  return (
    <div className="relative flex flex-col gap-1">
      <label htmlFor={id} className="font-semibold">
        {label}
      </label>
      <input
        id={id}
        role="combobox"
        aria-expanded={open}
        aria-controls={`${id}-list`}
        aria-activedescendant={open && found[at] ? `${id}-${at}` : undefined}
        aria-invalid={Boolean(error)}
        aria-describedby={error ? `${id}-error` : undefined}
        autoComplete="off"
        className="min-h-11 w-full border border-ink bg-sheet px-3 py-2 aria-[invalid=true]:border-2 aria-[invalid=true]:border-brick"
        value={words ?? value}
        onFocus={(e) => e.target.select()}
        onChange={(e) => {
          setWords(e.target.value);
          setAt(0);
        }}
        onBlur={() => setWords(null)}
        onKeyDown={(e) => {
          if (e.key === 'ArrowDown') {
            e.preventDefault();
            setAt((i) => Math.min(found.length - 1, i + 1));
          } else if (e.key === 'ArrowUp') {
            e.preventDefault();
            setAt((i) => Math.max(0, i - 1));
          } else if (e.key === 'Enter' && open) {
            e.preventDefault();
            take(found[at]);
          } else if (e.key === 'Escape' && open) {
            e.stopPropagation();
            setWords(null);
          }
        }}
      />
      {open ? (
        <ul
          id={`${id}-list`}
          role="listbox"
          aria-label={label}
          className="absolute inset-x-0 top-[4.5rem] z-10 border border-ink bg-sheet"
        >
          {found.length === 0 ? (
            <li className="px-3 py-2 text-quiet">
              {isFetching ? 'Looking…' : 'No town is called so. A larger one near by will do.'}
            </li>
          ) : null}
          {found.map((town, i) => (
            <li
              key={`${townWords(town)} ${town.latitudeDeg} ${town.longitudeDeg}`}
              id={`${id}-${i}`}
              role="option"
              aria-selected={i === at}
              className={`min-h-11 cursor-pointer px-3 py-2 ${i === at ? 'bg-ink text-paper' : ''}`}
              onPointerDown={(e) => {
                e.preventDefault();
                take(town);
              }}
              onPointerEnter={() => setAt(i)}
            >
              {town.name}
              <span className={i === at ? 'text-sm' : 'text-sm text-quiet'}>
                {' '}
                {[town.region === town.name ? null : town.region, town.country].filter(Boolean).join(', ')}
              </span>
            </li>
          ))}
        </ul>
      ) : null}
      {error ? (
        <p id={`${id}-error`} role="alert" className="font-semibold text-brick">
          {error}
        </p>
      ) : hint ? (
        <p className="text-sm text-quiet">{hint}</p>
      ) : null}
    </div>
  );
}
