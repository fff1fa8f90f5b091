import type { BedView, CoreView, LimitedField } from '@kibble/contract';
import { LIMITS } from '@kibble/contract';
import type { KnownBed } from '@kibble/core';
import { RadioGroup } from 'radix-ui';
import { createContext, useContext, useId, type ReactNode } from 'react';
import { useController, type Control } from 'react-hook-form';
import { useUnits } from '../../../words/units.ts';
import { Button } from '../../../ui/Button.tsx';
import { clockText, useNow } from '../../../ui/clock.ts';
import { Choice } from '../../../ui/Choice.tsx';
import { Field } from '../../../ui/Field.tsx';
import type { Draft, Reader } from './reader.ts';
import type { Kept } from './useTestForm.ts';
import { Check } from '../../../ui/Check.tsx';

/** What a test's page hands to its fields. */
export interface TestState {
  control: Control<Draft, unknown, Kept>;
  draft: Draft;
  set: (patch: Draft, now?: boolean) => void;
  reader: Reader;
  /** Somebody has tried to keep it: what is missing is now wrong. */
  tried: boolean;
  bed: BedView | null;
  known: KnownBed | null;
  core: CoreView | null;
  today: string;
  /** Last watering of the bed: its minutes, and how deep the balance thinks it went, mm. */
  lastWatering: { date: string; minutes: number; predictedMm: number | null } | null;
}

export const TestContext = createContext<TestState | null>(null);
export function useTest(): TestState {
  const state = useContext(TestContext);
  if (!state) throw new Error('A test field stands outside its test.');
  return state;
}

/** What is wrong with a field, once something was typed or the test was to be kept. */
export function useProblem(name: string): string | undefined {
  const { reader, tried } = useTest();
  return tried || !reader.missing.has(name) ? reader.problems[name] : undefined;
}

/** A field of the test's form: where it stands, so that a refusal can lead there, and the way into the draft. */
function useTestField(name: string) {
  const { control, set } = useTest();
  const { ref, onBlur } = useController({ name, control }).field;
  return { ref, onBlur, put: (value: unknown) => set({ [name]: value }) };
}

/** A number of the test, typed in the gardener's units. */
export function Num({
  name,
  field,
  label,
  hint,
  fallback = '',
  className,
}: {
  name: string;
  field: LimitedField;
  label: string;
  hint?: ReactNode;
  fallback?: string;
  className?: string;
}) {
  const { reader } = useTest();
  const units = useUnits();
  const { ref, onBlur, put } = useTestField(name);
  return (
    <Field
      ref={ref}
      onBlur={onBlur}
      label={label}
      hint={hint}
      unit={units.of(LIMITS[field].quantity).unit}
      inputMode="decimal"
      autoComplete="off"
      className={className ?? 'w-28'}
      value={reader.text(name, fallback)}
      error={useProblem(name)}
      onChange={(e) => put(e.target.value)}
    />
  );
}

export function Pick<T extends string>({
  name,
  label,
  options,
  fallback,
  hint,
}: {
  name: string;
  label: string;
  options: readonly (readonly [T, string])[];
  fallback?: T;
  hint?: string;
}) {
  const { reader } = useTest();
  const { ref, onBlur, put } = useTestField(name);
  return (
    <Choice
      ref={ref}
      onBlur={onBlur}
      label={label}
      hint={hint}
      value={reader.text(name, fallback ?? '')}
      error={useProblem(name)}
      onChange={(e) => put(e.target.value)}
    >
      {fallback === undefined || fallback === '' ? (
        <option value="">{fallback === undefined ? 'choose…' : 'left open'}</option>
      ) : null}
      {options.map(([value, words]) => (
        <option key={value} value={value}>
          {words}
        </option>
      ))}
    </Choice>
  );
}

export function Tick({ name, children }: { name: string; children: ReactNode }) {
  const { reader } = useTest();
  const { ref, onBlur, put } = useTestField(name);
  return (
    <Check ref={ref} checked={reader.flag(name)} onBlur={onBlur} onChange={(e) => put(e.target.checked)}>
      <span>{children}</span>
    </Check>
  );
}

