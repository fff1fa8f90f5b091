import { useWatch } from 'react-hook-form';
import { useChangeGardenMutation } from '../../api/api.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { useSeenVersion } from '../../state/seenVersion.ts';
import { AfterFirst } from '../../ui/AfterFirst.tsx';
import { Button } from '../../ui/Button.tsx';
import { RefusalOrConflict } from '../../ui/Conflict.tsx';
import { CalendarFeed } from './CalendarFeed.tsx';
import { Ringing } from './Ringing.tsx';
import { Sharing } from './Sharing.tsx';
import { PlaceOfGarden } from './PlaceOfGarden.tsx';
import { Gardens } from './Gardens.tsx';
import { LimitsForm } from './LimitsForm.tsx';
import { SetAside } from './SetAside.tsx';
import { YourData } from './YourData.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Field } from '../../ui/Field.tsx';
import { DraftNote } from '../../ui/DraftNote.tsx';
import { useKeptForm } from '../../ui/useKeptForm.ts';
import { filled, isDay, obeys } from '../../words/formSchema.ts';

interface Typed {
  name: string;
  units: 'metric' | 'us';
  clock: 'real' | 'practice';
  date: string;
}

/** Name, units and the garden's date. */
export function SettingsRoom() {
  const garden = useGarden();
  const [change, { isLoading, error, isSuccess, reset }] = useChangeGardenMutation();
  const { name, units, clockMode } = garden;
  const { seen, saw } = useSeenVersion(garden.version, { name, units, clockMode });
  const values: Typed = {
    name,
    units,
    clock: clockMode,
    date: garden.today,
  };
  const form = useKeptForm<Typed>(`settings-${garden.id}`, {
    fields: {
      name: filled('Name of the garden must not be empty.'),
      date: ({ clock: mode }) =>
        mode === 'real' ? null : obeys((day) => isDay(day) || 'Practice date must be a day of the calendar.'),
    },
    values,
    resetOptions: { keepDirtyValues: true },
  });
  const clock = useWatch({ control: form.control, name: 'clock' });
  const send = (version: number) =>
    form.handleSubmit(async ({ clock: mode, date, ...typed }) => {
      const kept = await change({
        id: garden.id,
        patch: {
          version,
          name: typed.name,
          units: typed.units,
          clock: mode === 'real' ? { mode } : { mode, date },
        },
      }).unwrap();
      saw(kept.version);
    });
  const save = send(seen);
  return (
    <>
      <form
        noValidate
        onSubmit={(e) => void save(e).catch(() => undefined)}
        className="flex max-w-xl flex-col gap-5"
      >
        <DraftNote draft={form.draft} />
        <h1 className="text-3xl">Settings</h1>
        <Field
          label="Name of the garden"
          error={form.formState.errors.name?.message}
          {...form.register('name')}
        />
        <Choice label="Units" {...form.register('units')}>
          <option value="metric">millimetres, litres, °C</option>
          <option value="us">inches, gallons, °F</option>
        </Choice>
        <Choice
          label="Date"
          hint="A practice date lets you walk through a year on record, one day at a time."
          {...form.register('clock')}
        >
          <option value="real">the real date</option>
          <option value="practice">a practice date</option>
        </Choice>
        {clock === 'practice' ? (
          <Field
            label="Practice date"
            type="date"
            error={form.formState.errors.date?.message}
            {...form.register('date')}
          />
        ) : null}
        <RefusalOrConflict
          error={error}
          onMine={(version) => void send(version)().catch(() => undefined)}
          onTheirs={() => {
            saw(garden.version);
            form.reset(values);
            reset();
          }}
        />
        <div className="flex items-center gap-4">
          <Button type="submit" disabled={isLoading}>
            Keep the changes
          </Button>
          {isSuccess && !form.formState.isDirty ? <span role="status">Kept.</span> : null}
        </div>
      </form>
      <AfterFirst>
        <PlaceOfGarden garden={garden} />
        <LimitsForm garden={garden} />
        <Sharing />
        <Ringing />
        <CalendarFeed gardenId={garden.id} />
        <YourData />
        <SetAside garden={garden} />
        <Gardens garden={garden} />
      </AfterFirst>
    </>
  );
}
