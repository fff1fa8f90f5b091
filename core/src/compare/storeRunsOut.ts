import { placeKinds } from '../kinds/index.ts';
import { at, item } from '../units/at.ts';
import { addDays, daysBetween, type IsoDate } from '../units/dates.ts';
import { completeWeather, type SourcedDay } from '../weather/completeWeather.ts';
import { forecastEnsemble, latestClimatology } from '../weather/forecastEnsemble.ts';
import type { Site } from '../weather/types.ts';
import { weatherSeries } from '../weather/weatherSeries.ts';
import { asHere } from '../follow/asHere.ts';
import { datesOf } from '../follow/dueDates.ts';
import { plantsOn } from '../follow/plantsOn.ts';
import { startOf } from '../follow/follow.ts';
import { pathsOfMembers } from '../follow/paths.ts';
import { gaugeOf, trialOf } from '../follow/run.ts';
import type { DueDates, PlanBed } from '../follow/types.ts';
import { stepUnder } from '../follow/waiting.ts';

/** Days ahead that are looked at: a growing season. */
const DAYS = 150;
/** Ways the weather may go; a day is told to the week. */
const MEMBERS = 40;
const SEED = 3;
/** Drinking half of what they want, plants wilt. Judgement, as for the school that holds to the first wilt. */
const WILTS_AT_KS = 0.5;

/** When the ground's store runs out with no watering at all; null past what is looked at, or past the plants' season. */
export interface RunsOut {
  /** From when on the plants slow, and from when on they wilt: in 10, 50 and 90 % of the ways the weather may go. */
  slows: DueDates;
  wilts: DueDates;
  /** The last day that was looked at. */
  until: IsoDate;
}

/**
 * How long what the ground holds this morning, with the rain to come, lasts a place's plants if nobody waters.
 * @param weather an unbroken series round `today`, with the forecast as far as it goes; past it the season is taken from what is on record
 * Source: the balance run through members of the weather; real days of the garden's own record past the forecast.
 */
export function storeRunsOut(
  input: PlanBed,
  weather: readonly SourcedDay[],
  { site, today }: { site: Site; today: IsoDate },
): RunsOut {
  const first = item(weather, 0).date;
  const last = item(weather, weather.length - 1).date;
  const until = addDays(today, DAYS - 1);
  const record = weather.filter(({ source }) => source === 'record');
  const usual =
    last < until
      ? completeWeather({ record, forecast: [], site, from: addDays(last, 1), to: until, today })
      : [];
  const days = [...weather, ...usual].slice(0, daysBetween(first, until) + 1);
  const from = daysBetween(first, today);
  const bed = asHere(site, days, today)(input);
  const ensemble = forecastEnsemble({
    days: days.slice(from),
    site,
    members: MEMBERS,
    seed: SEED,
    climatology: latestClimatology(record),
    yesterday: days[from - 1],
  });
  const start = startOf(bed, days, weatherSeries(days, site), first, {
    site,
    today,
    ensemble,
    pastDays: 0,
    kinds: placeKinds(),
  });
  const slows = new Float64Array(MEMBERS).fill(DAYS);
  const wilts = new Float64Array(MEMBERS).fill(DAYS);
  for (const [m, path] of pathsOfMembers(start.ways, ensemble).entries()) {
    const run = trialOf(path.run, 'days ahead');
    const { todayIndex } = path.now;
    for (let ahead = 0; ahead < DAYS; ahead += 1) {
      const d = todayIndex + ahead;
      // What has ripened or died back wants no store.
      if (!plantsOn(path.now, bed, d).growing) break;
      stepUnder(run, path.sky, d, 0);
      const { depletionL, readilyAvailableL, ks } = gaugeOf(run);
      if (depletionL > readilyAvailableL && at(slows, m) === DAYS) slows[m] = ahead;
      if (ks <= WILTS_AT_KS) {
        wilts[m] = ahead;
        break;
      }
    }
  }
  return {
    slows: datesOf(slows, { today, days: DAYS }),
    wilts: datesOf(wilts, { today, days: DAYS }),
    until,
  };
}