/** A choice among drawings. */
export function Pictures<T extends string>({
  name,
  legend,
  options,
}: {
  name: string;
  legend: string;
  options: readonly { value: T; words: string; picture: ReactNode }[];
}) {
  const { reader } = useTest();
  const { ref, onBlur, put } = useTestField(name);
  const group = useId();
  const problem = useProblem(name);
  const chosen = reader.text(name);
  return (
    <fieldset>
      <legend id={`${group}-legend`} className="mb-2 font-semibold">
        {legend}
      </legend>
      <RadioGroup.Root
        aria-labelledby={`${group}-legend`}
        className="grid grid-cols-2 gap-3 sm:grid-cols-[repeat(auto-fill,minmax(9.5rem,1fr))]"
        value={chosen}
        onValueChange={put}
        onBlur={onBlur}
      >
        {options.map(({ value, words, picture }, i) => (
          <RadioGroup.Item
            key={value}
            ref={i === 0 ? ref : undefined}
            value={value}
            className="flex flex-col border-2 border-rule bg-sheet p-2 text-left data-[state=checked]:border-ink"
          >
            <span aria-hidden className="mx-auto block">
              {picture}
            </span>
            <span className="mt-1 flex items-start gap-2">
              <span
                aria-hidden
                className="mt-1 flex size-4 shrink-0 items-center justify-center rounded-full border-2 border-ink"
              >
                <RadioGroup.Indicator className="block size-2 rounded-full bg-ink" />
              </span>
              <span className="leading-snug">{words}</span>
            </span>
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
      {problem ? (
        <p role="alert" className="mt-1 font-semibold text-brick">
          {problem}
        </p>
      ) : null}
    </fieldset>
  );
}

/** A numbered step of a test. */
export function Step({ n, title, children }: { n: number; title: string; children?: ReactNode }) {
  return (
    <li className="grid grid-cols-[1.6rem_minmax(0,1fr)] gap-x-3 border-t border-rule py-3">
      <span className="font-serif text-xl text-quiet" aria-hidden>
        {n}
      </span>
      <div className="flex flex-col gap-3">
        <p className="text-lg leading-snug">{title}</p>
        {children}
      </div>
    </li>
  );
}

/** Start, stop, and what ran: the moment of the start is kept, so nothing is lost when the screen sleeps. */
export function Stopwatch({
  name,
  into,
  startWords,
  stopWords,
}: {
  /** Draft field holding the moment of the start. */
  name: string;
  /** Field the time is written into when it stops, and its unit. */
  into: { name: string; unit: 'seconds' | 'minutes' };
  startWords: string;
  stopWords: string;
}) {
  const { draft, set } = useTest();
  const startedAt = typeof draft[name] === 'number' ? draft[name] : null;
  const now = useNow(startedAt !== null);
  const stop = (): void => {
    const ms = Date.now() - (startedAt ?? 0);
    const text = into.unit === 'seconds' ? (ms / 1000).toFixed(1) : (ms / 60_000).toFixed(1);
    set({ [name]: null, [into.name]: text }, true);
  };
  return (
    <div className="flex flex-wrap items-center gap-4">
      {startedAt === null ? (
        <Button onClick={() => set({ [name]: Date.now() }, true)}>{startWords}</Button>
      ) : (
        <>
          <span role="timer" className="min-w-24 text-4xl font-bold">
            {clockText(now - startedAt)}
          </span>
          <Button className="min-h-14 text-lg" onClick={stop}>
            {stopWords}
          </Button>
        </>
      )}
    </div>
  );
}

/** A large result with its unit and words. */
export function Says({ figure, children }: { figure: ReactNode; children?: ReactNode }) {
  return (
    <div className="mb-3">
      <p className="text-4xl font-bold">{figure}</p>
      {children ? <div className="mt-1">{children}</div> : null}
    </div>
  );
}
