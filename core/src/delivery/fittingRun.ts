import { runPlan, type RunPlan } from './runPlan.ts';

/**
 * Turns that a person gives a bed on a round where nobody set another number: what would need more is given in part, and the rest on
 * another round. Common practice: two or three.
 */
export const PASSES = 5;

/** Less than this is no watering, mm: where the limits leave less, so much is asked for and put off. Judgement. */
const LEAST_PART_MM = 0.01;
/** Tries at making a run short enough, and how near to the most that fits is near enough, mm. */
const TRIES = 12;
const NEAR_MM = 0.1;

/**
 * The run for a depth, or the part of it that one watering may be.
 * @param options as `runPlan`; `most` litres through the tap, minutes from first drop to last, and passes
 */
export function fittingRun(
  options: Parameters<typeof runPlan>[0],
  {
    litres = Number.POSITIVE_INFINITY,
    totalMinutes = Number.POSITIVE_INFINITY,
    passes,
  }: { litres?: number; totalMinutes?: number; passes?: number } = {},
): RunPlan {
  const of = (mm: number): RunPlan => runPlan({ ...options, localMm: Math.max(LEAST_PART_MM, mm) });
  const fits = (run: RunPlan): boolean =>
    run.totalMinutes <= totalMinutes && (passes === undefined || run.cycles <= passes);
  const whole = of(options.localMm);
  const most = whole.litres > litres ? of((whole.localMm * litres) / whole.litres) : whole;
  if (fits(most)) return most;
  // The most that fits, by halving; of what is asked for there is always a part so small that it does.
  let fitting = of(LEAST_PART_MM);
  let over = most.localMm;
  for (let i = 0; i < TRIES && over - fitting.localMm > NEAR_MM; i += 1) {
    const tried = of((fitting.localMm + over) / 2);
    if (fits(tried)) fitting = tried;
    else over = tried.localMm;
  }
  return fitting;
}
