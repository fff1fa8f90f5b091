import type { GardenView } from '@kibble/contract';
import { useForm, useWatch } from 'react-hook-form';
import { refusal, useChangeGardenMutation } from '../../app/api.ts';
import { numberRule, typedSi } from '../../app/numberRule.ts';
import { useUnits } from '../../app/units.ts';
import { Button } from '../../ui/Button.tsx';
import { Field } from '../../ui/Field.tsx';

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

/** What the person, the tap or the law allows: the plan keeps to it and says what does not fit. */
export function LimitsForm({ garden }: { garden: GardenView }) {
  const units = useUnits();
  const [change, { isLoading, error, isSuccess }] = useChangeGardenMutation();
  const volume = units.of('volume');
  const { minutesPerDay, litresPerDay, weekdays } = garden.limits;
  const form = useForm({
    values: {
      minutes: minutesPerDay === null || minutesPerDay === undefined ? '' : String(minutesPerDay),
      litres:
        litresPerDay === null || litresPerDay === undefined
          ? ''
          : String(Math.round(volume.fromSi(litresPerDay))),
      days: weekdays ?? WEEK.map(([n]) => n as number),
    },
  });
  const { errors } = form.formState;
  const days = useWatch({ control: form.control, name: 'days' });
  const save = form.handleSubmit(async (typed) => {
    await change({
      id: garden.id,
      patch: {
        limits: {
          minutesPerDay: typedSi('minutes', typed.minutes, units) ?? null,
          litresPerDay: typedSi('litres', typed.litres, units) ?? null,
          weekdays: typed.days.length === WEEK.length ? null : typed.days,
        },
      },
    }).unwrap();
  });
  return (
    <form
      noValidate
      onSubmit={(e) => void save(e).catch(() => undefined)}
      className="mt-10 flex max-w-xl flex-col gap-4"
    >
      <h2 className="text-2xl">Limits</h2>
      <p className="text-quiet">
        Days and litres may be limited by local rules: ask your water company. The plan keeps to what stands
        here.
      </p>
      <div className="grid grid-cols-2 gap-4">
        <Field
          label="Minutes a day at most"
          unit="min"
          inputMode="decimal"
          hint="Empty: no limit."
          error={errors.minutes?.message}
          {...form.register('minutes', { validate: (v) => numberRule('minutes', v, units, true) })}
        />
        <Field
          label="Water a day at most"
          unit={volume.unit}
          inputMode="decimal"
          hint="Empty: no limit."
          error={errors.litres?.message}
          {...form.register('litres', { validate: (v) => numberRule('litres', v, units, true) })}
        />
      </div>
      <fieldset>
        <legend className="font-semibold">Days on which it may be watered</legend>
        <div className="flex flex-wrap gap-x-4">
          {WEEK.map(([n, name]) => (
            <label key={n} className="flex min-h-11 items-center gap-2">
              <input
                type="checkbox"
                className="size-5 accent-ink"
                checked={days.includes(n)}
                onChange={(e) =>
                  form.setValue('days', e.target.checked ? [...days, n] : days.filter((d) => d !== n), {
                    shouldDirty: true,
                  })
                }
              />
              {name}
            </label>
          ))}
        </div>
      </fieldset>
      {error ? (
        <p role="alert" className="font-semibold text-brick">
          {refusal(error).message}
        </p>
      ) : null}
      <div className="flex items-center gap-4">
        <Button type="submit" disabled={isLoading}>
          Keep the limits
        </Button>
        {isSuccess && !form.formState.isDirty ? <span role="status">Limits kept.</span> : null}
      </div>
    </form>
  );
}
