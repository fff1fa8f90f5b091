import type { PlannedWatering } from '../follow/types.ts';
import { sinkingMm } from '../delivery/tooMuch.ts';
import { addDays } from '../units/dates.ts';

/** A stretch of days whose waterings are told as one. */
const DAYS = 7;

/** A week's waterings given as one: how many they are, mm where they fall, and what would sink below the roots, mm and litres. */
export interface Undivided {
  waterings: number;
  givenMm: number;
  sinksMm: number;
  sinksL: number;
}

/**
 * What would be lost if the waterings of seven days were given as one on the first of them: why light ground gets its water
 * in parts.
 * @param waterings of one bed, by date
 * @returns null where they are one only, or next to nothing would be lost
 * Source: arithmetic; what the root zone has no room for sinks below it, as `sinkingMm`.
 */
export function undivided(
  waterings: readonly Pick<PlannedWatering, 'date' | 'run' | 'reason'>[],
): Undivided | null {
  const [first] = waterings;
  if (!first) return null;
  const week = waterings.filter(({ date }) => date < addDays(first.date, DAYS));
  const givenMm = week.reduce((sum, { run }) => sum + run.localMm, 0);
  const litres = week.reduce((sum, { run }) => sum + run.litres, 0);
  const sinksMm = sinkingMm(givenMm, first.reason.depletionMm);
  return week.length > 1 && sinksMm > 0
    ? { waterings: week.length, givenMm, sinksMm, sinksL: (litres * sinksMm) / givenMm }
    : null;
}
