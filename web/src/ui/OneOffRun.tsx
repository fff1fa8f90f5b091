import { spotLitres } from '@kibble/core';
import { useState } from 'react';
import { useWatch } from 'react-hook-form';
import { useGarden } from '../state/gardenRound.ts';
import { numberRule, typedSi } from '../words/numberRule.ts';
import { useUnits } from '../words/units.ts';
import { Button } from './Button.tsx';
import { Field } from './Field.tsx';
import { Sheet } from './Sheet.tsx';
import { useTaps } from './useTaps.ts';
import { useKeptForm } from './useKeptForm.ts';
import { Check } from './Check.tsx';
import { figure } from '../words/formSchema.ts';

/** One run outside the plan, timed: it calls when it is over, or closes itself where the tap does. */
export function OneOffRun({
  bedId,
  bedName,
  litresPerMinute,
}: {
  bedId: number;
  bedName: string;
  litresPerMinute: number;
}) {
  const garden = useGarden();
  const units = useUnits();
  const { taps, open } = useTaps(garden.id);
  const [asking, setAsking] = useState(false);
  const form = useKeptForm(`run-${bedId}`, {
    fields: { minutes: figure('minutes', units) },
    defaultValues: { minutes: '10', selfStops: false },
  });
  const typed = useWatch({ control: form.control, name: 'minutes' });
  const valid = numberRule('minutes', typed, units) === true;
  const start = form.handleSubmit(async ({ minutes: text, selfStops }) => {
    const minutes = typedSi('minutes', text, units) ?? 10;
    await open({
      bedId,
      minutes,
      selfStops,
    });
    setAsking(false);
  });
  if (taps.some((tap) => tap.bedId === bedId)) return null;
  return (
    <>
      <Button look="quiet" className="-ml-4" onClick={() => setAsking(true)}>
        Run it once, by the clock
      </Button>
      <Sheet open={asking} onClose={() => setAsking(false)} title={`${bedName}: one run`}>
        <form
          noValidate
          onSubmit={(e) => void start(e).catch(() => undefined)}
          className="flex flex-col gap-4"
        >
          <Field
            label="For"
            unit="min"
            inputMode="decimal"
            error={form.formState.errors.minutes?.message}
            hint={
              valid
                ? `About ${units.text('volume', spotLitres({ litresPerMinute, minutes: Number(typed) }))} at this bed’s flow.`
                : undefined
            }
            {...form.register('minutes')}
          />
          <Check {...form.register('selfStops')}>
            A timer on the tap shuts it: write it down when the time is up
          </Check>
          <div className="flex gap-2">
            <Button type="submit">The tap is open</Button>
            <Button look="quiet" onClick={() => setAsking(false)}>
              Not now
            </Button>
          </div>
        </form>
      </Sheet>
    </>
  );
}
