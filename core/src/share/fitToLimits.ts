import { addDays, daysBetween, type IsoDate } from '../units/dates.ts';
import { openSource } from '../sources/index.ts';
import { item } from '../units/at.ts';
import { within } from '../units/guard.ts';
import type { Site } from '../weather/types.ts';
import { allocateDay, type Competing } from './allocate.ts';
import { TURNS_A_DAY } from '../clock/mostAtOnce.ts';
import { limitsOf, turnsOf, weekLimit, type Limit } from './limits.ts';
import { shareOut, type Divisible } from './shareOut.ts';
import { clocked, newClockBook, sunOf, type ClockBook } from './clockBook.ts';
import type { PlannedWatering } from '../follow/types.ts';
import type { PlanConstraints } from '../clock/constraints.ts';
import { pressing } from '../clock/dayJobs.ts';
import type { RunSlot } from '../clock/daySchedule.ts';
import { tierOf } from './tiers.ts';
import type { BedPlan, Cap, ClockedDay, LeftOut } from './types.ts';
import { inZones, type FollowTogether } from './zones.ts';
import { mondayOf } from '../units/weekdays.ts';

/** Litres of stress any watering is worth at least, so that none is worth nothing. Judgement. */
const LEAST_LOSS = 0.01;

/** A watering that does not fit: nothing of it is given, or only so many litres. */
interface Refused {
  due: Due;
  why: Cap;
  litres: number;
}
/** What is watered together on a day: one bed, or all beds of a zone. */
interface Due {
  /** Where its beds stand among the plans. */
  unit: readonly number[];
  plans: readonly BedPlan[];
  waterings: readonly PlannedWatering[];
}

/**
 * Makes a garden's waterings fit the minutes, litres and hours of each day and the litres of each week. What does not
 * fit waits for the next open day, and every bed is followed on with what it really gets. Of what competes, that is
 * given up whose plants would miss least by waiting, by the engine's own balance.
 * @param plans each bed with its outlook; `follow` tries a bed's plan another way
 * @returns the plans as they fit, what was put off, and each day's runs on the clock
 * Source: marginal loss, FAO-33's yield response as its weight; checked against the exact optimum in the tests.
 */
