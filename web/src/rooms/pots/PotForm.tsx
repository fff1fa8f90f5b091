import type { PotView } from '@kibble/contract';
import {
  DRESSING_IDS,
  DRESSINGS,
  LIGHTS,
  MATERIAL_IDS,
  MATERIALS,
  MIX_IDS,
  MIXES,
  NAMED_SIZES,
  POT_WAY_FACTS,
  POT_WAYS,
  needsHole,
  ROOM_AIRS,
  WARMTHS,
  VESSEL_KINDS,
} from '@kibble/core';
import { useState } from 'react';
import { useFieldArray, useWatch, type UseFormReturn } from 'react-hook-form';
import { useCopyPotMutation, useSavePotMutation } from '../../api/pots.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { noticeShown, undoesEntries } from '../../state/noticeSlice.ts';
import { useAppDispatch } from '../../api/store.ts';
import { useUnits } from '../../words/units.ts';
import { Button } from '../../ui/Button.tsx';
import { RefusalOrConflict } from '../../ui/Conflict.tsx';
import { CropPicker } from '../../ui/CropPicker.tsx';
import { Drawer } from '../../ui/Drawer.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Field } from '../../ui/Field.tsx';
import { SinceField } from '../../ui/SinceField.tsx';
import { emptyPot, potDraft, potFields, typedFromPot, type Figure, type TypedPot } from './typedPot.ts';
import { DraftNote } from '../../ui/DraftNote.tsx';
import { useKeptForm } from '../../ui/useKeptForm.ts';
import { Check } from '../../ui/Check.tsx';

const ROOTS = {
  young: 'young, not yet through it',
  filled: 'have filled it',
  'root-bound': 'root-bound, or out of the base',
} as const;
const STANDS = {
  outdoors: 'outdoors',
  balcony: 'on a balcony, under a roof',
  greenhouse: 'under glass',
  indoors: 'in a room',
} as const;
const PAIR = 'grid gap-4 sm:grid-cols-2';

