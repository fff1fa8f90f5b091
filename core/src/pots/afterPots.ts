import type { IsoDate } from '../units/dates.ts';

interface Limits {
  minutesPerDay?: number | null;
  litresPerDay?: number | null;
  litresPerWeek?: number | null;
}

/** Something is left for the beds, however many pots there are. Judgement. */
const LEFT = 0.1;

/**
 * What the pots leave of a garden's limits for its beds: pots come first, for they cannot wait.
 * @param perDay minutes and litres of the pots on each day of the plan
 */
export function afterPots(
  limits: Limits,
  perDay: readonly { date: IsoDate; minutes: number; litres: number }[],
): { minutesPerDay?: number; litresPerDay?: number; litresPerWeek?: number } {
  const days = Math.max(1, new Set(perDay.map(({ date }) => date)).size);
  const minutes = perDay.reduce((sum, day) => sum + day.minutes, 0) / days;
  const litres = perDay.reduce((sum, day) => sum + day.litres, 0) / days;
  const left = (limit: number | null | undefined, taken: number): number | undefined =>
    limit === null || limit === undefined ? undefined : Math.max(LEFT * limit, limit - taken);
  return {
    minutesPerDay: left(limits.minutesPerDay, minutes),
    litresPerDay: left(limits.litresPerDay, litres),
    litresPerWeek: left(limits.litresPerWeek, 7 * litres),
  };
}
