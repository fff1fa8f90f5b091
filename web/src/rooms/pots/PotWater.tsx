import type { PotsView } from '@kibble/contract';
import { PH_AIM } from '@kibble/core';
import { useBeginSequenceMutation } from '../../api/pots.ts';
import { figure } from '../../words/formSchema.ts';
import { useGarden } from '../../state/gardenRound.ts';
import { typedSi } from '../../words/numberRule.ts';
import { useUnits } from '../../words/units.ts';
import { dayMonth } from '../../words/words.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Field } from '../../ui/Field.tsx';
import { Refused } from '../../ui/Refused.tsx';
import { useKeptForm } from '../../ui/useKeptForm.ts';
import { inGarden, useEnter } from '../../ui/useEnter.ts';
import { Caution } from '../../ui/Caution.tsx';
import { Check } from '../../ui/Check.tsx';

const OF = { tap: 'tap water', rain: 'rain water', batch: 'the soured batch' } as const;

/** Water for pots: standing it, what the meter says of it, and souring it. */
export function PotWater({ view }: { view: PotsView }) {
  const { water } = view;
  const units = useUnits();
  return (
    <section aria-label="Water for pots" className="mt-8 border-t-2 border-ink pt-2">
      <h2 className="text-2xl">Water for pots</h2>
      <div className="grid gap-x-10 gap-y-4 lg:grid-cols-3">
        <div>
          {water.stand.pots > 0 ? (
            <p>
              <strong>Let {units.text('litresFine', water.stand.litres)} stand today</strong> (
              {water.stand.cans} {water.stand.cans === 1 ? 'can' : 'cans'}) for {water.stand.pots}{' '}
              {water.stand.pots === 1 ? 'pot' : 'pots'} tomorrow: in 24 hours chlorine leaves tap water. Some
              works use another disinfectant, which does not.
            </p>
          ) : (
            <p className="text-quiet">No water need stand for tomorrow.</p>
          )}
          {water.stand.pots > 0 ? <Caution of="standing water" className="max-w-prose mt-1" /> : null}
          {water.acid.pots > 0 ? (
            <p className="mt-2">
              Keep rain for the {water.acid.pots} that want sour water:{' '}
              {units.text('volume', water.acid.litres)} this fortnight. In open ground tap water does; in pots
              nothing washes its lime out.
            </p>
          ) : null}
          {water.acid.pots > 0 ? <Caution of="saved water" className="max-w-prose mt-1" /> : null}
        </div>
        <PhLog view={view} />
        <BatchForm view={view} />
      </div>
    </section>
  );
}

function PhLog({ view }: { view: PotsView }) {
  const garden = useGarden();
  const units = useUnits();
  const { enterAndSay, isLoading, error, undo } = useEnter();
  const form = useKeptForm<{ ph: string; of: keyof typeof OF }>(`ph-of-${garden.id}`, {
    fields: { ph: figure('ph', units) },
    defaultValues: { ph: '', of: 'tap' },
  });
  const keep = form.handleSubmit(async ({ ph, of }) => {
    const read = { kind: 'ph', ph: typedSi('ph', ph, units) ?? 7, of } as const;
    await enterAndSay([inGarden(garden.id, read)], `pH of ${OF[of]} written down.`);
    form.reset({ ph: '', of });
  });
  return (
    <form noValidate onSubmit={(e) => void keep(e).catch(() => undefined)}>
      <div className="flex items-end gap-3">
        <div className="w-24">
          <Field
            label="pH"
            inputMode="decimal"
            error={form.formState.errors.ph?.message}
            {...form.register('ph')}
          />
        </div>
        <div className="flex-1">
          <Choice label="of" {...form.register('of')}>
            {Object.entries(OF).map(([id, words]) => (
              <option key={id} value={id}>
                {words}
              </option>
            ))}
          </Choice>
        </div>
        <Button type="submit" disabled={isLoading}>
          Keep
        </Button>
      </div>
      <Refused error={error} />
      <ul className="mt-2 text-sm">
        {view.water.ph.slice(0, 4).map((one) => (
          <li key={one.id} className="flex items-center gap-2 border-t border-rule py-0.5">
            <span className="flex-1">
              {dayMonth(one.date)}, {OF[one.of]}: <strong>{one.ph.toFixed(1)}</strong>,{' '}
              <span className={one.verdict === 'right' ? '' : 'font-semibold'}>{one.verdict}</span>
            </span>
            <button
              type="button"
              className="min-h-9 underline underline-offset-4"
              onClick={() => void undo([one.id]).catch(() => undefined)}
            >
              Take back<span className="sr-only">: pH {one.ph}</span>
            </button>
          </li>
        ))}
      </ul>
      <p className="text-sm text-quiet">
        Most plants want {PH_AIM.low} to {PH_AIM.high}, acid lovers {PH_AIM.acidLow} to {PH_AIM.acidHigh}.
      </p>
    </form>
  );
}

function BatchForm({ view }: { view: PotsView }) {
  const garden = useGarden();
  const units = useUnits();
  const [begin, { isLoading, error }] = useBeginSequenceMutation();
  const form = useKeptForm(`acid-batch-${garden.id}`, {
    fields: { litres: figure('batchLitres', units) },
    defaultValues: { litres: '', feed: false },
  });
  const count = form.handleSubmit(async ({ litres, feed }) => {
    await begin({
      gardenId: garden.id,
      body: { kind: 'acid batch', litres: typedSi('batchLitres', litres, units) ?? 10, feed },
    }).unwrap();
    form.reset({ litres: '', feed: false });
  });
  const busy = view.sequences.some(({ batch }) => batch);
  return (
    <form noValidate onSubmit={(e) => void count(e).catch(() => undefined)}>
      <Field
        label="Sour a batch of water"
        inputMode="decimal"
        unit={units.of('volume').unit}
        error={form.formState.errors.litres?.message}
        hint="For hard tap water. Kibble works out the dose of household acid and counts it with you, spoon by spoon."
        {...form.register('litres')}
      />
      <Check {...form.register('feed')}>There is feed in it, which sours too</Check>
      <Button type="submit" disabled={isLoading || busy}>
        {busy ? 'One is being counted above' : 'Count the spoons'}
      </Button>
      <Refused error={error} />
      {busy ? null : <Caution of="acid" className="max-w-prose mt-1" />}
      <Caution of="backflow" className="max-w-prose mt-1" />
    </form>
  );
}
