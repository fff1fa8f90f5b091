import { TELLABLE, type Provenance, type Tellable, type Working } from '@kibble/core';
import type { Quantity } from '@kibble/contract';
import { useId } from 'react';
import { useUnits, type Unit, type Units } from '../app/units.ts';
import { plainDate } from '../app/words.ts';

const QUANTITY: Readonly<Record<string, Quantity>> = {
  mm: 'depth',
  L: 'volume',
  'm²': 'area',
  'L/min': 'flow',
  'L/h': 'drip',
  'mm/h': 'rate',
  '°C': 'temperature',
  'm/s': 'wind',
  m: 'height',
  min: 'minutes',
};

/** A working's value in the gardener's units; depths to a tenth, for they are being checked. */
export function workingText(working: Working, units: Units): string {
  const quantity = QUANTITY[working.unit];
  if (quantity && !(quantity === 'depth' && units.system === 'metric'))
    return units.text(quantity, working.value);
  const rounded = working.value.toLocaleString(undefined, {
    maximumFractionDigits: working.unit === '' ? 2 : 1,
  });
  return working.unit ? `${rounded}\u00a0${working.unit}` : rounded;
}

export function sourceText(provenance: Provenance, today: string): string | null {
  switch (provenance.kind) {
    case 'worked out':
      return null;
    case 'measured': {
      const on = provenance.on ? `measured ${plainDate(provenance.on, today)}` : 'measured';
      return provenance.stale ? `${on}; ${provenance.stale}, measure again` : on;
    }
    case 'told':
      return provenance.on ? `told ${plainDate(provenance.on, today)}` : 'as told';
    case 'table':
      return provenance.name;
    case 'assumed':
      return `assumed: ${provenance.why}`;
  }
}

/** Whether a figure gets the mark of an assumption: a guess, or a test that no longer holds. */
export const isAssumed = (provenance: Provenance | undefined): boolean =>
  provenance === undefined ||
  provenance.kind === 'assumed' ||
  (provenance.kind === 'measured' && provenance.stale !== undefined);

/** How a figure that may be changed is typed. */
export function tellUnit(tell: Tellable, units: Units): Unit {
  const { unit } = TELLABLE[tell];
  const quantity = QUANTITY[unit];
  if (quantity) return units.of(quantity);
  return { unit, decimals: 2, fromSi: (v) => v, toSi: (v) => v };
}

interface TreeProps {
  working: Working;
  today: string;
  /** What was typed over a figure, by its name. */
  typed: Partial<Record<Tellable, string>>;
  problems: Partial<Record<Tellable, string>>;
  onType: (tell: Tellable, text: string) => void;
}

function Typed({ working, typed, problems, onType, tell }: TreeProps & { tell: Tellable }) {
  const units = useUnits();
  const id = useId();
  const { unit, fromSi, decimals } = tellUnit(tell, units);
  const shown = typed[tell] ?? String(Number(fromSi(working.value).toFixed(Math.max(2, decimals))));
  return (
    <span className="inline-flex flex-wrap items-baseline gap-2">
      <label htmlFor={id}>{working.label}</label>
      <input
        id={id}
        inputMode="decimal"
        className={`w-20 border-b bg-sheet px-1 py-0.5 font-bold ${problems[tell] ? 'border-2 border-brick' : 'border-ink'} ${typed[tell] === undefined && isAssumed(working.provenance) ? 'assumed' : ''}`}
        value={shown}
        aria-invalid={Boolean(problems[tell])}
        aria-describedby={problems[tell] ? `${id}-error` : undefined}
        onChange={(e) => onType(tell, e.target.value)}
      />
      {unit ? <span className="text-quiet">{unit}</span> : null}
      {problems[tell] ? (
        <span id={`${id}-error`} role="alert" className="w-full font-semibold text-brick">
          {problems[tell]}
        </span>
      ) : null}
    </span>
  );
}

/** A working branch by branch: open to its second level, the figures a gardener may change as boxes to type in. */
export function WorkingTree({ depth = 0, ...props }: TreeProps & { depth?: number }) {
  const { working, today } = props;
  const units = useUnits();
  const source = sourceText(working.provenance, today);
  const note = source ? <span className="text-sm text-quiet"> ({source})</span> : null;
  if (working.inputs.length === 0) {
    return (
      <li className="py-1">
        {working.tell ? (
          <Typed {...props} tell={working.tell} />
        ) : (
          <>
            {working.label}{' '}
            <strong className={isAssumed(working.provenance) ? 'assumed' : ''}>
              {workingText(working, units)}
            </strong>
          </>
        )}
        {note}
      </li>
    );
  }
  return (
    <li className="py-1">
      <details open={depth < 3}>
        <summary className="cursor-pointer">
          {working.label} <strong>{workingText(working, units)}</strong>
          {note}
        </summary>
        <p className="pl-4 text-sm text-quiet">= {working.formula}</p>
        <ul className="border-l border-rule pl-4">
          {working.inputs.map((input) => (
            <WorkingTree key={input.label} {...props} working={input} depth={depth + 1} />
          ))}
        </ul>
      </details>
    </li>
  );
}
