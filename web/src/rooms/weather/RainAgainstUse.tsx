import { dryGaps, rainAgainstUse, type RainAndUse } from '@kibble/core';
import { format, parseISO, subDays } from 'date-fns';
import { useState } from 'react';
import { useUnits } from '../../words/units.ts';
import { dayMonth, fullDate } from '../../words/words.ts';
import { axisLabelDates, line, scaleLinear, scaleTime } from '../../drawing/d3parts.ts';
import { ScaleLines } from '../../drawing/ScaleLines.tsx';
import { ticksIn } from '../../drawing/ticksIn.ts';
import { useWidth } from '../../drawing/useWidth.ts';
import { Taps } from '../../ui/Taps.tsx';

const USUAL_WIDTH = 640;
const HEIGHT = 220;
const LEFT = 44;
const RIGHT = 96;
const TOP = 12;
/** Room under the curves for the dry gaps and the dates. */
const BOTTOM = 44;
/** A dry gap worth a line, days. */
const GAP_DAYS = 7;
/** Lines of writing at the curves' ends are this far apart at least, px. */
const APART = 16;

const SPANS = [
  ['30', '30 days'],
  ['90', '90 days'],
  ['365', 'a year'],
] as const;

/** Rain against use, each added up from a day on; the runs without rain under it, the longest named. */
export function RainAgainstUse({ days, today }: { days: RainAndUse[]; today: string }) {
  const units = useUnits();
  const [span, setSpan] = useState<(typeof SPANS)[number][0] | null>('30');
  const [since, setSince] = useState('');
  const [frame, width] = useWidth<HTMLElement>(USUAL_WIDTH);
  const oldest = days[0]?.date ?? today;
  // A date under way of being typed is none yet.
  const asked = since >= oldest && since < today ? since : null;
  const from = asked ?? format(subDays(parseISO(today), Number(span ?? 30)), 'yyyy-MM-dd');
  const shown = rainAgainstUse(days, from);
  const last = shown.at(-1);
  if (!last || shown.length < 2)
    return (
      <p className="text-quiet">
        Two measured days and more are drawn here: rain against what sun and wind take.
      </p>
    );
  const first = shown[0] ?? last;
  const x = scaleTime([parseISO(first.date), parseISO(last.date)], [LEFT, width - RIGHT]);
  const most = Math.max(last.rainMm, last.useMm, 1);
  const y = scaleLinear([0, most * 1.08], [HEIGHT - BOTTOM, TOP]);
  const path = (of: 'rainMm' | 'useMm'): string =>
    line<(typeof shown)[number]>()
      .x((day) => x(parseISO(day.date)))
      .y((day) => y(day[of]))(shown) ?? '';
  const gaps = dryGaps(
    days.filter(({ date }) => date >= from),
    GAP_DAYS,
  );
  const longest = gaps.reduce<(typeof gaps)[number] | null>(
    (best, gap) => (best && best.days >= gap.days ? best : gap),
    null,
  );
  const end = width - RIGHT + 6;
  const useAt = y(last.useMm);
  const rainAt = y(last.rainMm);
  const lower = Math.max(useAt, rainAt);
  const upper = Math.min(Math.min(useAt, rainAt), lower - APART);
  return (
    <figure ref={frame}>
      <div className="mb-1 flex flex-wrap items-center gap-x-4 gap-y-2">
        <Taps
          quiet
          legend="Added up over"
          options={SPANS}
          value={span}
          onChange={(next) => {
            setSpan(next);
            setSince('');
          }}
        />
        <label className="flex items-center gap-2">
          or since
          <input
            type="date"
            className={`min-h-11 border bg-sheet px-2 ${since && !asked ? 'border-2 border-brick' : 'border-ink'}`}
            min={oldest}
            max={today}
            value={since}
            aria-invalid={Boolean(since && !asked)}
            onChange={(e) => {
              setSince(e.target.value);
              setSpan(e.target.value === '' ? '30' : null);
            }}
          />
        </label>
      </div>
      {since && !asked ? (
        <p role="alert" className="mb-1 font-semibold text-brick">
          Since must be a day from {fullDate(oldest)} to yesterday; got {fullDate(since)}.
        </p>
      ) : null}
      <svg
        role="img"
        aria-label={`Since ${dayMonth(first.date)} ${units.text('depth', last.rainMm)} of rain came, and sun and wind took ${units.text('depth', last.useMm)}`}
        width={width}
        height={HEIGHT}
        viewBox={`0 0 ${width} ${HEIGHT}`}
        className="block max-w-full"
        data-testid="rain-against-use"
      >
        <ScaleLines ticks={ticksIn(y, units.of('depth'), 4)} left={LEFT} right={width - RIGHT} />
        <path d={path('useMm')} fill="none" stroke="var(--soil-mark)" strokeWidth={2} strokeDasharray="6 3" />
        <path d={path('rainMm')} fill="none" stroke="var(--water)" strokeWidth={2.5} />
        <text x={end} y={(useAt < rainAt ? upper : lower) + 4} fontSize={13} fill="var(--ink)">
          {units.text('depth', last.useMm)} used
        </text>
        <text x={end} y={(useAt < rainAt ? lower : upper) + 4} fontSize={13} fill="var(--water)">
          {units.text('depth', last.rainMm)} rain
        </text>
        {gaps.map((gap) => {
          const x0 = x(parseISO(gap.from));
          const x1 = x(subDays(parseISO(gap.from), -(gap.days - 1)));
          return (
            <g key={gap.from}>
              <line
                x1={x0}
                x2={x1}
                y1={HEIGHT - BOTTOM + 9}
                y2={HEIGHT - BOTTOM + 9}
                stroke="var(--ink)"
                strokeWidth={gap === longest ? 5 : 2}
              />
            </g>
          );
        })}
        {axisLabelDates(x, width < 500 ? 3 : 6).map((tick) => (
          <text key={tick.x} x={tick.x} y={HEIGHT - 8} textAnchor="middle" fontSize={12} fill="var(--quiet)">
            {tick.label}
          </text>
        ))}
      </svg>
      <figcaption className="text-sm text-quiet">
        {longest
          ? `Bars under the curves: runs of a week and more without rain, the longest ${longest.days} days from ${dayMonth(longest.from)}.`
          : 'No run of a week without rain.'}
      </figcaption>
    </figure>
  );
}
