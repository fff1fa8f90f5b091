import type { GardenView } from '@kibble/contract';
import { LONGEST_MINUTES, PASSES, TURNS_A_DAY, USUAL_HOURS, WIND_HOLD_MS, type Span } from '@kibble/core';
import { useWatch, type UseFormReturn } from 'react-hook-form';
import { useChangeGardenMutation } from '../../api/api.ts';
import { typedSi } from '../../words/numberRule.ts';
import { useSeenVersion } from '../../state/seenVersion.ts';
import { minuteOf } from '../../words/timeField.ts';
import { useUnits, type Units } from '../../words/units.ts';
import { Button } from '../../ui/Button.tsx';
import { RefusalOrConflict } from '../../ui/Conflict.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Field } from '../../ui/Field.tsx';
import { DraftNote } from '../../ui/DraftNote.tsx';
import { useKeptForm } from '../../ui/useKeptForm.ts';
import { Caution } from '../../ui/Caution.tsx';
import { Check } from '../../ui/Check.tsx';
import { figure, obeys, type FieldSchemas } from '../../words/formSchema.ts';

/** Monday first, as most calendars hang. */
const WEEK = [
  [1, 'Mon'],
  [2, 'Tue'],
  [3, 'Wed'],
  [4, 'Thu'],
  [5, 'Fri'],
  [6, 'Sat'],
  [0, 'Sun'],
] as const;

interface Typed {
  minutes: string;
  litres: string;
  week: string;
  days: number[];
  from: string;
  until: string;
  from2: string;
  until2: string;
  restricts: 'everything' | 'sprays';
  lines: string;
  wind: string;
  turns: string;
  passes: string;
  longest: string;
  /** Hours of people, twice a day, and of timers: from and until of each. */
  own: Record<OwnSpan, Ends>;
}

type OwnSpan = 'people' | 'peopleAgain' | 'drips' | 'sprays';
interface Ends {
  from: string;
  until: string;
}

const pad = (n: number): string => String(n).padStart(2, '0');
/** Minutes after midnight as a time field has them. */
const timeText = (minutes: number | undefined): string =>
  minutes === undefined ? '' : `${pad(Math.floor(minutes / 60) % 24)}:${pad(minutes % 60)}`;
const endsOf = (span: Span | undefined): Ends => ({
  from: timeText(span?.from),
  until: timeText(span?.until),
});
const typedOf = ({ limits }: GardenView, units: Units): Typed => {
  const volume = (litres: number | null | undefined): string =>
    litres === null || litres === undefined ? '' : String(Math.round(units.of('volume').fromSi(litres)));
  const plain = (n: number | null | undefined): string => (n === null || n === undefined ? '' : String(n));
  const [first, second] = limits.hours ?? [];
  return {
    minutes: plain(limits.minutesPerDay),
    litres: volume(limits.litresPerDay),
    week: volume(limits.litresPerWeek),
    days: limits.weekdays ?? WEEK.map(([n]) => n as number),
    from: timeText(first?.from),
    until: timeText(first?.until),
    from2: timeText(second?.from),
    until2: timeText(second?.until),
    restricts: limits.restricts ?? 'everything',
    lines: plain(limits.lines),
    wind: limits.windHoldMs ? String(Number(units.of('wind').fromSi(limits.windHoldMs).toFixed(1))) : '',
    turns: plain(limits.turnsPerDay),
    passes: plain(limits.passes),
    longest: plain(limits.longestMinutes),
    own: {
      people: endsOf(limits.people?.[0]),
      peopleAgain: endsOf(limits.people?.[1]),
      drips: endsOf(limits.timers?.drips),
      sprays: endsOf(limits.timers?.sprays),
    },
  };
};

const spanOf = ({ from: a, until: b }: Ends): Span | undefined => {
  const from = minuteOf(a);
  const until = minuteOf(b);
  return from === undefined || until === undefined ? undefined : { from, until };
};
const hoursOf = (pairs: readonly Ends[]): Span[] | null => {
  const spans = pairs.flatMap((ends) => spanOf(ends) ?? []);
  return spans.length > 0 ? spans : null;
};
/** A timer has both its hours told, or the usual ones: of the one that was not told those. */
const timersOf = ({ drips, sprays }: Typed['own']): { drips: Span; sprays: Span } | null => {
  const told = { drips: spanOf(drips), sprays: spanOf(sprays) };
  return told.drips || told.sprays
    ? { drips: told.drips ?? USUAL_HOURS.drips, sprays: told.sprays ?? USUAL_HOURS.sprays }
    : null;
};

