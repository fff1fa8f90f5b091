import { addDays, daysBetween, type IsoDate } from '../units/dates.ts';
import { openSource } from '../sources/index.ts';
import { within } from '../units/guard.ts';
import type { Site } from '../weather/types.ts';
import { allocateDay, type Competing } from './allocate.ts';
import { clocked, newClockBook, sunOf, type ClockBook } from './clockBook.ts';
import type { PlannedWatering } from '../follow/types.ts';
import type { PlanConstraints } from '../clock/constraints.ts';
import { pressing } from '../clock/dayJobs.ts';
import type { RunSlot } from '../clock/daySchedule.ts';
import { tierOf } from './tiers.ts';
import type { BedPlan, Cap, ClockedDay, Follow, LeftOut } from './types.ts';
import { mondayOf } from '../units/weekdays.ts';

/** Litres of stress any watering is worth at least, so that none is worth nothing. Judgement. */
const LEAST_LOSS = 0.01;

/** Times in a day that taps are opened again, beyond each place's first: more is nobody's morning. Judgement. */
export const TURNS_A_DAY = 10;

interface Refused {
  due: Pick<Due, 'i' | 'watering'>;
  why: Cap;
}
interface Due {
  i: number;
  watering: PlannedWatering;
  item: Competing;
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
  follow: Follow,
): {
  plans: BedPlan[];
  leftOut: LeftOut[];
  schedule: ClockedDay[];
} {
  const quick = plans.length > LARGE;
  const book = options.book ?? newClockBook();
  const weigh = weigher(follow, quick);
  const current = [...plans];
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
      if (plan.open && last !== undefined && last < date) current[i] = follow(plan, 'gone on', last);
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
      const later = quick ? inTurn(refused, dueOn(current, date), current, weigh) : null;
      for (const [k, { due, why }] of refused.entries()) {
        const { watering, i } = due;
        leftOut.push({
          bedId: watering.bedId,
          date,
          until: null,
          minutes: watering.handsOnMinutes,
          litres: watering.run.litres,
          why,
        });
        current[i] = follow(current[i] as BedPlan, 'put off', date, later?.[k]);
      }
    };
    refuse(overWeek(current, date, week, constraints, weigh));
    refuse(
      overDay(
        current,
        date,
        leftOfDay(constraints, d === 0),
        Math.max(0, TURNS_A_DAY - (d === 0 ? (options.turnsToday ?? 0) : 0)),
        weigh,
      ),
    );
    for (const [tap, source] of sources) refuse(overSource(current, date, tap, source.level(), weigh));
    let slots: RunSlot[] = [];
    if (sun) {
      const due = dueOn(current, date).map((x) => ({ ...x, plan: current[x.i] as BedPlan }));
      const made = clocked(book, due, date, constraints, sun);
      const unfit = new Set(made.unfit);
      refuse(
        due
          .filter(({ watering }) => unfit.has(watering.bedId))
          .map((x) => ({ due: x, why: 'open hours' as const })),
      );
      slots = made.slots;
      schedule.push({ date, sun, slots });
    }
    week.litres += dueOn(current, date).reduce((sum, { watering }) => sum + watering.run.litres, 0);
    for (const [tap, source] of sources) source.step(0, litresOf(onTap(current, date, tap)));
  }
  if (quick) goOnUntil(addDays(options.today, options.horizonDays));
  return { plans: current, leftOut: eachOnce(leftOut, current), schedule };
}

/**
 * Days after which each of those that were refused has its turn: as many a day as found room today, what presses most first.
 * A large garden's beds are not asked on every day on which there is no room for them.
 */
function inTurn(
  refused: readonly Refused[],
  due: ReturnType<typeof dueOn>,
  plans: readonly BedPlan[],
  weigh: Weigh,
): number[] {
  const forTurns = refused[0]?.why === 'turns of the tap';
  const competing = forTurns
    ? due.filter(({ i, watering }) => turnsOf(plans[i] as BedPlan, watering) > 0)
    : due;
  const aDay = Math.max(1, competing.length - refused.length);
  const losses = refused.map(({ due }) => weigh(plans[due.i] as BedPlan, due.watering).loss);
  const order = losses.map((_, k) => k).sort((a, b) => (losses[b] as number) - (losses[a] as number));
  const later = new Array<number>(refused.length);
  order.forEach((k, rank) => {
    later[k] = Math.min(ASKED_AGAIN_DAYS, 1 + Math.floor(rank / aDay));
  });
  return later;
}

const dueOn = (plans: readonly BedPlan[], date: IsoDate): { i: number; watering: PlannedWatering }[] =>
  plans.flatMap((plan, i) => {
    const watering = plan.waterings.find((w) => w.date === date);
    return watering ? [{ i, watering }] : [];
  });

const itemOf = (plan: BedPlan, watering: PlannedWatering, loss: number): Competing => ({
  minutes: watering.handsOnMinutes,
  litres: watering.run.litres,
  turns: turnsOf(plan, watering),
  loss,
  tier: tierOf(plan, watering),
});