/** A pot or tray: told, moved, repotted. Opened from what is known of it; closed, it keeps nothing. */
export function PotForm({
  pot,
  spots,
  onClose,
}: {
  pot: PotView | null;
  spots: readonly string[];
  onClose: () => void;
}) {
  const garden = useGarden();
  const units = useUnits();
  const dispatch = useAppDispatch();
  const [save, { isLoading, error }] = useSavePotMutation();
  const [copy] = useCopyPotMutation();
  const form = useKeptForm<TypedPot>(`pot-${garden.id}-${pot?.id ?? 'new'}`, {
    fields: potFields(units),
    defaultValues: pot ? typedFromPot(pot, units) : emptyPot(garden.today, spots[0] ?? ''),
  });
  const noHole = useWatch({ control: form.control, name: 'noHole' });
  const [since, setSince] = useState(garden.today);
  const [rootsFound, setRootsFound] = useState<'' | 'upper half' | 'throughout'>('');
  const send = (version: number | undefined) =>
    form.handleSubmit(async (typed) => {
      const body = {
        ...potDraft(typed, units),
        version,
        ...(pot ? { since, rootsFound: rootsFound || undefined } : {}),
      };
      const { id, settings = [] } = await save({ gardenId: garden.id, potId: pot?.id, body }).unwrap();
      const more = pot ? 0 : Number(typed.alike) - 1;
      const { ids } = more > 0 ? await copy({ potId: id, count: more }).unwrap() : { ids: [] };
      const made = [id, ...ids];
      dispatch(
        noticeShown({
          text: pot
            ? `${typed.name} is changed.`
            : `${typed.name} ${made.length > 1 ? `and ${made.length - 1} like it are` : 'is'} on the shelf.`,
          undo: pot
            ? undoesEntries(garden.id, settings)
            : made.map((each) => ({ to: 'archivePot' as const, at: { id: each } })),
        }),
      );
      onClose();
    });
  return (
    <Drawer open onClose={onClose} title={pot ? `Change ${pot.name}` : 'A new pot or tray'}>
      <form
        noValidate
        className="flex flex-col gap-4"
        onSubmit={(e) => void send(pot?.version)(e).catch(() => undefined)}
      >
        <DraftNote draft={form.draft} />
        <div className={PAIR}>
          <Choice label="It is" {...form.register('kind')}>
            {Object.entries(VESSEL_KINDS).map(([kind, { choice }]) => (
              <option key={kind} value={kind}>
                {choice}
              </option>
            ))}
          </Choice>
          <Field label="Name" error={form.formState.errors.name?.message} {...form.register('name')} />
        </div>
        <Field
          label="Where it stands"
          list="spots"
          hint="Pots of one place are walked together."
          error={form.formState.errors.spot?.message}
          {...form.register('spot')}
        />
        <datalist id="spots">
          {spots.map((name) => (
            <option key={name} value={name} />
          ))}
        </datalist>
        <Plants form={form} />
        <Size form={form} />
        {pot ? null : (
          <Field
            label="How many alike"
            inputMode="numeric"
            error={form.formState.errors.alike?.message}
            hint="Each is a pot of its own, with its own log."
            {...form.register('alike')}
          />
        )}
        <div className={PAIR}>
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
          <Choice label="Lies on the mix" {...form.register('dressing')}>
            {DRESSING_IDS.map((id) => (
              <option key={id} value={id}>
                {DRESSINGS[id].label}
              </option>
            ))}
          </Choice>
          <Choice label="Roots" {...form.register('roots')}>
            {Object.entries(ROOTS).map(([id, words]) => (
              <option key={id} value={id}>
                {words}
              </option>
            ))}
          </Choice>
        </div>
        <div className={PAIR}>
          <Figured form={form} field="tank" label="Tank beneath" unit="litresFine" hint="Left empty: none." />
          <div className="flex flex-col justify-center">
            {noHole ? null : <Check {...form.register('saucer')}>A saucer under it</Check>}
            <Check {...form.register('noHole')}>No hole in its bottom</Check>
          </div>
        </div>
        <Place form={form} />
        <Choice label="Way of watering" {...form.register('way')}>
          <option value="usual">what suits it</option>
          {POT_WAYS.filter((way) => !noHole || !needsHole(way)).map((way) => (
            <option key={way} value={way}>
              {POT_WAY_FACTS[way].label}: suits {POT_WAY_FACTS[way].suits}
            </option>
          ))}
        </Choice>
        {pot ? (
          <>
            <SinceField bed={pot} today={garden.today} value={since} onChange={setSince} />
            <Choice
              label="If it was repotted: roots were found"
              value={rootsFound}
              onChange={(e) => setRootsFound(e.target.value as typeof rootsFound)}
              hint="Roots in the upper half only ask for fuller drenching."
            >
              <option value="">not repotted</option>
              <option value="upper half">in the upper half only</option>
              <option value="throughout">throughout</option>
            </Choice>
          </>
        ) : (
          <Choice label="Now it is" {...form.register('startWetness')}>
            <option value="soaked">just watered</option>
            <option value="moist">moist</option>
            <option value="drying">drying</option>
            <option value="dry">dry</option>
          </Choice>
        )}
        <Field label="Notes" {...form.register('notes')} />
        <RefusalOrConflict
          error={error}
          onMine={(version) => void send(version)().catch(() => undefined)}
          onTheirs={onClose}
        />
        <div className="flex gap-2">
          <Button type="submit" disabled={isLoading}>
            {pot ? 'Keep the changes' : 'Put it on the shelf'}
          </Button>
          <Button look="quiet" onClick={onClose}>
            Leave it
          </Button>
        </div>
      </form>
    </Drawer>
  );
}

type FormOf = UseFormReturn<TypedPot>;

function Figured({
  form,
  field,
  label,
  unit,
  hint,
}: {
  form: FormOf;
  field: Figure;
  label: string;
  unit: 'span' | 'litresFine';
  hint?: string;
}) {
  const units = useUnits();
  return (
    <Field
      label={label}
      inputMode="decimal"
      unit={units.of(unit).unit}
      hint={hint}
      error={form.formState.errors[field]?.message}
      {...form.register(field)}
    />
  );
}