/** One end without the other is no stretch, and both alike are none either. */
const pair = (until: string) =>
  obeys((from) => {
    if ((from === '') !== (until === '')) return 'Open hours must have both a beginning and an end.';
    return (
      from === '' ||
      from !== until ||
      `Open hours must end at another time than they begin; got ${from} for both.`
    );
  });
const fieldsOf = (units: Units): FieldSchemas<Typed> => ({
  minutes: figure('capMinutes', units, { optional: true }),
  litres: figure('capLitres', units, { optional: true }),
  week: figure('weekLitres', units, { optional: true }),
  from: ({ until }) => pair(until),
  from2: ({ until2 }) => pair(until2),
  lines: figure('atOnce', units, { optional: true, whole: true }),
  wind: figure('windHoldMs', units, { optional: true }),
  turns: figure('turnsPerDay', units, { optional: true, whole: true }),
  passes: figure('passes', units, { optional: true, whole: true }),
  longest: figure('longestMinutes', units, { optional: true }),
  ...Object.fromEntries(OWN.map(([name]) => [`own.${name}.from`, ({ own }: Typed) => pair(own[name].until)])),
});

/** What the person, the tap or the law allows: the plan keeps to it and says what does not fit. */
export function LimitsForm({ garden }: { garden: GardenView }) {
  const units = useUnits();
  const [change, { isLoading, error, isSuccess, reset }] = useChangeGardenMutation();
  const form = useKeptForm<Typed>(`limits-${garden.id}`, {
    fields: fieldsOf(units),
    values: typedOf(garden, units),
    resetOptions: { keepDirtyValues: true },
  });
  const { seen, saw } = useSeenVersion(garden.version, garden.limits);
  const send = (version: number) =>
    form.handleSubmit(async (typed) => {
      const kept = await change({
        id: garden.id,
        patch: {
          version,
          limits: {
            minutesPerDay: typedSi('capMinutes', typed.minutes, units) ?? null,
            litresPerDay: typedSi('capLitres', typed.litres, units) ?? null,
            litresPerWeek: typedSi('weekLitres', typed.week, units) ?? null,
            weekdays: typed.days.length === WEEK.length ? null : typed.days,
            hours: hoursOf([
              { from: typed.from, until: typed.until },
              { from: typed.from2, until: typed.until2 },
            ]),
            restricts: typed.restricts,
            lines: typedSi('atOnce', typed.lines, units) ?? null,
            windHoldMs: typedSi('windHoldMs', typed.wind, units) ?? null,
            turnsPerDay: typedSi('turnsPerDay', typed.turns, units) ?? null,
            passes: typedSi('passes', typed.passes, units) ?? null,
            longestMinutes: typedSi('longestMinutes', typed.longest, units) ?? null,
            people: hoursOf([typed.own.people, typed.own.peopleAgain]),
            timers: timersOf(typed.own),
            // Chosen in the fortnight.
            roundDays: garden.limits.roundDays ?? null,
          },
        },
      }).unwrap();
      saw(kept.version);
    });
  const save = send(seen);
  return (
    <form
      noValidate
      onSubmit={(e) => void save(e).catch(() => undefined)}
      className="mt-10 flex max-w-2xl flex-col gap-4"
    >
      <DraftNote draft={form.draft} />
      <h2 className="text-2xl">Limits</h2>
      <p className="text-quiet">
        The plan keeps to what you enter here, and says what does not fit. Where a field is empty there is no
        limit, unless a usual one is named below it.
      </p>
      <Caution of="restrictions" />
      <Amounts form={form} />
      <Rules form={form} />
      <Habits form={form} />
      <RefusalOrConflict
        error={error}
        onMine={(version) => void send(version)().catch(() => undefined)}
        onTheirs={() => {
          saw(garden.version);
          form.reset(typedOf(garden, units));
          reset();
        }}
      />
      <div className="flex items-center gap-4">
        <Button type="submit" disabled={isLoading}>
          Keep the limits
        </Button>
        {isSuccess && !form.formState.isDirty ? <span role="status">Limits kept.</span> : null}
      </div>
    </form>
  );
}

function Amounts({ form }: { form: UseFormReturn<Typed> }) {
  const units = useUnits();
  const { errors } = form.formState;
  const { unit } = units.of('volume');
  return (
    <div className="grid gap-4 sm:grid-cols-3">
      <Field
        label="Minutes a day at most"
        unit="min"
        inputMode="decimal"
        error={errors.minutes?.message}
        {...form.register('minutes')}
      />
      <Field
        label="Water a day at most"
        unit={unit}
        inputMode="decimal"
        error={errors.litres?.message}
        {...form.register('litres')}
      />
      <Field
        label="Water a week at most"
        unit={unit}
        inputMode="decimal"
        error={errors.week?.message}
        hint="Monday to Sunday."
        {...form.register('week')}
      />
    </div>
  );
}

