import type { WeatherView } from '@kibble/contract';
import { ALERT_LIMITS, type Band } from '@kibble/core';
import { useUnits, type Units } from '../../words/units.ts';
import { dayMonth, shortDay } from '../../words/words.ts';
import { area, curveMonotoneX, line, scaleLinear } from '../../drawing/d3parts.ts';
import { ScaleLines } from '../../drawing/ScaleLines.tsx';
import { ticksIn } from '../../drawing/ticksIn.ts';
import { useWidth } from '../../drawing/useWidth.ts';

const USUAL_WIDTH = 640;
const LEFT = 44;
const RIGHT = 84;
/** Tops and bottoms of the three strips that share the days, px: temperature, chance of rain, what is lacking. */
const WARM = [22, 122] as const;
const WET = [150, 190] as const;
const LACK = [220, 300] as const;
const DAYS_AT = 320;
const HEIGHT = 328;
/** Days whose chance is written over its bar need this much room, px. */
const ROOM_FOR_NUMBER = 26;
/** Room a day's name needs, px. */
const ROOM_FOR_NAME = 46;

type Day = WeatherView['fan'][number];
const isTold = ({ source }: Day): boolean =>
  source === 'forecast' || source === 'said' || source === 'record';

/** What is lacking, or left over, in eight of ten ways. */
function lackWords([low, , high]: Band, units: Units): string {
  const between = (a: number, b: number): string =>
    `${units.number('depth', a)} to ${units.text('depth', b)}`;
  if (low >= 0) return `sun and wind take ${between(low, high)} more than rain brings`;
  if (high <= 0) return `rain brings ${between(-high, -low)} more than sun and wind take`;
  return `anything between ${units.text('depth', -low)} of rain left over and ${units.text('depth', high)} lacking`;
}

