import type { Tellable, Working } from '@kibble/core';
import { useId } from 'react';
import { useUnits } from '../words/units.ts';
import { CalledInTheField, TermOfLabel } from './Term.tsx';
import { isAssumed, sourceText, tellUnit, workingText } from './workingText.ts';
import { Fold } from './Fold.tsx';

interface TreeProps {
  working: Working;
  today: string;
  /** What was typed over a figure, by its name. */
  typed: Partial<Record<Tellable, string>>;
  problems: Partial<Record<Tellable, string>>;
  /** Left out, the tree is only read. */
  onType?: (tell: Tellable, text: string) => void;
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
        onChange={(e) => onType?.(tell, e.target.value)}
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
        {working.tell && props.onType ? (
          <Typed {...props} tell={working.tell} />
        ) : (
          <>
            <TermOfLabel label={working.label} />{' '}
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
      <Fold
        heading={
          <>
            {working.label} <strong>{workingText(working, units)}</strong>
            {note}
          </>
        }
        begins={depth < 3}
        dense
      >
        <p className="pl-4 text-sm text-quiet">
          = {working.formula}
          <CalledInTheField label={working.label} />
        </p>
        <ul className="border-l border-rule pl-4">
          {working.inputs.map((input) => (
            <WorkingTree key={input.label} {...props} working={input} depth={depth + 1} />
          ))}
        </ul>
      </Fold>
    </li>
  );
}
