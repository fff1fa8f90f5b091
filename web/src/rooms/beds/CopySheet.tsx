import type { BedView } from '@kibble/contract';
import { useState } from 'react';
import { refusal, useCopyBedMutation } from '../../app/api.ts';
import { noticeShown } from '../../app/noticeSlice.ts';
import { numberRule } from '../../app/numberRule.ts';
import { useAppDispatch } from '../../app/store.ts';
import { useUnits } from '../../app/units.ts';
import { Button } from '../../ui/Button.tsx';
import { Field } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';

/** So many beds like this one: its ground, plants and water, not its log. */
export function CopySheet({ bed, onClose }: { bed: BedView; onClose: () => void }) {
  const units = useUnits();
  const dispatch = useAppDispatch();
  const [text, setText] = useState('1');
  const [copy, { isLoading, error }] = useCopyBedMutation();
  const rule = numberRule('copies', text, units);
  const whole = Number.isInteger(Number(text));
  const problem = rule !== true ? rule : whole ? undefined : 'How many beds must be a whole number.';
  const make = async (): Promise<void> => {
    const { ids } = await copy({ bedId: bed.id, count: Number(text) }).unwrap();
    dispatch(
      noticeShown({
        text: `${ids.length === 1 ? 'One bed' : `${ids.length} beds`} like ${bed.name} added.`,
        undoBedIds: ids,
      }),
    );
    onClose();
  };
  return (
    <Sheet open onClose={onClose} title={`More beds like ${bed.name}`}>
      <form
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          if (!problem) void make().catch(() => undefined);
        }}
        className="flex flex-col gap-4"
      >
        <Field
          label="How many"
          inputMode="numeric"
          autoFocus
          value={text}
          error={problem ?? (error ? refusal(error).message : undefined)}
          hint="They share its ground tests; each has its own log."
          onChange={(e) => setText(e.target.value)}
        />
        <div className="flex gap-2">
          <Button type="submit" disabled={isLoading || problem !== undefined}>
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
