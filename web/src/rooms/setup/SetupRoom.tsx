import type { ReactNode } from 'react';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { Link, useNavigate } from 'react-router';
import { refusal, useCreateGardenMutation, useGardensQuery } from '../../app/api.ts';
import { numberRule } from '../../app/numberRule.ts';
import { unitsOf, UnitsContext } from '../../app/units.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice, Field } from '../../ui/Field.tsx';
import { BringFile, LookSheet, useBringBack } from '../settings/YourData.tsx';
import {
  bedDraft,
  CropFields,
  emptyBed,
  SoilFields,
  WaterFields,
  type TypedBed,
} from '../../places/ground/Fields.tsx';

interface TypedPlace {
  name: string;
  latitude: string;
  hemisphere: 'north' | 'south';
  units: 'metric' | 'us';
}

function Question({ n, title, children }: { n: number; title: string; children: ReactNode }) {
  return (
    <section className="grid grid-cols-[2rem_minmax(0,1fr)] gap-x-4 border-t border-ink py-5">
      <span className="font-serif text-2xl text-quiet">{n}</span>
      <div>
        <h2 className="mb-3 text-xl">{title}</h2>
        {children}
      </div>
    </section>
  );
}

const localToday = (): string => new Intl.DateTimeFormat('sv-SE').format(new Date());

/** A garden in four answers. What is not asked is assumed, marked so, and can be sharpened later. */
export function SetupRoom() {
  const navigate = useNavigate();
  const bring = useBringBack();
  const { data: gardens } = useGardensQuery(null);
  const [create, { isLoading, error }] = useCreateGardenMutation();
  const place = useForm<TypedPlace>({
    defaultValues: { name: '', latitude: '', hemisphere: 'north', units: 'metric' },
  });
  const bed = useForm<TypedBed>({ defaultValues: emptyBed(localToday()) });
  const [system, setSystem] = useState<'metric' | 'us'>('metric');
  const units = unitsOf(system);
  const errors = place.formState.errors;

  const submit = async (): Promise<void> => {
    const placeOk = await place.trigger(undefined, { shouldFocus: true });
    const bedOk = await bed.trigger(undefined, { shouldFocus: placeOk });
    if (!placeOk || !bedOk) return;
    const typed = place.getValues();
    const latitude = Number(typed.latitude.replace(',', '.')) * (typed.hemisphere === 'south' ? -1 : 1);
    const made = await create({
      garden: {
        name: typed.name,
        latitudeDeg: latitude,
        timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC',
        units: system,
      },
      bed: bedDraft(bed.getValues(), units),
    }).unwrap();
    void navigate(`/garden/${made.id}/round`);
  };

  return (
    <UnitsContext value={units}>
      <main className="mx-auto max-w-3xl px-4 py-8">
        <p className="font-serif text-2xl font-bold">Kibble</p>
        <h1 className="mt-4 text-3xl">Four answers to a first plan</h1>
        <p className="mb-6 text-quiet">
          The rest is assumed, shown as assumed, and can be put right later.
          {gardens && gardens.length > 0 ? (
            <>
              {' '}
              Or go back to{' '}
              <Link className="underline" to="/">
                {gardens[0]?.name}
              </Link>
              .
            </>
          ) : null}
        </p>
        <p className="mb-6">
          <BringFile bring={bring} label="I have a garden in a file from another Kibble" />
        </p>
        {bring.error ? (
          <p role="alert" className="mb-3 font-semibold text-brick">
            {refusal(bring.error).message}
          </p>
        ) : null}
        <LookSheet bring={bring} />
        <form
          noValidate
          onSubmit={(e) => {
            e.preventDefault();
            void submit().catch(() => undefined);
          }}
        >
          <Question n={1} title="Where is it?">
            <div className="grid gap-4 sm:grid-cols-2">
              <Field
                label="Name of the garden"
                placeholder="Home"
                error={errors.name?.message}
                {...place.register('name', {
                  validate: (v) => v.trim() !== '' || 'Name of the garden must not be empty.',
                })}
              />
              <Choice
                label="Units"
                value={system}
                onChange={(e) => setSystem(e.target.value as 'metric' | 'us')}
              >
                <option value="metric">millimetres, litres, °C</option>
                <option value="us">inches, gallons, °F</option>
              </Choice>
              <Field
                label="Latitude"
                unit="degrees"
                inputMode="decimal"
                error={errors.latitude?.message}
                hint="From any map; whole degrees are enough. It sets how high the sun stands."
                {...place.register('latitude', {
                  validate: (v) =>
                    v.includes('-')
                      ? 'Latitude must be 0 to 90 degrees; say south of the equator beside it.'
                      : numberRule('latitudeDeg', v, units),
                })}
              />
              <Choice label="of the equator" {...place.register('hemisphere')}>
                <option value="north">north</option>
                <option value="south">south</option>
              </Choice>
            </div>
          </Question>
          <Question n={2} title="What is the soil like?">
            <SoilFields form={bed} />
          </Question>
          <Question n={3} title="What grows there, and since when?">
            <CropFields form={bed} />
          </Question>
          <Question n={4} title="How do you water it?">
            <WaterFields form={bed} />
          </Question>
          {error ? (
            <p role="alert" className="mb-3 font-semibold text-brick">
              {refusal(error).message}
            </p>
          ) : null}
          <Button type="submit" disabled={isLoading}>
            Show me the plan
          </Button>
        </form>
      </main>
    </UnitsContext>
  );
}
