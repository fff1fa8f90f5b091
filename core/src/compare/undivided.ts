import type { PlannedWatering } from '../follow/types.ts';
import { sinkingMm } from '../delivery/tooMuch.ts';
import { addDays } from '../units/dates.ts';
import { leaf, summed, worked, type Working } from '../working/types.ts';

/** A stretch of days whose waterings are told as one. */
const DAYS = 7;

/** A week's waterings given as one: how many they are, mm where they fall, and what would sink below the roots, mm and litres. */
export interface Undivided {
  waterings: number;
  givenMm: number;
  sinksMm: number;
  sinksL: number;
  /** Of what would sink. */
  because: Working;
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
  if (week.length < 2 || sinksMm <= 0) return null;
  const lacks = leaf('Gone from the root zone on the first day', first.reason.depletionMm, 'mm', {
    kind: 'worked out',
  });
  const given = summed(
    'A week’s waterings as one',
    'mm',
    week.map(({ run }, i) => ({ label: `Watering ${i + 1}`, value: run.localMm })),
  );
  return {
    waterings: week.length,
    givenMm,
    sinksMm,
    sinksL: (litres * sinksMm) / givenMm,
    because: worked(
      'Would sink below the roots',
      sinksMm,
      'mm',
      'what is given at once − what is gone from the root zone, which is all that it has room for',
      [given, lacks],
    ),
  };
}