/** The fortnight as the ways the weather may go have it: half of them on one side of the line, eight in ten within the band. */
export function Fan({ days }: { days: Day[] }) {
  const units = useUnits();
  const [frame, width] = useWidth<HTMLElement>(USUAL_WIDTH);
  const last = days.at(-1);
  const first = days[0];
  if (!last || !first) return null;
  const step = (width - LEFT - RIGHT) / days.length;
  const x = (i: number): number => LEFT + (i + 0.5) * step;
  const scale = (bands: Band[], [top, bottom]: readonly [number, number], with_: number[] = []) => {
    const all = [...bands.flat(), ...with_];
    return scaleLinear([Math.min(...all), Math.max(...all)], [bottom, top]);
  };
  const warm = scale(
    days.flatMap((d) => [d.lowC, d.highC]),
    WARM,
  );
  const lack = scale(
    days.map((d) => d.lackMm),
    LACK,
    [0],
  );
  const band = (of: (day: Day) => Band, y: (value: number) => number): string =>
    area<Day>()
      .x((_, i) => x(i))
      .y0((d) => y(of(d)[0]))
      .y1((d) => y(of(d)[2]))
      .curve(curveMonotoneX)(days) ?? '';
  const middle = (of: (day: Day) => Band, y: (value: number) => number): string =>
    line<Day>()
      .x((_, i) => x(i))
      .y((d) => y(of(d)[1]))
      .curve(curveMonotoneX)(days) ?? '';
  const [warmLow, warmHigh] = warm.domain() as [number, number];
  const limits = (
    [
      [ALERT_LIMITS.hotC, 'heat'],
      [0, 'frost'],
    ] as const
  ).filter(([c]) => c > warmLow && c < warmHigh);
  const every = Math.max(1, Math.ceil(ROOM_FOR_NAME / step));
  const told = days.findIndex((day) => !isTold(day));
  const strips = [
    { y: WARM[0], words: `Highest and lowest, ${units.of('temperature').unit}` },
    { y: WET[0], words: 'Chance of rain, %' },
    { y: LACK[0], words: `Use less rain, added up, ${units.of('depth').unit}` },
  ];
  return (
    <figure ref={frame}>
      <svg
        role="img"
        aria-label={`By ${dayMonth(last.date)} ${lackWords(last.lackMm, units)}, eight times in ten. ${days
          .filter((day) => day.wetChance >= 0.3)
          .map((day) => `Rain ${Math.round(day.wetChance * 100)} % on ${dayMonth(day.date)}.`)
          .join(' ')}`}
        width={width}
        height={HEIGHT}
        viewBox={`0 0 ${width} ${HEIGHT}`}
        className="block max-w-full"
        data-testid="fan"
      >
        {strips.map(({ y, words }) => (
          <text key={words} x={LEFT} y={y - 8} fontSize={12} fill="var(--quiet)">
            {words}
          </text>
        ))}
        <ScaleLines ticks={ticksIn(warm, units.of('temperature'), 4)} left={LEFT} right={width - RIGHT} />
        <ScaleLines ticks={ticksIn(lack, units.of('depth'), 3)} left={LEFT} right={width - RIGHT} />
        {told > 0 ? (
          <>
            <line
              x1={LEFT + told * step}
              x2={LEFT + told * step}
              y1={WARM[0]}
              y2={LACK[1]}
              stroke="var(--ink)"
              strokeDasharray="2 4"
            />
            <text x={LEFT + told * step + 4} y={WARM[0] + 10} fontSize={12} fill="var(--quiet)">
              by the season
            </text>
          </>
        ) : null}
        <path d={band((d) => d.highC, warm)} fill="var(--ink)" opacity={0.16} />
        <path d={band((d) => d.lowC, warm)} fill="var(--ink)" opacity={0.1} />
        <path d={middle((d) => d.highC, warm)} fill="none" stroke="var(--ink)" strokeWidth={2} />
        <path
          d={middle((d) => d.lowC, warm)}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={1.5}
          strokeDasharray="5 3"
        />
        {limits.map(([c, words]) => (
          <g key={words}>
            <line
              x1={LEFT}
              x2={width - RIGHT}
              y1={warm(c)}
              y2={warm(c)}
              stroke="var(--brick)"
              strokeWidth={1.5}
            />
            <text x={width - RIGHT + 6} y={warm(c) + 4} fontSize={12} fill="var(--brick)">
              {words}, {units.text('temperature', c)}
            </text>
          </g>
        ))}
        <line x1={LEFT} x2={width - RIGHT} y1={WET[1]} y2={WET[1]} stroke="var(--rule)" />
        {days.map((day, i) => {
          const high = (WET[1] - WET[0] - 12) * day.wetChance;
          return (
            <g key={day.date}>
              <rect
                x={x(i) - step * 0.35}
                width={step * 0.7}
                y={WET[1] - high}
                height={high}
                fill="var(--water)"
              />
              {step >= ROOM_FOR_NUMBER && day.wetChance >= 0.05 ? (
                <text x={x(i)} y={WET[1] - high - 3} textAnchor="middle" fontSize={12} fill="var(--ink)">
                  {Math.round(day.wetChance * 100)}
                </text>
              ) : null}
            </g>
          );
        })}
        <path d={band((d) => d.lackMm, lack)} fill="var(--soil-mark)" opacity={0.3} />
        <path d={middle((d) => d.lackMm, lack)} fill="none" stroke="var(--soil-mark)" strokeWidth={2} />
        <text x={width - RIGHT + 6} y={lack(last.lackMm[1]) + 4} fontSize={13} fill="var(--ink)">
          {units.text('depth', last.lackMm[1])}
        </text>
        {days.map((day, i) =>
          i % every === 0 ? (
            <text key={day.date} x={x(i)} y={DAYS_AT} textAnchor="middle" fontSize={12} fill="var(--quiet)">
              {shortDay(day.date)}
            </text>
          ) : null,
        )}
      </svg>
      <figcaption className="text-sm text-quiet">
        Lines: as likely more as less. Bands: eight times in ten within. By {dayMonth(last.date)}{' '}
        {lackWords(last.lackMm, units)}.
      </figcaption>
    </figure>
  );
}
