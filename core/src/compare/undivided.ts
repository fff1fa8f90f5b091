import type { PlannedWatering } from '../follow/types.ts';
import { sinkingMm } from '../delivery/tooMuch.ts';
import { addDays } from '../units/dates.ts';
import { leaf, summed, worked, type Working } from '../working/types.ts';

/** A stretch of days whose waterings are told as one. */
const DAYS = 7;

/** A week's waterings given as one: how many they are, mm where they fall, what the root zone holds, and what would sink below it, mm and litres. */
export interface Undivided {
  waterings: number;
  holdsMm: number;
  givenMm: number;
  sinksMm: number;
  sinksL: number;
  /** Of what would sink. */
  because: Working;
}

/**
 * What would be lost if the waterings of seven days were given as one, however dry the ground had become before: why light
 * ground gets its water in parts.
 * @param waterings of one bed, by date
 * @returns null where they are one only, or next to nothing would be lost
 * Source: arithmetic; what is more than the root zone can hold sinks below it, as `sinkingMm`.
 */
export function undivided(
  waterings: readonly Pick<PlannedWatering, 'date' | 'run' | 'reason'>[],
): Undivided | null {
  const [first] = waterings;
  if (!first) return null;
  const week = waterings.filter(({ date }) => date < addDays(first.date, DAYS));
  const givenMm = week.reduce((sum, { run }) => sum + run.localMm, 0);
  const litres = week.reduce((sum, { run }) => sum + run.litres, 0);
  const holdsMm = first.reason.totalMm;
  const sinksMm = sinkingMm(givenMm, holdsMm);
  if (week.length < 2 || sinksMm <= 0) return null;
  const holds = leaf('The root zone can hold', holdsMm, 'mm', { kind: 'worked out' });
  const given = summed(
    'A week’s waterings as one',
    'mm',
    week.map(({ run }, i) => ({ label: `Watering ${i + 1}`, value: run.localMm })),
  );
  return {
    waterings: week.length,
    holdsMm,
    givenMm,
    sinksMm,
    sinksL: (litres * sinksMm) / givenMm,
    because: worked(
      'Would sink below the roots',
      sinksMm,
      'mm',
      'what is given at once − what the root zone can hold',
      [given, holds],
    ),
  };
}
