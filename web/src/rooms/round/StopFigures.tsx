import type { StopView } from '@kibble/contract';
import { useUnits } from '../../app/units.ts';
import { timeOfDay } from '../../app/words.ts';
import { Opens } from '../../ui/Opens.tsx';

/** The figures of a stop: minutes large, then litres, depth and the time of day. */
export function StopFigures({ stop }: { stop: StopView }) {
  const units = useUnits();
  const bed = { bedId: stop.bedId, bedName: stop.bedName };
  return (
    <div className="col-start-3 flex flex-wrap items-baseline gap-x-4 gap-y-1 md:col-start-4 md:row-span-2 md:row-start-1 md:block">
      <p className="leading-none">
        <Opens
          {...bed}
          of="minutes"
          assumed={!stop.flowMeasured}
          className="text-5xl font-bold"
          label={`${Math.max(1, Math.round(stop.run.minutes))} minutes: show the working`}
        >
          {Math.max(1, Math.round(stop.run.minutes))}
        </Opens>{' '}
        <span className="text-lg">min</span>
      </p>
      <p className="md:mt-2">
        <Opens {...bed} of="litres">
          {units.text('volume', stop.run.litres)}
        </Opens>
        <span className="md:hidden">, </span>
        <br className="hidden md:block" />
        <Opens {...bed} of="depth">
          {units.text('depth', stop.run.localMm)}
        </Opens>{' '}
        {stop.run.bedMm < stop.run.localMm - 0.05 ? 'where it falls' : 'over the bed'}
      </p>
      {stop.runs[0] ? (
        <p className="mt-1">
          from <strong>{timeOfDay(stop.runs[0].from, units)}</strong>
          {stop.runs.length > 1 ? (
            <span className="text-quiet">
              <span className="md:hidden">, </span>
              <br className="hidden md:block" />
              done {timeOfDay(stop.runs.at(-1)?.until ?? stop.runs[0].until, units)}
            </span>
          ) : null}
        </p>
      ) : null}
    </div>
  );
}
