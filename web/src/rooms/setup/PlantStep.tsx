import { cropById } from '@kibble/core';
import { useWatch, type UseFormReturn } from 'react-hook-form';
import { BARE_HINT, GROWS, SHAPES_HINT, ShapeField, type TypedBed } from '../../places/ground/Fields.tsx';
import { Taps } from '../../ui/Taps.tsx';
import { useUnits } from '../../words/units.ts';
import { CropPicker } from '../../ui/CropPicker.tsx';
import { Field } from '../../ui/Field.tsx';
import { type TypedSetup } from './typedSetup.ts';
import { Check } from '../../ui/Check.tsx';

/** What grows on the first bed, how large it is and since when. */
export function PlantStep({ form }: { form: UseFormReturn<TypedSetup> }) {
  const units = useUnits();
  const typed = useWatch({ control: form.control }) as TypedSetup;
  const { errors } = form.formState;
  const crop = cropById(typed.cropId);
  const livesOn = !typed.bare && typed.cropChosen && crop.cycle !== 'annual';
  return (
    <>
      <Taps
        legend="Is anything planted?"
        options={GROWS}
        value={typed.bare ? 'nothing' : 'plants'}
        onChange={(is) => form.setValue('bare', is === 'nothing')}
        hint={typed.bare ? BARE_HINT : undefined}
      />
      <div className="grid gap-4 sm:grid-cols-2">
        {typed.bare ? null : (
          <CropPicker
            label="What grows there"
            value={typed.cropChosen ? typed.cropId : ''}
            error={errors.cropChosen?.message}
            onChange={(id) => {
              form.setValue('cropId', id);
              form.setValue('cropChosen', true);
              form.clearErrors('cropChosen');
            }}
          />
        )}
        <Field
          label="How large is the bed?"
          unit={units.of('area').unit}
          inputMode="text"
          error={errors.area?.message}
          hint={`An area, or its sides: ${units.system === 'us' ? '12 x 4' : '4 x 1,2'}. ${SHAPES_HINT}`}
          {...form.register('area')}
        />
        {livesOn ? (
          <Check {...form.register('longStanding')} className="self-end sm:pb-7">
            It has stood there for years
          </Check>
        ) : null}
        {typed.bare || (livesOn && typed.longStanding) ? null : (
          <Field
            label="Planted or sown on"
            type="date"
            error={errors.plantedOn?.message}
            hint="About is near enough. It may be a day to come, when you will sow or plant."
            {...form.register('plantedOn')}
          />
        )}
        <Field
          label="Call the bed"
          placeholder={typed.bare ? 'First bed' : typed.cropChosen ? crop.name : ''}
          {...form.register('name')}
        />
        <ShapeField form={form as unknown as UseFormReturn<TypedBed>} />
        <Check {...form.register('underCover')} className="self-end">
          Under glass or plastic: no rain reaches it
        </Check>
      </div>
    </>
  );
}