/** Times its tap is opened again after the first; a timer does that by itself. */
export const turnsOf = ({ bed }: BedPlan, { run }: PlannedWatering): number =>
  bed.delivery.timer ? 0 : run.cycles - 1;

type Weigh = (plan: BedPlan, watering: PlannedWatering) => Competing;

/** Gardens with more beds are weighed by how each presses today, not by following each through the fortnight. Judgement. */
export const LARGE = 60;
/** Their runs are put on the clock for a week: beyond it the weather moves them anyway. Judgement. */
const CLOCKED_DAYS = 7;

/** However many wait before it, a bed that found no room is asked again after so many days: rain may have made some. Judgement. */
const ASKED_AGAIN_DAYS = 4;

/** What waiting costs a bed: what its plants miss more when a watering is put off. Asked once for each plan of a bed. */
function weigher(follow: Follow, quick: boolean): Weigh {
  if (quick) return (plan, watering) => itemOf(plan, watering, LEAST_LOSS + pressing(plan.bed, watering));
  const known = new WeakMap<PlannedWatering, Competing>();
  return (plan, watering) => {
    const before = known.get(watering);
    if (before) return before;
    const { date } = watering;
    const waited = follow(plan, 'put off', date);
    const item = itemOf(plan, watering, LEAST_LOSS + Math.max(0, waited.outlook.lostL - plan.outlook.lostL));
    known.set(watering, item);
    return item;
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

/** What a day's own caps refuse. */
function overDay(
  plans: readonly BedPlan[],
  date: IsoDate,
  constraints: PlanConstraints,
  turns: number,
  weigh: Weigh,
): Refused[] {
  const caps = { minutes: constraints.minutesPerDay, litres: constraints.litresPerDay, turns };
  const due = dueOn(plans, date);
  const sum = (of: (x: (typeof due)[number]) => number): number => due.reduce((s, x) => s + of(x), 0);
  const over = {
    minutes: sum((x) => x.watering.handsOnMinutes) > (caps.minutes ?? Number.POSITIVE_INFINITY),
    litres: sum((x) => x.watering.run.litres) > (caps.litres ?? Number.POSITIVE_INFINITY),
    turns: sum((x) => turnsOf(plans[x.i] as BedPlan, x.watering)) > turns,
  };
  if (!over.minutes && !over.litres && !over.turns) return [];
  const why: Cap = over.minutes ? 'minutes a day' : over.litres ? 'litres a day' : 'turns of the tap';
  const items: Due[] = due.map((x) => ({ ...x, item: weigh(plans[x.i] as BedPlan, x.watering) }));
  const made = allocateDay(
    items.map((x) => x.item),
    caps,
  );
  return items.flatMap((x, k) => {
    if (made[k]) return [];
    return [{ due: x, why }];
  });
}

const litresOf = (due: ReturnType<typeof dueOn>): number =>
  due.reduce((sum, { watering }) => sum + watering.run.litres, 0);
const onTap = (plans: readonly BedPlan[], date: IsoDate, tap: number): ReturnType<typeof dueOn> =>
  dueOn(plans, date).filter(({ i }) => plans[i]?.bed.tap === tap);

/** What a source has no water for today. @param level litres that can be taken from it */
function overSource(
  plans: readonly BedPlan[],
  date: IsoDate,
  tap: number,
  level: number,
  weigh: Weigh,
): Refused[] {
  const due = onTap(plans, date, tap);
  if (litresOf(due) <= level) return [];
  const made = allocateDay(
    due.map((x) => weigh(plans[x.i] as BedPlan, x.watering)),
    { litres: level },
  );
  return due.flatMap((x, k) => (made[k] ? [] : [{ due: x, why: 'its source' as const }]));
}

/** What the week's litres refuse today: everything still planned this week competes for what is left of them. */
function overWeek(
  plans: readonly BedPlan[],
  date: IsoDate,
  week: { monday: IsoDate; litres: number },
  constraints: PlanConstraints,
  weigh: Weigh,
): Refused[] {
  const cap = constraints.litresPerWeek;
  if (cap === undefined) return [];
  const left = Math.max(0, cap - week.litres);
  const last = addDays(week.monday, 6);
  const rest = plans.flatMap((plan, i) =>
    plan.waterings.filter((w) => w.date >= date && w.date <= last).map((watering) => ({ i, watering })),
  );
  if (rest.reduce((sum, { watering }) => sum + watering.run.litres, 0) <= left) return [];
  const items: Due[] = rest.map((x) => ({ ...x, item: weigh(plans[x.i] as BedPlan, x.watering) }));
  const made = allocateDay(
    items.map((x) => x.item),
    { litres: left },
  );
  return items.flatMap((x, k) =>
    made[k] || x.watering.date !== date ? [] : [{ due: x, why: 'litres a week' as const }],
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
