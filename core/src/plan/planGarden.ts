import { placeKinds } from '../kinds/index.ts';
import { item } from '../units/at.ts';
import { closedDays, windyDays } from '../clock/closures.ts';
import type { PlanConstraints } from '../clock/constraints.ts';
import { mostAtOnce } from '../clock/mostAtOnce.ts';
import { asHere } from '../follow/asHere.ts';
import { followAhead, startOf, type AheadOptions } from '../follow/follow.ts';
import { LOOK_AHEAD_DAYS, withDaysToCome } from '../follow/shut.ts';
import type { BedOutlook, PlanBed } from '../follow/types.ts';
import { newClockBook } from '../share/clockBook.ts';
import { fitToLimits, LARGE } from '../share/fitToLimits.ts';
import { shareOfRun } from '../share/day.ts';
import { turnsOf } from '../share/limits.ts';
import { follower } from '../share/follower.ts';
import type { BedPlan } from '../share/types.ts';
import { inZones, zoneFollower, type FollowTogether } from '../share/zones.ts';
import { spread } from '../share/spread.ts';
import { addDays, daysBetween } from '../units/dates.ts';
import { once } from '../units/once.ts';
import { weekdayOf } from '../units/weekdays.ts';
import { atLeast, OutOfRange, positive, within } from '../units/guard.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';
import { forecastEnsemble } from '../weather/forecastEnsemble.ts';
import type { Site } from '../weather/types.ts';
import { weatherSeries } from '../weather/weatherSeries.ts';
import { askedFor } from '../rounds/askedFor.ts';
import { freeDays, promisedAfter } from '../rounds/promised.ts';
import { askedOn, gardenRounds, isHot, planWithoutClosures, type RoundPlace } from './gardenRounds.ts';
import { newMemo, type PlanMemo } from './memo.ts';
import type { GardenPlan, PlanOptions, Unplanned } from './types.ts';

const DEFAULT_MEMBERS = 64;
/** A person's minutes on a round day before places are moved to others, where no limit was told. Judgement. */
const USUAL_MINUTES = 90;
/** Growth that limits cost is told from here on, share. Judgement. */
const LEAST_LOST = 0.005;
/** Less than this is not told as given up, mm. Judgement. */
const LEAST_MISSED_MM = 0.5;

