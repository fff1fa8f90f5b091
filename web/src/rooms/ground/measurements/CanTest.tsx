import { canAdvice, canMap, canTest, FEWEST_FOR_EVENNESS, type CanAdvice } from '@kibble/core';
import { range } from 'd3';
import { useId } from 'react';
import { numberRule } from '../../../words/numberRule.ts';
import { minutesText, useUnits } from '../../../words/units.ts';
import { CanDrawing, CanMap } from '../drawings.tsx';
import { Num, Pick, Says, Step, Stopwatch, useProblem, useTest } from './parts.tsx';
import type { Reading, TestPage } from './types.ts';
import { Term } from '../../../ui/Term.tsx';

const ADVICE: Readonly<Record<CanAdvice, string>> = {
  'one can tells the rate, not the evenness':
    'One can tells the rate. It hides how unevenly the water falls: four or more would show it.',
  'even enough': 'Even enough: water the whole bed by one figure.',
  'fairly even': 'Fairly even. The plan waters for the driest quarter, so the rest gets somewhat more.',
  uneven:
    'Uneven. The plan waters for the driest quarter, so much of the bed gets too much: moving the sprinkler saves more water than anything else here.',
  'edges dry': 'The edges stay dry: let the throw overlap them, or stand it closer.',
  'one end dry': 'One end stays dry: move the sprinkler towards it, or water from both ends.',
  'one side dry': 'One side stays dry: look for wind, a slope or a plant in the way, and move towards it.',
  'single dry spot':
    'A single dry spot: something stands in the way, or a nozzle is clogged. Give it a can of its own.',
};

const SIDES = range(1, 9).map((n) => [String(n), String(n)] as const);

function Grid() {
  const { reader, draft, set, tried } = useTest();
  const units = useUnits();
  const id = useId();
  const rows = Number(reader.text('rows', '3'));
  const columns = Number(reader.text('columns', '4'));
  const problem = useProblem('cans');
  return (
    <div>
      <div className="flex flex-wrap gap-4">
        <Pick name="rows" label="Rows" options={SIDES} fallback="3" />
        <Pick name="columns" label="Cans in a row" options={SIDES} fallback="4" />
      </div>
      <p id={id} className="mt-3 mb-1 font-semibold">
        Depth in each can, {units.of('depth').unit}, as they stand on the bed
      </p>
      <div
        role="group"
        aria-labelledby={id}
        className="inline-grid gap-2 border border-ink bg-[color:var(--soil-loam)]/30 p-2"
        style={{ gridTemplateColumns: `repeat(${columns}, minmax(3rem, 4.5rem))` }}
      >
        {range(rows).map((r) =>
          range(columns).map((c) => {
            const name = `can-${r}-${c}`;
            const text = typeof draft[name] === 'string' ? draft[name] : '';
            const wrong = (tried || text !== '') && numberRule('canMm', text, units) !== true;
            return (
              <input
                key={name}
                aria-label={`Can ${c + 1} of row ${r + 1}`}
                aria-invalid={wrong}
                inputMode="decimal"
                autoComplete="off"
                className="min-h-11 w-full border border-ink bg-sheet px-2 text-center aria-[invalid=true]:border-2 aria-[invalid=true]:border-brick"
                value={text}
                onChange={(e) => set({ [name]: e.target.value })}
              />
            );
          }),
        )}
      </div>
      {problem ? (
        <p role="alert" className="mt-1 max-w-prose font-semibold text-brick">
          {problem}
        </p>
      ) : null}
    </div>
  );
}

