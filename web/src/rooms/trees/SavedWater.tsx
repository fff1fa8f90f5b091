import type { BedPageView } from '@kibble/contract';
import { SAVED_NOTE } from '@kibble/core';
import { figure } from '../../words/formSchema.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { noticeShown, undoesEntries } from '../../state/noticeSlice.ts';
import { useAppDispatch } from '../../api/store.ts';
import { typedSi } from '../../words/numberRule.ts';
import { useUnits } from '../../words/units.ts';
import { Button } from '../../ui/Button.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { Field } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { onBed, useEnter } from '../../ui/useEnter.ts';
import { useKeptForm } from '../../ui/useKeptForm.ts';

/** Shower water, kitchen water, what was saved: credited to the tree as it is poured. */
export function SavedWater({ page, onClose }: { page: BedPageView; onClose: () => void }) {
  const units = useUnits();
  const dispatch = useAppDispatch();
  const garden = useGarden();
  const { enter, isLoading, refused } = useEnter();
  const form = useKeptForm(`saved-water-${page.bedId}`, {
    fields: { litres: figure('litres', units) },
    defaultValues: { litres: '' },
  });
  const give = form.handleSubmit(async ({ litres }) => {
    const body = { kind: 'watering', litres: typedSi('litres', litres, units) } as const;
    const { ids, events } = await enter([onBed(page.bedId, body, { note: SAVED_NOTE })], { sure: true });
    dispatch(
      noticeShown({
        text: `${page.bedName}: ${units.text('volume', events[0]?.litres ?? 0)} of saved water written down.`,
        undo: undoesEntries(garden.id, ids),
      }),
    );
    onClose();
  });
  return (
    <Sheet open onClose={onClose} title={`Saved water for ${page.bedName}`}>
      <form noValidate className="flex flex-col gap-4" onSubmit={(e) => void give(e).catch(() => undefined)}>
        <p>
          Water that you saved in the house or from the roof, poured out over the ring. Use it on the day you
          saved it, and only if there is no soap or salt in it.
        </p>
        <Caution of="saved water" />
        <Caution of="standing water" />
        <Field
          label="Poured"
          inputMode="decimal"
          unit={units.of('volume').unit}
          error={form.formState.errors.litres?.message ?? refused ?? undefined}
          {...form.register('litres')}
        />
        <div className="flex gap-2">
          <Button type="submit" disabled={isLoading}>
            Write it down
          </Button>
          <Button look="quiet" onClick={onClose}>
            Leave it
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
