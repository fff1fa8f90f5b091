import { runPlan, type RunPlan } from './runPlan.ts';

/** Less than this is no watering, mm: where the limits leave less, so much is asked for and put off. Judgement. */
const LEAST_PART_MM = 0.01;
/** Tries at making a run short enough; each comes closer. */
const TRIES = 12;

/**
 * The run for a depth, or the part of it that one watering may be.
 * @param options as `runPlan`; `most` litres through the tap and minutes from first drop to last
 */
export function fittingRun(
  options: Parameters<typeof runPlan>[0],
  { litres = Number.POSITIVE_INFINITY, totalMinutes = Number.POSITIVE_INFINITY } = {},
): RunPlan {
  const of = (mm: number): RunPlan => runPlan({ ...options, localMm: Math.max(LEAST_PART_MM, mm) });
  let run = of(options.localMm);
  if (run.litres > litres) run = of((run.localMm * litres) / run.litres);
  for (let i = 0; i < TRIES && run.totalMinutes > totalMinutes; i += 1)
    run = of(run.localMm * Math.min(0.95, totalMinutes / run.totalMinutes));
  return run;
}
