import type { BedView } from '@kibble/contract';
import { addDays } from '@kibble/core';
import { useGarden } from '../../state/gardenRound.ts';
import { noticeShown, undoesEntries } from '../../state/noticeSlice.ts';
import { typedSi } from '../../words/numberRule.ts';
import { useAppDispatch } from '../../api/store.ts';
import { useUnits } from '../../words/units.ts';
import { plainDate } from '../../words/words.ts';
import { AmountFields } from '../../ui/AmountFields.tsx';
import { Button } from '../../ui/Button.tsx';
import { Field } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useWater } from '../../ui/useWater.ts';
import { DraftNote } from '../../ui/DraftNote.tsx';
import { useKeptForm } from '../../ui/useKeptForm.ts';
import { figure, obeys } from '../../words/formSchema.ts';

const DAYS_BACK = 30;

interface Typed {
  on: string;
  amount: string;
  by: 'minutes' | 'litres';
}

/** A watering that was forgotten on its day: written down for that day, of the last thirty. */
export function EarlierSheet({ bed, today, onClose }: { bed: BedView; today: string; onClose: () => void }) {
  const garden = useGarden();
  const units = useUnits();
  const dispatch = useAppDispatch();
  const { water, isLoading, refused, twice } = useWater();
  const first = [addDays(today, -DAYS_BACK), bed.startOn].sort().at(-1) ?? today;
  const yesterday = addDays(today, -1);
  const form = useKeptForm<Typed>(`earlier-${bed.id}`, {
    fields: {
      on: obeys(
        (on) =>
          (on >= first && on <= today) ||
          `Day must lie from ${plainDate(first, today)} to today; got ${on ? plainDate(on, today) : 'nothing'}.`,
      ),
      amount: ({ by: chosen }) => figure(chosen, units),
    },
    defaultValues: { on: yesterday < first ? today : yesterday, amount: '', by: 'minutes' },
  });
  const save = form.handleSubmit(async ({ on, amount, by: chosen }) => {
    const event = await water({
      bedId: bed.id,
      body: { on, [chosen]: typedSi(chosen, amount, units) },
    });
    dispatch(
      noticeShown({
        text: `${bed.name}, ${plainDate(on, today)}: ${units.text('volume', event.litres ?? 0)} written down.`,
        undo: undoesEntries(garden.id, [event.id]),
      }),
    );
    onClose();
  });
  return (
    <Sheet open onClose={onClose} title={`${bed.name}: watered on another day`}>
      <form noValidate onSubmit={(e) => void save(e).catch(() => undefined)} className="flex flex-col gap-4">
        <DraftNote draft={form.draft} />
        <Field
          label="Day"
          type="date"
          min={first}
          max={today}
          hint={`From ${plainDate(first, today)} to today.`}
          error={form.formState.errors.on?.message}
          {...form.register('on')}
        />
        <AmountFields
          error={form.formState.errors.amount?.message ?? refused ?? undefined}
          amount={form.register('amount')}
          by={form.register('by')}
        />
        <div className="flex gap-2">
          <Button type="submit" disabled={isLoading}>
            {twice ? 'Write it down as well' : 'Write it down'}
          </Button>
          <Button look="quiet" onClick={onClose}>
            Not now
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
