import type { PlannedWatering, WaterReason } from '../follow/types.ts';

/** What is rightly watered every day: seed until it is up, plugs and the balls of young trees until they have rooted out. */
const DAILY: ReadonlySet<WaterReason['code']> = new Set(['seedbed', 'plug', 'ball', 'planting drench']);
/** From so many of the days on a bed is watered more than nearly all ground needs, share. Judgement; common practice: once or twice a week. */
const OFTEN = 0.8;

/** A bed that is watered on nearly every day of its plan, days and of how many; null where it is not, or is so for good reason. */
export function wateredOften(
  waterings: readonly Pick<PlannedWatering, 'date' | 'reason'>[],
  horizonDays: number,
): { days: number; of: number } | null {
  const days = new Set(waterings.filter(({ reason }) => !DAILY.has(reason.code)).map(({ date }) => date))
    .size;
  return days >= OFTEN * horizonDays ? { days, of: horizonDays } : null;
}
