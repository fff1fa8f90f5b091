import type { ChartDay } from '@kibble/contract';
import { area, axisLabelDates, line, max, scaleLinear, scaleTime, curveMonotoneX } from './d3parts.ts';
import { useMemo, useState } from 'react';
import { ticksIn } from './ticksIn.ts';
import { useWidth } from './useWidth.ts';
import { useUnits } from '../words/units.ts';
import { dayMonth } from '../words/words.ts';
import { parseISO } from 'date-fns';

const USUAL_WIDTH = 760;
const HEIGHT = 290;
/** Narrower than this the past is cut short. */
const NARROW = 500;
const LEFT = 48;
const RIGHT = 76;
const TOP = 46;
const BOTTOM = 26;
/** Days of the past shown; the rest is in the table of the season. */
const PAST_DAYS = 35;
const PAST_DAYS_NARROW = 12;
/** Days ahead shown: as far as a forecast says anything. */
const AHEAD_DAYS = 10;

/** Root-zone depletion, past and ahead: full at the top, the watering line under it, water coming in from above. */
export function DepletionChart({
  days,
  today,
  fan = [],
}: {
  days: ChartDay[];
  today: string;
  /** Where eight of ten ways of the weather lie, day by day ahead. */
  fan?: { date: string; lowMm: number; highMm: number }[];
}) {
  const units = useUnits();
  const [at, setAt] = useState<number | null>(null);
  const [frame, width] = useWidth<HTMLElement>(USUAL_WIDTH);
  const pastDays = width < NARROW ? PAST_DAYS_NARROW : PAST_DAYS;
  const shown = useMemo(() => {
    const index = Math.max(
      0,
      days.findIndex((d) => d.date === today),
    );
    return days.slice(Math.max(0, index - pastDays), index + AHEAD_DAYS);
  }, [days, today, pastDays]);
  if (shown.length < 2) return <p className="text-quiet">The chart begins on the second day.</p>;

  const dates = shown.map((d) => parseISO(d.date));
  const x = scaleTime([dates[0] as Date, dates[dates.length - 1] as Date], [LEFT, width - RIGHT]);
  const last = shown[shown.length - 1] as ChartDay;
  const fanShown = fan.filter((f) => f.date <= last.date);
  const deepest =
    Math.max(
      max(shown, (d) => Math.max(d.depletionMm, d.readilyMm)) ?? 10,
      max(fanShown, (f) => f.highMm) ?? 0,
    ) * 1.18;
  const y = scaleLinear([0, deepest], [TOP, HEIGHT - BOTTOM]);
  const px = (d: ChartDay): number => x(parseISO(d.date));
  const past = shown.filter((d) => d.date <= today);
  const ahead = shown.filter((d) => d.date >= today);
  const curve = line<ChartDay>()
    .x(px)
    .y((d) => y(d.depletionMm))
    .curve(curveMonotoneX);
  const refill = line<ChartDay>()
    .x(px)
    .y((d) => y(d.readilyMm))
    .curve(curveMonotoneX);
  const held = area<ChartDay>()
    .x(px)
    .y0((d) => y(d.depletionMm))
    .y1(HEIGHT - BOTTOM)
    .curve(curveMonotoneX);
  const most = max(shown, (d) => Math.max(d.rainMm, d.irrigationMm)) ?? 1;
  const drop = scaleLinear([0, Math.max(10, most)], [0, TOP - 16]);
  const now = x(parseISO(today));
  const point = at === null ? null : shown[at];
  const barWidth = Math.max(3, (width - LEFT - RIGHT) / shown.length / 2.6);
  const ticks = axisLabelDates(x, width < NARROW ? 4 : 7).filter((tick) => tick.x > LEFT + 24);

  const move = (index: number): void => setAt(Math.min(shown.length - 1, Math.max(0, index)));
  return (
    <figure
      ref={frame}
      tabIndex={0}
      aria-label="Chart of water gone from round the roots; left and right arrows move through the days"
      onKeyDown={(e) => {
        if (e.key === 'ArrowLeft') move((at ?? past.length) - 1);
        if (e.key === 'ArrowRight') move((at ?? past.length - 2) + 1);
      }}
      onMouseLeave={() => setAt(null)}
    >
      <svg
        viewBox={`0 0 ${width} ${HEIGHT}`}
        className="w-full"
        onMouseMove={(e) => {
          const box = e.currentTarget.getBoundingClientRect();
          const day = x.invert(((e.clientX - box.left) / box.width) * width).getTime();
          move(Math.round((day - (dates[0] as Date).getTime()) / 86_400_000));
        }}
      >
        {fanShown.length > 1 ? (
          <path
            data-part="fan"
            fill="var(--water)"
            opacity={0.2}
            d={
              area<(typeof fanShown)[number]>()
                .x((f) => x(parseISO(f.date)))
                .y0((f) => y(f.lowMm))
                .y1((f) => y(f.highMm))
                .curve(curveMonotoneX)(fanShown) ?? ''
            }
          />
        ) : null}
        <path d={held(shown) ?? ''} fill="var(--water)" opacity={0.14} />
        {ticksIn(y, units.of('depth'), 4).map(({ at, label }) => (
          <g key={label}>
            <line x1={LEFT} x2={width - RIGHT} y1={at} y2={at} stroke="var(--rule)" strokeWidth={0.7} />
            <text x={LEFT - 7} y={at + 4} fontSize={13} textAnchor="end" fill="var(--quiet)">
              {label === '0' ? 'full' : label}
            </text>
          </g>
        ))}
        <text x={LEFT - 7} y={HEIGHT - 8} fontSize={12} textAnchor="end" fill="var(--quiet)">
          {units.of('depth').unit}
        </text>
        {shown.map((d) => (
          <g key={d.date}>
            {d.rainMm > 0.2 ? (
              <rect
                x={px(d) - barWidth}
                width={barWidth}
                y={TOP - drop(d.rainMm)}
                height={drop(d.rainMm)}
                fill={d.ahead ? 'var(--rain)' : 'var(--water)'}
                data-rain-mm={d.rainMm}
              />
            ) : null}
            {d.irrigationMm > 0.2 ? (
              <path
                d={`M${px(d)} ${TOP - drop(d.irrigationMm)}h${barWidth}V${TOP}h${-barWidth}z`}
                fill={d.ahead ? 'none' : 'var(--paper)'}
                stroke="var(--water)"
                strokeWidth={1.6}
                strokeDasharray={d.ahead ? '3 2' : undefined}
                data-watering-mm={d.irrigationMm}
              />
            ) : null}
          </g>
        ))}
        <path
          d={refill(shown) ?? ''}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={1.4}
          strokeDasharray="7 4"
        />
        <text y={y(last.readilyMm) + 4} fontSize={14} fill="var(--ink)">
          <tspan x={width - RIGHT + 8}>watering</tspan>
          <tspan x={width - RIGHT + 8} dy="1.1em">
            line
          </tspan>
        </text>
        <path d={curve(past) ?? ''} fill="none" stroke="var(--water)" strokeWidth={2.6} />
        <path
          d={curve(ahead) ?? ''}
          fill="none"
          stroke="var(--water)"
          strokeWidth={2.2}
          strokeDasharray="2 4"
          strokeLinecap="round"
        />
        <line x1={now} x2={now} y1={6} y2={HEIGHT - BOTTOM} stroke="var(--ink)" strokeWidth={1.4} />
        <text x={now + 5} y={15} fontSize={13} fontWeight={700} fill="var(--ink)">
          today
        </text>
        {ticks.map((tick) => (
          <text
            key={tick.label}
            x={tick.x}
            y={HEIGHT - 8}
            fontSize={13}
            textAnchor="middle"
            fill="var(--quiet)"
          >
            {tick.label}
          </text>
        ))}
        {point ? (
          <circle
            cx={px(point)}
            cy={y(point.depletionMm)}
            r={5}
            fill="var(--water)"
            stroke="var(--paper)"
            strokeWidth={2}
          />
        ) : null}
      </svg>
      <figcaption className="min-h-12 text-sm text-quiet" aria-live="polite">
        {point
          ? `${dayMonth(point.date)}${point.ahead ? ' (ahead)' : ''}: ${units.text('depth', point.depletionMm)} gone of ${units.text('depth', point.readilyMm)} within easy reach; plants drank ${units.text('depth', point.transpirationMm)}, bare soil lost ${units.text('depth', point.evaporationMm)}${point.rainMm > 0.05 ? `, rain ${units.text('depth', point.rainMm)}` : ''}${point.irrigationMm > 0.05 ? `, watering ${units.text('depth', point.irrigationMm)}` : ''}.`
          : 'The line sinks as water goes. From the top: blue bars are rain, open bars waterings; after today both are what is expected, with the plan followed; the band is where eight of ten ways of the weather lie.'}
      </figcaption>
    </figure>
  );
}
