import { useWeatherQuery } from '../../app/api.ts';
import { useGarden } from '../../app/gardenRound.ts';
import { useUnits } from '../../app/units.ts';
import { fullDate, plainDate } from '../../app/words.ts';
import { Loading, Trouble } from '../../ui/states.tsx';
import { GaugeForm } from './GaugeForm.tsx';
import { ImportPanel } from './ImportPanel.tsx';
import { Imports } from './Imports.tsx';

const SHOWN = 21;

/** The record: what was measured, what the gauge said, and a file of days brought in. */
export function WeatherRoom() {
  const garden = useGarden();
  const { data, error, refetch } = useWeatherQuery(garden.id);
  const units = useUnits();
  if (error) return <Trouble error={error} onRetry={() => void refetch()} />;
  if (!data) return <Loading what="the record" />;
  return (
    <div className="grid gap-x-12 gap-y-8 lg:grid-cols-[minmax(0,1fr)_minmax(0,24rem)]">
      <section>
        <h1 className="text-3xl">Weather</h1>
        <p className="mb-4 text-quiet">
          {data.count === 0
            ? 'No measured weather yet: every day is taken as usual for the season.'
            : `${data.count.toLocaleString()} days on record, ${fullDate(data.from ?? '')} to ${fullDate(data.to ?? '')}.`}
          {data.longestDryRun
            ? ` Longest dry run of the past year: ${data.longestDryRun.days} days from ${plainDate(data.longestDryRun.from, garden.today)}.`
            : ''}
        </p>
        {data.count > 0 ? (
          <table className="w-full">
            <caption className="sr-only">The latest days on record, newest first</caption>
            <thead className="text-right text-sm text-quiet">
              <tr>
                <th className="py-1 text-left font-normal">Day</th>
                <th className="font-normal">Low {units.of('temperature').unit}</th>
                <th className="font-normal">High {units.of('temperature').unit}</th>
                <th className="font-normal">Rain {units.of('depth').unit}</th>
                <th className="hidden font-normal sm:table-cell">Wind {units.of('wind').unit}</th>
                <th className="font-normal">Sun and wind take {units.of('depth').unit}</th>
                <th className="hidden pl-4 text-left font-normal sm:table-cell">From</th>
              </tr>
            </thead>
            <tbody className="text-right">
              {data.days.slice(0, SHOWN).map((day) => (
                <tr key={day.date} className="border-t border-rule">
                  <td className="py-1 text-left">{plainDate(day.date, garden.today)}</td>
                  <td>{units.number('temperature', day.tMinC)}</td>
                  <td className={day.tMaxC >= 32 ? 'font-bold text-brick' : ''}>
                    {units.number('temperature', day.tMaxC)}
                  </td>
                  <td className={day.rainMm > 0 ? 'font-semibold text-water' : 'text-quiet'}>
                    {units.number('depth', day.rainMm)}
                  </td>
                  <td className="hidden sm:table-cell">
                    {day.windMs === null ? '–' : units.number('wind', day.windMs)}
                  </td>
                  <td>{units.system === 'us' ? units.number('depth', day.et0Mm) : day.et0Mm.toFixed(1)}</td>
                  <td className="hidden pl-4 text-left text-quiet sm:table-cell">
                    {day.gaugeMm === null
                      ? day.source === 'import'
                        ? 'your file'
                        : 'station'
                      : 'your gauge'}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        ) : null}
      </section>
      <div className="flex flex-col gap-8">
        <GaugeForm garden={garden} />
        <ImportPanel garden={garden} />
        <Imports items={data.imports} />
      </div>
    </div>
  );
}
