import type { UseFormRegisterReturn } from 'react-hook-form';
import { useUnits } from '../words/units.ts';
import { Choice } from './Choice.tsx';
import { Field } from './Field.tsx';

/** How much was given: a figure, in minutes or in the gardener's own litres. */
export function AmountFields({
  amount,
  by,
  error,
  hint,
  onlyMinutes = false,
}: {
  amount: UseFormRegisterReturn;
  by: UseFormRegisterReturn;
  error?: string;
  hint?: string;
  /** A zone's beds have the same minutes, and litres by their own flow. */
  onlyMinutes?: boolean;
}) {
  const { unit } = useUnits().of('volume');
  return (
    <div className="grid grid-cols-2 gap-4">
      <Field label="Amount" inputMode="decimal" error={error} hint={hint} {...amount} />
      <Choice label="in" {...by}>
        <option value="minutes">minutes</option>
        {onlyMinutes ? null : <option value="litres">{unit === 'L' ? 'litres' : 'gallons'}</option>}
      </Choice>
    </div>
  );
}
