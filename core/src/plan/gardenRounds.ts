import type { PlanConstraints } from '../clock/constraints.ts';
import { LOOK_AHEAD_DAYS } from '../follow/shut.ts';
import { gardenLoss } from './gardenLoss.ts';
import type { BedStart } from '../follow/bedStart.ts';
import type { PlanBed } from '../follow/types.ts';
import { isKnownMissed, mayBeMissed, type AskedFor } from '../rounds/askedFor.ts';
import { chooseHeld, chooseSet, heldRound, roundOfGarden } from '../rounds/chooseSet.ts';
import { aroundClosed, datesOn } from '../rounds/roundDates.ts';
import type { ProposedRounds, RoundDays } from '../rounds/types.ts';
import { weekdaySets } from '../rounds/weekdaySets.ts';
import { schoolOf } from '../schools/schools.ts';
import type { BedPlan } from '../share/types.ts';
import { addDays, type IsoDate } from '../units/dates.ts';
import { once } from '../units/once.ts';
import { mondayOf, weekdayOf } from '../units/weekdays.ts';
import type { SourcedDay } from '../weather/completeWeather.ts';

/** A place of the garden, with its plan under each set of days it was tried on. */
export interface RoundPlace {
  input: PlanBed;
  start: BedStart;
  tried: Map<string, BedPlan>;
  /** The same place without its closed days, carried over from a missed round, and before what it was given today. */
  open?: RoundPlace;
  morning?: RoundPlace;
  carried?: RoundPlace;
}

const EVERY_DAY = [0, 1, 2, 3, 4, 5, 6];
/** Round days hold a Tuesday where nothing speaks for another day: the weekend's sun is seen by then. Judgement. */
const USUAL_ANCHOR = 2;
/** So many days of the next seven this hot are a heat wave, °C. Judgement. */
const HOT_C = 32;
const HOT_DAYS = 3;

export const isHot = (ahead: readonly SourcedDay[]): boolean =>
  ahead.slice(0, 7).filter(({ tMaxC }) => tMaxC >= HOT_C).length >= HOT_DAYS;

/** What stands in no round: it is asked every day, because a timer comes every day, or its way of watering has days of its own. @param input the bed, with its way of watering. Source: as `schoolOf`. */
export const isAskedDaily = ({ delivery, school }: PlanBed): boolean => {
  const { line } = schoolOf(school ?? 'as seldom as it can');
  return Boolean(delivery.timer) || line === 'daily' || line === null;
};

/** Puts places on some days of the week; the dates of each set of days are looked up once. */
export function askedOn({
  today,
  horizonDays,
  away,
}: {
  today: IsoDate;
  horizonDays: number;
  away?: PlanConstraints['away'];
}): (input: PlanBed, weekdays: readonly number[]) => PlanBed {
  const last = addDays(today, horizonDays + LOOK_AHEAD_DAYS - 1);
  // Whoever goes away goes round before, and when they are back.
  const around = (away ?? [])
    .flatMap(({ from, until }) => [addDays(from, -1), addDays(until, 1)])
    .filter((date) => date >= today && date <= last);
  const known = new Map<string, IsoDate[]>();
  const roundsOn = (weekdays: readonly number[], carried: boolean): IsoDate[] => {
    const key = `${carried} ${weekdays.join()}`;
    const before = known.get(key);
    if (before) return before;
    const on = datesOn(weekdays, today, horizonDays + LOOK_AHEAD_DAYS);
    const rounds = [...new Set([...(carried ? [today] : []), ...on, ...around])].sort();
    known.set(key, rounds);
    return rounds;
  };
  return (input, weekdays) =>
    isAskedDaily(input)
      ? input
      : {
          ...input,
          asked: aroundClosed(roundsOn(weekdays, input.carriedFrom !== undefined), input.closed ?? [], today),
        };
}

/**
 * How far days that were proposed before stand. They are weighed anew on Mondays; a heat wave may add visits at once; and what the
 * gardener has changed is proposed anew at once.
 */
type Standing = 'as they are' | 'heat adds' | 'weighed anew' | 'afresh';
function standingOf(
  proposal: ProposedRounds | undefined,
  { today, hot, under }: { today: IsoDate; hot: boolean; under: string },
): Standing {
  if (!proposal || proposal.places.length === 0 || proposal.madeOn > today) return 'afresh';
  if ((proposal.under ?? under) !== under) return 'afresh';
  if (mondayOf(proposal.madeOn) !== mondayOf(today)) return 'weighed anew';
  return hot && !proposal.hot ? 'heat adds' : 'as they are';
}

