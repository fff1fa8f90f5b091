import { daysBetween, type IsoDate } from '../units/dates.ts';
import { atLeast, within } from '../units/guard.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import type { Site } from '../weather/types.ts';
import { followBed } from './followBed.ts';
import type { PlanBed, PlannedWatering } from '../follow/types.ts';

/**
 * What a gardener who followed the plan every day would have done on one bed over a stretch of known weather.
 * @param options site, the bed (its `irrigations` count as given), known weather covering the days, first and last day
 * @returns the waterings, oldest first
 * @throws RangeError when the weather does not cover the days or the bed is impossible
 */
export function followSeason(options: {
  site: Site;
  bed: PlanBed;
  weather: readonly SourcedDay[];
  to: IsoDate;
}): PlannedWatering[] {
  const { bed, weather, to } = options;
  atLeast('weather', weather, 1);
  const days = weather.filter((day) => day.date <= to);
  const horizonDays = within('days', daysBetween(bed.startOn, to) + 1, 1, 2000, 'days');
  return followBed(bed, days, options.site, { today: bed.startOn, horizonDays }).waterings;
}
