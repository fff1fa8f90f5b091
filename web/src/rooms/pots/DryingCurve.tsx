import type { PotPageView } from '@kibble/contract';
import { parseISO } from 'date-fns';
import { useUnits } from '../../words/units.ts';
import { doseText, shortDose } from '../../words/potWords.ts';
import { dayMonth } from '../../words/words.ts';
import { area, axisLabelDates, line, scaleLinear, scaleTime } from '../../drawing/d3parts.ts';
import { useWidth } from '../../drawing/useWidth.ts';

const HEIGHT = 250;
const LEFT = 66;
const RIGHT = 62;
const TOP = 46;
const BOTTOM = 26;
const PAST_DAYS = 21;

/** What a pot could give, evening by evening: down as it dries, up as it is watered; and ahead, if its plan is followed. */
export function DryingCurve({ page, today }: { page: PotPageView; today: string }) {
  const units = useUnits();
  const [frame, width] = useWidth<HTMLElement>(680);
  const { pot } = page;
  const past = page.days.filter(({ ahead }) => !ahead).slice(-PAST_DAYS);
  const ahead = page.days.filter((day) => day.ahead);
  const days = [...past, ...ahead];
  if (days.length < 2) return <p className="text-quiet">The curve begins on the second day.</p>;
  const dates = days.map(({ date }) => parseISO(date));
  const x = scaleTime([dates[0] as Date, dates.at(-1) as Date], [LEFT, width - RIGHT]);
  const y = scaleLinear([0, pot.holdsMl * 1.04], [HEIGHT - BOTTOM, TOP]);
  const px = ({ date }: { date: string }): number => x(parseISO(date));
  const held = line<(typeof days)[number]>()
    .x(px)
    .y((d) => y(d.heldMl));
  const under = area<(typeof days)[number]>()
    .x(px)
    .y0(HEIGHT - BOTTOM)
    .y1((d) => y(d.heldMl));
  const most = Math.max(1, ...days.map(({ givenMl }) => givenMl));
  const drop = scaleLinear([0, most], [0, TOP - 26]);
  const now = x(parseISO(today));
  return (
    <figure ref={frame} aria-label={`What ${pot.name} could give, evening by evening`}>
      <svg viewBox={`0 0 ${width} ${HEIGHT}`} className="w-full" data-testid="drying-curve">
        {[0, pot.holdsMl / 2, pot.holdsMl].map((ml) => (
          <g key={ml}>
            <path d={`M${LEFT} ${y(ml)}H${width - RIGHT}`} stroke="var(--rule)" />
            <text x={LEFT - 6} y={y(ml) + 4} fontSize={13} textAnchor="end" fill="var(--quiet)">
              {ml === 0 ? 'empty' : shortDose(ml, units)}
            </text>
          </g>
        ))}
        <path d={under(days) ?? ''} fill="var(--water)" opacity={0.14} />
        <path d={held(past) ?? ''} fill="none" stroke="var(--water)" strokeWidth={2.5} />
        <path
          d={held([...past.slice(-1), ...ahead]) ?? ''}
          fill="none"
          stroke="var(--water)"
          strokeWidth={2}
          strokeDasharray="5 4"
        />
        <path d={`M${LEFT} ${y(pot.lineMl)}H${width - RIGHT}`} stroke="var(--ink)" strokeWidth={1.4} />
        <text fontSize={13} fill="var(--ink)">
          <tspan x={width - RIGHT + 5} y={y(pot.lineMl) - 1}>
            watering
          </tspan>
          <tspan x={width - RIGHT + 5} y={y(pot.lineMl) + 14}>
            line
          </tspan>
        </text>
        {days.map((day) =>
          day.givenMl > 0 ? (
            <rect
              key={day.date}
              x={px(day) - 3}
              width={6}
              y={TOP - 6 - drop(day.givenMl)}
              height={drop(day.givenMl)}
              fill={day.ahead ? 'none' : 'var(--water)'}
              stroke="var(--water)"
              strokeDasharray={day.ahead ? '3 2' : undefined}
            />
          ) : null,
        )}
        <path d={`M${now} ${TOP - 8}V${HEIGHT - BOTTOM}`} stroke="var(--ink)" strokeDasharray="2 3" />
        <text x={now + 5} y={12} fontSize={13} fill="var(--ink)">
          today
        </text>
        {axisLabelDates(x, width < 500 ? 4 : 7).map((tick) => (
          <text key={tick.x} x={tick.x} y={HEIGHT - 8} fontSize={13} textAnchor="middle" fill="var(--quiet)">
            {tick.label}
          </text>
        ))}
      </svg>
      <figcaption className="sr-only">
        {days.map((day) => `${dayMonth(day.date)}: ${doseText(day.heldMl, units)}`).join('; ')}
      </figcaption>
    </figure>
  );
}
