import type { AheadDay, GardenView } from '@kibble/contract';
import {
  explainManualForecast,
  HEATS,
  RAINS,
  manualForecastDay,
  SKIES,
  WINDS,
  type ManualForecast,
} from '@kibble/core';
import { useState } from 'react';
import { useKept } from '../../state/useKept.ts';
import { useUnits } from '../../words/units.ts';
import { shortDay } from '../../words/words.ts';
import { Button } from '../../ui/Button.tsx';
import { OpensTree } from '../../ui/Opens.tsx';
import { Taps } from '../../ui/Taps.tsx';
import { Refused } from '../../ui/Refused.tsx';
import { inGarden, useEnter } from '../../ui/useEnter.ts';

const same = <T extends string>(words: readonly T[]): readonly (readonly [T, T])[] =>
  words.map((word) => [word, word] as const);
const HEAT = same(HEATS);
const SKY = same(SKIES);
const RAIN = same(RAINS);
const WIND = same(WINDS);

/** Days shown at once; more are a tap away. */
const SHOWN = 4;
const MOST = 10;

const SOURCE: Readonly<Record<string, string>> = {
  said: 'as you said',
  forecast: 'forecast',
  record: 'measured',
  'own record': 'as in other years',
  'ordinary day': 'a usual day',
};

/** The days ahead, said in words as one hears them: each tap is read into figures, which stand beside it. */
export function AheadInWords({ garden, ahead }: { garden: GardenView; ahead: AheadDay[] }) {
  const [typed, setTyped] = useKept<Record<string, ManualForecast | null>>(`kibble.said.${garden.id}`, {});
  const [more, setMore] = useState(false);
  const { enterAndSay, isLoading, error } = useEnter();
  const manualForecasts = (day: AheadDay): ManualForecast | null =>
    day.date in typed ? (typed[day.date] ?? null) : day.said;
  const tell = (day: AheadDay, change: ManualForecast): void => {
    const said = Object.fromEntries(
      Object.entries({ ...manualForecasts(day), ...change }).filter(([, value]) => value !== undefined),
    ) as ManualForecast;
    setTyped({ ...typed, [day.date]: Object.keys(said).length > 0 ? said : null });
  };
  // What was tapped and not written down is still there after a look elsewhere; of days that are over it is not.
  const open = ahead.filter(({ date }) => date in typed);
  const count = open.length;
  const keep = async (): Promise<void> => {
    await enterAndSay(
      open.map(({ date }) =>
        inGarden(garden.id, { kind: 'manual forecast', forecast: typed[date] ?? null }, date),
      ),
      `The weather of ${count === 1 ? 'a day' : `${count} days`} is written down.`,
    );
    setTyped({});
  };
  return (
    <section aria-labelledby="ahead">
      <h2 id="ahead" className="text-2xl">
        The days ahead, as you hear them
      </h2>
      <p className="mb-2 text-quiet">Tap what is said of a day; leave out what is not.</p>
      <ul className="border-t border-ink">
        {ahead.slice(0, more ? MOST : SHOWN).map((day) => (
          <SaidRow key={day.date} day={day} garden={garden} said={manualForecasts(day)} onTell={tell} />
        ))}
      </ul>
      <Refused error={error} className="mt-2" />
      <div className="mt-2 flex flex-wrap items-center gap-3">
        {count > 0 ? (
          <>
            <Button disabled={isLoading} onClick={() => void keep().catch(() => undefined)}>
              Write it down
            </Button>
            <Button look="quiet" onClick={() => setTyped({})}>
              Leave it as it was
            </Button>
          </>
        ) : null}
        <Button look="quiet" className={count > 0 ? '' : '-ml-4'} onClick={() => setMore(!more)}>
          {more ? 'Fewer days' : 'More days'}
        </Button>
      </div>
    </section>
  );
}

function SaidRow({
  day,
  garden,
  said,
  onTell,
}: {
  day: AheadDay;
  garden: GardenView;
  said: ManualForecast | null;
  onTell: (day: AheadDay, change: ManualForecast) => void;
}) {
  const units = useUnits();
  const { latitudeDeg, elevationM } = garden;
  const name = day.date === garden.today ? 'Today' : shortDay(day.date);
  const figures = said
    ? manualForecastDay(said, { date: day.date, ...day.unsaid }, { latitudeDeg, elevationM })
    : day.unsaid;
  const groups = [
    ['heat', 'Heat', HEAT],
    ['sky', 'Sky', SKY],
    ['rain', 'Rain', RAIN],
    ['wind', 'Wind', WIND],
  ] as const;
  return (
    <li className="grid items-center gap-x-3 gap-y-1 border-b border-rule py-1.5 lg:grid-cols-[3.6rem_auto_auto_auto_auto_minmax(9rem,1fr)]">
      <strong>{name}</strong>
      {groups.map(([field, legend, options]) => (
        <Taps<string>
          key={field}
          quiet
          legend={`${legend}, ${name}`}
          options={options}
          value={said?.[field] ?? null}
          onChange={(word) => onTell(day, { [field]: word })}
          onClear={() => onTell(day, { [field]: undefined })}
        />
      ))}
      <span className="text-sm leading-tight" data-testid="read">
        <OpensTree
          title={name}
          working={explainManualForecast(
            said ?? {},
            { date: day.date, ...day.unsaid },
            { latitudeDeg, elevationM },
          )}
        >
          {units.text('temperature', figures.tMaxC)} by day, {units.text('temperature', figures.tMinC)} by
          night
          {figures.rainMm >= 0.5
            ? `, ${units.text('depth', figures.rainMm)} at ${Math.round(100 * figures.rainChance)}\u00a0%`
            : ', no rain'}
        </OpensTree>
        <span className="block text-quiet">{said ? SOURCE.said : (SOURCE[day.unsaid.source] ?? '')}</span>
      </span>
    </li>
  );
}
