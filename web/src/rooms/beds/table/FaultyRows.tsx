import type { ReadBeds } from '@kibble/contract';
import { useState } from 'react';
import { Button } from '../../../ui/Button.tsx';
import { Field } from '../../../ui/Field.tsx';

interface Props {
  rows: ReadBeds['faulty'];
  onCorrect: (line: number, at: number, text: string) => void;
}

/** Rows shown before the others are asked for. */
const SHOWN = 6;

/** Rows that are not right yet: what is wrong with each cell, and the cell itself to be put right. */
export function FaultyRows({ rows, onCorrect }: Props) {
  const [all, setAll] = useState(false);
  const shown = all ? rows : rows.slice(0, SHOWN);
  return (
    <div className="mb-6 border-l-4 border-brick pl-4">
      <ul className="flex flex-col gap-3">
        {shown.map(({ line, name, faults }) => (
          <li key={line}>
            <p className="font-semibold">
              Line {line}: {name}
            </p>
            <ul className="grid gap-x-6 gap-y-2 sm:grid-cols-2">
              {faults.map((fault) => (
                <li key={`${fault.field} ${fault.text}`}>
                  {fault.at === null ? (
                    <p>{fault.reason}</p>
                  ) : (
                    <Cell
                      label={`${fault.heading} on line ${line}`}
                      text={fault.text}
                      reason={fault.reason}
                      onText={(text) => onCorrect(line, fault.at ?? 0, text)}
                    />
                  )}
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
      {rows.length > SHOWN ? (
        <Button look="quiet" className="-ml-4" onClick={() => setAll(!all)}>
          {all ? 'Show fewer rows' : `Show the other ${rows.length - SHOWN} rows`}
        </Button>
      ) : null}
    </div>
  );
}

/** One cell. It counts when it is left, so that it does not vanish while it is typed. */
function Cell({
  label,
  text,
  reason,
  onText,
}: {
  label: string;
  text: string;
  reason: string;
  onText: (text: string) => void;
}) {
  const [typed, setTyped] = useState(text);
  const done = (): void => {
    if (typed !== text) onText(typed);
  };
  return (
    <Field
      label={label}
      value={typed}
      error={reason}
      onChange={(e) => setTyped(e.target.value)}
      onBlur={done}
      onKeyDown={(e) => {
        if (e.key === 'Enter') done();
      }}
    />
  );
}
