import type { GardenView } from '@kibble/contract';
import { useForm } from 'react-hook-form';
import { refusal, useLogRainMutation } from '../../app/api.ts';
import { noticeShown } from '../../app/noticeSlice.ts';
import { numberRule, typedSi } from '../../app/numberRule.ts';
import { useAppDispatch } from '../../app/store.ts';
import { useUnits } from '../../app/units.ts';
import { plainDate } from '../../app/words.ts';
import { Button } from '../../ui/Button.tsx';
import { Field } from '../../ui/Field.tsx';

/** What the rain gauge held on a day. It outweighs station and file. */
export function GaugeForm({ garden }: { garden: GardenView }) {
  const units = useUnits();
  const dispatch = useAppDispatch();
  const [log, { isLoading, error }] = useLogRainMutation();
  const form = useForm({ values: { date: garden.today, rain: '' } });
  const save = form.handleSubmit(async ({ date, rain }) => {
    const event = await log({
      gardenId: garden.id,
      date,
      rainMm: typedSi('rainMm', rain, units) ?? 0,
    }).unwrap();
    dispatch(
      noticeShown({ text: `Rain of ${plainDate(date, garden.today)} written down.`, undoEventId: event.id }),
    );
    form.reset({ date, rain: '' });
  });
  return (
    <form noValidate onSubmit={(e) => void save(e).catch(() => undefined)}>
      <h2 className="mb-2 text-2xl">Rain gauge</h2>
      <div className="grid grid-cols-2 gap-4">
        <Field label="Fell on" type="date" max={garden.today} {...form.register('date')} />
        <Field
          label="Rain"
          unit={units.of('depth').unit}
          inputMode="decimal"
          error={form.formState.errors.rain?.message}
          {...form.register('rain', { validate: (v) => numberRule('rainMm', v, units) })}
        />
      </div>
      {error ? (
        <p role="alert" className="mt-2 font-semibold text-brick">
          {refusal(error).message}
        </p>
      ) : null}
      <Button type="submit" className="mt-3" disabled={isLoading}>
        Write it down
      </Button>
    </form>
  );
}