function Steps() {
  const { reader } = useTest();
  const one = reader.text('mode', 'grid') === 'one';
  return (
    <>
      <Step
        n={1}
        title="Stand straight-sided cans or mugs where the water falls. A grid shows the evenness; one can gives the rate."
      >
        <Pick
          name="mode"
          label="You have"
          options={[
            ['grid', 'a grid of cans over the bed'],
            ['one', 'one can or mug'],
          ]}
          fallback="grid"
        />
        <CanDrawing share={0.4} />
      </Step>
      <Step
        n={2}
        title={
          one
            ? 'Run the water until it stands at your mark, or for a fixed time.'
            : 'Run the water for a fixed time: an hour is easiest to reckon with.'
        }
      >
        <Stopwatch
          name="startedAt"
          into={{ name: 'minutes', unit: 'minutes' }}
          startWords="It runs"
          stopWords="It is off"
        />
        <Num name="minutes" field="minutes" label="It ran" hint="Written by the clock; or type it." />
      </Step>
      <Step n={3} title={one ? 'Measure the depth in the can.' : 'Measure the depth in every can.'}>
        {one ? <Num name="depth" field="canMm" label="Depth in the can" /> : <Grid />}
        <Num
          name="height"
          field="canHeightMm"
          label="The cans are so high"
          hint="May stay empty. A can that ran over cannot be read."
        />
      </Step>
    </>
  );
}

function Result({ input }: { input: Reading<'cans'> }) {
  const units = useUnits();
  const { bed } = useTest();
  const depthsMm = input.grid.flat();
  const test = canTest({ depthsMm, minutes: input.minutes });
  const percent = (v: number): string => `${Math.round(v * 100)} %`;
  const many = depthsMm.length >= FEWEST_FOR_EVENNESS;
  return (
    <>
      <Says figure={units.text('rate', test.rateMmPerHour)}>
        on the ground: {units.text('depth', 10)} take {minutesText(600 / test.rateMmPerHour)}.
      </Says>
      {many ? (
        <>
          <CanMap cells={canMap(input.grid)} />
          <dl className="my-2 grid grid-cols-[auto_auto] gap-x-4 text-base">
            <dt>
              <Term of="evenness">Driest quarter against the mean</Term>
            </dt>
            <dd className="font-bold">{percent(test.lowQuarterUniformity)}</dd>
            <dt>
              <Term of="evenness overall">Evenness overall</Term>
            </dt>
            <dd className="font-bold">{percent(test.christiansenUniformity)}</dd>
            <dt>Least and most</dt>
            <dd className="font-bold">
              {units.number('depth', Math.min(...depthsMm))} to {units.text('depth', Math.max(...depthsMm))}
            </dd>
          </dl>
        </>
      ) : null}
      <ul>
        {canAdvice(input.grid).map((advice) => (
          <li key={advice} className="border-t border-rule py-1">
            {ADVICE[advice]}
          </li>
        ))}
      </ul>
      {bed ? null : <p>Written down for this tap’s beds one by one.</p>}
    </>
  );
}

export const canTestPage: TestPage = {
  kind: 'cans',
  title: 'Set out cans',
  about: 'Catches what really falls on the bed: how fast, and how evenly.',
  needs: 'straight-sided cans or mugs, a ruler, an hour',
  Steps,
  read: (r) => {
    const one = r.text('mode', 'grid') === 'one';
    const minutes = r.number('minutes', 'minutes');
    const canHeightMm = r.optional('height', 'canHeightMm');
    let grid: number[][];
    if (one) grid = [[r.number('depth', 'canMm')]];
    else {
      const rows = Number(r.text('rows', '3'));
      const columns = Number(r.text('columns', '4'));
      grid = range(rows).map((row) =>
        range(columns).map((column) => {
          const name = `can-${row}-${column}`;
          const mm = r.number(name, 'canMm');
          if (r.problems[name]) {
            r.refuse('cans', `Row ${row + 1}, can ${column + 1}: ${r.problems[name]}`);
            if (r.missing.has(name)) r.missing.add('cans');
          }
          return mm;
        }),
      );
    }
    const all = grid.flat();
    const field = one ? 'depth' : 'cans';
    if (r.ok && all.every((mm) => mm === 0))
      r.refuse(field, 'At least one can must have caught more than 0.');
    const deepest = Math.max(...all);
    if (canHeightMm !== undefined && deepest > canHeightMm) {
      const { units } = r;
      r.refuse(
        field,
        `Depth in the can must be at most its own height of ${units.text('depth', canHeightMm)}; got ${units.text('depth', deepest)}.`,
      );
    }
    return r.ok ? { kind: 'cans', grid, minutes, canHeightMm } : null;
  },
  Result: Result as TestPage['Result'],
};
