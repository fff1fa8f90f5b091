import { fieldWords, LIMITS, type Limit, type LimitedField } from '@kibble/contract';
import { useEffect, useRef } from 'react';
import { refusal } from '../api/api.ts';
import { useUnits, type Units } from '../words/units.ts';
import { Button } from './Button.tsx';

const keyOf = (field: string): string => field.split('.').at(-1) ?? field;
const limitOf = (field: string): Limit | undefined =>
  keyOf(field) in LIMITS ? LIMITS[keyOf(field) as LimitedField] : undefined;

function valueText(field: string, value: unknown, units: Units): string {
  if (value === null || value === undefined || value === '') return 'nothing';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  const limit = limitOf(field);
  if (typeof value === 'number' && limit) return units.text(limit.quantity, value);
  return typeof value === 'object' ? JSON.stringify(value) : String(value);
}

/** Words of a refusal; where somebody else changed the same thing meanwhile, both sides, and the choice between them. */
export function RefusalOrConflict({
  error,
  onMine,
  onTheirs,
}: {
  error: unknown;
  /** Sends it again, on the state that stands now. */
  onMine: (version: number) => void;
  /** Leaves what stands there. */
  onTheirs: () => void;
}) {
  const units = useUnits();
  const note = useRef<HTMLDivElement>(null);
  // The question must be seen where it arises, also under a long form.
  useEffect(() => {
    void note.current?.scrollIntoView({ block: 'nearest' });
  }, [error]);
  if (!error) return null;
  const { message, conflict } = refusal(error);
  return (
    <div ref={note} role="alert" className="border-l-4 border-brick pl-3">
      <p className="font-semibold text-brick">{message}</p>
      {conflict ? (
        <>
          <table className="my-2 w-full text-left">
            <thead className="text-sm text-quiet">
              <tr>
                <th className="pr-4 font-normal">What differs</th>
                <th className="pr-4 font-normal">Yours</th>
                <th className="font-normal">There now</th>
              </tr>
            </thead>
            <tbody>
              {conflict.sides.map(({ field, yours, theirs }) => (
                <tr key={field} className="border-t border-rule align-baseline">
                  <th scope="row" className="py-1 pr-4 font-semibold">
                    {limitOf(field)?.label ?? fieldWords(field.split('.'))}
                  </th>
                  <td className="pr-4">{valueText(field, yours, units)}</td>
                  <td>{valueText(field, theirs, units)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <div className="flex flex-wrap gap-2">
            <Button onClick={() => onMine(conflict.version)}>Keep mine</Button>
            <Button look="quiet" onClick={onTheirs}>
              Take what is there
            </Button>
          </div>
        </>
      ) : null}
    </div>
  );
}
