import { runPlan, type RunPlan } from './runPlan.ts';

/** Less than this is no watering, mm: where the limits leave less, so much is asked for and put off. Judgement. */
const LEAST_PART_MM = 0.01;
/** Tries at making a run short enough; each comes closer. */
const TRIES = 12;

/**
 * The run for a depth, or the part of it that one watering may be.
 * @param options as `runPlan`; `most` litres through the tap, minutes from first drop to last, and passes: what would
 *   need more than `upTo` of them is given in part, in `then`
 */
export function fittingRun(
  options: Parameters<typeof runPlan>[0],
  {
    litres = Number.POSITIVE_INFINITY,
    totalMinutes = Number.POSITIVE_INFINITY,
    passes,
  }: { litres?: number; totalMinutes?: number; passes?: { upTo: number; then: number } } = {},
): RunPlan {
  const of = (mm: number): RunPlan => runPlan({ ...options, localMm: Math.max(LEAST_PART_MM, mm) });
  let run = of(options.localMm);
  if (run.litres > litres) run = of((run.localMm * litres) / run.litres);
  const cycles = passes && run.cycles > passes.upTo ? passes.then : Number.POSITIVE_INFINITY;
  for (let i = 0; i < TRIES && (run.totalMinutes > totalMinutes || run.cycles > cycles); i += 1)
    run = of(run.localMm * Math.min(0.95, totalMinutes / run.totalMinutes, cycles / run.cycles));
  return run;
}
