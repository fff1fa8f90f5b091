import { item } from '../units/at.ts';
import { closedDays, windyDays } from '../clock/closures.ts';
import type { PlanConstraints } from '../clock/constraints.ts';
import { mostAtOnce } from '../clock/mostAtOnce.ts';
import { asHere } from '../follow/asHere.ts';
import { followAhead, startOf, type BedStart } from '../follow/follow.ts';
import type { BedOutlook, PlanBed } from '../follow/types.ts';
import { newClockBook } from '../share/clockBook.ts';
import { fitToLimits, LARGE } from '../share/fitToLimits.ts';
import { follower } from '../share/follower.ts';
import type { BedPlan } from '../share/types.ts';
import { gatherRounds } from '../share/gatherRounds.ts';
import { addDays, daysBetween } from '../units/dates.ts';
import { once } from '../units/once.ts';
import { atLeast, OutOfRange, positive, within } from '../units/guard.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import { forecastEnsemble } from '../weather/forecastEnsemble.ts';
import type { Site } from '../weather/types.ts';
import { weatherSeries } from '../weather/weatherSeries.ts';
import { newMemo, type PlanMemo } from './memo.ts';
import type { GardenPlan, PlanOptions, Unplanned } from './types.ts';

const DEFAULT_MEMBERS = 200;
/** Less than this is not told as given up, mm. Judgement. */
const LEAST_MISSED_MM = 0.5;

/**
 * The garden's waterings from today on: for each bed the balance up to this morning, then ahead through the
 * forecast, refilling the root zone on the morning of the day it would pass its refill line.
 * Likely rain that would do a good part of the job is waited for while the bed can stand it.
 * @param garden site and beds
 * @param weather an unbroken series from the earliest `startOn` to the last day of the horizon
 * @param constraints limits of the garden: open days and hours, minutes, litres, lines, wind; what does not fit waits for the next open day
 * @param options today, and how many days ahead
 * @returns waterings in date order, each day's runs on the clock, what was left out and what that costs, and every bed's outlook
 * @throws RangeError when the weather does not cover the days asked for, or a limit is impossible; a bed that
 *   cannot be computed is left out and named in `unplanned`
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
    return {
      waterings: [],
      todayTotals: { minutes: 0, litres: 0 },
      leftOut: [],
      givenUp: [],
      sparedRounds: [],
      schedule: [],
      beds: [],
      unplanned: [],
    };
  checkConstraints(constraints);
  atLeast('weather', weather, 1);
  const first = item(weather, 0).date;
  const end = addDays(today, horizonDays - 1);
  const last = item(weather, weather.length - 1).date;
  if (last < end) throw new OutOfRange('weather', `reach ${end}`, `days up to ${last}`);
  const days = weather.slice(0, daysBetween(first, end) + 1);
  const members = within('members', options.members ?? DEFAULT_MEMBERS, 0, 1000);
  const memo = memoFor(options, weather, [garden.site, standing(constraints), horizonDays, members]);
  const ids = new Set(garden.beds.map(({ id }) => id));
  for (const id of memo.places.keys()) if (!ids.has(id)) memo.places.delete(id);
  const aheadDays = days.slice(daysBetween(first, today));
  // Neither is worked out where every place is remembered.
  const series = once(() => weatherSeries(days, garden.site));
  const ensemble = once(() =>
    members > 0
      ? forecastEnsemble({
          days: aheadDays,
          site: garden.site,
          members,
          seed: options.seed ?? 1,
          climatology: options.climatology,
          yesterday: days[daysBetween(first, today) - 1],
        })
      : null,
  );
  const here = asHere(garden.site, days, today);
  const large = garden.beds.length > LARGE;
  const starts = new Map<number, BedStart>();
  const ahead = { today, horizonDays, firstReasons: options.reasons !== 'all' };
  const { follow, inFull } = follower(
    (bedId) => {
      const start = starts.get(bedId);
      if (!start) throw new Error(`bed ${bedId} was not followed to this morning`);
      return start;
    },
    memo.tries,
    { ...ahead, large },
  );
  const unplanned: Unplanned[] = [];
  const free = garden.beds.flatMap((bed, i): BedPlan[] => {
    options.onProgress?.(i + 1, garden.beds.length);
    const known = memo.places.get(bed.id);
    if (known && (known.of === bed || JSON.stringify(known.of) === JSON.stringify(bed))) {
      starts.set(bed.id, known.start);
      return [known.free];
    }
    memo.places.delete(bed.id);
    // What one bed cannot be must not take the plan from the others.
    try {
      if (bed.startOn < first || bed.startOn > today)
        throw new OutOfRange('startOn', `lie from ${first} to ${today}`, bed.startOn);
      within('startFullness', bed.startFullness, 0, 1);
      const closed = closedDays(bed, constraints, today, horizonDays);
      const windy = windyDays(bed, constraints, aheadDays);
      const most = mostAtOnce(bed, constraints, garden.site, today);
      const input = { ...here(bed), closed, windy, most };
      const start = startOf(input, days, series(), first, {
        site: garden.site,
        today,
        ensemble: ensemble(),
        pastDays: options.pastDays,
        kinds: options.kinds,
      });
      starts.set(bed.id, start);
      // A large garden's beds are worked out in full once they are weighed against each other.
      const free = followAhead(start, input, { ...ahead, sketch: large });
      memo.places.set(bed.id, { of: bed, start, free });
      return [free];
    } catch (error) {
      unplanned.push(unplannedBy(bed.id, error));
      return [];
    }
  });
  /** The beds' plans weighed against one another and fitted to the limits. */
  const weigh = (plans: readonly BedPlan[]) => {
    const gathered = constraints.fewRounds
      ? gatherRounds(plans, { today, horizonDays }, follow)
      : { plans, spared: [] };
    const fitted = fitToLimits(
      gathered.plans,
      constraints,
      { site: garden.site, today, horizonDays, book: memo.book },
      follow,
    );
    // What was only sketched while it was tried is followed in full now that it stands.
    const whole = (some: readonly BedPlan[]): BedPlan[] =>
      some.map((plan, i) => (plan === plans[i] && !large ? plan : inFull(plan)));
    const settled = whole(fitted.plans);
    const before = gathered.spared.length > 0 ? whole(gathered.plans) : plans;
    return { fitted, spared: gathered.spared, settled, givenUp: givenUp(before, settled) };
  };
  const { fitted, spared, settled, ...cost } = weighContained(free, weigh, unplanned);
  const beds: BedOutlook[] = settled.map((p) => p.outlook);
  const kept = settled.flatMap((p) => p.waterings);
  kept.sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : a.bedId - b.bedId));
  const now = kept.filter((w) => w.date === today);
  const todayTotals = {
    minutes: now.reduce((sum, w) => sum + w.run.minutes, 0),
    litres: now.reduce((sum, w) => sum + w.run.litres, 0),
  };
  return {
    waterings: kept,
    todayTotals,
    leftOut: fitted.leftOut,
    givenUp: cost.givenUp,
    sparedRounds: spared,
    schedule: fitted.schedule,
    beds,
    unplanned,
  };
}

