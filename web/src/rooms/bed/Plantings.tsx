import type { BedView, PlantingView } from '@kibble/contract';
import { plantCount, START_METHODS, type StartMethod } from '@kibble/core';
import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import { useSavePlantingMutation, useRemovePlantingMutation } from '../../api/beds.ts';
import { cropOfPlanting } from '../../words/cropOfPlanting.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { noticeShown } from '../../state/noticeSlice.ts';
import { typedSi } from '../../words/numberRule.ts';
import { useAppDispatch } from '../../api/store.ts';
import { useUnits } from '../../words/units.ts';
import { plainDate } from '../../words/words.ts';
import { Button } from '../../ui/Button.tsx';
import { RefusalOrConflict } from '../../ui/Conflict.tsx';
import { CropPicker } from '../../ui/CropPicker.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Field } from '../../ui/Field.tsx';
import { KeepOrLeave } from '../../ui/KeepOrLeave.tsx';
import { CopyPlantings } from './CopyPlantings.tsx';
import { OwnCropForm } from './OwnCropForm.tsx';
import { DraftNote } from '../../ui/DraftNote.tsx';
import { useKeptForm } from '../../ui/useKeptForm.ts';
import { Refused } from '../../ui/Refused.tsx';
import { figure, obeys } from '../../words/formSchema.ts';

/** What stands on the bed, stood, or is to come: successions and neighbours. */
export function Plantings({ bed }: { bed: BedView }) {
  const garden = useGarden();
  const units = useUnits();
  const dispatch = useAppDispatch();
  const [editing, setEditing] = useState<PlantingView | 'new' | 'own' | null>(null);
  const [copying, setCopying] = useState(false);
  const [take, { error }] = useRemovePlantingMutation();
  const canCopy =
    garden.beds.some(({ id, archived }) => id !== bed.id && !archived) &&
    bed.plantings.some(({ endedOn }) => endedOn === null || endedOn > garden.today);
  const remove = async (planting: PlantingView): Promise<void> => {
    await take(planting.id).unwrap();
    dispatch(
      noticeShown({
        text: `${planting.cropName} is taken off the record.`,
        undo: [{ to: 'restorePlanting', at: { id: planting.id } }],
      }),
    );
  };
  const countText = (p: PlantingView): string => {
    const crop = cropOfPlanting(p);
    return crop
      ? `, about ${plantCount({ areaM2: bed.areaM2, share: p.share, spacing: crop.spacing })} at usual spacing`
      : '';
  };
  return (
    <section aria-labelledby="plantings">
      <h2 id="plantings" className="mb-1 text-2xl">
        Plantings
      </h2>
      <ul>
        {bed.plantings.map((p) => (
          <li key={p.id} className="flex flex-wrap items-baseline gap-x-3 border-t border-rule py-1">
            <span className="min-w-0 flex-1">
              <strong>{p.cropName}</strong>
              {p.share < 1 ? `, ${units.text('share', p.share)} of the bed` : ''}, {p.method ?? 'usual start'}{' '}
              {plainDate(p.plantedOn, garden.today)}
              {countText(p)}
              {p.endedOn ? `, cleared ${plainDate(p.endedOn, garden.today)}` : ''}
            </span>
            <button type="button" className="underline underline-offset-4" onClick={() => setEditing(p)}>
              Change
            </button>
            {bed.plantings.length > 1 ? (
              <button
                type="button"
                className="underline underline-offset-4"
                onClick={() => void remove(p).catch(() => undefined)}
              >
                Take off
              </button>
            ) : null}
          </li>
        ))}
      </ul>
      <Refused error={error} />
      {copying ? <CopyPlantings bed={bed} onClose={() => setCopying(false)} /> : null}
      {editing === 'own' ? <OwnCropForm onClose={() => setEditing(null)} /> : null}
      {editing !== null && editing !== 'own' ? (
        <PlantingForm
          key={editing === 'new' ? 'new' : editing.id}
          bed={bed}
          planting={editing === 'new' ? null : editing}
          onClose={() => setEditing(null)}
        />
      ) : null}
      {editing === null ? (
        <div className="-ml-4 flex flex-wrap">
          <Button look="quiet" onClick={() => setEditing('new')}>
            Add a planting
          </Button>
          <Button look="quiet" onClick={() => setEditing('own')}>
            A plant of your own
          </Button>
          {canCopy ? (
            <Button look="quiet" onClick={() => setCopying(true)}>
              Copy them to other beds
            </Button>
          ) : null}
        </div>
      ) : null}
    </section>
  );
}

