import type { TownView } from '@kibble/contract';
import { useDeferredValue, useState } from 'react';
import { useTownsQuery } from '../api/setup.ts';
import { Picker } from './Picker.tsx';

/** Fewer letters say nothing. */
const LEAST_LETTERS = 2;

const lyingIn = ({ name, region, country }: TownView): string =>
  [region === name ? null : region, country].filter(Boolean).join(', ');
/** A town as it is told: with its region and country, for many have the same name. */
export const townWords = (town: TownView): string => `${town.name}, ${lyingIn(town)}`;

interface Props {
  label: string;
  /** The town that is taken, in words. */
  value: string;
  onChange: (town: TownView) => void;
  error?: string;
  hint?: string;
}

/** A town found by typing the beginning of its name. */
export function TownPicker({ onChange, ...rest }: Props) {
  const [words, setWords] = useState<string | null>(null);
  const typed = useDeferredValue((words ?? '').trim());
  // Asked for nothing, the gazetteer is opened before the first letter is typed.
  const { data: found = [], isFetching } = useTownsQuery(typed.length >= LEAST_LETTERS ? typed : '');
  return (
    <Picker
      {...rest}
      words={words}
      onWords={setWords}
      leastLetters={LEAST_LETTERS}
      options={found.map((town) => ({
        key: `${town.latitudeDeg} ${town.longitudeDeg}`,
        name: town.name,
        beside: lyingIn(town),
        of: town,
      }))}
      none={isFetching ? 'Looking…' : 'No town is called so. A larger one near by will do.'}
      onTake={onChange}
    />
  );
}
