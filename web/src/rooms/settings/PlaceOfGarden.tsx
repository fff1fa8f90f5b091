import type { GardenPatch, GardenView } from '@kibble/contract';
import { summersAt, TERRAIN_M, terrainOf } from '@kibble/core';
import { useState } from 'react';
import { useChangeGardenMutation } from '../../api/api.ts';
import { typedSi } from '../../words/numberRule.ts';
import { AIR_WORDS, latitudeWords, SUMMER_WORDS, TERRAIN_WORDS } from '../../words/placeWords.ts';
import { useUnits } from '../../words/units.ts';
import { Button } from '../../ui/Button.tsx';
import { Field } from '../../ui/Field.tsx';
import { Taps } from '../../ui/Taps.tsx';
import { TownPicker, townWords } from '../../ui/TownPicker.tsx';
import { UsualYear } from '../../ui/UsualYear.tsx';
import { DraftNote } from '../../ui/DraftNote.tsx';
import { useKeptForm } from '../../ui/useKeptForm.ts';
import { Refused } from '../../ui/Refused.tsx';
import { figure } from '../../words/formSchema.ts';

/** Where the garden lies: by its town or by hand, to be put right at any time. */
export function PlaceOfGarden({ garden }: { garden: GardenView }) {
  const units = useUnits();
  const [change, { isLoading, error }] = useChangeGardenMutation();
  const [byHand, setByHand] = useState(false);
  const form = useKeptForm(`place-${garden.id}`, {
    fields: {
      latitude: figure('latitudeDeg', units),
      longitude: figure('longitudeDeg', units, { optional: true }),
      height: figure('elevationM', units),
    },
    values: {
      latitude: String(garden.latitudeDeg),
      longitude: garden.longitudeDeg === null ? '' : String(garden.longitudeDeg),
      height: units.number('height', garden.elevationM),
      zone: garden.timeZone,
    },
  });
  const { errors } = form.formState;
  const send = (patch: Omit<GardenPatch, 'version'>): void =>
    void change({ id: garden.id, patch })
      .unwrap()
      .catch(() => undefined);
  const save = form.handleSubmit(({ latitude, longitude, height, zone }) =>
    send({
      latitudeDeg: typedSi('latitudeDeg', latitude, units),
      longitudeDeg: typedSi('longitudeDeg', longitude, units) ?? null,
      elevationM: typedSi('elevationM', height, units),
      timeZone: zone.trim(),
      town: null,
    }),
  );
  return (
    <section className="mt-10 max-w-xl" aria-labelledby="place">
      <h2 id="place" className="mb-1 text-2xl">
        Where it lies
      </h2>
      <div className="flex flex-col gap-4 border-t border-ink pt-2">
        <p>
          {garden.town ? <strong>{garden.town}: </strong> : null}
          {latitudeWords(garden.latitudeDeg)}, in the time of {garden.timeZone.replaceAll('_', ' ')}
          {garden.longitudeDeg === null
            ? '. Sunrise is taken from the middle of the time zone, up to an hour off.'
            : '.'}
        </p>
        {byHand ? (
          <form
            noValidate
            className="grid gap-4 sm:grid-cols-2"
            onSubmit={(e) => void save(e).catch(() => undefined)}
          >
            <DraftNote draft={form.draft} />
            <Field
              label="Latitude"
              unit="°"
              inputMode="text"
              hint="South negative."
              error={errors.latitude?.message}
              {...form.register('latitude')}
            />
            <Field
              label="Longitude"
              unit="°"
              inputMode="text"
              hint="West negative. For sunrise on your clock."
              error={errors.longitude?.message}
              {...form.register('longitude')}
            />
            <Field
              label="Height above the sea"
              unit={units.of('height').unit}
              inputMode="text"
              error={errors.height?.message}
              {...form.register('height')}
            />
            <Field label="Time zone" {...form.register('zone')} />
            <Button type="submit" className="self-start sm:mt-7" disabled={isLoading}>
              Put it there
            </Button>
          </form>
        ) : (
          <TownPicker
            label="Town, or one near by"
            value={garden.town ?? ''}
            hint="Towns are looked up on this machine. Names and places: GeoNames, CC BY 4.0."
            onChange={(town) =>
              send({
                latitudeDeg: town.latitudeDeg,
                longitudeDeg: town.longitudeDeg,
                timeZone: town.timeZone,
                town: townWords(town),
              })
            }
          />
        )}
        <p className="-my-3">
          <Button look="quiet" className="-ml-4" onClick={() => setByHand(!byHand)}>
            {byHand ? 'Find it by its town' : 'Type the figures instead'}
          </Button>
        </p>
        <Taps
          legend="The land is"
          options={TERRAIN_WORDS}
          value={terrainOf(garden.elevationM)}
          hint={`Taken as ${units.text('height', garden.elevationM)} above the sea; if you know its height, type the figures instead.`}
          onChange={(terrain) => send({ elevationM: TERRAIN_M[terrain] })}
        />
        {garden.climate ? (
          <UsualYear
            climate={garden.climate}
            known={garden.climate.corrected ? {} : null}
            onKnown={(climateKnown) => send({ climateKnown })}
          />
        ) : (
          <>
            <Taps
              legend="Summers are"
              options={SUMMER_WORDS}
              value={garden.summers ?? summersAt(garden.latitudeDeg)}
              onChange={(summers) => send({ summers })}
            />
            <Taps
              legend="The air is"
              hint="For days that nobody measured or forecast."
              options={AIR_WORDS}
              value={garden.air ?? 'average'}
              onChange={(air) => send({ air })}
            />
          </>
        )}
        <Refused error={error} />
      </div>
    </section>
  );
}
