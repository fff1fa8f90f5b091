import type { UseFormReturn } from 'react-hook-form';
import { FillFields } from './FillFields.tsx';
import { CropFields, MoreFields, SoilFields, WaterFields, type TypedBed } from './Fields.tsx';

/** Everything that is told of a bed of ground. */
export function GroundForm({ form }: { form: UseFormReturn<TypedBed> }) {
  return (
    <>
      <CropFields form={form} />
      <SoilFields form={form} />
      {form.getValues('isNew') ? <FillFields form={form} /> : null}
      <WaterFields form={form} />
      <MoreFields form={form} />
    </>
  );
}
