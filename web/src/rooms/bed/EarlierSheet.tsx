import type { BedView } from '@kibble/contract';
import { addDays, type RoomForWater } from '@kibble/core';
import { useWatch } from 'react-hook-form';
import { useGarden } from '../../state/gardenRound.ts';
import { noticeShown, undoesEntries } from '../../state/noticeSlice.ts';
import { givenAmount, type AmountBy } from '../../words/givenAmount.ts';
import { useAppDispatch } from '../../api/store.ts';
import { useUnits } from '../../words/units.ts';
import { plainDate } from '../../words/words.ts';
import { AmountFields } from '../../ui/AmountFields.tsx';
import { Button } from '../../ui/Button.tsx';
import { Field } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { TooMuch } from '../../ui/TooMuch.tsx';
import { useCan } from '../../ui/useCan.ts';
import { useWater } from '../../ui/useWater.ts';
import { DraftNote } from '../../ui/DraftNote.tsx';
import { useKeptForm } from '../../ui/useKeptForm.ts';
import { figure, obeys } from '../../words/formSchema.ts';

const DAYS_BACK = 30;

interface Typed {
  on: string;
  amount: string;
  by: AmountBy;
}

/** A watering that was forgotten on its day: written down for that day, of the last thirty. */
export function EarlierSheet({
  bed,
  today,
  roomOn,
  onClose,
}: {
  bed: BedView;
  today: string;
  /** Room for water on a day; null where nobody knows it. */
  roomOn: (date: string) => RoomForWater | null;
  onClose: () => void;
}) {
  const garden = useGarden();
  const units = useUnits();
  const dispatch = useAppDispatch();
  const { water, isLoading, refused, twice } = useWater();
  const can = useCan();
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
  const [on, amount, by] = useWatch({ control: form.control, name: ['on', 'amount', 'by'] });
  const room = roomOn(on);
  const save = form.handleSubmit(async ({ on, amount, by: chosen }) => {
    const { ids, gave } = await water({
      bedId: bed.id,
      body: { on, ...givenAmount(chosen, amount, can, units) },
    });
    dispatch(
      noticeShown({
        text: `${bed.name}, ${plainDate(on, today)}: ${gave} written down.`,
        undo: undoesEntries(garden.id, ids),
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
        {room ? <TooMuch amount={amount} by={by} room={room} /> : null}
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
