import { positive, within } from '../units/guard.ts';
import { wetFrontDepth, type WetFrontLayer } from '../soil/wetFrontDepth.ts';

export type HabitVerdict = 'only the top' | 'reaches the roots' | 'past the roots';

/** Wetting less than this share of the roots leaves most of them dry; more than that goes past them. Judgement. */
const SHALLOW_SHARE = 0.5;
const PAST_SHARE = 1.2;

/**
 * What a habit really gives: depth on the ground, how deep it wets, and whether that is where the roots are.
 * @param options minutes it runs, measured rate mm/h, share reaching the soil 0–1, the ground as it is, depth of the roots mm
 * Source: arithmetic; wetted depth as `wetFrontDepth`; the limits of the verdict are judgements.
 */
export function todaysHabit(options: {
  minutes: number;
  rateMmPerHour: number;
  efficiency?: number;
  profile: readonly WetFrontLayer[];
  rootDepthMm?: number;
}): { appliedMm: number; wettedMm: number; verdict: HabitVerdict | null } {
  const minutes = positive('minutes', options.minutes, 10_080, 'min');
  const rate = positive('rateMmPerHour', options.rateMmPerHour, 2000, 'mm/h');
  const appliedMm = (minutes / 60) * rate * within('efficiency', options.efficiency ?? 1, 0.05, 1);
  const wettedMm = wetFrontDepth({ appliedMm, profile: options.profile });
  const roots = options.rootDepthMm;
  const verdict =
    roots === undefined
      ? null
      : wettedMm < SHALLOW_SHARE * roots
        ? 'only the top'
        : wettedMm > PAST_SHARE * roots
          ? 'past the roots'
          : 'reaches the roots';
  return { appliedMm, wettedMm, verdict };
}
