import type { BedPageView } from '@kibble/contract';
import { useState } from 'react';
import { refusal, useLogWateringMutation } from '../../app/api.ts';
import { noticeShown } from '../../app/noticeSlice.ts';
import { useAppDispatch } from '../../app/store.ts';
import { numberRule, typedSi } from '../../app/numberRule.ts';
import { useUnits } from '../../app/units.ts';
import { Button } from '../../ui/Button.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { Field } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useDraft } from '../../ui/useDraft.ts';

/** Shower water, kitchen water, what was saved: credited to the tree as it is poured. */
export function SavedWater({ page, onClose }: { page: BedPageView; onClose: () => void }) {
  const units = useUnits();
  const dispatch = useAppDispatch();
  const [water, { isLoading, error }] = useLogWateringMutation();
  const [litres, setLitres, sent] = useDraft(`saved-${page.bedId}`, '');
  const [wrong, setWrong] = useState<string | undefined>();
  const give = async (): Promise<void> => {
    const rule = numberRule('litres', litres, units);
    setWrong(rule === true ? undefined : rule);
    if (rule !== true) return;
    const event = await water({
      bedId: page.bedId,
      body: { litres: typedSi('litres', litres, units), note: 'saved water' },
    }).unwrap();
    sent();
    dispatch(
      noticeShown({
        text: `${page.bedName}: ${units.text('volume', event.litres ?? 0)} of saved water written down.`,
        undoEventId: event.id,
      }),
    );
    onClose();
  };
  return (
    <Sheet open onClose={onClose} title={`Saved water for ${page.bedName}`}>
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          void give().catch(() => undefined);
        }}
      >
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
          value={litres}
          error={wrong ?? (error ? refusal(error).message : undefined)}
          onChange={(e) => setLitres(e.target.value)}
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
