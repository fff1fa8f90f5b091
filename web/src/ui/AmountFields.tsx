import type { UseFormRegisterReturn } from 'react-hook-form';
import { useUnits } from '../words/units.ts';
import { Choice } from './Choice.tsx';
import { Field } from './Field.tsx';
import { useCan } from './useCan.ts';

/** How much was given: a figure, in minutes, in the gardener's own litres or in cans. */
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
  const units = useUnits();
  const { unit } = units.of('volume');
  const can = useCan();
  return (
    <div className="grid grid-cols-2 gap-4">
      <Field label="Amount" inputMode="decimal" error={error} hint={hint} {...amount} />
      <Choice label="in" {...by}>
        <option value="minutes">minutes</option>
        {onlyMinutes ? null : <option value="litres">{unit === 'L' ? 'litres' : 'gallons'}</option>}
        {onlyMinutes ? null : <option value="cans">cans of {units.text('litresFine', can)}</option>}
      </Choice>
    </div>
  );
}
