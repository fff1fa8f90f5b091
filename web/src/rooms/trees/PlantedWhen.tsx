import { plantedAbout, type PlantedAbout } from '@kibble/core';
import { useState } from 'react';
import { fullDate } from '../../words/dateWords.ts';
import { Button } from '../../ui/Button.tsx';
import { Field } from '../../ui/Field.tsx';

const READ_AS: Readonly<Record<PlantedAbout['by'], (on: string) => string>> = {
  day: (on) => `Taken as ${fullDate(on)}.`,
  year: (on) => `Taken as ${fullDate(on)}, the middle of that year.`,
  'years ago': (on) => `Taken as ${fullDate(on)}.`,
  'not known': () =>
    'Counted as planted 20 years ago. Measuring its trunk below tells more than its age does.',
};

/** The day on which a tree was planted: from the calendar, or as somebody remembers it. */
export function PlantedWhen({
  value,
  today,
  error,
  onChange,
}: {
  value: string;
  today: string;
  error?: string;
  /** A day; empty where what was typed says none. */
  onChange: (day: string) => void;
}) {
  const [words, setWords] = useState<string | null>(null);
  const read = words === null ? null : plantedAbout(words, today);
  const wrong = words !== null && words.trim() !== '' && read === null;
  return (
    <div>
      {words === null ? (
        <Field
          label="Planted on, or about"
          type="date"
          max={today}
          value={value}
          onChange={(e) => onChange(e.target.value)}
          error={error}
        />
      ) : (
        <Field
          label="Planted about"
          value={words}
          autoFocus
          hint={read ? READ_AS[read.by](read.on) : 'Such as 1990, “three years ago” or “unknown”.'}
          error={
            wrong
              ? `Planted about must be a past year, a number of years ago, or “unknown”; got “${words}”.`
              : error
          }
          onChange={(e) => {
            setWords(e.target.value);
            onChange(plantedAbout(e.target.value, today)?.on ?? '');
          }}
        />
      )}
      <Button
        look="quiet"
        className="-ml-4"
        onClick={() => {
          setWords(words === null ? '' : null);
          onChange(words === null ? '' : today);
        }}
      >
        {words === null ? 'I only know about when' : 'I know the day'}
      </Button>
    </div>
  );
}
