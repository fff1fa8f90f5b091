import type { YearCourse, YearsCompared } from '@kibble/core';
import { addDays, format, parseISO } from 'date-fns';
import { useUnits } from '../../words/units.ts';
import { fullDate } from '../../words/words.ts';
import { axisLabelDates, line, scaleLinear, scaleTime } from '../../drawing/d3parts.ts';
import { ScaleLines } from '../../drawing/ScaleLines.tsx';
import { ticksIn } from '../../drawing/ticksIn.ts';
import { useWidth } from '../../drawing/useWidth.ts';

const USUAL_WIDTH = 640;
const HEIGHT = 220;
const LEFT = 44;
const RIGHT = 64;
const TOP = 12;
const BOTTOM = 26;
/** Names at the curves' ends are this far apart at least, px. */
const APART = 15;

const endOf = ({ points }: YearCourse): number => points.at(-1)?.lackMm ?? 0;

/** Where names stand so that none touches the next: each as near to its own place as those above it let it. */
function spread(places: number[]): number[] {
  let lowest = Number.NEGATIVE_INFINITY;
  return places.map((place) => (lowest = Math.max(place, lowest + APART)));
}

/** This season's lack of water among those on record. */
export function Years({ years }: { years: YearsCompared }) {
  const units = useUnits();
  const [frame, width] = useWidth<HTMLElement>(USUAL_WIDTH);
  const { from, now, before, stands } = years;
  const all = [...before, now];
  const since = format(parseISO(from), 'd MMMM');
  const last = now.points.at(-1);
  if (!last) return null;
  const start = parseISO(from);
  const x = scaleTime([start, addDays(start, Math.max(1, last.day))], [LEFT, width - RIGHT]);
  const lacks = all.flatMap(({ points }) => points.map(({ lackMm }) => lackMm));
  const y = scaleLinear([Math.min(0, ...lacks), Math.max(1, ...lacks)], [HEIGHT - BOTTOM, TOP]);
  const path = ({ points }: YearCourse): string =>
    line<YearCourse['points'][number]>()
      .x(({ day }) => x(addDays(start, day)))
      .y(({ lackMm }) => y(lackMm))(points) ?? '';
  const named = [...all].sort((a, b) => endOf(b) - endOf(a));
  const places = spread(named.map((course) => y(endOf(course))));
  return (
    <figure ref={frame}>
      <svg
        role="img"
        aria-label={`What each year lacked since ${since}: ${named.map((c) => `${c.year} ${units.text('depth', endOf(c))}`).join(', ')}`}
        width={width}
        height={HEIGHT}
        viewBox={`0 0 ${width} ${HEIGHT}`}
        className="block max-w-full"
        data-testid="years"
      >
        <ScaleLines ticks={ticksIn(y, units.of('depth'), 4)} left={LEFT} right={width - RIGHT} />
        {before.map((course) => (
          <path key={course.year} d={path(course)} fill="none" stroke="var(--quiet)" strokeWidth={1.25} />
        ))}
        <path d={path(now)} fill="none" stroke="var(--ink)" strokeWidth={3} />
        {named.map((course, i) => (
          <text
            key={course.year}
            x={width - RIGHT + 6}
            y={(places[i] ?? 0) + 4}
            fontSize={13}
            fontWeight={course === now ? 700 : 400}
            fill={course === now ? 'var(--ink)' : 'var(--quiet)'}
          >
            {course.year}
          </text>
        ))}
        {axisLabelDates(x, width < 500 ? 3 : 6).map((tick) => (
          <text key={tick.x} x={tick.x} y={HEIGHT - 8} textAnchor="middle" fontSize={12} fill="var(--quiet)">
            {tick.label}
          </text>
        ))}
      </svg>
      <figcaption className="text-sm text-quiet">
        {stands
          ? `Since ${since} sun and wind took ${units.text('depth', stands.lackMm)} more than rain brought: ${rankWords(stands)}; usual by this day are ${units.text('depth', stands.usualMm)}.`
          : `Since ${since} sun and wind took ${units.text('depth', endOf(now))} more than rain brought. With earlier years on record (bring in a file) this one stands among them; none reaches back to ${fullDate(format(addDays(start, -365), 'yyyy-MM-dd'))}.`}
      </figcaption>
    </figure>
  );
}

function rankWords({ drierThan, of }: NonNullable<YearsCompared['stands']>): string {
  if (of === 1)
    return drierThan === 1 ? 'drier than the one year on record' : 'wetter than the one year on record';
  if (drierThan === of) return `drier than all ${of} years on record`;
  if (drierThan === 0) return `wetter than all ${of} years on record`;
  return `drier than ${drierThan} of ${of} years on record`;
}
