import { FILL_IDS, FILLS, USUAL_FILL_MM } from '@kibble/core';
import { useWatch, type UseFormReturn } from 'react-hook-form';
import { Choice } from '../../ui/Choice.tsx';
import { Field } from '../../ui/Field.tsx';
import { useUnits } from '../../words/units.ts';
import type { TypedBed } from './Fields.tsx';

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
          label="How deep it is filled"
          unit={units.of('depth').unit}
          inputMode="decimal"
          error={form.formState.errors.filledDepth?.message}
          hint={`If you leave it empty, ${units.system === 'us' ? '10\u00a0in' : units.text('depth', USUAL_FILL_MM)}. The soil beneath is taken to be loam until you say otherwise.`}
          {...form.register('filledDepth')}
        />
      ) : null}
    </div>
  );
}