/** A figure to its nearest seventh or so: a tree's ring grows from day to day, which is no setting. */
const about = (value: number): number => Math.round(7 * Math.log(value));
/** What the gardener has set of a place, as far as its round days follow from it, as text. */
const settingsOf = ({ bed, delivery, school, most, zone }: PlanBed): string =>
  JSON.stringify([
    about(bed.areaM2),
    bed.goal,
    bed.form,
    bed.mulch,
    bed.place,
    bed.ground,
    bed.plantings.map(({ cropId, plantedOn, endedOn, share, ownLine }) => [
      cropId,
      plantedOn,
      endedOn,
      share,
      ownLine,
    ]),
    delivery.method,
    delivery.timer,
    about(delivery.litresPerMinute),
    school,
    most?.passes,
    most?.longestMinutes,
    ...(zone === undefined ? [] : [zone]),
  ]);

/**
 * The days on which a garden is walked, and each place's plan on them: the gardener's own, or proposed ones, by which each place
 * is asked as seldom as its goal allows, the round is the sparsest that suffices for half of them, and those that need more
 * are asked between.
 * @param planOn a place's plan when it is asked on some weekdays; `tryOn` about what it would be, for choosing between days
 */
export function gardenRounds(
  places: readonly RoundPlace[],
  { rounds, weekdays, restricts }: PlanConstraints,
  options: {
    today: IsoDate;
    hot: boolean;
    planOn: (place: RoundPlace, weekdays: readonly number[]) => BedPlan;
    tryOn: (place: RoundPlace, weekdays: readonly number[]) => BedPlan;
  },
): { plans: BedPlan[]; rounds: RoundDays } {
  const { today, hot, planOn, tryOn } = options;
  const onTimer = places.filter(({ input }) => input.delivery.timer).map(({ input }) => input.id);
  const own = rounds?.weekdays;
  const asked = rounds?.proposal?.asked;
  const lossOn = (days: readonly number[]): number =>
    gardenLoss(places.map((place) => tryOn(place, days).outlook)).lostShare;
  if (own) {
    const sparser = own.length > 1 ? own.slice(0, -1) : null;
    return {
      plans: places.map((place) => withCarriedOver(place, own, null, today, asked, planOn)),
      rounds: lazySparser(
        {
          by: 'gardener',
          weekdays: own,
          between: [],
          onTimer,
          proposal: { madeOn: today, anchor: own[0] ?? USUAL_ANCHOR, perWeek: own.length, hot, places: [] },
        },
        () => sparser && { perWeek: sparser.length, lostShare: lossOn(sparser) },
      ),
    };
  }
  const open = weekdays && restricts !== 'sprays' ? weekdays : EVERY_DAY;
  const bound = places.filter(({ input }) => !isAskedDaily(input));
  const under = JSON.stringify([[...open].sort(), restricts]);
  const standing = standingOf(rounds?.proposal, { today, hot, under });
  const proposal = standing === 'afresh' ? null : (rounds?.proposal ?? null);
  const anchor = proposal?.anchor ?? anchorFor(bound, open, today, tryOn);
  const sets = weekdaySets(open, anchor);
  const perWeek = sets.map((set) => set.length);
  const setOf = (many: number): number =>
    Math.max(
      0,
      perWeek.findLastIndex((n) => n <= many),
    );
  const proposedOf = new Map(proposal?.places.map((place) => [place.bedId, place]));
  const settings = new Map(places.map((place) => [place, settingsOf(place.input)]));
  const choose = (place: RoundPlace): number => {
    const proposed = proposedOf.get(place.input.id);
    const before =
      proposed && (proposed.of ?? settings.get(place)) === settings.get(place)
        ? setOf(proposed.perWeek)
        : null;
    if (before !== null && standing === 'as they are') return before;
    const lossOf = (i: number): number => tryOn(place, sets[i] as number[]).outlook.lostShare;
    const allowed = tryOn(place, sets[0] as number[]).outlook.allowedShare;
    if (before === null) return chooseSet(perWeek, allowed, lossOf);
    const held = chooseHeld(perWeek, allowed, lossOf, before);
    return standing === 'heat adds' ? Math.max(before, held) : held;
  };
  const chosen = new Map(bound.map((place) => [place, choose(place)]));
  // The beds of a zone are asked on the same days, as often as the thirstiest of them; whether it runs is asked of them together.
  for (const zone of new Set(bound.flatMap(({ input }) => input.zone ?? []))) {
    const mine = bound.filter(({ input }) => input.zone === zone);
    const set = Math.max(...mine.map((place) => chosen.get(place) ?? 0));
    for (const place of mine) chosen.set(place, set);
  }
  // What needs nothing at all speaks for no day.
  const thirsty = bound.filter(
    (place) => tryOn(place, sets[chosen.get(place) ?? 0] as number[]).waterings.length > 0,
  );
  const before = proposal && { set: setOf(proposal.perWeek), since: proposal.since ?? proposal.madeOn };
  const main = mainSet(
    standing,
    thirsty.map((place) => chosen.get(place) ?? 0),
    before && { set: before.set, isNew: before.since > addDays(today, -HOLDS_DAYS) },
  );
  const daysOf = (place: RoundPlace): readonly number[] =>
    sets[Math.max(main, chosen.get(place) ?? 0)] ?? open;
  const sparser = sets[main - 1];
  // What heat adds goes with it, and is no new week.
  const since = before && (before.set === main || standing === 'heat adds') ? before.since : today;
  return {
    plans: places.map((place) => withCarriedOver(place, daysOf(place), since, today, asked, planOn)),
    rounds: lazySparser(
      {
        by: 'proposed',
        weekdays: sets[main] ?? [...open],
        between: bound
          .filter((place) => (chosen.get(place) ?? 0) > main)
          .map((place) => ({ bedId: place.input.id, weekdays: [...daysOf(place)] })),
        onTimer,
        proposal: {
          madeOn: standing === 'as they are' && proposal ? proposal.madeOn : today,
          since,
          anchor,
          perWeek: perWeek[main] ?? open.length,
          // It was hot at some time this week: no second wave adds to that.
          hot: hot || (standing === 'as they are' && proposal?.hot === true),
          under,
          places: places.map((place) => ({
            bedId: place.input.id,
            perWeek: perWeek[chosen.get(place) ?? perWeek.length - 1] ?? open.length,
            of: settings.get(place),
          })),
        },
      },
      () => (sparser ? { perWeek: sparser.length, lostShare: lossOn(sparser) } : null),
    ),
  };
}

