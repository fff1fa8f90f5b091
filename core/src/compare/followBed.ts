import { placeKinds } from '../kinds/index.ts';
import { item } from '../units/at.ts';
import { asHere } from '../follow/asHere.ts';
import { withDaysToCome } from '../follow/shut.ts';
import { followAhead, startOf, type Followed } from '../follow/follow.ts';
import type { PlanBed } from '../follow/types.ts';
import type { IsoDate } from '../units/dates.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import type { Site } from '../weather/types.ts';
import { weatherSeries } from '../weather/weatherSeries.ts';

/**
 * One bed alone over known weather, up to a morning and then as its way of watering would have it.
 * @param weather days from the bed's first, or an earlier one, to the last of the horizon; `today` the morning
 */
export function followBed(
  bed: PlanBed,
  weather: readonly SourcedDay[],
  site: Site,
  { today, horizonDays }: { today: IsoDate; horizonDays: number },
): Followed {
  const days = withDaysToCome(weather);
  const living = asHere(site, days, today)(bed);
  const start = startOf(living, days, weatherSeries(days, site), item(days, 0).date, {
    site,
    today,
    ensemble: null,
    kinds: placeKinds(),
  });
  return followAhead(start, living, { today, horizonDays, firstReasons: true });
}
