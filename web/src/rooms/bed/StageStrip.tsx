import type { BedPageView } from '@kibble/contract';
import type { StageName, StageStep } from '@kibble/core';
import { scaleTime } from 'd3';
import { parseISO } from 'date-fns';
import { useUnits, type Units } from '../../words/units.ts';
import { plainDate, stageWords } from '../../words/words.ts';
import { Term } from '../../ui/Term.tsx';
import { onBed, useEnter } from '../../ui/useEnter.ts';

const BAR = 26;

/** A planting's calendar: its stages to scale, what each changes, and a tap for what was seen begin today. */
export function StageStrip({
  strip,
  bedId,
  today,
  named,
}: {
  strip: BedPageView['strips'][number];
  bedId: number;
  today: string;
  /** Several stand on the bed: each strip says whose it is. */
  named: boolean;
}) {
  const units = useUnits();
  const { enterAndSay } = useEnter();
  const steps = strip.steps.filter((s) => s.stage !== 'past');
  const end = strip.steps.at(-1);
  const first = steps[0];
  if (!first || !end) return null;
  const x = scaleTime([parseISO(first.from), parseISO(end.from)], [0, 100]);
  const now = steps.findLast((s) => s.from <= today)?.stage;
  const saw = async (stage: StageName): Promise<void> => {
    await enterAndSay(
      [onBed(bedId, { kind: 'stage', plantingId: strip.plantingId, stage })],
      `${strip.cropName}: ${stageWords(stage)} from today; the rest of its calendar moves along.`,
    );
  };
  const until = (i: number): string => steps[i + 1]?.from ?? end.from;
  const marked = Math.min(100, Math.max(0, x(parseISO(today))));
  return (
    <section className="mb-4" aria-label={`Stages of ${strip.cropName}`}>
      {named ? <h3 className="text-lg">{strip.cropName}</h3> : null}
      <svg
        aria-hidden
        width="100%"
        height={BAR}
        preserveAspectRatio="none"
        viewBox={`0 0 100 ${BAR}`}
        className="block"
      >
        {steps.map((s, i) => {
          const from = x(parseISO(s.from));
          const w = Math.max(0, x(parseISO(until(i))) - from);
          const h = 4 + (BAR - 6) * Math.min(1, s.kcb / 1.2);
          const next = steps[i + 1];
          const h2 = 4 + (BAR - 6) * Math.min(1, (next ?? end).kcb / 1.2);
          return (
            <path
              key={s.stage}
              d={`M${from} ${BAR}V${BAR - h}L${from + w} ${BAR - h2}V${BAR}z`}
              fill="var(--leaf)"
              opacity={s.stage === now ? 0.85 : 0.35}
            />
          );
        })}
        <line
          x1={marked}
          x2={marked}
          y1={0}
          y2={BAR}
          stroke="var(--ink)"
          strokeWidth={2}
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      <ol
        className="grid border-t border-ink text-sm"
        style={{ gridTemplateColumns: `repeat(${steps.length}, minmax(0, 1fr))` }}
      >
        {steps.map((s, i) => (
          <li key={s.stage} className="pt-1 pr-2">
            <span className={s.stage === now ? 'font-bold' : ''}>
              {s.stage === 'establishing' ? (
                <Term of="settling in">{stageWords(s.stage)}</Term>
              ) : (
                stageWords(s.stage)
              )}
            </span>
            <br />
            <span className={s.by === 'seen' ? '' : 'assumed'}>{plainDate(s.from, today)}</span>
            {s.by === 'seen' ? ', seen' : ''}
            <br />
            <span className="text-quiet">
              drinks {drinks(s, steps[i + 1] ?? end)} of what grass takes
              {strip.useMm[i] ? `, ${aDay(strip.useMm[i], units)} a day` : ''}, roots{' '}
              {units.text('depth', Math.round(s.rootDepthMm / 10) * 10)}
            </span>
            {canSee(s, now, today) ? (
              <>
                <br />
                <button
                  type="button"
                  className="min-h-9 font-semibold underline underline-offset-4"
                  onClick={() => void saw(s.stage).catch(() => undefined)}
                >
                  I saw it today
                </button>
              </>
            ) : null}
          </li>
        ))}
      </ol>
    </section>
  );
}

/** A day's drink, finer than whole millimetres. */
const aDay = (mm: number, units: Units): string =>
  units.system === 'us' ? units.text('depth', mm) : `${mm.toFixed(1)}\u00a0mm`;

/** Share of short grass's use over a stage: a range where it climbs or falls. */
function drinks(from: StageStep, to: StageStep): string {
  const [a, b] = [Math.round(from.kcb * 100), Math.round(to.kcb * 100)];
  return Math.abs(a - b) < 5 ? `${a} %` : `${a} to ${b} %`;
}

/** The stage after the present one can be seen to begin early; the present one can be put right. */
function canSee(step: StageStep, now: StageName | undefined, today: string): boolean {
  if (step.stage === 'establishing') return false;
  return step.from !== today && (step.stage === now || step.from > today);
}
