import { HEATS_LATELY, LAST_WATERED, RAINS_LATELY, WATERED_LATELY, type Lately } from '@kibble/core';
import { Taps } from './Taps.tsx';

const asWords = <T extends string>(all: readonly T[]): (readonly [T, T])[] =>
  all.map((one) => [one, one] as const);

/** What is taken where something of it is left out. */
const USUAL: Lately = {
  rain: 'as usual',
  heat: 'as usual',
  watered: 'now and then',
  last: 'in the last week',
};

/** What is remembered of the last month: four taps, each of them may be left out. */
export function LatelyTaps({
  value,
  onChange,
}: {
  value: Lately | null;
  onChange: (lately: Lately) => void;
}) {
  const say = (more: Partial<Lately>): void => onChange({ ...USUAL, ...value, ...more });
  return (
    <div role="group" aria-label="The last month" className="flex flex-col gap-3">
      <p className="text-quiet">
        Say what you remember of the last month. Kibble works out from it how wet the ground most likely is.
        What you leave out is taken as usual.
      </p>
      <Taps
        legend="Rain"
        options={asWords(RAINS_LATELY)}
        value={value?.rain ?? null}
        onChange={(rain) => say({ rain })}
      />
      <Taps
        legend="The days were"
        options={asWords(HEATS_LATELY)}
        value={value?.heat ?? null}
        onChange={(heat) => say({ heat })}
      />
      <Taps
        legend="You watered"
        options={asWords(WATERED_LATELY)}
        value={value?.watered ?? null}
        onChange={(watered) => say({ watered })}
      />
      {value?.watered === 'not at all' ? null : (
        <Taps
          legend="You last watered"
          options={asWords(LAST_WATERED)}
          value={value?.last ?? null}
          onChange={(last) => say({ last })}
        />
      )}
    </div>
  );
}