/**
 * The garden's waterings from today on, in the fewest rounds within a stated loss: for each bed the balance up to this morning,
 * then ahead through the forecast; on each of its round days it is asked what growth it would cost to wait for the next, over
 * the ways the weather and its roots may go, and filled where that is more than its goal allows.
 * @param garden site and beds
 * @param weather an unbroken series from the earliest `startOn` to the last day of the horizon
 * @param constraints limits of the garden: open days and hours, minutes, litres, lines, wind; what does not fit waits for the next open day
 * @param options today, and how many days ahead
 * @returns waterings in date order, each day's runs on the clock, what was left out and what that costs, and every bed's outlook
 * @throws RangeError when the weather does not cover the days asked for, or a limit is impossible; a bed that
 *   cannot be computed is left out and named in `unplanned`
 * Source: balance and stress by FAO-56, growth by FAO-33's yield response; the rule and its weights are judgements.
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
      todayTotals: { handsOnMinutes: 0, minutes: 0, litres: 0 },
      rounds: { by: 'proposed', weekdays: [], between: [], onTimer: [], sparser: null, proposal: null },
      leftOut: [],
      givenUp: [],
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
  const days = withDaysToCome(weather.slice(0, daysBetween(first, end) + 1));
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
  const places = new Map<number, RoundPlace>();
  const ahead = { today, horizonDays, firstReasons: options.reasons !== 'all' };
  const placeOf = (bedId: number): RoundPlace => {
    const place = places.get(bedId);
    if (!place) throw new Error(`bed ${bedId} was not followed to this morning`);
    return place;
  };
  const { follow, inFull } = follower((bedId) => placeOf(bedId).start, memo.tries, { ...ahead, large });
  const unplanned: Unplanned[] = [];
  const planFor = (place: RoundPlace, input: PlanBed, rough?: AheadOptions['rough']): BedPlan => {
    const key = `${rough ? 'about ' : ''}${input.asked ? input.asked.join() : 'daily'}`;
    const made = place.tried.get(key) ?? followAhead(place.start, input, { ...ahead, sketch: true, rough });
    place.tried.set(key, made);
    return made;
  };
  const onDays = askedOn({ today, horizonDays, away: constraints.away });
  const planOn = (place: RoundPlace, weekdays: readonly number[]): BedPlan =>
    planFor(place, onDays(place.input, weekdays));
  const tryOn = (place: RoundPlace, weekdays: readonly number[]): BedPlan =>
    planFor(place, onDays(place.input, weekdays), large ? 'middle depth' : 'each depth');
  const followed = (input: PlanBed): RoundPlace => ({
    input,
    start: startOf(input, days, series(), first, {
      site: garden.site,
      today,
      ensemble: ensemble(),
      pastDays: options.pastDays,
      kinds: options.kinds ?? placeKinds(),
    }),
    tried: new Map(),
  });
  const sound = garden.beds.flatMap((bed, i): RoundPlace[] => {
    options.onProgress?.(i + 1, garden.beds.length);
    const known = memo.places.get(bed.id);
    if (known && (known.of === bed || JSON.stringify(known.of) === JSON.stringify(bed))) {
      places.set(bed.id, known.place);
      return [known.place];
    }
    memo.places.delete(bed.id);
    // What one bed cannot be must not take the plan from the others.
    try {
      if (bed.startOn < first || bed.startOn > today)
        throw new OutOfRange('startOn', `lie from ${first} to ${today}`, bed.startOn);
      within('startFullness', bed.startFullness, 0, 1);
      const closed = closedDays(bed, constraints, today, horizonDays + LOOK_AHEAD_DAYS);
      const windy = windyDays(bed, constraints, aheadDays);
      const most = mostAtOnce(bed, constraints, garden.site, today);
      const input = { ...here(bed), closed, windy, most };
      const place = followed(input);
      // What cannot be followed ahead cannot be planned either.
      tryOn(place, [weekdayOf(today)]);
      places.set(bed.id, place);
      memo.places.set(bed.id, { of: bed, place });
      return [place];
    } catch (error) {
      unplanned.push(unplannedBy(bed.id, error));
      return [];
    }
  });
  const { plans: free, rounds } = gardenRounds(sound, constraints, {
    today,
    hot: isHot(aheadDays),
    planOn,
    tryOn,
  });
  const before = constraints.rounds?.proposal;
  // What the gardener changed counts at once: nothing that was said before stands in its way.
  const promised = before?.under === rounds.proposal?.under ? before?.promised : undefined;
  const leftFree = freeDays(promised, today);
  const walked = new Set(rounds.weekdays);
  const isRound = (date: string): boolean => walked.has(weekdayOf(date));
  const mostMinutes = Math.min(constraints.minutesPerDay ?? USUAL_MINUTES, 24 * 60);
  /** A place's plan without what was settled of it today: done, or left on purpose. */
  const asOfMorning = (plan: BedPlan): BedPlan => {
    const place = places.get(plan.bed.id);
    const { input } = place ?? {};
    // A zone's runs are its own: they are weighed as they stand now.
    if (
      !place ||
      !input ||
      plan.bed.zoneRuns ||
      !(input.settledToday || input.irrigations.some(({ date }) => date === today))
    )
      return plan;
    place.morning ??= followed({
      ...input,
      settledToday: false,
      irrigations: input.irrigations.filter(({ date }) => date !== today),
      leftOn: input.leftOn?.filter((date) => date !== today),
    });
    return planFor(place.morning, { ...place.morning.input, asked: plan.bed.asked });
  };
  const inMorning = follower(
    (bedId) => {
      const place = placeOf(bedId);
      return (place.morning ?? place).start;
    },
    memo.tries,
    { ...ahead, large },
  );
  const turnsToday = (plans: readonly BedPlan[]): number =>
    plans.reduce((sum, plan) => {
      const morning = asOfMorning(plan);
      const planned = morning === plan ? undefined : morning.waterings.find(({ date }) => date === today);
      return sum + (planned ? turnsOf(morning, planned) : 0);
    }, 0);
  const zones = zoneFollower(
    { today, horizonDays, firstReasons: ahead.firstReasons, startOf: (bedId) => placeOf(bedId).start },
    memo.zones,
  );
  const together: FollowTogether = (plans, how, date, amount, why) => {
    const [first] = plans;
    if (!first || first.bed.zoneRuns) return zones.follow(plans, how, date, amount, why);
    return [follow(first, how, date, amount, why)];
  };
  /** The beds' plans weighed against one another and fitted to the limits. */
  const weigh = (apart: readonly BedPlan[]) => {
    const plans = settledZones(apart, zones.settle);
    const spreadOut = large
      ? plans
      : spread(
          plans,
          {
            today,
            horizonDays,
            mostMinutes,
            isRound,
            isTold: constraints.minutesPerDay !== undefined,
            free: leftFree,
          },
          follow,
          {
            of: asOfMorning,
            follow: inMorning.follow,
          },
        );
    const fitted = fitToLimits(
      spreadOut,
      constraints,
      { site: garden.site, today, horizonDays, book: memo.book, turnsToday: large ? 0 : turnsToday(plans) },
      together,
    );
    // What was only sketched while it was tried is followed in full now that it stands.
    return { fitted, settled: fitted.plans.map(inFull), givenUp: givenUp(spreadOut, fitted.plans) };
  };
  const { fitted, settled, ...cost } = weighContained(free, weigh, unplanned);
  const beds: BedOutlook[] = settled.map((p) => p.outlook);
  const waterings = settled.flatMap((p) => p.waterings);
  waterings.sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : a.bedId - b.bedId));
  const now = waterings.filter((w) => w.date === today);
  if (rounds.proposal) {
    const walked = [rounds.weekdays, ...rounds.between.map((b) => b.weekdays)].flat();
    const due = now.map(({ bedId }) => bedId);
    const asked = askedFor(before?.asked, today, due, walked.includes(weekdayOf(today)));
    const work = waterings.filter((w) => w.handsOnMinutes > 0).map(({ date }) => date);
    const said = promisedAfter(promised, today, [...new Set(work)]);
    rounds.proposal = { ...rounds.proposal, asked, promised: said };
  }
  const todayTotals = {
    handsOnMinutes: now.reduce((sum, w) => sum + w.handsOnMinutes, 0),
    minutes: now.reduce((sum, w) => sum + w.run.minutes * shareOfRun(w), 0),
    litres: now.reduce((sum, w) => sum + w.run.litres, 0),
  };
  return {
    waterings,
    todayTotals,
    rounds,
    leftOut: fitted.leftOut,
    givenUp: [
      ...cost.givenUp,
      ...(large ? [] : closedCost(sound, free, (place) => planWithoutClosures(place, today, planOn))),
    ],
    schedule: fitted.schedule,
    beds,
    unplanned,
  };
}

