import type { BedView } from '@kibble/contract';
import { MATERIAL_IDS, MATERIALS, MIX_IDS, MIXES, type Material, type Mix } from '@kibble/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useBedToPotMutation } from '../../app/api.ts';
import { useGarden } from '../../app/gardenRound.ts';
import { noticeShown } from '../../app/noticeSlice.ts';
import { numberRule, typedSi } from '../../app/numberRule.ts';
import { useAppDispatch } from '../../app/store.ts';
import { useUnits } from '../../app/units.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Field } from '../../ui/Field.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { Refused } from '../../ui/Refused.tsx';
import { useDraft } from '../../ui/useDraft.ts';

/** A bed that is really a pot becomes one: its plants go along, the bed is put away with its log. */
export function BedToPot({ bed, onClose }: { bed: BedView; onClose: () => void }) {
  const garden = useGarden();
  const units = useUnits();
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [turn, { isLoading, error }] = useBedToPotMutation();
  const [volume, setVolume, volumeSent] = useDraft(`pot-of-${bed.id}-volume`, '');
  const [spot, setSpot, spotSent] = useDraft(`pot-of-${bed.id}-spot`, bed.place ?? 'Terrace');
  const [mix, setMix] = useState<Mix>('standard');
  const [material, setMaterial] = useState<Material>('plastic');
  const [wrong, setWrong] = useState<string | undefined>();
  const go = async (): Promise<void> => {
    const rule = numberRule('potLitres', volume, units);
    setWrong(rule === true ? undefined : rule);
    if (rule !== true) return;
    const facts = {
      volumeL: typedSi('potLitres', volume, units),
      mix,
      material,
      stands: bed.underCover ? ('greenhouse' as const) : undefined,
    };
    const { id } = await turn({ bedId: bed.id, body: { spot, facts } }).unwrap();
    volumeSent();
    spotSent();
    dispatch(noticeShown({ text: `${bed.name} is a pot now. Its bed is put away, with its log.` }));
    void navigate(`/garden/${garden.id}/pots/${id}`);
  };
  return (
    <Sheet open onClose={onClose} title={`${bed.name} is a pot`}>
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={(e) => {
          e.preventDefault();
          void go().catch(() => undefined);
        }}
      >
        <Field
          label="It holds"
          inputMode="decimal"
          unit={units.of('litresFine').unit}
          value={volume}
          onChange={(e) => setVolume(e.target.value)}
          error={wrong}
        />
        <Field label="Where it stands" value={spot} onChange={(e) => setSpot(e.target.value)} />
        <div className="grid gap-4 sm:grid-cols-2">
          <Choice label="Mix" value={mix} onChange={(e) => setMix(e.target.value as Mix)}>
            {MIX_IDS.map((id) => (
              <option key={id} value={id}>
                {MIXES[id].label}
              </option>
            ))}
          </Choice>
          <Choice label="Made of" value={material} onChange={(e) => setMaterial(e.target.value as Material)}>
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
