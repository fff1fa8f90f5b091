import type { SequenceView } from '@kibble/contract';
import { secondsLeft, SOAK_MM } from '@kibble/core';
import { useEffect } from 'react';
import { useStepSequenceMutation } from '../api/api.ts';
import { beep } from '../state/beep.ts';
import { useGarden } from '../state/gardenRound.ts';
import { noticeShown, undoesEntries } from '../state/noticeSlice.ts';
import { useAppDispatch } from '../api/store.ts';
import { useUnits } from '../words/units.ts';
import { Button } from './Button.tsx';
import { clockText, useNow } from './clock.ts';
import { Refused } from './Refused.tsx';
import { later } from './later.tsx';

const Caution = later(async () => (await import('./Caution.tsx')).Caution);

/** What is under way by the clock or is being counted: kept at home, so that a reload or another device goes on with it. */
export function UnderWay({ sequences }: { sequences: readonly SequenceView[] }) {
  if (sequences.length === 0) return null;
  return (
    <section aria-label="Under way" className="mb-4 border-y-2 border-ink bg-sheet">
      {sequences.map((one) =>
        one.batch ? <Batch key={one.id} of={one} /> : <Clocked key={one.id} of={one} />,
      )}
    </section>
  );
}

function useStep(of: SequenceView) {
  const garden = useGarden();
  const dispatch = useAppDispatch();
  const [step, state] = useStepSequenceMutation();
  return {
    ...state,
    next: async (): Promise<void> => {
      const { entries, ended } = await step({ id: of.id, body: { act: 'next', from: of.step } }).unwrap();
      if (ended)
        dispatch(
          noticeShown({
            text:
              entries.length > 0
                ? `Back in place; what ${of.names.length === 1 ? 'it' : 'they'} took up is written down.`
                : 'Done.',
            undo: undoesEntries(garden.id, entries),
          }),
        );
    },
    count: (count: number): void => void step({ id: of.id, body: { act: 'count', count } }),
    giveUp: async (): Promise<void> => {
      const { entries } = await step({ id: of.id, body: { act: 'give up' } }).unwrap();
      dispatch(
        entries.length > 0
          ? noticeShown({
              text: `What ${of.names.length === 1 ? 'it' : 'they'} took up is written down. Look again this evening.`,
              undo: undoesEntries(garden.id, entries),
            })
          : noticeShown({
              text: 'Given up; nothing is written down.',
              undo: [{ to: 'stepSequence', at: { id: of.id }, body: { act: 'take up' } }],
            }),
      );
    },
  };
}

const TITLES: Readonly<Record<string, string>> = {
  'tray soak': 'Soaking trays',
  rescue: 'Rescue',
  'drench twice': 'Drench twice',
};

function Clocked({ of }: { of: SequenceView }) {
  const units = useUnits();
  const { next, giveUp, isLoading, error } = useStep(of);
  const at = of.steps[of.step];
  const now = useNow(at !== undefined && at.minutes !== null);
  const left = at ? secondsLeft(at, Math.max(0, (now - Date.parse(of.stepAt)) / 1000)) : null;
  const over = left !== null && left <= 0;
  useEffect(() => {
    if (over) beep();
  }, [over]);
  if (!at) return null;
  const next_ = of.steps[of.step + 1];
  return (
    <div
      className="flex flex-wrap items-center gap-x-6 gap-y-1 border-t border-rule px-4 py-2 first:border-t-0"
      data-testid="sequence"
    >
      <span role="timer" className={`min-w-24 text-4xl font-bold ${over ? 'text-brick' : ''}`}>
        {left === null ? '' : over ? `+${clockText(-1000 * left)}` : clockText(1000 * left)}
      </span>
      <span className="min-w-60 flex-1">
        <strong>
          {TITLES[of.kind]}, step {of.step + 1} of {of.steps.length}
        </strong>
        : {of.names.join(' · ')}
        <span className="block">
          {at.says}
          {at.id === 'soak' && of.water
            ? `, ${units.number('depth', SOAK_MM.low)} to ${units.text('depth', SOAK_MM.high)} deep`
            : ''}
          {at.asks ? `, until ${at.asks}` : ''}.
          {at.id === 'soak' && of.water
            ? ` ${units.text('litresFine', of.water.bathL)} in the bath${of.water.rounds > 1 ? `, ${of.water.atOnce} at a time in ${of.water.rounds} rounds` : ''}; ${units.text('litresFine', of.water.litres)} in all.`
            : ''}
        </span>
        <Refused error={error} inline />
        {at.id === 'soak' ? <Caution of="standing water" /> : null}
      </span>
      <Button disabled={isLoading} onClick={() => void next().catch(() => undefined)}>
        {at.id === 'soak'
          ? of.kind === 'rescue'
            ? 'It has soaked'
            : 'The surface is dark'
          : next_
            ? 'Done, go on'
            : at.id === 'return'
              ? 'They stand in their place'
              : 'Done'}
      </Button>
      <Button look="quiet" disabled={isLoading} onClick={() => void giveUp().catch(() => undefined)}>
        {at.id === 'look' ? 'Not yet' : 'Give up'}
      </Button>
    </div>
  );
}

function Batch({ of }: { of: SequenceView }) {
  const units = useUnits();
  const { next, count, giveUp, isLoading, error } = useStep(of);
  const { batch } = of;
  if (!batch) return null;
  const all = of.count >= batch.whole;
  return (
    <div className="border-t border-rule px-4 py-2 first:border-t-0" data-testid="batch">
      <div className="flex flex-wrap items-center gap-x-6 gap-y-1">
        <span
          role="status"
          className={`text-4xl font-bold whitespace-nowrap ${of.count > batch.whole ? 'text-brick' : ''}`}
        >
          {of.count} of {batch.whole}
        </span>
        <span className="min-w-60 flex-1">
          <strong>Acid for {units.text('volume', batch.litres)}</strong>: {batch.whole} level{' '}
          {batch.whole === 1 ? 'teaspoon' : 'teaspoons'} of 5&nbsp;mL,{' '}
          {units.text('millilitres', batch.millilitres)} of household acid
          {batch.feed ? '; half the dose, for there is feed in it' : ''}.
          <Caution of="acid" />
          {all ? (
            <span className="block font-semibold">
              All in. Stir, measure the pH again, and write it down below.
            </span>
          ) : null}
          <Refused error={error} inline />
        </span>
        <Button className="min-h-14 text-lg" disabled={isLoading} onClick={() => count(of.count + 1)}>
          A spoon is in
        </Button>
        <Button
          look="quiet"
          disabled={isLoading || of.count === 0}
          onClick={() => count(Math.max(0, of.count - 1))}
        >
          One less
        </Button>
        <Button
          look="quiet"
          disabled={isLoading}
          onClick={() => void (all ? next() : giveUp()).catch(() => undefined)}
        >
          {all ? 'The batch is made' : 'Give up'}
        </Button>
      </div>
    </div>
  );
}
