import type { BedView } from '@kibble/contract';
import { MATERIAL_IDS, MATERIALS, MIX_IDS, MIXES, type Material, type Mix } from '@kibble/core';
import { useNavigate } from 'react-router';
import { useBedToPotMutation } from '../../api/pots.ts';
import { figure } from '../../words/formSchema.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { noticeShown } from '../../state/noticeSlice.ts';
import { typedSi } from '../../words/numberRule.ts';
import { useAppDispatch } from '../../api/store.ts';
import { useUnits } from '../../words/units.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Field } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Refused } from '../../ui/Refused.tsx';
import { useKeptForm } from '../../ui/useKeptForm.ts';

/** A bed that is really a pot becomes one: its plants go along, the bed is put away with its log. */
export function BedToPot({ bed, onClose }: { bed: BedView; onClose: () => void }) {
  const garden = useGarden();
  const units = useUnits();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [turn, { isLoading, error }] = useBedToPotMutation();
  const form = useKeptForm<{ volume: string; spot: string; mix: Mix; material: Material }>(
    `bed-to-pot-${bed.id}`,
    {
      fields: { volume: figure('potLitres', units) },
      defaultValues: { volume: '', spot: bed.place ?? 'Terrace', mix: 'standard', material: 'plastic' },
    },
  );
  const go = form.handleSubmit(async ({ volume, spot, mix, material }) => {
    const facts = {
      volumeL: typedSi('potLitres', volume, units),
      mix,
      material,
      stands: bed.underCover ? ('greenhouse' as const) : undefined,
    };
    const { id } = await turn({ bedId: bed.id, body: { spot, facts } }).unwrap();
    dispatch(noticeShown({ text: `${bed.name} is a pot now. Its bed is put away, with its log.` }));
    void navigate(`/garden/${garden.id}/pots/${id}`);
  });
  return (
    <Sheet open onClose={onClose} title={`${bed.name} is a pot`}>
      <form noValidate className="flex flex-col gap-4" onSubmit={(e) => void go(e).catch(() => undefined)}>
        <Field
          label="It holds"
          inputMode="decimal"
          unit={units.of('litresFine').unit}
          error={form.formState.errors.volume?.message}
          {...form.register('volume')}
        />
        <Field label="Where it stands" {...form.register('spot')} />
        <div className="grid gap-4 sm:grid-cols-2">
          <Choice label="Mix" {...form.register('mix')}>
            {MIX_IDS.map((id) => (
              <option key={id} value={id}>
                {MIXES[id].label}
              </option>
            ))}
          </Choice>
          <Choice label="Made of" {...form.register('material')}>
            {MATERIAL_IDS.map((id) => (
              <option key={id} value={id}>
                {MATERIALS[id].label}
              </option>
            ))}
          </Choice>
        </div>
        <Refused error={error} />
        <div className="flex gap-2">
          <Button type="submit" disabled={isLoading}>
            Make it a pot
          </Button>
          <Button look="quiet" onClick={onClose}>
            Leave it a bed
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
