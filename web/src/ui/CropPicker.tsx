import { CATALOGUE, type CropEntry } from '@kibble/core';
import { useId, useState } from 'react';
import { useGardenCrops } from '../app/gardenRound.ts';

const MOST = 8;

interface Props {
  label: string;
  value: string;
  onChange: (cropId: string) => void;
  error?: string;
}

/** A plant found by typing a part of its name: the garden's own first, then the catalogue. Arrows and Enter choose. */
export function CropPicker({ label, value, onChange, error }: Props) {
  const own = useGardenCrops();
  const all: CropEntry[] = [...own, ...[...CATALOGUE].sort((a, b) => a.name.localeCompare(b.name))];
  const chosen = all.find((c) => c.id === value);
  const [words, setWords] = useState<string | null>(null);
  const [at, setAt] = useState(0);
  const id = useId();
  const wanted = (words ?? '').trim().toLowerCase();
  const found = all
    .filter((c) => c.name.toLowerCase().includes(wanted) || c.group.includes(wanted))
    .sort(
      (a, b) =>
        Number(b.name.toLowerCase().startsWith(wanted)) - Number(a.name.toLowerCase().startsWith(wanted)),
    )
    .slice(0, MOST);
  const open = words !== null;
  const take = (crop: CropEntry | undefined): void => {
    if (crop) onChange(crop.id);
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
        aria-activedescendant={open && found[at] ? `${id}-${found[at].id}` : undefined}
        aria-invalid={Boolean(error)}
        autoComplete="off"
        className="min-h-11 w-full border border-ink bg-sheet px-3 py-2"
        placeholder={chosen?.name}
        value={words ?? chosen?.name ?? ''}
        onFocus={(e) => e.target.select()}
        onChange={(e) => {
          setWords(e.target.value);
          setAt(0);
        }}
        onBlur={() => setWords(null)}
        onKeyDown={(e) => {
          if (e.key === 'ArrowDown') {
            e.preventDefault();
            setWords((w) => w ?? '');
            setAt((i) => Math.min(found.length - 1, open ? i + 1 : 0));
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
          className="absolute inset-x-0 top-full z-10 border border-ink bg-sheet"
        >
          {found.length === 0 ? (
            <li className="px-3 py-2 text-quiet">No plant of that name; add your own below the bed.</li>
          ) : null}
          {found.map((crop, i) => (
            <li
              key={crop.id}
              id={`${id}-${crop.id}`}
              role="option"
              aria-selected={i === at}
              className={`cursor-pointer px-3 py-2 ${i === at ? 'bg-ink text-paper' : ''}`}
              onPointerDown={(e) => {
                e.preventDefault();
                take(crop);
              }}
              onPointerEnter={() => setAt(i)}
            >
              {crop.name} <span className={i === at ? 'text-sm' : 'text-sm text-quiet'}>{crop.group}</span>
            </li>
          ))}
        </ul>
      ) : null}
      {error ? (
        <p role="alert" className="font-semibold text-brick">
          {error}
        </p>
      ) : (
        <p className="text-sm text-quiet">{chosen ? `Most in need of water: ${chosen.thirstiest}` : ''}</p>
      )}
    </div>
  );
}