function Rules({ form }: { form: UseFormReturn<Typed> }) {
  const days = useWatch({ control: form.control, name: 'days' });
  const { errors } = form.formState;
  return (
    <>
      <fieldset>
        <legend className="font-semibold">Days on which it may be watered</legend>
        <div className="flex flex-wrap gap-x-4">
          {WEEK.map(([n, name]) => (
            <Check
              key={n}
              checked={days.includes(n)}
              onChange={(e) =>
                form.setValue('days', e.target.checked ? [...days, n] : days.filter((d) => d !== n), {
                  shouldDirty: true,
                })
              }
            >
              {name}
            </Check>
          ))}
        </div>
      </fieldset>
      <div className="grid grid-cols-2 gap-4 sm:grid-cols-4">
        <Field label="Open from" type="time" error={errors.from?.message} {...form.register('from')} />
        <Field label="Open until" type="time" {...form.register('until')} />
        <Field
          label="Open again from"
          type="time"
          error={errors.from2?.message}
          {...form.register('from2')}
        />
        <Field label="Open again until" type="time" {...form.register('until2')} />
      </div>
      <Choice label="Days and hours hold for" {...form.register('restricts')}>
        <option value="everything">everything</option>
        <option value="sprays">sprinklers and sprays only; drip and hand are free</option>
      </Choice>
    </>
  );
}

const OWN = [
  ['people', 'You water'],
  ['peopleAgain', 'And again'],
  ['drips', 'A timer drips'],
  ['sprays', 'A timer sprays'],
] as const satisfies readonly (readonly [OwnSpan, string])[];

function OwnHours({ form, name, words }: { form: UseFormReturn<Typed>; name: OwnSpan; words: string }) {
  const errors = form.formState.errors.own?.[name];
  return (
    <>
      <Field
        label={`${words} from`}
        type="time"
        error={errors?.from?.message}
        {...form.register(`own.${name}.from`)}
      />
      <Field label={`${words} until`} type="time" {...form.register(`own.${name}.until`)} />
    </>
  );
}

function Habits({ form }: { form: UseFormReturn<Typed> }) {
  const units = useUnits();
  const { errors } = form.formState;
  return (
    <>
      <div className="grid gap-4 sm:grid-cols-2">
        <Field
          label="Lines that can run at once"
          unit="lines"
          inputMode="numeric"
          error={errors.lines?.message}
          hint="Empty: one on each tap, and more where a timed bucket says it feeds them."
          {...form.register('lines')}
        />
        <Field
          label="Sprinklers rest when the wind is over"
          unit={units.of('wind').unit}
          inputMode="decimal"
          error={errors.wind?.message}
          hint={`Mean of the day. Empty: ${units.text('wind', WIND_HOLD_MS)}.`}
          {...form.register('wind')}
        />
      </div>
      <fieldset>
        <legend className="font-semibold">Taps that you open by hand</legend>
        <p className="mb-2 text-sm text-quiet">
          Hard soil takes water in several turns with a rest between. These limits keep a morning short; a
          timer has none of them.
        </p>
        <div className="grid gap-4 sm:grid-cols-3">
          <Field
            label="Turns at one bed on a day"
            unit="turns"
            inputMode="numeric"
            error={errors.passes?.message}
            hint={`Empty: ${PASSES} turns.`}
            {...form.register('passes')}
          />
          <Field
            label="Extra turns on a day"
            unit="turns"
            inputMode="numeric"
            error={errors.turns?.message}
            hint={`All beds together, beyond the first turn at each. Empty: ${TURNS_A_DAY} turns.`}
            {...form.register('turns')}
          />
          <Field
            label="Longest run"
            unit="min"
            inputMode="decimal"
            error={errors.longest?.message}
            hint={`From opening the tap to shutting it. Empty: ${LONGEST_MINUTES} minutes.`}
            {...form.register('longest')}
          />
        </div>
      </fieldset>
      <fieldset>
        <legend className="font-semibold">Your own hours</legend>
        <p className="mb-2 text-sm text-quiet">
          Empty: people from 6 to 10 and 17 to 20, never in the dark; timers drip from 22 to 7 and spray from
          4 to 8. Round days are chosen in the fortnight.
        </p>
        <div className="grid grid-cols-2 gap-4 sm:grid-cols-4">
          {OWN.map(([name, words]) => (
            <OwnHours key={name} form={form} name={name} words={words} />
          ))}
        </div>
      </fieldset>
    </>
  );
}