function Plants({ form }: { form: FormOf }) {
  const garden = useGarden();
  const { fields, append, remove } = useFieldArray({ control: form.control, name: 'plants' });
  const plants = useWatch({ control: form.control, name: 'plants' });
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="font-serif text-lg font-semibold">What grows in it</legend>
      {fields.map((field, i) => (
        <div key={field.id} className={PAIR}>
          <CropPicker
            label={fields.length > 1 ? `Plant ${i + 1}` : 'Plant'}
            value={plants[i]?.cropId ?? ''}
            onChange={(cropId) => form.setValue(`plants.${i}.cropId`, cropId)}
          />
          <div className="flex items-start gap-2">
            <Field
              label="Planted or sown on"
              type="date"
              max={garden.today}
              {...form.register(`plants.${i}.plantedOn`)}
            />
            {fields.length > 1 ? (
              <Button look="quiet" className="mt-7 px-1" onClick={() => remove(i)}>
                Out<span className="sr-only"> with plant {i + 1}</span>
              </Button>
            ) : null}
          </div>
        </div>
      ))}
      <button
        type="button"
        className="min-h-11 self-start underline underline-offset-4"
        onClick={() => append({ cropId: '', plantedOn: garden.today })}
      >
        Another plant in the same pot
      </button>
    </fieldset>
  );
}

function Size({ form }: { form: FormOf }) {
  const units = useUnits();
  const sizeBy = useWatch({ control: form.control, name: 'sizeBy' });
  const trough = sizeBy === 'trough';
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="font-serif text-lg font-semibold">Its size</legend>
      <Choice label="Told by" {...form.register('sizeBy')}>
        <option value="litres">what it holds</option>
        <option value="measures">its measures, round or square</option>
        <option value="trough">a trough or tray, its sides</option>
      </Choice>
      {sizeBy === 'litres' ? (
        <>
          <Figured form={form} field="volume" label="Holds" unit="litresFine" />
          <p className="flex flex-wrap gap-x-3 text-sm">
            {NAMED_SIZES.map(({ id, volumeL }) => (
              <button
                key={id}
                type="button"
                className="min-h-9 underline underline-offset-4"
                onClick={() =>
                  form.setValue('volume', units.number('litresFine', volumeL), { shouldValidate: true })
                }
              >
                {id}
              </button>
            ))}
          </p>
        </>
      ) : (
        <div className="grid gap-4 sm:grid-cols-3">
          <Figured form={form} field="top" label={trough ? 'Long' : 'Across the top'} unit="span" />
          <Figured form={form} field="base" label={trough ? 'Wide' : 'Across the base'} unit="span" />
          <Figured form={form} field="height" label="High" unit="span" />
        </div>
      )}
      <Figured
        form={form}
        field="across"
        label="Leaves reach across"
        unit="span"
        hint="Left empty: as usual for such a plant in such a pot."
      />
    </fieldset>
  );
}

function Place({ form }: { form: FormOf }) {
  const stands = useWatch({ control: form.control, name: 'stands' });
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="font-serif text-lg font-semibold">Its place</legend>
      <Choice label="It stands" {...form.register('stands')}>
        {Object.entries(STANDS).map(([id, words]) => (
          <option key={id} value={id}>
            {words}
          </option>
        ))}
      </Choice>
      {stands === 'indoors' ? (
        <div className="grid gap-4 sm:grid-cols-3">
          <Words form={form} field="light" label="Light" of={LIGHTS} />
          <Words form={form} field="warmth" label="Warmth" of={WARMTHS} />
          <Words form={form} field="air" label="Air" of={ROOM_AIRS} />
        </div>
      ) : (
        <>
          <div className={PAIR}>
            <Words form={form} field="sun" label="Sun" of={['full', 'half', 'shade']} />
            <Words form={form} field="wind" label="Wind" of={['sheltered', 'open', 'exposed']} />
          </div>
          <Check {...form.register('wall')}>Before a wall that faces the noon sun</Check>
        </>
      )}
      <Check {...form.register('hangs')}>It hangs above my head</Check>
    </fieldset>
  );
}

function Words({
  form,
  field,
  label,
  of,
}: {
  form: FormOf;
  field: 'light' | 'warmth' | 'air' | 'sun' | 'wind';
  label: string;
  of: readonly string[];
}) {
  return (
    <Choice label={label} {...form.register(field)}>
      {of.map((word) => (
        <option key={word}>{word}</option>
      ))}
    </Choice>
  );
}
