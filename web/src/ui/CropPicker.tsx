import { CATALOGUE, OTHER_NAMES, type CropEntry } from '@kibble/core';
import { useState } from 'react';
import { useGardenCrops } from '../state/gardenRound.ts';
import { Picker } from './Picker.tsx';
import { closestNames } from '@kibble/contract';

const MOST = 8;

interface Props {
  label: string;
  value: string;
  onChange: (cropId: string) => void;
  error?: string;
}

/** A name that finds a plant: its own, another one, or that of a plant which is planned like it. */
interface Way {
  key: string;
  name: string;
  beside: string;
  crop: CropEntry;
  isLike: boolean;
}

const wayOf = (crop: CropEntry): Way => ({
  key: crop.id,
  name: crop.name,
  beside: crop.group,
  crop,
  isLike: false,
});

/** Other names of plants, each with the plant it finds. */
const otherWays = (crops: readonly CropEntry[]): Way[] =>
  OTHER_NAMES.flatMap(({ name, cropId, isLike }) => {
    const crop = crops.find(({ id }) => id === cropId);
    if (!crop) return [];
    const is = crop.name.toLowerCase();
    return [
      {
        key: `${cropId} ${name}`,
        name,
        beside: isLike ? `planned like ${is}` : `the same as ${is}`,
        crop,
        isLike,
      },
    ];
  });

/** A plant found by typing a part of any of its names, the garden's own first, then the catalogue; a slip of the pen is forgiven. */
export function CropPicker({ label, value, onChange, error }: Props) {
  const own = useGardenCrops();
  const [words, setWords] = useState<string | null>(null);
  const [unknown, setUnknown] = useState<string | null>(null);
  /** The other name by which the plant was taken. */
  const [called, setCalled] = useState<Way | null>(null);
  const all: CropEntry[] = [...own, ...[...CATALOGUE].sort((a, b) => a.name.localeCompare(b.name))];
  const chosen = all.find((c) => c.id === value);
  const taken = called && called.crop.id === value ? called : null;
  const wanted = (words ?? '').trim().toLowerCase();
  const plain = all.map(wayOf);
  const ways = wanted === '' ? plain : [...plain, ...otherWays(all)];
  const holding = ways
    .filter(
      ({ name, crop, key }) =>
        name.toLowerCase().includes(wanted) || (key === crop.id && crop.group.includes(wanted)),
    )
    .sort(
      (a, b) =>
        Number(b.name.toLowerCase().startsWith(wanted)) - Number(a.name.toLowerCase().startsWith(wanted)),
    );
  const found = (holding.length > 0 ? holding : closestNames(ways, wanted)).slice(0, MOST);
  const hint = (): string => {
    if (!chosen) return '';
    const like = taken?.isLike ? `Planned like ${chosen.name.toLowerCase()}. ` : '';
    return `${like}Most in need of water: ${chosen.thirstiest}`;
  };
  return (
    <Picker
      label={label}
      value={taken?.name ?? chosen?.name ?? ''}
      placeholder={taken?.name ?? chosen?.name}
      words={words}
      onWords={(typed) => {
        setWords(typed);
        if (typed !== null) setUnknown(null);
      }}
      options={found.map((way) => ({ key: way.key, name: way.name, beside: way.beside, of: way }))}
      none="No plant of that name; add your own below the bed."
      onTake={(way) => {
        setUnknown(null);
        setCalled(way);
        onChange(way.crop.id);
      }}
      // What is not in the list is never replaced by something else.
      onUnknown={setUnknown}
      error={
        unknown === null
          ? error
          : `Crop must be one of the list; got “${unknown}”. Take the plant it is most like: your own can be made of it on the bed’s page.`
      }
      hint={hint()}
    />
  );
}
