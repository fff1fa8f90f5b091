import type { ClimateView } from '@kibble/contract';
import type { KnownClimate } from '@kibble/core';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { figureOf, typedSi } from '../words/numberRule.ts';
import { checkedBy, figure, obeys, type FieldSchemas } from '../words/formSchema.ts';
import { useUnits, type Units } from '../words/units.ts';
import { Button } from './Button.tsx';
import { Field } from './Field.tsx';

type Month = ClimateView['coldest'];

const MONTHS = new Intl.DateTimeFormat('en-US', { month: 'long', timeZone: 'UTC' });
const nameOf = ({ month }: Month): string => MONTHS.format(Date.UTC(2025, month - 1, 15));

const daysWords = (days: number): string => {
  const whole = Math.round(days);
  if (whole < 1) return 'on hardly any day';
  return whole === 1 ? 'on one day' : `on ${whole} days`;
};
const monthWords = (month: Month, units: Units): string =>
  `by day ${units.text('temperature', month.highC)}, at night ${units.text('temperature', month.lowC)}, ${units.text('depth', month.rainMm)} of rain ${daysWords(month.wetDays)}`;

/** A share of rain as it is said of what may come. */
const shareWords = (share: number): string =>
  share < 0.15 ? 'a tenth' : share < 0.28 ? 'a fifth' : share < 0.42 ? 'a third' : 'half';

interface Props {
  climate: ClimateView;
  /** What the gardener has put right; with it the figures are theirs. */
  known: KnownClimate | null;
  onKnown: (known: KnownClimate | null) => void;
}

/** What a usual year is like where the garden is, by its coldest and its warmest month, and a way to put that right. */
export function UsualYear({ climate, known, onKnown }: Props) {
  const units = useUnits();
  const [open, setOpen] = useState(false);
  const coldest = { ...climate.coldest, ...known?.coldest };
  const warmest = { ...climate.warmest, ...known?.warmest };
  // A difference has no nought of its own to begin at.
  const { fromSi, unit } = units.of('temperature');
  const off = `${Math.ceil(fromSi(climate.doubt.tempC) - fromSi(0))} ${unit}`;
  return (
    <div data-testid="usual-year">
      <p className="font-semibold">A usual year here</p>
      <p>
        {nameOf(coldest)}: {monthWords(coldest, units)}. {nameOf(warmest)}: {monthWords(warmest, units)}.
      </p>
      {open ? (
        <KnownForm
          coldest={coldest}
          warmest={warmest}
          onSave={(now) => {
            onKnown(now);
            setOpen(false);
          }}
          onCancel={() => setOpen(false)}
        />
      ) : (
        <>
          <p className="text-sm text-quiet">
            {known
              ? 'You changed these figures. '
              : `Worked out from the nearest of the weather stations that Kibble knows. The temperatures may be ${off} off, and there may be ${shareWords(climate.doubt.rainShare)} more or less rain. `}
            Kibble uses them for days that nobody measured or forecast.
          </p>
          <p className="-my-1 flex flex-wrap">
            <Button look="quiet" className="-ml-4" onClick={() => setOpen(true)}>
              Change these figures
            </Button>
            {known ? (
              <Button look="quiet" onClick={() => onKnown(null)}>
                Use the stations’ figures again
              </Button>
            ) : null}
          </p>
        </>
      )}
    </div>
  );
}

interface Typed {
  coldHigh: string;
  coldLow: string;
  coldRain: string;
  warmHigh: string;
  warmLow: string;
  warmRain: string;
}

/** A low may not be above the high beside it. */
const under = (units: Units, high: (typed: Typed) => string) => (typed: Typed) => {
  const most = figureOf('temperature', high(typed), units);
  return Number.isNaN(most)
    ? figure('usualLowC', units)
    : figure('usualLowC', units).in.pipe(
        obeys((text) => {
          const low = figureOf('temperature', text, units);
          return (
            low <= most ||
            `Usual low must not be above the usual high, ${high(typed)} ${units.of('temperature').unit}; got ${text}.`
          );
        }),
      );
};
const fieldsOf = (units: Units): FieldSchemas<Typed> => ({
  coldHigh: figure('usualHighC', units),
  coldLow: under(units, ({ coldHigh }) => coldHigh),
  coldRain: figure('usualRainMm', units),
  warmHigh: figure('usualHighC', units),
  warmLow: under(units, ({ warmHigh }) => warmHigh),
  warmRain: figure('usualRainMm', units),
});

const ROWS = [
  ['cold', 'coldest'],
  ['warm', 'warmest'],
] as const;

function KnownForm({
  coldest,
  warmest,
  onSave,
  onCancel,
}: {
  coldest: Month;
  warmest: Month;
  onSave: (known: KnownClimate) => void;
  onCancel: () => void;
}) {
  const units = useUnits();
  const months = { coldest, warmest };
  const [was] = useState<Typed>(() => ({
    coldHigh: units.number('temperature', coldest.highC),
    coldLow: units.number('temperature', coldest.lowC),
    coldRain: units.number('depth', coldest.rainMm),
    warmHigh: units.number('temperature', warmest.highC),
    warmLow: units.number('temperature', warmest.lowC),
    warmRain: units.number('depth', warmest.rainMm),
  }));
  const form = useForm<Typed>({
    defaultValues: was,
    resolver: checkedBy<Typed>(fieldsOf(units)),
    mode: 'onTouched',
  });
  const { errors } = form.formState;
  const save = form.handleSubmit((typed) => {
    // What was left as it was shown is no figure of the gardener's: it was rounded for showing.
    const read = (row: 'cold' | 'warm', month: Month) => ({
      highC:
        typed[`${row}High`] === was[`${row}High`]
          ? month.highC
          : typedSi('usualHighC', typed[`${row}High`], units),
      lowC:
        typed[`${row}Low`] === was[`${row}Low`]
          ? month.lowC
          : typedSi('usualLowC', typed[`${row}Low`], units),
      rainMm:
        typed[`${row}Rain`] === was[`${row}Rain`]
          ? month.rainMm
          : typedSi('usualRainMm', typed[`${row}Rain`], units),
    });
    onSave({ coldest: read('cold', coldest), warmest: read('warm', warmest) });
  });
  // It may stand inside another form, which it must not send.
  return (
    <div className="mt-2 flex flex-col gap-3" role="group" aria-label="The usual year’s figures">
      {ROWS.map(([row, which]) => (
        <fieldset key={row} className="grid grid-cols-3 gap-3">
          <legend className="col-span-3 mb-1">
            {nameOf(months[which])}, the {which} month
          </legend>
          <Field
            label="By day"
            unit={units.of('temperature').unit}
            inputMode="text"
            error={errors[`${row}High`]?.message}
            {...form.register(`${row}High`)}
          />
          <Field
            label="At night"
            unit={units.of('temperature').unit}
            inputMode="text"
            error={errors[`${row}Low`]?.message}
            {...form.register(`${row}Low`)}
          />
          <Field
            label="Rain"
            unit={units.of('depth').unit}
            inputMode="decimal"
            error={errors[`${row}Rain`]?.message}
            {...form.register(`${row}Rain`)}
          />
        </fieldset>
      ))}
      <p className="flex gap-3">
        <Button onClick={() => void save()}>Use these figures</Button>
        <Button look="quiet" onClick={onCancel}>
          Cancel
        </Button>
      </p>
    </div>
  );
}
