import { useWatch } from 'react-hook-form';
import { useGarden } from '../../state/gardenRound.ts';
import { noticeShown, undoesEntries } from '../../state/noticeSlice.ts';
import { givenAmount, type AmountBy } from '../../words/givenAmount.ts';
import { useAppDispatch } from '../../api/store.ts';
import { useUnits } from '../../words/units.ts';
import { AmountFields } from '../../ui/AmountFields.tsx';
import { Button } from '../../ui/Button.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { TooMuch } from '../../ui/TooMuch.tsx';
import { useCan } from '../../ui/useCan.ts';
import { useWater } from '../../ui/useWater.ts';
import { DraftNote } from '../../ui/DraftNote.tsx';
import { useKeptForm } from '../../ui/useKeptForm.ts';
import { figure } from '../../words/formSchema.ts';
import type { WalkStop } from './zonesTogether.ts';

interface Typed {
  amount: string;
  by: AmountBy;
}

/** Done, but not as planned: how much it was. */
export function DifferentSheet({
  stop,
  open,
  onClose,
}: {
  stop: WalkStop;
  open: boolean;
  onClose: () => void;
}) {
  const garden = useGarden();
  const units = useUnits();
  const dispatch = useAppDispatch();
  const { water, isLoading, refused, twice } = useWater();
  const can = useCan();
  const form = useKeptForm<Typed>(`different-${stop.bedId}`, {
    fields: { amount: ({ by: chosen }) => figure(chosen, units) },
    defaultValues: { amount: '', by: 'minutes' },
  });

  const [amount, by] = useWatch({ control: form.control, name: ['amount', 'by'] });
  const save = form.handleSubmit(async ({ amount, by: chosen }) => {
    const body = givenAmount(chosen, amount, can, units) ?? {};
    const bedIds = stop.beds?.map(({ bedId }) => bedId);
    const { ids, gave } = await water({ bedId: stop.bedId, bedIds, body });
    dispatch(
      noticeShown({
        text: `${stop.bedName}: ${gave} written down.`,
        undo: undoesEntries(garden.id, ids),
      }),
    );
    form.reset();
    onClose();
  });

  return (
    <Sheet open={open} onClose={onClose} title={`How much did ${stop.bedName} get?`}>
      <form noValidate onSubmit={(e) => void save(e).catch(() => undefined)} className="flex flex-col gap-4">
        <DraftNote draft={form.draft} />
        <AmountFields
          error={form.formState.errors.amount?.message ?? refused ?? undefined}
          hint={`Planned: ${Math.round(stop.run.minutes)} min, ${units.text('volume', stop.run.litres)}`}
          amount={form.register('amount')}
          by={form.register('by')}
          onlyMinutes={stop.beds !== undefined}
        />
        {stop.beds ? null : <TooMuch amount={amount} by={by} room={stop.room} />}
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
