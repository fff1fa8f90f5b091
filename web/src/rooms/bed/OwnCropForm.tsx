import { useWatch } from 'react-hook-form';
import { useAddOwnCropMutation } from '../../api/beds.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { noticeShown } from '../../state/noticeSlice.ts';
import { typedSi } from '../../words/numberRule.ts';
import { useAppDispatch } from '../../api/store.ts';
import { useUnits } from '../../words/units.ts';
import { CropPicker } from '../../ui/CropPicker.tsx';
import { Field } from '../../ui/Field.tsx';
import { KeepOrLeave } from '../../ui/KeepOrLeave.tsx';
import { DraftNote } from '../../ui/DraftNote.tsx';
import { useKeptForm } from '../../ui/useKeptForm.ts';
import { Refused } from '../../ui/Refused.tsx';
import { figure, filled } from '../../words/formSchema.ts';

/** A plant the catalogue lacks: like one it has, with what is different. */
export function OwnCropForm({ onClose }: { onClose: () => void }) {
  const garden = useGarden();
  const units = useUnits();
  const dispatch = useAppDispatch();
  const [add, { isLoading, error }] = useAddOwnCropMutation();
  const form = useKeptForm(`own-crop-${garden.id}`, {
    fields: {
      name: filled('Name of the plant must not be empty.'),
      roots: figure('rootDepthM', units, { optional: true }),
      height: figure('cropHeightM', units, { optional: true }),
    },
    defaultValues: { name: '', likeId: 'tomato', roots: '', height: '' },
  });
  const { errors } = form.formState;
  const likeId = useWatch({ control: form.control, name: 'likeId' });
  const submit = form.handleSubmit(async ({ name, likeId: like, roots, height }) => {
    await add({
      gardenId: garden.id,
      body: {
        name,
        likeId: like,
        rootDepthM: typedSi('rootDepthM', roots, units),
        heightM: typedSi('cropHeightM', height, units),
      },
    }).unwrap();
    dispatch(noticeShown({ text: `${name} is among your plants now.` }));
    onClose();
  });
  return (
    <form
      noValidate
      onSubmit={(e) => void submit(e).catch(() => undefined)}
      className="mt-2 flex flex-col gap-3 border border-ink bg-sheet p-4"
    >
      <DraftNote draft={form.draft} />
      <Field label="Name of the plant" error={errors.name?.message} {...form.register('name')} />
      <CropPicker label="It grows like" value={likeId} onChange={(id) => form.setValue('likeId', id)} />
      <div className="grid gap-3 sm:grid-cols-2">
        <Field
          label="Roots go down to"
          unit={units.of('length').unit}
          inputMode="decimal"
          hint="Empty: as the plant it is like."
          error={errors.roots?.message}
          {...form.register('roots')}
        />
        <Field
          label="It grows so high"
          unit={units.of('length').unit}
          inputMode="decimal"
          error={errors.height?.message}
          {...form.register('height')}
        />
      </div>
      <Refused error={error} />
      <KeepOrLeave busy={isLoading} onLeave={onClose}>
        Add the plant
      </KeepOrLeave>
    </form>
  );
}