interface Typed {
  cropId: string;
  plantedOn: string;
  method: StartMethod | '';
  share: string;
  endedOn: string;
}

function PlantingForm({
  bed,
  planting,
  onClose,
}: {
  bed: BedView;
  planting: PlantingView | null;
  onClose: () => void;
}) {
  const garden = useGarden();
  const units = useUnits();
  const [save, { isLoading, error }] = useSavePlantingMutation();
  const form = useKeptForm<Typed>(`planting-${bed.id}-${planting?.id ?? 'new'}`, {
    fields: {
      plantedOn: obeys((day) => isDay(day) || 'Planting date must be a day of the calendar.'),
      share: figure('share', units),
      endedOn: ({ plantedOn }) =>
        obeys(
          (day) =>
            day === '' ||
            !isDay(plantedOn) ||
            day >= plantedOn ||
            `Cleared must not be before planting on ${plantedOn}; got ${day}.`,
        ),
    },
    defaultValues: {
      cropId: planting?.cropId ?? 'lettuce',
      plantedOn: planting?.plantedOn ?? garden.today,
      method: planting?.method ?? '',
      share: String(Math.round((planting?.share ?? 1) * 100)),
      endedOn: planting?.endedOn ?? '',
    },
  });
  const { errors } = form.formState;
  const cropId = useWatch({ control: form.control, name: 'cropId' });
  const send = (version: number | undefined) =>
    form.handleSubmit(async (typed) => {
      await save({
        bedId: bed.id,
        plantingId: planting?.id,
        body: {
          cropId: typed.cropId,
          plantedOn: typed.plantedOn,
          method: typed.method || undefined,
          share: typedSi('share', typed.share, units),
          endedOn: typed.endedOn || null,
          version,
        },
      }).unwrap();
      onClose();
    });
  const submit = send(planting?.version);
  const isDay = (v: string): boolean => /^\d{4}-\d{2}-\d{2}$/.test(v);
  return (
    <form
      noValidate
      onSubmit={(e) => void submit(e).catch(() => undefined)}
      className="mt-2 flex flex-col gap-3 border border-ink bg-sheet p-4"
    >
      <DraftNote draft={form.draft} />
      <CropPicker label="Crop" value={cropId} onChange={(id) => form.setValue('cropId', id)} />
      <div className="grid gap-3 sm:grid-cols-2">
        <Field
          label="Planted or sown on"
          type="date"
          error={errors.plantedOn?.message}
          {...form.register('plantedOn')}
        />
        <Choice label="Started" {...form.register('method')}>
          <option value="">as is usual</option>
          {START_METHODS.map((m) => (
            <option key={m} value={m}>
              {m}
            </option>
          ))}
        </Choice>
        <Field
          label="Share of the bed"
          unit="%"
          inputMode="decimal"
          error={errors.share?.message}
          {...form.register('share')}
        />
        <Field
          label="Cleared on"
          type="date"
          hint="Leave empty while it stands."
          error={errors.endedOn?.message}
          {...form.register('endedOn')}
        />
      </div>
      <RefusalOrConflict
        error={error}
        onMine={(version) => void send(version)().catch(() => undefined)}
        onTheirs={onClose}
      />
      <KeepOrLeave busy={isLoading} onLeave={onClose}>
        {planting ? 'Keep the changes' : 'Plant it'}
      </KeepOrLeave>
    </form>
  );
}
