import type { BedView, CoreView } from '@kibble/contract';
import {
  deliveryRate,
  efficiencyOf,
  fillsFor,
  litresPerPlant,
  grossLitres,
  type HabitVerdict,
  LAYER_MM,
  minutesFor,
  netDepth,
  reachingShareOf,
  secondsPerPlant,
  spotLitres,
  todaysHabit,
  type KnownBed,
} from '@kibble/core';
import { useState } from 'react';
import { numberRule, typedSi } from '../../words/numberRule.ts';
import { minutesText, useUnits } from '../../words/units.ts';
import { Field } from '../../ui/Field.tsx';

/** Minutes, litres and depth of one run, each from any other; seconds a plant; fills of a can. */
export function RunConverter({ bed, known }: { bed: BedView; known: KnownBed }) {
  const units = useUnits();
  const { delivery, areaM2 } = known;
  const [typed, setTyped] = useState<{ by: 'minutes' | 'litres' | 'depth'; text: string }>({
    by: 'minutes',
    text: '20',
  });
  const [plants, setPlants] = useState('');
  const [can, setCan] = useState('');
  const field = { minutes: 'minutes', litres: 'litres', depth: 'rainMm' } as const;
  const problem = numberRule(field[typed.by], typed.text, units);
  const value = problem === true ? (typedSi(field[typed.by], typed.text, units) ?? 0) : 0;
  const ok = problem === true && value > 0;
  const efficiency = efficiencyOf(delivery);
  const litres = !ok
    ? 0
    : typed.by === 'litres'
      ? value
      : typed.by === 'minutes'
        ? spotLitres({ litresPerMinute: delivery.litresPerMinute, minutes: value })
        : grossLitres(value, areaM2, efficiency);
  const minutes = ok ? minutesFor({ litres, litresPerMinute: delivery.litresPerMinute }) : 0;
  const mm = ok ? netDepth(litres, areaM2, efficiency) : 0;
  const count = Number(plants);
  const each = ok && Number.isInteger(count) && count > 0 ? litresPerPlant({ litres, plants: count }) : null;
  const canLitres = can.trim() === '' ? undefined : typedSi('bucketLitres', can, units);
  const fills = ok && canLitres && canLitres > 0 ? fillsFor({ litres, containerLitres: canLitres }) : null;
  const box = (by: 'minutes' | 'litres' | 'depth', label: string, unit: string, now: string) => (
    <Field
      label={label}
      unit={unit}
      inputMode="decimal"
      className="w-24"
      value={typed.by === by ? typed.text : now}
      error={typed.by === by && problem !== true ? problem : undefined}
      onChange={(e) => setTyped({ by, text: e.target.value })}
    />
  );
  const shown = (si: number, quantity: 'volume' | 'depth'): string => {
    const { fromSi, decimals } = units.of(quantity);
    return ok ? String(Number(fromSi(si).toFixed(Math.max(1, decimals)))) : '';
  };
  return (
    <section aria-labelledby="run">
      <h2 id="run" className="mb-1 text-2xl">
        What a run gives
      </h2>
      <div className="flex flex-wrap gap-4 border-t border-ink pt-2">
        {box('minutes', 'Minutes', 'min', ok ? minutes.toFixed(1) : '')}
        {box(
          'litres',
          units.of('volume').unit === 'L' ? 'Litres' : 'Gallons',
          units.of('volume').unit,
          shown(litres, 'volume'),
        )}
        {box('depth', 'Depth that stays', units.of('depth').unit, shown(mm, 'depth'))}
      </div>
      <div className="mt-3 flex flex-wrap gap-4">
        <Field
          label="Shared by plants"
          inputMode="numeric"
          className="w-24"
          value={plants}
          onChange={(e) => setPlants(e.target.value)}
        />
        <Field
          label="A can or bucket of"
          unit={units.of('volume').unit}
          inputMode="decimal"
          className="w-24"
          value={can}
          onChange={(e) => setCan(e.target.value)}
        />
      </div>
      <p className="mt-2 min-h-6">
        {each
          ? `${units.text('volume', each)} a plant: ${Math.round(secondsPerPlant({ litres: each, litresPerMinute: delivery.litresPerMinute }))} seconds each. `
          : ''}
        {fills ? `${fills.fills} fills, the last of ${units.text('volume', fills.lastFillLitres)}.` : ''}
      </p>
      <p className="text-sm text-quiet">
        At {units.text('flow', delivery.litresPerMinute)}, {units.text('share', efficiency)} of it useful,
        over the whole {units.text('area', areaM2)} of {bed.name}.
      </p>
    </section>
  );
}

const VERDICTS: Readonly<Record<HabitVerdict, string>> = {
  'only the top': 'Only the top gets any. Run it longer, and less often.',
  'reaches the roots': 'That reaches them.',
  'past the roots': 'Part of it goes past the roots.',
};

/** What today's habit really gives. */
export function Habit({ known, core }: { known: KnownBed; core: CoreView }) {
  const units = useUnits();
  const [text, setText] = useState('20');
  const problem = numberRule('minutes', text, units);
  const minutes = problem === true ? Number(text.replace(',', '.')) : 0;
  const rate = deliveryRate(known.delivery, known.areaM2);
  const roots = core.rootDepthMm;
  const habit =
    minutes > 0
      ? todaysHabit({
          minutes,
          rateMmPerHour: Math.min(2000, rate),
          efficiency: reachingShareOf(known.delivery),
          rootDepthMm: roots,
          profile: core.layersMm.map((mm, i) => ({
            thicknessMm: LAYER_MM,
            fieldCapacity: (core.fieldCapacityMm[i] ?? mm) / LAYER_MM,
            waterContent: mm / LAYER_MM,
          })),
        })
      : null;
  return (
    <section aria-labelledby="habit">
      <h2 id="habit" className="mb-1 text-2xl">
        What your habit gives
      </h2>
      <div className="border-t border-ink pt-2">
        <Field
          label="I usually leave it on for"
          unit="min"
          inputMode="decimal"
          className="w-24"
          value={text}
          error={problem === true ? undefined : problem}
          onChange={(e) => setText(e.target.value)}
        />
      </div>
      {habit ? (
        <p className="mt-2" data-testid="habit">
          <strong className="text-2xl">{units.text('depth', habit.appliedMm)}</strong> where it falls: as the
          ground is now, that wets it{' '}
          <strong>{units.text('depth', Math.round(habit.wettedMm / 5) * 5)}</strong> deep; the roots go{' '}
          {units.text('depth', Math.round(roots / 10) * 10)}. {habit.verdict ? VERDICTS[habit.verdict] : ''}
        </p>
      ) : null}
      <p className="text-sm text-quiet">
        {minutes > 0 ? `${minutesText(minutes)} at ${units.text('rate', rate)}.` : ''}
      </p>
    </section>
  );
}
