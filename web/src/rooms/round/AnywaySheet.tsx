import type { LeaveView } from '@kibble/contract';
import { FEED_NOTE } from '@kibble/core';
import { useWatch } from 'react-hook-form';
import { useGarden } from '../../state/gardenRound.ts';
import { noticeShown, undoesEntries } from '../../state/noticeSlice.ts';
import { givenAmount, type AmountBy } from '../../words/givenAmount.ts';
import { useAppDispatch } from '../../api/store.ts';
import { useUnits } from '../../words/units.ts';
import { AmountFields } from '../../ui/AmountFields.tsx';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { TooMuch } from '../../ui/TooMuch.tsx';
import { useCan } from '../../ui/useCan.ts';
import { useWater } from '../../ui/useWater.ts';
import { DraftNote } from '../../ui/DraftNote.tsx';
import { useKeptForm } from '../../ui/useKeptForm.ts';
import { figure } from '../../words/formSchema.ts';

const WHYS = ['it looked dry', 'just in case', 'new plants went in', FEED_NOTE, 'by mistake'] as const;

/** A bed watered though it was to be left alone: how much, why, and what that does. */
export function AnywaySheet({
  item,
  open,
  onClose,
}: {
  item: LeaveView;
  open: boolean;
  onClose: () => void;
}) {
  const garden = useGarden();
  const units = useUnits();
  const dispatch = useAppDispatch();
  const { water, isLoading, refused, twice } = useWater();
  const can = useCan();
  const form = useKeptForm<{
    amount: string;
    by: AmountBy;
    why: (typeof WHYS)[number];
  }>(`anyway-${item.bedId}`, {
    fields: { amount: ({ by: chosen }) => figure(chosen, units) },
    defaultValues: { amount: '', by: 'minutes', why: 'it looked dry' },
  });
  const [why, amount, by] = useWatch({ control: form.control, name: ['why', 'amount', 'by'] });
  const save = form.handleSubmit(async ({ amount, by: chosen, why: note }) => {
    const { ids, gave } = await water({
      bedId: item.bedId,
      body: { ...givenAmount(chosen, amount, can, units), note },
    });
    dispatch(
      noticeShown({
        text: `${item.bedName}: ${gave} written down.`,
        undo: undoesEntries(garden.id, ids),
      }),
    );
    form.reset();
    onClose();
  });
  const { depletionMm } = item;
  return (
    <Sheet open={open} onClose={onClose} title={`${item.bedName}: watered anyway`}>
      <form noValidate onSubmit={(e) => void save(e).catch(() => undefined)} className="flex flex-col gap-4">
        <DraftNote draft={form.draft} />
        <p>The ground has room for {units.text('depth', depletionMm)} today. More than that is too much.</p>
        <AmountFields
          error={form.formState.errors.amount?.message ?? refused ?? undefined}
          amount={form.register('amount')}
          by={form.register('by')}
        />
        <TooMuch amount={amount} by={by} room={item.room} />
        <Choice label="Why" {...form.register('why')}>
          {WHYS.map((w) => (
            <option key={w} value={w}>
              {w}
            </option>
          ))}
        </Choice>
        {why === 'it looked dry' ? (
          <p className="text-sm text-quiet">
            A pale surface and drooping leaves at noon mislead: next time look a hand deep first.
          </p>
        ) : null}
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