export function fitToLimits(
  plans: readonly BedPlan[],
  constraints: PlanConstraints,
  options: {
    site: Site;
    today: IsoDate;
    horizonDays: number;
    /** Times a tap was opened again today already. */
    turnsToday?: number;
    /** Days put on the clock before, and from then on those of this plan. */
    book?: ClockBook;
  },
  follow: FollowTogether,
): {
  plans: BedPlan[];
  leftOut: LeftOut[];
  schedule: ClockedDay[];
} {
  const quick = plans.length > LARGE;
  const book = options.book ?? newClockBook();
  const weigh = weigher(follow, quick);
  const current = [...plans];
  const units = inZones(plans);
  const dueOn = (date: IsoDate): Due[] => dueOf(units, current, (w) => w.date === date);
  const leftOut: LeftOut[] = [];
  const schedule: ClockedDay[] = [];
  const week = { monday: '', litres: 0 };
  const sources = Object.entries(constraints.sources ?? {}).map(
    ([tap, { kind, takenTodayL, ...source }]) =>
      [Number(tap), openSource(kind, source, takenTodayL)] as const,
  );
  const goOnUntil = (date: IsoDate): void => {
    for (const [i, plan] of current.entries()) {
      const last = plan.waterings.at(-1)?.date;
      if (plan.open && last !== undefined && last < date)
        current[i] = item(follow([plan], 'gone on', last), 0);
    }
  };
  for (let d = 0; d < options.horizonDays; d += 1) {
    const date = addDays(options.today, d);
    const sun = quick && d >= CLOCKED_DAYS ? null : sunOf(book, constraints, options.site, date);
    if (mondayOf(date) !== week.monday) {
      week.monday = mondayOf(date);
      week.litres = d === 0 ? within('litresThisWeek', constraints.litresThisWeek ?? 0, 0, 1e9, 'L') : 0;
    }
    // A large garden's beds are followed from one watering to the next as the days come.
    if (quick) goOnUntil(date);
    const refuse = (refused: readonly Refused[]): void => {
      const later = quick ? inTurn(refused, dueOn(date), weigh) : null;
      for (const [k, { due, why, litres }] of refused.entries()) {
        const made =
          litres > 0
            ? follow(due.plans, 'in part', date, litres, why)
            : follow(due.plans, 'put off', date, later?.[k]);
        due.unit.forEach((i, n) => (current[i] = made[n] as BedPlan));
        if (litres > 0) continue;
        for (const { bedId, handsOnMinutes, run } of due.waterings)
          leftOut.push({ bedId, date, until: null, minutes: handsOnMinutes, litres: run.litres, why });
      }
    };
    refuse(
      overWeek(
        dueOf(units, current, ({ date: on }) => on >= date && on <= addDays(week.monday, 6)),
        date,
        week,
        constraints,
        weigh,
      ),
    );
    const { minutesPerDay, litresPerDay } = leftOfDay(constraints, d === 0);
    const limits = limitsOf({
      minutes: minutesPerDay,
      litres: litresPerDay,
      turns: Math.max(
        0,
        (constraints.turnsPerDay ?? TURNS_A_DAY) - (d === 0 ? (options.turnsToday ?? 0) : 0),
      ),
      sources: sources.map(([tap, source]) => [tap, source.level()]),
    });
    refuse(overWhole(dueOn(date), limits, weigh));
    refuse(overParts(dueOn(date), limits, weigh));
    let slots: RunSlot[] = [];
    if (sun) {
      const due = dueOn(date);
      const made = clocked(book, due, date, constraints, sun);
      const unfit = new Set(made.unfit);
      refuse(
        due
          .filter(({ waterings }) => waterings.some(({ bedId }) => unfit.has(bedId)))
          .map((x) => ({ due: x, why: 'open hours' as const, litres: 0 })),
      );
      slots = made.slots;
      schedule.push({ date, sun, slots });
    }
    const given = dueOn(date);
    week.litres += given.reduce((sum, due) => sum + takenBy(due, (_plan, { run }) => run.litres), 0);
    for (const [tap, source] of sources) source.step(0, takenFrom(given, tap));
  }
  if (quick) goOnUntil(addDays(options.today, options.horizonDays));
  return { plans: current, leftOut: eachOnce(leftOut, current), schedule };
}

/**
 * Days after which each of those that were refused has its turn: as many a day as found room today, what presses most first.
 * A large garden's beds are not asked on every day on which there is no room for them.
 */
function inTurn(refused: readonly Refused[], due: readonly Due[], weigh: Weigh): number[] {
  const forTurns = refused[0]?.why === 'turns of the tap';
  const competing = forTurns ? due.filter((x) => takenBy(x, turnsOf) > 0) : due;
  const aDay = Math.max(1, competing.length - refused.length);
  const losses = refused.map((x) => weigh(x.due).loss);
  const order = losses.map((_, k) => k).sort((a, b) => (losses[b] as number) - (losses[a] as number));
  const later = new Array<number>(refused.length);
  order.forEach((k, rank) => {
    later[k] = Math.min(ASKED_AGAIN_DAYS, 1 + Math.floor(rank / aDay));
  });
  return later;
}

/** What is to be watered on a day, or on the first of some days on which it is, beds of a zone together. */
const dueOf = (
  units: readonly (readonly number[])[],
  plans: readonly BedPlan[],
  isOn: (watering: PlannedWatering) => boolean,
): Due[] =>
  units.flatMap((unit) => {
    const mine = unit.map((i) => plans[i] as BedPlan);
    const days = new Map<IsoDate, PlannedWatering[]>();
    for (const watering of mine.flatMap(({ waterings }) => waterings.filter(isOn)))
      days.set(watering.date, [...(days.get(watering.date) ?? []), watering]);
    return [...days.values()].map((waterings) => ({ unit, plans: mine, waterings }));
  });

