import type { BedView } from '@kibble/contract';
import { refusal } from '../../api/api.ts';
import { useCopyBedMutation } from '../../api/beds.ts';
import { noticeShown } from '../../state/noticeSlice.ts';
import { useAppDispatch } from '../../api/store.ts';
import { useUnits } from '../../words/units.ts';
import { Button } from '../../ui/Button.tsx';
import { Field } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useKeptForm } from '../../ui/useKeptForm.ts';
import { figure } from '../../words/formSchema.ts';

/** So many beds like this one: its ground, plants and water, not its log. */
export function CopySheet({ bed, onClose }: { bed: BedView; onClose: () => void }) {
  const units = useUnits();
  const dispatch = useAppDispatch();
  const form = useKeptForm(`beds-like-${bed.id}`, {
    fields: { count: figure('copies', units, { whole: true }) },
    defaultValues: { count: '1' },
    mode: 'onChange',
  });
  const [copy, { isLoading, error }] = useCopyBedMutation();
  const make = form.handleSubmit(async ({ count }) => {
    const { ids } = await copy({ bedId: bed.id, count: Number(count) }).unwrap();
    dispatch(
      noticeShown({
        text: `${ids.length === 1 ? 'One bed' : `${ids.length} beds`} like ${bed.name} added.`,
        undo: [{ to: 'archiveBeds', at: { id: bed.gardenId }, body: { ids } }],
      }),
    );
    onClose();
  });
  return (
    <Sheet open onClose={onClose} title={`More beds like ${bed.name}`}>
      <form noValidate onSubmit={(e) => void make(e).catch(() => undefined)} className="flex flex-col gap-4">
        <Field
          label="How many"
          inputMode="numeric"
          error={form.formState.errors.count?.message ?? (error ? refusal(error).message : undefined)}
          hint="They share its ground tests; each has its own log."
          {...form.register('count')}
        />
        <div className="flex gap-2">
          <Button type="submit" disabled={isLoading}>
            Add them
          </Button>
          <Button look="quiet" onClick={onClose}>
            Not now
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
