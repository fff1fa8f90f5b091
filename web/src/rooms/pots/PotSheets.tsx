import type { PotView } from '@kibble/contract';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { refusal } from '../../api/api.ts';
import { useCopyPotMutation, usePlantOutMutation } from '../../api/pots.ts';
import { figure } from '../../words/formSchema.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { noticeShown } from '../../state/noticeSlice.ts';
import { useAppDispatch } from '../../api/store.ts';
import { useUnits } from '../../words/units.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Field } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Refused } from '../../ui/Refused.tsx';
import { useKeptForm } from '../../ui/useKeptForm.ts';

/** So many pots like this one: its size, mix, plants and place, not its log. */
export function CopyPots({ pot, onClose }: { pot: PotView; onClose: () => void }) {
  const units = useUnits();
  const dispatch = useAppDispatch();
  const [copy, { isLoading, error }] = useCopyPotMutation();
  const form = useKeptForm(`copies-of-pot-${pot.id}`, {
    fields: { count: figure('copies', units, { whole: true }) },
    defaultValues: { count: '6' },
    mode: 'onChange',
  });
  const make = form.handleSubmit(async ({ count }) => {
    const { ids } = await copy({ potId: pot.id, count: Number(count) }).unwrap();
    dispatch(
      noticeShown({
        text: `${ids.length} like ${pot.name} added.`,
        undo: ids.map((id) => ({ to: 'archivePot' as const, at: { id } })),
      }),
    );
    onClose();
  });
  return (
    <Sheet open onClose={onClose} title={`More like ${pot.name}`}>
      <form noValidate className="flex flex-col gap-4" onSubmit={(e) => void make(e).catch(() => undefined)}>
        <Field
          label="How many"
          inputMode="numeric"
          error={form.formState.errors.count?.message ?? (error ? refusal(error).message : undefined)}
          hint="Each has its own log and weighings."
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

/** The plant leaves its pot for a bed; the pot is put away with its log. */
export function PlantOut({ pot, onClose }: { pot: PotView; onClose: () => void }) {
  const garden = useGarden();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [plantOut, { isLoading, error }] = usePlantOutMutation();
  const beds = garden.beds.filter(({ archived }) => !archived);
  const [bedId, setBedId] = useState(beds[0]?.id ?? 0);
  const [on, setOn] = useState(garden.today);
  const go = async (): Promise<void> => {
    await plantOut({ potId: pot.id, bedId, plantedOn: on }).unwrap();
    dispatch(
      noticeShown({
        text: `${pot.name} stands in ${beds.find(({ id }) => id === bedId)?.name ?? 'the bed'} now.`,
      }),
    );
    onClose();
    void navigate(`/garden/${garden.id}/beds/${bedId}`);
  };
  return (
    <Sheet open onClose={onClose} title={`Plant ${pot.name} out`}>
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          void go().catch(() => undefined);
        }}
      >
        <Choice label="To the bed" value={bedId} onChange={(e) => setBedId(Number(e.target.value))}>
          {beds.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </Choice>
        <Field
          label="On"
          type="date"
          max={garden.today}
          value={on}
          onChange={(e) => setOn(e.target.value || garden.today)}
        />
        <p className="text-sm text-quiet">
          It is drenched there on its first day and looked after as newly planted. The pot is put away; its
          log stays.
        </p>
        <Refused error={error} />
        <div className="flex gap-2">
          <Button type="submit" disabled={isLoading || beds.length === 0}>
            Plant it out
          </Button>
          <Button look="quiet" onClick={onClose}>
            Not now
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
