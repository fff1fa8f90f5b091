import type { GardenView, TapView } from '@kibble/contract';
import type { SourceKindId } from '@kibble/core';
import { useWatch } from 'react-hook-form';
import { useSaveTapMutation } from '../../api/taps.ts';
import { useAppDispatch } from '../../api/store.ts';
import { noticeShown } from '../../state/noticeSlice.ts';
import { Caution } from '../../ui/Caution.tsx';
import { Check } from '../../ui/Check.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { RefusalOrConflict } from '../../ui/Conflict.tsx';
import { DraftNote } from '../../ui/DraftNote.tsx';
import { Field } from '../../ui/Field.tsx';
import { KeepOrLeave } from '../../ui/KeepOrLeave.tsx';
import { useKeptForm } from '../../ui/useKeptForm.ts';
import { figure, filled, obeys } from '../../words/formSchema.ts';
import { typedSi } from '../../words/numberRule.ts';
import { useUnits } from '../../words/units.ts';

interface TypedTap {
  name: string;
  nozzle: string;
  since: string;
  sameNozzle: boolean;
  source: SourceKindId;
  perDay: string;
  together: boolean;
  station: string;
  /** The number of the tap that feeds it, as text; empty for none. */
  from: string;
}

/** A tap, or a zone: what is on it, where its water comes from, and whether its valve waters all of its beds at once. */
export function TapForm({
  tap,
  garden,
  onClose,
}: {
  tap: TapView | null;
  garden: GardenView;
  onClose: () => void;
}) {
  const { id: gardenId, today } = garden;
  const [save, { isLoading, error }] = useSaveTapMutation();
  const dispatch = useAppDispatch();
  const units = useUnits();
  const form = useKeptForm<TypedTap>(`tap-${gardenId}-${tap?.id ?? 'new'}`, {
    fields: {
      name: filled('Name of the tap must not be empty.'),
      since: (typed) =>
        tap === null || typed.nozzle.trim() === tap.nozzle || typed.sameNozzle
          ? null
          : obeys((day) => day <= today || `On it since must be today or earlier; got ${day}.`),
      station: (typed) => (typed.together ? figure('station', units, { optional: true }) : null),
      perDay: (typed) => (typed.source === 'well' ? figure('sourceLitres', units, { optional: true }) : null),
    },
    defaultValues: {
      name: tap?.name ?? '',
      nozzle: tap?.nozzle ?? '',
      since: today,
      sameNozzle: false,
      source: tap?.source ?? 'mains',
      together: tap?.together ?? false,
      station: tap?.station ? String(tap.station) : '',
      from: tap?.fromTapId ? String(tap.fromTapId) : '',
      perDay: tap?.litresPerDay ? String(Math.round(units.of('volume').fromSi(tap.litresPerDay))) : '',
    },
  });
  const [source, nozzle, sameNozzle, together] = useWatch({
    control: form.control,
    name: ['source', 'nozzle', 'sameNozzle', 'together'],
  });
  // Water comes through one tap: a zone is fed by one that no other tap feeds.
  const mains = garden.taps.filter(
    ({ id, archived, together: isZone, fromTapId }) =>
      !archived && id !== tap?.id && !isZone && fromTapId === null,
  );
  const another = tap !== null && nozzle.trim() !== tap.nozzle;
  const send = (version: number | undefined) =>
    form.handleSubmit(async ({ perDay, since, sameNozzle: same, station, from, ...typed }) => {
      const litresPerDay = typed.source === 'well' ? (typedSi('sourceLitres', perDay, units) ?? null) : null;
      const zone = {
        station: typed.together ? (typedSi('station', station, units) ?? null) : null,
        fromTapId: typed.together && from !== '' ? Number(from) : null,
      };
      const on = another ? { since: since || undefined, sameNozzle: same } : {};
      await save({
        gardenId,
        tapId: tap?.id,
        body: { ...typed, ...zone, ...on, litresPerDay, version },
      }).unwrap();
      if (tap)
        dispatch(
          noticeShown({
            text: `${typed.name}: changes kept.`,
            undo: [
              {
                to: 'changeTap',
                at: { id: tap.id },
                body: {
                  name: tap.name,
                  nozzle: tap.nozzle,
                  source: tap.source,
                  litresPerDay: tap.litresPerDay,
                  together: tap.together,
                  station: tap.station,
                  fromTapId: tap.fromTapId,
                  ...on,
                },
              },
            ],
          }),
        );
      onClose();
    });
  const submit = send(tap?.version);
  return (
    <form
      noValidate
      onSubmit={(e) => void submit(e).catch(() => undefined)}
      className="mt-2 flex flex-col gap-3 border border-ink bg-sheet p-4"
    >
      <DraftNote draft={form.draft} />
      <Field
        label="Name of the tap or zone"
        placeholder="Tap by the shed"
        error={form.formState.errors.name?.message}
        {...form.register('name')}
      />
      <Field
        label="With this on it"
        placeholder="wand, open hose, sprinkler"
        hint={
          tap
            ? 'Another nozzle makes the old flow doubtful.'
            : 'Each nozzle has its own flow: add the tap once for each.'
        }
        {...form.register('nozzle')}
      />
      {another && !sameNozzle ? (
        <Field
          label="On it since"
          type="date"
          max={today}
          hint="The flow measured before that day holds for the waterings before it; after it, time a bucket again."
          error={form.formState.errors.since?.message}
          {...form.register('since')}
        />
      ) : null}
      {another ? (
        <Check {...form.register('sameNozzle')}>It is the same one, only called otherwise</Check>
      ) : null}
      <Check {...form.register('together')}>It is a zone: its valve waters all of its beds at once</Check>
      {together ? (
        <>
          <p className="-mt-2 text-sm text-quiet">
            All of its beds get water for the same time. To put beds on it, go to Beds, Change several beds,
            Tap. Beds that are watered by hand or by can are not part of it.
          </p>
          {mains.length > 0 ? (
            <Choice label="It is fed by" {...form.register('from')}>
              <option value="">no other tap</option>
              {mains.map(({ id, name }) => (
                <option key={id} value={String(id)}>
                  {name}
                </option>
              ))}
            </Choice>
          ) : null}
          <Field
            label="Station on the timer"
            inputMode="numeric"
            hint="Leave empty when you open the valve yourself."
            error={form.formState.errors.station?.message}
            {...form.register('station')}
          />
        </>
      ) : null}
      <Choice label="Its water comes from" {...form.register('source')}>
        <option value="mains">the mains</option>
        <option value="well">a well</option>
      </Choice>
      {source === 'well' ? (
        <Field
          label="What the well gives in a day"
          unit={units.of('volume').unit}
          inputMode="decimal"
          error={form.formState.errors.perDay?.message}
          hint="Before it draws air. Leave empty when it never has."
          {...form.register('perDay')}
        />
      ) : null}
      {source === 'well' ? <Caution of="wells" /> : null}
      {source === 'well' ? <Caution of="electricity" /> : <Caution of="backflow" />}
      <RefusalOrConflict
        error={error}
        onMine={(version) => void send(version)().catch(() => undefined)}
        onTheirs={onClose}
      />
      <KeepOrLeave busy={isLoading} onLeave={onClose} />
    </form>
  );
}
