import type { GardenView } from '@kibble/contract';
import { typedSi } from '../../words/numberRule.ts';
import { useUnits } from '../../words/units.ts';
import { plainDate } from '../../words/words.ts';
import { Button } from '../../ui/Button.tsx';
import { Field } from '../../ui/Field.tsx';
import { DraftNote } from '../../ui/DraftNote.tsx';
import { useKeptForm } from '../../ui/useKeptForm.ts';
import { Refused } from '../../ui/Refused.tsx';
import { inGarden, useEnter } from '../../ui/useEnter.ts';
import { figure } from '../../words/formSchema.ts';

/** What the rain gauge held and the thermometer said on a day. They outweigh station and file. */
export function ReadingForm({ garden }: { garden: GardenView }) {
  const units = useUnits();
  const { enterAndSay, isLoading, error } = useEnter();
  const form = useKeptForm(`reading-${garden.id}`, {
    fields: {
      rain: figure('rainMm', units, { optional: true }),
      low: figure('tMinC', units, { optional: true }),
      high: figure('tMaxC', units, { optional: true }),
    },
    values: { date: garden.today, rain: '', low: '', high: '' },
  });
  const { errors } = form.formState;
  const save = form.handleSubmit(async (typed) => {
    const { date } = typed;
    const rainMm = typedSi('rainMm', typed.rain, units);
    const tMinC = typedSi('tMinC', typed.low, units);
    const tMaxC = typedSi('tMaxC', typed.high, units);
    if (rainMm === undefined && tMinC === undefined && tMaxC === undefined) {
      form.setError('rain', { message: 'Rain or a temperature must be given; got nothing.' });
      return;
    }
    const thermometer = {
      ...(tMinC === undefined ? {} : { tMinC }),
      ...(tMaxC === undefined ? {} : { tMaxC }),
    };
    const read = Object.keys(thermometer).length > 0;
    await enterAndSay(
      [
        ...(read ? [inGarden(garden.id, { kind: 'manual forecast', forecast: thermometer }, date)] : []),
        ...(rainMm === undefined ? [] : [inGarden(garden.id, { kind: 'rain', rainMm }, date)]),
      ],
      `${read ? 'The thermometer' : 'Rain'} of ${plainDate(date, garden.today)} written down.`,
    );
    form.reset({ date, rain: '', low: '', high: '' });
  });
  return (
    <form noValidate onSubmit={(e) => void save(e).catch(() => undefined)}>
      <DraftNote draft={form.draft} />
      <h2 className="mb-2 text-2xl">Gauge and thermometer</h2>
      <div className="grid grid-cols-2 gap-4">
        <Field label="Read for" type="date" max={garden.today} {...form.register('date')} />
        <Field
          label="Rain"
          unit={units.of('depth').unit}
          inputMode="decimal"
          error={errors.rain?.message}
          {...form.register('rain')}
        />
        <Field
          label="Lowest"
          unit={units.of('temperature').unit}
          inputMode="text"
          error={errors.low?.message}
          {...form.register('low')}
        />
        <Field
          label="Highest"
          unit={units.of('temperature').unit}
          inputMode="text"
          error={errors.high?.message}
          {...form.register('high')}
        />
      </div>
      <Refused error={error} className="mt-2" />
      <Button type="submit" className="mt-3" disabled={isLoading}>
        Write it down
      </Button>
    </form>
  );
}