/** Plans with the beds of each zone put on its common runs. */
function settledZones(
  plans: readonly BedPlan[],
  settle: (plans: readonly BedPlan[]) => readonly BedPlan[],
): readonly BedPlan[] {
  if (plans.every(({ bed }) => bed.zone === undefined)) return plans;
  const made = [...plans];
  for (const unit of inZones(plans)) {
    if (plans[unit[0] as number]?.bed.zone === undefined) continue;
    settle(unit.map((i) => plans[i] as BedPlan)).forEach((plan, n) => (made[unit[n] as number] = plan));
  }
  return made;
}

/** The limits that bear on each place for itself; what was given today and this week is weighed afterwards. */
const standing = ({
  litresThisWeek: _w,
  givenToday: _t,
  // Where the days were proposed before, the places are the same as on any others.
  rounds: _r,
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

/** What it costs a bed more than another plan of it. */
const costOf = (
  { bed, outlook: is }: BedPlan,
  { outlook: was }: BedPlan,
  by: GardenPlan['givenUp'][number]['by'],
): GardenPlan['givenUp'] => {
  const shortDays = is.shortDays - was.shortDays;
  const missedMm = is.missedMm - was.missedMm;
  const lostShare = is.lostShare - was.lostShare;
  return shortDays > 0 || missedMm > LEAST_MISSED_MM || lostShare > LEAST_LOST
    ? [{ bedId: bed.id, by, shortDays, missedMm, lostShare }]
    : [];
};

/** What the limits cost each bed they touch. */
const givenUp = (free: readonly BedPlan[], fitted: readonly BedPlan[]): GardenPlan['givenUp'] =>
  fitted.flatMap((plan, i) => (plan === free[i] ? [] : costOf(plan, item(free, i), 'limits')));

/** What closed days cost each bed that they bear on. */
const closedCost = (
  places: readonly RoundPlace[],
  plans: readonly BedPlan[],
  unclosed: (place: RoundPlace) => BedPlan,
): GardenPlan['givenUp'] =>
  places.flatMap((place, i) =>
    place.input.closed?.length ? costOf(item(plans, i), unclosed(place), 'closed days') : [],
  );
