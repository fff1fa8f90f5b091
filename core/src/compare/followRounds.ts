import { chooseSet } from '../rounds/chooseSet.ts';
import { weekdaySets } from '../rounds/weekdaySets.ts';
import { daysBetween, type IsoDate } from '../units/dates.ts';
import { atLeast, within } from '../units/guard.ts';
import { weekdayOf } from '../units/weekdays.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import type { Site } from '../weather/types.ts';
import type { Followed } from '../follow/follow.ts';
import type { PlanBed, PlannedWatering } from '../follow/types.ts';
import { followBed } from './followBed.ts';

/** The weekday that all sets hold here, Sunday 0. */
const ANCHOR = 2;
const EVERY_DAY = [0, 1, 2, 3, 4, 5, 6];

/** A season of one bed as it is asked on round days: how often a week, its waterings, and growth lost and allowed, shares. */
export interface Rounds {
  perWeek: number;
  waterings: PlannedWatering[];
  lostShare: number;
  allowedShare: number;
}

/**
 * What a gardener would have done on one bed who went round as often as a garden's plan proposes: the sparsest days that keep to the
 * bed's goal over a stretch of known weather.
 * @param options site, the bed (its `irrigations` count as given), known weather covering the days, and the last day
 * @param perWeek goes round so often instead
 * @throws RangeError when the weather does not cover the days or the bed is impossible
 * Source: as `planGarden`.
 */
export function followRounds(
  { site, bed, weather, to }: { site: Site; bed: PlanBed; weather: readonly SourcedDay[]; to: IsoDate },
  perWeek?: number,
): Rounds {
  atLeast('weather', weather, 1);
  const days = weather.filter((day) => day.date <= to);
  const horizonDays = within('days', daysBetween(bed.startOn, to) + 1, 1, 2000, 'days');
  const sets = weekdaySets(EVERY_DAY, ANCHOR);
  const known = new Map<number, Followed>();
  const on = (i: number): Followed => {
    const set = new Set(sets[i]);
    const made =
      known.get(i) ??
      followBed(
        { ...bed, asked: days.map(({ date }) => date).filter((date) => set.has(weekdayOf(date))) },
        days,
        site,
        {
          today: bed.startOn,
          horizonDays,
        },
      );
    known.set(i, made);
    return made;
  };
  const counts = sets.map((set) => set.length);
  const { allowedShare } = on(0).outlook;
  const chosen =
    perWeek === undefined
      ? chooseSet(counts, allowedShare, (i) => on(i).outlook.lostShare)
      : Math.max(0, counts.indexOf(perWeek));
  const { waterings, outlook } = on(chosen);
  return { perWeek: counts[chosen] ?? 0, waterings, lostShare: outlook.lostShare, allowedShare };
}