/** What a watering, or a run of a zone, takes of a limit. */
const takenBy = ({ plans, waterings }: Due, takes: Limit['takes']): number =>
  waterings.reduce((sum, watering) => {
    const plan = plans.find(({ bed }) => bed.id === watering.bedId);
    return plan ? sum + takes(plan, watering) : sum;
  }, 0);

/** What waiting costs a watering, and what shares of it save where it else waits so many days, ascending to the whole. */
interface Weighed {
  loss: number;
  steps: (waits: number) => Divisible['steps'];
}
type Weigh = (due: Due) => Weighed;

/** Gardens with more beds are weighed by how each presses today, not by following each through the fortnight. Judgement. */
export const LARGE = 60;
/** Their runs are put on the clock for a week: beyond it the weather moves them anyway. Judgement. */
const CLOCKED_DAYS = 7;

/** However many wait before it, a bed that found no room is asked again after so many days: rain may have made some. Judgement. */
const ASKED_AGAIN_DAYS = 4;

/** Parts of a watering that are asked for what they save besides the whole, shares. Judgement: what comes first saves most. */
const PARTS = [0.25, 0.5];

/** What waiting costs a bed: what its plants miss more when a watering is put off. Asked once for each plan of a bed. */
function weigher(follow: FollowTogether, quick: boolean): Weigh {
  if (quick)
    return (due) => {
      const loss = LEAST_LOSS + takenBy(due, (plan, watering) => pressing(plan.bed, watering));
      return { loss, steps: () => [{ share: 1, saves: loss }] };
    };
  const known = new WeakMap<PlannedWatering, Weighed>();
  return (due) => {
    const { plans } = due;
    const first = item(due.waterings, 0);
    const before = known.get(first);
    if (before) return before;
    const { date } = first;
    const litres = takenBy(due, (_plan, { run }) => run.litres);
    const lostBy = (tried: readonly BedPlan[]): number =>
      tried.reduce((sum, { outlook }) => sum + outlook.lostL, 0);
    const steps = (waits: number): Divisible['steps'] => {
      // What is short today is short tomorrow: after its part a bed waits as long as without it.
      const waiting = (given: readonly BedPlan[]): readonly BedPlan[] =>
        waits > 1 ? follow(given, 'put off', addDays(date, 1), waits - 1) : given;
      const none = lostBy(follow(plans, 'put off', date, waits));
      const saves = (share: number, given: readonly BedPlan[]): { share: number; saves: number } => ({
        share,
        saves: share * LEAST_LOSS + Math.max(0, none - lostBy(waiting(given))),
      });
      const parts = PARTS.map((share) =>
        saves(share, follow(plans, 'in part', date, share * litres, 'litres a day')),
      );
      return [...parts, saves(1, plans)];
    };
    const loss = LEAST_LOSS + Math.max(0, lostBy(follow(plans, 'put off', date)) - lostBy(plans));
    const weighed: Weighed = { loss, steps };
    known.set(first, weighed);
    return weighed;
  };
}

/** A day's limits, less what was given on it already. */
const leftOfDay = (caps: PlanConstraints, isToday: boolean): PlanConstraints => {
  const given = isToday ? caps.givenToday : undefined;
  if (!given) return caps;
  const left = (cap: number | undefined, gone: number): number | undefined =>
    cap === undefined ? undefined : Math.max(0, cap - gone);
  return {
    ...caps,
    minutesPerDay: left(caps.minutesPerDay, given.minutes),
    litresPerDay: left(caps.litresPerDay, given.litres),
  };
};

/** Whether the waterings take more of a limit than there is. */
const isOver = (due: readonly Due[], { left, takes }: Limit): boolean =>
  due.reduce((sum, x) => sum + takenBy(x, takes), 0) > left + 1e-9;

/** The class in which it competes: of a zone, that of the bed that comes first. */
const tierOfAll = (due: Due): Competing['tier'] =>
  due.waterings.reduce<Competing['tier']>((first, watering) => {
    const plan = due.plans.find(({ bed }) => bed.id === watering.bedId);
    const tier = plan ? tierOf(plan, watering) : first;
    return tier < first ? tier : first;
  }, 2);