/** The limits that bear on each place for itself; what was given today and this week is weighed afterwards. */
const standing = ({
  litresThisWeek: _w,
  givenToday: _t,
  sources,
  ...rest
}: PlanConstraints): PlanConstraints => ({
  ...rest,
  sources:
    sources &&
    Object.fromEntries(Object.entries(sources).map(([tap, { takenTodayL: _n, ...source }]) => [tap, source])),
});

/** What is remembered, emptied where the weather, the day or the limits are no longer the same. */
function memoFor(options: PlanOptions, weather: readonly SourcedDay[], under: readonly unknown[]): PlanMemo {
  const memo = options.memo ?? newMemo();
  const { today, seed, climatology, pastDays, reasons } = options;
  const text = JSON.stringify([under, today, seed, climatology, pastDays, reasons]);
  if (memo.weather !== weather || memo.under !== text) {
    memo.places.clear();
    memo.book = newClockBook();
  }
  memo.weather = weather;
  memo.under = text;
  return memo;
}

/** Weighs the plans; where that fails, the beds that fail alone as well are left out, and the rest is weighed again. */
function weighContained<T>(
  plans: readonly BedPlan[],
  weigh: (plans: readonly BedPlan[]) => T,
  unplanned: Unplanned[],
): T {
  try {
    return weigh(plans);
  } catch (error) {
    const sound = plans.filter((plan) => {
      try {
        weigh([plan]);
        return true;
      } catch (own) {
        unplanned.push(unplannedBy(plan.bed.id, own));
        return false;
      }
    });
    if (sound.length === plans.length) throw error;
    return weigh(sound);
  }
}

/** Why a bed cannot be planned, as plain data that can be told, kept and carried between threads. */
export function unplannedBy(bedId: number, error: unknown): Unplanned {
  const message = error instanceof Error ? error.message : String(error);
  if (error instanceof OutOfRange) {
    const { field, allowed, got } = error;
    return { bedId, message, range: { field, allowed, got }, stack: null };
  }
  return { bedId, message, range: null, stack: error instanceof Error ? (error.stack ?? null) : null };
}

/** Limits of the garden are nobody's bed: an impossible one is refused before any bed is followed. */
function checkConstraints(constraints: PlanConstraints): void {
  for (const field of ['litresPerDay', 'litresPerWeek', 'minutesPerDay'] as const)
    if (constraints[field] !== undefined) positive(field, constraints[field], 1e9);
}

/** What the limits cost each bed they touch. */
function givenUp(free: readonly BedPlan[], fitted: readonly BedPlan[]): GardenPlan['givenUp'] {
  return fitted.flatMap((plan, i) => {
    const before = item(free, i);
    const shortDays = plan.outlook.shortDays - before.outlook.shortDays;
    const missedMm = plan.outlook.missedMm - before.outlook.missedMm;
    return plan !== before && (shortDays > 0 || missedMm > LEAST_MISSED_MM)
      ? [{ bedId: plan.bed.id, shortDays, missedMm }]
      : [];
  });
}
