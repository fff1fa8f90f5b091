import { CATALOGUE, type CropEntry } from '@kibble/core';
import { useState } from 'react';
import { useGardenCrops } from '../state/gardenRound.ts';
import { Picker } from './Picker.tsx';

const MOST = 8;

interface Props {
  label: string;
  value: string;
  onChange: (cropId: string) => void;
  error?: string;
}

/** A plant found by typing a part of its name: the garden's own first, then the catalogue. */
export function CropPicker({ label, value, onChange, error }: Props) {
  const own = useGardenCrops();
  const [words, setWords] = useState<string | null>(null);
  const [unknown, setUnknown] = useState<string | null>(null);
  const all: CropEntry[] = [...own, ...[...CATALOGUE].sort((a, b) => a.name.localeCompare(b.name))];
  const chosen = all.find((c) => c.id === value);
  const wanted = (words ?? '').trim().toLowerCase();
  const found = all
    .filter((c) => c.name.toLowerCase().includes(wanted) || c.group.includes(wanted))
    .sort(
      (a, b) =>
        Number(b.name.toLowerCase().startsWith(wanted)) - Number(a.name.toLowerCase().startsWith(wanted)),
    )
    .slice(0, MOST);
  return (
    <Picker
      label={label}
      value={chosen?.name ?? ''}
      placeholder={chosen?.name}
      words={words}
      onWords={(typed) => {
        setWords(typed);
        if (typed !== null) setUnknown(null);
      }}
      options={found.map((crop) => ({ key: crop.id, name: crop.name, beside: crop.group, of: crop.id }))}
      none="No plant of that name; add your own below the bed."
      onTake={(id) => {
        setUnknown(null);
        onChange(id);
      }}
      // What is not in the list is never replaced by something else.
      onUnknown={setUnknown}
      error={
        unknown === null
          ? error
          : `Crop must be one of the list; got “${unknown}”. Take the plant it is most like: your own can be made of it on the bed’s page.`
      }
      hint={chosen ? `Most in need of water: ${chosen.thirstiest}` : ''}
    />
  );
}
