import { cropById } from '@kibble/core';
import { useWatch, type UseFormReturn } from 'react-hook-form';
import { numberRule } from '../../app/numberRule.ts';
import { useUnits } from '../../app/units.ts';
import { CropPicker } from '../../ui/CropPicker.tsx';
import { Field } from '../../ui/Field.tsx';
import { todayIn, type TypedSetup } from './typedSetup.ts';

/** What grows on the first bed, how large it is and since when. */
export function PlantStep({ form }: { form: UseFormReturn<TypedSetup> }) {
  const units = useUnits();
  const typed = useWatch({ control: form.control }) as TypedSetup;
  const { errors } = form.formState;
  const crop = cropById(typed.cropId);
  const livesOn = typed.cropTold && crop.cycle !== 'annual';
  return (
    <>
      <div className="grid gap-4 sm:grid-cols-2">
        <CropPicker
          label="What grows there"
          value={typed.cropTold ? typed.cropId : ''}
          error={errors.cropTold?.message}
          onChange={(id) => {
            form.setValue('cropId', id);
            form.setValue('cropTold', true);
            form.clearErrors('cropTold');
          }}
        />
        <Field
          label="How large is the bed?"
          unit={units.of('area').unit}
          inputMode="text"
          error={errors.area?.message}
          hint={`An area, or its sides: ${units.system === 'us' ? '12 x 4' : '4 x 1,2'}.`}
          {...form.register('area', { validate: (v) => numberRule('areaM2', v, units) })}
        />
        {livesOn ? (
          <label className="flex min-h-11 items-center gap-3 self-end sm:pb-7">
            <input type="checkbox" className="size-5 accent-ink" {...form.register('longStanding')} /> It has
            stood there for years
          </label>
        ) : null}
        {livesOn && typed.longStanding ? null : (
          <Field
            label="Planted or sown on"
            type="date"
            max={todayIn(typed.timeZone)}
            error={errors.plantedOn?.message}
            hint="About is near enough. Not in the ground yet? Say today: it is soaked in when it goes in."
            {...form.register('plantedOn', {
              validate: (v, all) =>
                (/^\d{4}-\d{2}-\d{2}$/.test(v) && v <= todayIn(all.timeZone)) ||
                'Planting date must be today or a day before.',
            })}
          />
        )}
        <Field
          label="Call the bed"
          placeholder={typed.cropTold ? crop.name : ''}
          {...form.register('name')}
        />
        <label className="flex min-h-11 items-center gap-3 self-end">
          <input type="checkbox" className="size-5 accent-ink" {...form.register('underCover')} /> Under glass
          or plastic: no rain reaches it
        </label>
      </div>
    </>
  );
}
