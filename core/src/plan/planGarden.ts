import { weatherSeries } from '../balance/simulateBed.ts';
import { addDays, daysBetween, type IsoDate } from '../units/dates.ts';
import { atLeast, within } from '../units/guard.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import { forecastEnsemble } from '../weather/forecastEnsemble.ts';
import type { Site } from '../weather/types.ts';
import { outlookOf } from './bedOutlook.ts';
import type {
  BedOutlook,
  GardenPlan,
  PlanBed,
  PlanConstraints,
  PlannedWatering,
  PlanOptions,
} from './types.ts';

const DEFAULT_MEMBERS = 200;

/**
 * The garden's waterings from today on: for each bed the balance up to this morning, then ahead through the
 * forecast, refilling the root zone on the morning of the day it would pass its refill line.
 * Likely rain that would do a good part of the job is waited for while the bed can stand it.
 * @param garden site and beds
 * @param weather an unbroken series from the earliest `startOn` to the last day of the horizon
 * @param constraints limits of the garden; today's waterings beyond them are left out, driest last
 * @param options today, and how many days ahead
 * @returns waterings in date order, what was left out, and every bed's outlook
 * @throws RangeError when the weather does not cover the days asked for, or a bed is impossible
 * Source: refill at the readily available water, FAO-56 ch. 8; waiting for rain is a judgement named above.
 */
export function planGarden(
  garden: { site: Site; beds: readonly PlanBed[] },
  weather: readonly SourcedDay[],
  constraints: PlanConstraints,
  options: PlanOptions,
): GardenPlan {
  const horizonDays = within('horizonDays', options.horizonDays ?? 14, 1, 28, 'days');
  const { today } = options;
  if (garden.beds.length === 0)
    return { waterings: [], todayTotals: { minutes: 0, litres: 0 }, leftOut: [], beds: [] };
  atLeast('weather', weather, 1);
  const first = (weather[0] as SourcedDay).date;
  const end = addDays(today, horizonDays - 1);
  const last = (weather[weather.length - 1] as SourcedDay).date;
  if (last < end) throw new RangeError(`weather must reach ${end}; got days up to ${last}`);
  const days = weather.slice(0, daysBetween(first, end) + 1);
  const series = weatherSeries(days, garden.site);

  const members = within('members', options.members ?? DEFAULT_MEMBERS, 0, 1000);
  const ensemble =
    members > 0
      ? forecastEnsemble({
          days: days.slice(daysBetween(first, today)),
          site: garden.site,
          members,
          seed: options.seed ?? 1,
          climatology: options.climatology,
        })
      : null;

  const waterings: PlannedWatering[] = [];
  const beds: BedOutlook[] = [];
  for (const bed of garden.beds) {
    if (bed.startOn < first || bed.startOn > today) {
      throw new RangeError(`startOn must lie from ${first} to ${today}; got ${bed.startOn}`);
    }
    within('startFullness', bed.startFullness, 0, 1);
    const { outlook, waterings: mine } = outlookOf(
      bed,
      days,
      series,
      first,
      { today, horizonDays },
      ensemble,
    );
    beds.push(outlook);
    waterings.push(...mine);
  }
  waterings.sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : a.bedId - b.bedId));
  const leftOut = overLimit(waterings, constraints, today);
  const kept = waterings.filter((w) => !leftOut.some((l) => l.bedId === w.bedId && l.date === w.date));
  const now = kept.filter((w) => w.date === today);
  const todayTotals = {
    minutes: now.reduce((sum, w) => sum + w.run.minutes, 0),
    litres: now.reduce((sum, w) => sum + w.run.litres, 0),
  };
  return { waterings: kept, todayTotals, leftOut, beds };
}

/** Today's waterings that do not fit the minutes of the day: those furthest below their line are kept. */
function overLimit(
  waterings: readonly PlannedWatering[],
  constraints: PlanConstraints,
  today: IsoDate,
): GardenPlan['leftOut'] {
  if (constraints.minutesPerDay === undefined) return [];
  const need = (w: PlannedWatering): number => w.reason.depletionMm / Math.max(1e-9, w.reason.readilyMm);
  const ranked = waterings.filter((w) => w.date === today).sort((a, b) => need(b) - need(a));
  const leftOut: GardenPlan['leftOut'] = [];
  let used = 0;
  for (const watering of ranked) {
    if (used + watering.run.minutes <= constraints.minutesPerDay) used += watering.run.minutes;
    else {
      leftOut.push({
        bedId: watering.bedId,
        date: watering.date,
        minutes: watering.run.minutes,
        why: 'minutes a day',
      });
    }
  }
  return leftOut;
}
