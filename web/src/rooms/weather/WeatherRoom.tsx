import type { WeatherView } from '@kibble/contract';
import { alertWords, isHarm } from '../../words/alertWords.ts';
import { useTicksQuery, useWeatherQuery } from '../../api/api.ts';
import { useAlerts, useGarden } from '../../state/gardenRound.ts';
import { useUnits } from '../../words/units.ts';
import { fullDate, plainDate } from '../../words/words.ts';
import { AfterFirst } from '../../ui/AfterFirst.tsx';
import { AlertActs } from '../../ui/AlertActs.tsx';
import { useNarrow } from '../../ui/useMedia.ts';
import { Loading, Trouble } from '../../ui/states.tsx';
import { AheadInWords } from './AheadInWords.tsx';
import { Drain } from './Drain.tsx';
import { Fan } from './Fan.tsx';
import { ImportPanel } from './ImportPanel.tsx';
import { Imports } from './Imports.tsx';
import { RainAgainstUse } from './RainAgainstUse.tsx';
import { ReadingForm } from './ReadingForm.tsx';
import { StationForm } from './StationForm.tsx';
import { Years } from './Years.tsx';
import { isHotWork } from '@kibble/core';
import { DataTable, type Column } from '../../ui/DataTable.tsx';
import { Caution } from '../../ui/Caution.tsx';
import { Fold } from '../../ui/Fold.tsx';

/** Days to a page of the record. */
const PAGE = 14;

/** What is heard of the days ahead, what was measured of those behind, and where both come from. */
export function WeatherRoom() {
  const garden = useGarden();
  const alerts = useAlerts();
  const { data: ticks } = useTicksQuery(garden.id);
  const units = useUnits();
  const narrow = useNarrow();
  const { data, error, refetch } = useWeatherQuery(garden.id);
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  if (!data) return <Loading what="the record" />;
  const ahead = <AheadInWords garden={garden} ahead={data.ahead} />;
  // Where a station forecasts, what somebody hears besides comes after what was measured.
  const heard = data.station !== null && data.station.trouble === null;
  // One below the other on a phone, they lie below the first screen where there is something to tell on it.
  const onFirst = !narrow || (alerts.length === 0 && heard);
  return (
    <>
      <h1 className="mb-2 text-3xl">Weather</h1>
      {heard ? null : <div className="mb-8">{ahead}</div>}
      <div className="grid gap-x-12 gap-y-8 lg:grid-cols-[minmax(0,1fr)_minmax(0,22rem)] lg:grid-rows-[auto_1fr]">
        {alerts.length > 0 || data.drain ? (
          <div className="flex flex-col gap-8 lg:col-start-2">
            {alerts.length > 0 ? (
              <section aria-labelledby="alerts">
                <h2 id="alerts" className="text-2xl">
                  What asks for action
                </h2>
                {isHotWork(alerts) ? <Caution of="hot work" className="max-w-prose mb-2" /> : null}
                {alerts.map((alert) => (
                  <div key={alert.code} className="border-t border-ink py-2">
                    <h3 className={isHarm(alert) ? 'font-bold text-brick' : 'font-bold'}>
                      {alertWords(alert, units)}
                    </h3>
                    <AlertActs alert={alert} ticks={ticks} />
                  </div>
                ))}
              </section>
            ) : null}
            {data.drain ? <Drain garden={garden} drain={data.drain} /> : null}
          </div>
        ) : null}
        <div className="flex min-w-0 flex-col gap-8 lg:col-start-1 lg:row-span-2 lg:row-start-1">
          <section aria-labelledby="fan">
            <h2 id="fan" className="text-2xl">
              The weather ahead
            </h2>
            <AfterFirst now={onFirst}>
              <Fan days={data.fan} />
            </AfterFirst>
          </section>
          <section aria-labelledby="behind">
            <h2 id="behind" className="text-2xl">
              Rain against use
            </h2>
            <p className="mb-2 text-quiet">
              {data.count === 0
                ? 'No measured weather yet: a day nobody said anything of is taken as a usual one of its season.'
                : `${data.count.toLocaleString()} days on record, ${fullDate(data.from ?? '')} to ${fullDate(data.to ?? '')}.`}
            </p>
            <AfterFirst>
              <RainAgainstUse days={data.past} today={garden.today} />
              {data.years ? (
                <>
                  <h2 className="mt-6 text-2xl">This year among the years</h2>
                  <Years years={data.years} />
                </>
              ) : null}
              {data.count > 0 ? (
                <Fold heading="The days themselves" className="mt-4 border-t border-rule">
                  <Days days={data.days} today={garden.today} />
                </Fold>
              ) : null}
            </AfterFirst>
          </section>
        </div>
        <div className="flex flex-col gap-8 lg:col-start-2">
          <AfterFirst now={onFirst}>
            <ReadingForm garden={garden} />
            <StationForm garden={garden} station={data.station} />
          </AfterFirst>
          <ImportPanel garden={garden} />
          <Imports items={data.imports} />
        </div>
      </div>
      {heard ? (
        <AfterFirst>
          <div className="mt-8">{ahead}</div>
        </AfterFirst>
      ) : null}
    </>
  );
}

function Days({ days, today }: { days: WeatherView['days']; today: string }) {
  const units = useUnits();
  const right = 'px-2 text-right';
  const columns: Column<WeatherView['days'][number]>[] = [
    {
      id: 'day',
      heading: 'Day',
      className: 'py-1 whitespace-nowrap',
      headClassName: '',
      by: (day) => day.date,
      show: (day) => plainDate(day.date, today),
    },
    {
      id: 'low',
      heading: `Low ${units.of('temperature').unit}`,
      className: right,
      by: (day) => day.tMinC,
      show: (day) => units.number('temperature', day.tMinC),
    },
    {
      id: 'high',
      heading: `High ${units.of('temperature').unit}`,
      className: right,
      by: (day) => day.tMaxC,
      show: (day) => (
        <span className={day.tMaxC >= 32 ? 'font-bold text-brick' : ''}>
          {units.number('temperature', day.tMaxC)}
        </span>
      ),
    },
    {
      id: 'rain',
      heading: `Rain ${units.of('depth').unit}`,
      className: right,
      by: (day) => day.rainMm,
      show: (day) => (
        <span className={day.rainMm > 0 ? 'font-semibold text-water' : 'text-quiet'}>
          {units.number('depth', day.rainMm)}
        </span>
      ),
    },
    {
      id: 'wind',
      heading: `Wind ${units.of('wind').unit}`,
      className: right,
      by: (day) => day.windMs ?? -1,
      show: (day) => (day.windMs === null ? '–' : units.number('wind', day.windMs)),
    },
    {
      id: 'use',
      heading: `Sun and wind take ${units.of('depth').unit}`,
      className: right,
      by: (day) => day.et0Mm,
      show: (day) => (units.system === 'us' ? units.number('depth', day.et0Mm) : day.et0Mm.toFixed(1)),
    },
    {
      id: 'from',
      heading: 'From',
      className: 'pl-4 whitespace-nowrap',
      show: (day) => (
        <span className="text-quiet">
          {day.gaugeMm === null ? (day.source === 'import' ? 'your file' : 'station') : 'your gauge'}
        </span>
      ),
    },
  ];
  return (
    <DataTable
      caption="The latest days on record, newest first"
      columns={columns}
      rows={days}
      rowKey={({ date }) => date}
      pages={{ rows: PAGE, back: 'Newer', on: 'Older' }}
    />
  );
}