/** Days that became more are not made fewer again before so long: the week after is easily another. Judgement: a fortnight. */
const HOLDS_DAYS = 14;

/** Which set the garden is walked on. @param before the set it was walked on, and whether that is new; null where there was none */
function mainSet(
  standing: Standing,
  chosen: readonly number[],
  before: { set: number; isNew: boolean } | null,
): number {
  if (before === null) return roundOfGarden(chosen);
  if (standing === 'as they are') return before.set;
  const held = heldRound(chosen, before.set);
  return standing === 'heat adds' || before.isNew ? Math.max(before.set, held) : held;
}

/**
 * A place's plan on its days; where its last round was missed, nothing was given or left on purpose since, and it cannot wait
 * for the next, it is asked today as well.
 * @param asked what the last round asked for, where a plan was made on it; `since` rounds before this day were not there to be missed; null where they always were
 */
function withCarriedOver(
  place: RoundPlace,
  weekdays: readonly number[],
  since: IsoDate | null,
  today: IsoDate,
  asked: AskedFor | undefined,
  planOn: (place: RoundPlace, weekdays: readonly number[]) => BedPlan,
): BedPlan {
  const plan = planOn(place, weekdays);
  const { input } = place;
  if (isAskedDaily(input) || plan.outlook.waiting?.due === null) return plan;
  const isRound = plan.bed.asked?.includes(today) === true;
  const missed = Array.from({ length: 6 }, (_, d) => addDays(today, -d - 1)).find((date) =>
    weekdays.includes(weekdayOf(date)),
  );
  if (missed === undefined || missed < input.startOn || (since !== null && missed < since)) return plan;
  const who = { id: input.id, today };
  // On a round day it is asked in any case; that it was missed before is told only where that is known.
  if (!(isRound ? isKnownMissed : mayBeMissed)(asked, missed, who)) return plan;
  const isSince = (date: IsoDate): boolean => date >= missed;
  if (input.irrigations.some(({ date }) => isSince(date)) || input.leftOn?.some(isSince)) return plan;
  place.carried ??= { ...place, input: { ...input, carriedFrom: missed }, tried: new Map() };
  return planOn(place.carried, weekdays);
}

/** What fewer rounds would cost is worked out when first read. */
function lazySparser(rounds: Omit<RoundDays, 'sparser'>, work: () => RoundDays['sparser']): RoundDays {
  const sparser = once(work);
  return {
    ...rounds,
    get sparser() {
      return sparser();
    },
  };
}

/** The weekday that all proposed sets hold: today where something cannot wait, and the usual one otherwise. */
function anchorFor(
  places: readonly RoundPlace[],
  open: readonly number[],
  today: IsoDate,
  planOn: (place: RoundPlace, weekdays: readonly number[]) => BedPlan,
): number {
  const weekday = weekdayOf(today);
  if (!open.includes(weekday)) return USUAL_ANCHOR;
  const urgent = places.some((place) => planOn(place, EVERY_DAY).waterings[0]?.date === today);
  return urgent ? weekday : USUAL_ANCHOR;
}

/** What a place's plan would be if no day were closed to it. */
export function planWithoutClosures(
  place: RoundPlace,
  today: IsoDate,
  planOn: (place: RoundPlace, weekdays: readonly number[]) => BedPlan,
): BedPlan {
  place.open ??= { ...place, input: { ...place.input, closed: [] }, tried: new Map() };
  const { open } = place;
  const sets = weekdaySets(EVERY_DAY, weekdayOf(today));
  const on = (i: number): BedPlan => planOn(open, sets[i] as number[]);
  return on(
    chooseSet(
      sets.map((set) => set.length),
      on(0).outlook.allowedShare,
      (i) => on(i).outlook.lostShare,
    ),
  );
}