/** What limits refuse of which a part would take as much as the whole: a person's minutes and turns of a tap. */
function overWhole(due: readonly Due[], limits: readonly Limit[], weigh: Weigh): Refused[] {
  const rows = limits.filter(({ divides }) => !divides);
  const over = rows.find((row) => isOver(due, row));
  if (!over) return [];
  const made = allocateDay(
    due.map((x): Competing => ({
      takes: rows.map(({ takes }) => takenBy(x, takes)),
      loss: weigh(x).loss,
      tier: tierOfAll(x),
    })),
    rows.map(({ left }) => left),
  );
  return due.flatMap((x, k) => (made[k] ? [] : [{ due: x, why: over.why, litres: 0 }]));
}

/** Less than this of a watering is not carried there, mm where it falls. Judgement. */
const LEAST_PART_MM = 4;

/** Whoever gets nothing today is taken to wait as long as the water takes to go round, but no longer than this, days. Judgement. */
const MOST_WAIT_DAYS = 5;
const waitsFor = (due: readonly Due[], over: readonly Limit[]): number =>
  Math.max(
    1,
    ...over.map(({ left, takes }) => {
      const wanted = due.reduce((sum, x) => sum + takenBy(x, takes), 0);
      return Math.min(MOST_WAIT_DAYS, Math.ceil(wanted / Math.max(1e-9, left)));
    }),
  );

/** What limits of water leave of the waterings: each gets the part that saves most for what it takes. */
function overParts(due: readonly Due[], limits: readonly Limit[], weigh: Weigh): Refused[] {
  const rows = limits.filter(({ divides }) => divides);
  const over = rows.filter((row) => isOver(due, row));
  if (over.length === 0) return [];
  const waits = waitsFor(due, over);
  const shares = shareOut(
    due.map((x): Divisible => ({
      takes: rows.map(({ takes }) => takenBy(x, takes)),
      steps: weigh(x).steps(waits),
      leastShare: Math.min(1, LEAST_PART_MM / Math.max(...x.waterings.map(({ run }) => run.localMm))),
      tier: tierOfAll(x),
    })),
    rows.map(({ left }) => left),
  );
  return due.flatMap((x, k) => {
    const share = shares[k] as number;
    if (share > 1 - 1e-6) return [];
    const { why } = over.find(({ takes }) => takenBy(x, takes) > 0) ?? item(over, 0);
    return [{ due: x, why, litres: share * takenBy(x, (_plan, { run }) => run.litres) }];
  });
}

/** Litres that a day takes from the source of a tap. */
const takenFrom = (due: readonly Due[], tap: number): number =>
  due.reduce((sum, x) => sum + takenBy(x, ({ bed }, { run }) => (bed.tap === tap ? run.litres : 0)), 0);

/** What the week's litres leave of today's: everything still planned this week competes for what is left of them. */
function overWeek(
  rest: readonly Due[],
  date: IsoDate,
  week: { monday: IsoDate; litres: number },
  constraints: PlanConstraints,
  weigh: Weigh,
): Refused[] {
  const cap = constraints.litresPerWeek;
  if (cap === undefined) return [];
  return overParts(rest, [weekLimit(Math.max(0, cap - week.litres))], weigh).filter(
    ({ due }) => due.waterings[0]?.date === date,
  );
}

/** Each putting off told once, from its first day to the day it finds room. */
function eachOnce(leftOut: LeftOut[], plans: readonly BedPlan[]): LeftOut[] {
  const byBed = new Map(plans.map((plan) => [plan.bed.id, plan.waterings]));
  const first = new Map<string, LeftOut>();
  for (const left of leftOut) {
    const until = byBed.get(left.bedId)?.find((w) => w.date > left.date)?.date ?? null;
    const key = `${left.bedId} ${until}`;
    if (!first.has(key)) first.set(key, { ...left, until });
  }
  return [...first.values()].sort((a, b) => daysBetween(b.date, a.date));
}
