import type { ChartDay } from '@kibble/contract';
import { groups, max, scaleLinear, sum } from '../../drawing/d3parts.ts';
import { startOfISOWeek, parseISO } from 'date-fns';
import { useUnits } from '../../words/units.ts';
import { plainDate } from '../../words/words.ts';

const SHOWN = 8;
const HEIGHT = 120;
const ROW = 46;

/** Ways the water went, each with its own fill, so that it is not told by colour alone. */
const WAYS = [
  ['transpirationMm', 'drunk by plants', 'var(--leaf)'],
  ['evaporationMm', 'from bare soil', 'var(--soil-mark)'],
  ['lostBelowRootsMm', 'past the roots', 'var(--water)'],
  ['runoffMm', 'ran off', 'var(--brick)'],
] as const;

/** Where the water went, week by week. */
export function Weeks({ days, today }: { days: ChartDay[]; today: string }) {
  const units = useUnits();
  const past = days.filter((d) => !d.ahead);
  const weeks = groups(past, (d) => startOfISOWeek(parseISO(d.date)).getTime())
    .map(([, list]) => ({
      from: list[0]?.date ?? today,
      parts: WAYS.map(([key]) => sum(list, (d) => d[key])),
    }))
    .slice(-SHOWN);
  if (weeks.length === 0) return null;
  const most = max(weeks, (w) => sum(w.parts)) ?? 1;
  const y = scaleLinear([0, Math.max(1, most)], [0, HEIGHT - 30]);
  return (
    <figure>
      <svg
        role="img"
        aria-label="Water used and lost in each of the last weeks"
        viewBox={`0 0 ${weeks.length * ROW} ${HEIGHT}`}
        className="w-full max-w-md"
      >
        {weeks.map((week, i) => {
          let base = HEIGHT - 16;
          return (
            <g key={week.from} transform={`translate(${i * ROW} 0)`}>
              <text
                x={14}
                y={base - y(sum(week.parts)) - 3}
                fontSize={10}
                textAnchor="middle"
                fill="var(--ink)"
              >
                {units.number('depth', sum(week.parts))}
              </text>
              {week.parts.map((mm, k) => {
                base -= y(mm);
                return (
                  <rect
                    key={WAYS[k]?.[0]}
                    x={2}
                    width={24}
                    y={base}
                    height={y(mm)}
                    fill={WAYS[k]?.[2]}
                    opacity={0.85}
                  />
                );
              })}
              <text x={14} y={HEIGHT - 3} fontSize={10} textAnchor="middle" fill="var(--quiet)">
                {plainDate(week.from, today)}
              </text>
            </g>
          );
        })}
      </svg>
      <figcaption className="flex flex-wrap gap-x-4 text-sm">
        <span className="text-quiet">{units.of('depth').unit} a week:</span>
        {WAYS.map(([key, words, fill]) => (
          <span key={key}>
            <svg aria-hidden width={11} height={11} className="inline-block align-[-1px]">
              <rect width={11} height={11} fill={fill} opacity={0.85} />
            </svg>{' '}
            {words}
          </span>
        ))}
      </figcaption>
    </figure>
  );
}
