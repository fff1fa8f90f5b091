import { skipToken } from '@reduxjs/toolkit/query';
import { TERRAIN_M, terrainOf } from '@kibble/core';
import { useState } from 'react';
import { useWatch, type UseFormReturn } from 'react-hook-form';
import { useClimateQuery } from '../../api/setup.ts';
import { AIR_WORDS, latitudeWords, SUMMER_WORDS, TERRAIN_WORDS } from '../../words/placeWords.ts';
import { unitsOf, useUnits } from '../../words/units.ts';
import { Button } from '../../ui/Button.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { Field } from '../../ui/Field.tsx';
import { Taps } from '../../ui/Taps.tsx';
import { TownPicker, townWords } from '../../ui/TownPicker.tsx';
import { UsualYear } from '../../ui/UsualYear.tsx';
import { FIRSTS, inUnits, latitudeOf, summersOf, type TypedSetup } from './typedSetup.ts';

/** Where the garden is: a town, the device's own place, or a latitude typed by hand. */
export function WhereStep({ form }: { form: UseFormReturn<TypedSetup> }) {
  const units = useUnits();
  const typed = useWatch({ control: form.control }) as TypedSetup;
  const { errors } = form.formState;
  const [trouble, setTrouble] = useState<string | null>(null);
  const latitude = latitudeOf(typed, units);
  const { currentData, data } = useClimateQuery(
    typed.longitude === null || Number.isNaN(latitude)
      ? skipToken
      : {
          latitudeDeg: latitude,
          longitudeDeg: typed.longitude,
          elevationM: typed.terrain ? TERRAIN_M[typed.terrain] : undefined,
        },
  );
  const climate = currentData ?? data;

  const take = (latitudeDeg: number, rest: Partial<TypedSetup>): void => {
    // Another place has another height and another year.
    form.setValue('terrain', null);
    form.setValue('climateKnown', null);
    form.setValue('latitude', Math.abs(latitudeDeg).toFixed(2));
    form.setValue('hemisphere', latitudeDeg < 0 ? 'south' : 'north');
    for (const [field, value] of Object.entries(rest)) form.setValue(field as keyof TypedSetup, value);
    form.clearErrors('latitude');
  };
  const here = (): void => {
    setTrouble(null);
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => take(coords.latitude, { longitude: coords.longitude, town: '', byHand: true }),
      () => setTrouble('This device does not say where it is. A town near by will do.'),
      { timeout: 8000 },
    );
  };

  return (
    <>
      <Taps
        legend="What will you water first?"
        hint={typed.first === 'beds' ? undefined : 'Everything else can be added later.'}
        options={FIRSTS}
        value={typed.first}
        onChange={(first) => form.setValue('first', first)}
      />
      <div className="grid gap-4 sm:grid-cols-2">
        <Field label="Name of the garden" placeholder="My garden" {...form.register('garden')} />
        <Choice
          label="Units"
          value={typed.units}
          onChange={(e) => {
            const to = unitsOf(e.target.value as TypedSetup['units']);
            for (const [field, value] of Object.entries(inUnits(typed, units, to)))
              form.setValue(field as keyof TypedSetup, value);
            form.setValue('units', to.system);
          }}
        >
          <option value="metric">millimetres, litres, °C</option>
          <option value="us">inches, gallons, °F</option>
        </Choice>
      </div>
      {typed.byHand ? (
        <div className="grid gap-4 sm:grid-cols-2">
          <Field
            label="Latitude"
            unit="degrees"
            inputMode="decimal"
            error={errors.latitude?.message}
            hint="From any map; whole degrees are enough."
            {...form.register('latitude')}
          />
          <Choice label="of the equator" {...form.register('hemisphere')}>
            <option value="north">north</option>
            <option value="south">south</option>
          </Choice>
        </div>
      ) : (
        <TownPicker
          label="Town, or one near by"
          value={typed.town}
          error={errors.latitude?.message}
          hint={
            typed.town
              ? `${latitudeWords(latitude)}, in the time of ${typed.timeZone.replaceAll('_', ' ')}.`
              : 'Looked up here, on this machine: nothing is sent anywhere.'
          }
          onChange={(town) =>
            take(town.latitudeDeg, {
              town: townWords(town),
              longitude: town.longitudeDeg,
              timeZone: town.timeZone,
            })
          }
        />
      )}
      <p className="flex flex-wrap gap-x-6">
        <Button
          look="quiet"
          className="-ml-4"
          onClick={() => {
            form.setValue('byHand', !typed.byHand);
            // A latitude alone says nothing of the sea.
            form.setValue('longitude', null);
            form.setValue('town', '');
            form.clearErrors('latitude');
          }}
        >
          {typed.byHand ? 'Find it by its town' : 'Type the latitude instead'}
        </Button>
        {'geolocation' in navigator && window.isSecureContext ? (
          <Button look="quiet" className="-ml-4" onClick={here}>
            Where this device is
          </Button>
        ) : null}
      </p>
      {trouble ? <p role="status">{trouble}</p> : null}
      {typed.longitude === null ? (
        <div className="grid gap-x-6 gap-y-3 sm:grid-cols-2">
          <Taps
            legend="The land is"
            options={TERRAIN_WORDS}
            value={typed.terrain ?? 'lowland'}
            onChange={(v) => form.setValue('terrain', v)}
          />
          <Taps
            legend="Summers are"
            options={SUMMER_WORDS}
            value={summersOf(typed, units)}
            onChange={(v) => form.setValue('summers', v)}
          />
          <Taps
            legend="The air is"
            options={AIR_WORDS}
            value={typed.air ?? 'average'}
            onChange={(v) => form.setValue('air', v)}
          />
        </div>
      ) : climate ? (
        <>
          <Taps
            legend="The land is"
            options={TERRAIN_WORDS}
            value={typed.terrain ?? terrainOf(climate.elevationM)}
            hint={`Taken as ${units.text('height', climate.elevationM)} above the sea${typed.terrain ? '' : ', like the weather stations around'}. Higher land is colder.`}
            onChange={(v) => form.setValue('terrain', v)}
          />
          <UsualYear
            climate={climate}
            known={typed.climateKnown}
            onKnown={(known) => form.setValue('climateKnown', known)}
          />
        </>
      ) : null}
    </>
  );
}
