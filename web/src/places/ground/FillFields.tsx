import { FILL_IDS, FILLS } from '@kibble/core';
import { useWatch, type UseFormReturn } from 'react-hook-form';
import { Choice } from '../../ui/Choice.tsx';
import { Field } from '../../ui/Field.tsx';
import { useUnits } from '../../words/units.ts';
import { USUAL_FILL_MM, type TypedBed } from './Fields.tsx';

/** What a raised bed is filled with, where that is not soil, and how deep. */
export function FillFields({ form }: { form: UseFormReturn<TypedBed> }) {
  const units = useUnits();
  const filledWith = useWatch({ control: form.control, name: 'filledWith' });
  return (
    <div className="grid gap-4 sm:grid-cols-2">
      <Choice label="A raised bed is filled with" {...form.register('filledWith')}>
        <option value="">soil</option>
        {FILL_IDS.map((id) => (
          <option key={id} value={id}>
            {FILLS[id].label}
          </option>
        ))}
      </Choice>
      {filledWith ? (
        <Field
          label="Filled so deep"
          unit={units.of('depth').unit}
          inputMode="decimal"
          error={form.formState.errors.filledDepth?.message}
          hint={`Left empty, about ${units.system === 'us' ? '10\u00a0in' : units.text('depth', USUAL_FILL_MM)}. The soil beneath is taken for a loam until you tell it.`}
          {...form.register('filledDepth')}
        />
      ) : null}
    </div>
  );
}
