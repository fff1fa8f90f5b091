import type { BedStart } from '../follow/bedStart.ts';
import { PASSES } from '../delivery/fittingRun.ts';
import { followAhead, type AheadOptions, type Followed } from '../follow/follow.ts';
import type { PlanBed, ZoneRun } from '../follow/types.ts';
import { WORST_TENTH } from '../follow/waiting.ts';
import type { ZoneAsk } from '../follow/zoneAsk.ts';
import { addDays, type IsoDate } from '../units/dates.ts';
import type { BedPlan, Cap, Tried } from './types.ts';

/** A run is long enough when it brings this share of what the beds want that cannot wait: one thirsty bed does not drown the others. Judgement. */
const ENOUGH_OF_WANTED = 0.9;

/** What is settled of a zone from outside: days on which it does not run, and runs that get no more than so many litres. */
interface ZoneLimits {
  blocked: readonly IsoDate[];
  parts: Readonly<Record<IsoDate, { litres: number; why: Cap }>>;
  /** Days on which it has its turn besides its rounds: after it was put off, or given a part. */
  asked: readonly IsoDate[];
}
const NO_LIMITS: ZoneLimits = { blocked: [], parts: {}, asked: [] };

/** Why a zone runs at once, whatever its beds could wait for together: the plants of one would suffer, or somebody asked for it. */
const CANNOT_WAIT: ReadonlySet<string> = new Set([
  'floor',
  'gap',
  'ball',
  'plug',
  'seedbed',
  'planting drench',
  'after the dry spell',
  'wilting',
  'set by hand',
  'fixed week',
  'refill line',
]);

interface Asking {
  bed: PlanBed;
  ask: ZoneAsk;
}

const sum = (asking: readonly Asking[], of: (ask: ZoneAsk) => number): number =>
  asking.reduce((total, { ask }) => total + of(ask), 0);

/** No bed may lose more than so many times what its own goal allows, however little the others of its zone lose. Judgement. */
const MOST_TO_ONE = 2;

/**
 * Whether a zone runs on a day: when one of its beds cannot wait at all, or when its beds together lose more growth by waiting than
 * their goals allow them together; it does not run on frozen ground or a closed day.
 */
function runs(asking: readonly Asking[]): boolean {
  const due = asking.filter(({ ask }) => ask.code !== null);
  if (due.length === 0 || asking.some(({ ask }) => ask.barred)) return false;
  if (due.some(({ ask }) => CANNOT_WAIT.has(ask.code as string))) return true;
  const isStarved = ({ ask: { waiting } }: Asking): boolean =>
    waiting !== null && waiting.spentL + waiting.lostL > MOST_TO_ONE * waiting.allowedL;
  if (due.some(isStarved)) return true;
  const spentL = sum(asking, ({ waiting }) => waiting?.spentL ?? 0);
  const lostL = sum(asking, ({ waiting }) => waiting?.lostL ?? 0);
  const highL = sum(asking, ({ waiting }) => waiting?.highL ?? 0);
  const allowedL = sum(asking, ({ waiting }) => waiting?.allowedL ?? 0);
  return spentL + lostL > allowedL || spentL + highL > WORST_TENTH * allowedL;
}

/** The shortest run that fills one of those who cannot wait and brings all of them nearly what they want together. */
function minutesFor(due: readonly Asking[]): number {
  const wantedL = sum(due, (ask) => ask.minutes * ask.litresPerMinute);
  const givenL = (minutes: number): number =>
    sum(due, (ask) => Math.min(minutes, ask.minutes) * ask.litresPerMinute);
  const tried = due.map(({ ask }) => ask.minutes).sort((a, b) => a - b);
  return tried.find((minutes) => givenL(minutes) >= ENOUGH_OF_WANTED * wantedL) ?? 0;
}

/** The least that a zone is opened for, minutes. Judgement. */
const LEAST_MINUTES = 1;
/** Tries at making a run short enough. */
const TRIES = 12;

type Turns = Pick<ZoneRun, 'cycles' | 'soakMinutes'>;

/** Turns that a run of so many minutes comes in: as many as the ground needs that takes it slowest. */
function turnsFor(asking: readonly Asking[], minutes: number): Turns {
  const each = asking.map(({ ask }) => ask.turnsFor(minutes));
  return {
    cycles: Math.max(...each.map(({ cycles }) => cycles)),
    soakMinutes: Math.max(...each.map(({ soakMinutes }) => soakMinutes)),
  };
}

/** What a zone takes of its tap, L/min. */
const flowOf = (asking: readonly Asking[]): number =>
  asking.reduce((total, { bed }) => total + bed.delivery.litresPerMinute, 0);

/** Minutes that one run may have in such turns, by what any of its beds may be given at once, and the limit that says so. */
function mostMinutes(
  asking: readonly Asking[],
  minutes: number,
  { cycles, soakMinutes }: Turns,
): { most: number; by: Cap } {
  const rests = (cycles - 1) * soakMinutes;
  const flow = flowOf(asking);
  const caps = asking.flatMap(({ bed: { most = {}, delivery } }): { most: number; by: Cap }[] => {
    const { totalMinutes = Infinity, longestMinutes = Infinity, litres = Infinity } = most;
    const passes = delivery.timer ? cycles : (most.passes ?? PASSES);
    return [
      { most: totalMinutes - rests, by: 'open hours' },
      { most: longestMinutes - rests, by: 'longest run' },
      { most: litres / flow, by: most.litresBy ?? 'litres a day' },
      { most: (minutes * Math.min(cycles, passes)) / cycles, by: 'turns at a bed' },
    ];
  });
  return caps.reduce((least, next) => (next.most < least.most ? next : least));
}

/** A run of at most so many minutes, cut to what it may be, with its turns and what cut it. */
function fitting(asking: readonly Asking[], wanted: number): Pick<ZoneRun, 'minutes' | 'why'> & Turns {
  let minutes = Math.max(LEAST_MINUTES, wanted);
  let turns = turnsFor(asking, minutes);
  let why: Cap | null = null;
  for (let k = 0; k < TRIES; k += 1) {
    const { most, by } = mostMinutes(asking, minutes, turns);
    if (minutes <= most + 1e-6 || minutes <= LEAST_MINUTES) break;
    why = by;
    minutes = Math.max(LEAST_MINUTES, most);
    turns = turnsFor(asking, minutes);
  }
  return { minutes, why, ...turns };
}

/** The run of a zone on a day, as its beds ask for it; null where it does not run. */
function runOf(asking: readonly Asking[], date: IsoDate, { blocked, parts }: ZoneLimits): ZoneRun | null {
  if (blocked.includes(date) || !runs(asking)) return null;
  const due = asking.filter(({ ask }) => ask.minutes > 0);
  const [first] = due;
  if (!first) return null;
  const part = parts[date];
  // The bed for whose sake it runs: what cannot wait at all, then what loses most.
  const rank = ({ ask }: Asking): number =>
    (CANNOT_WAIT.has(ask.code ?? '') ? 1e9 : 0) + (ask.waiting?.lostL ?? 0);
  const lead = due.reduce((a, b) => (rank(b) > rank(a) ? b : a), first);
  const run = fitting(asking, Math.min(minutesFor(due), (part?.litres ?? Infinity) / flowOf(asking)));
  return { date, ...run, why: run.why ?? part?.why ?? null, beds: asking.length, lead: lead.bed.id };
}

interface ZoneOptions extends Pick<AheadOptions, 'today' | 'horizonDays' | 'firstReasons'> {
  startOf: (bedId: number) => BedStart;
}

/**
 * The runs of one zone ahead: its beds are followed side by side, and on each day they are asked together whether the zone can wait.
 * What a bed gets beyond its need goes into its balance and is lost there as far as its ground cannot hold it.
 * @param plans the plans of its beds, each with the days on which it is asked; `limits` what was settled of its days from outside
 * @returns the same beds with the runs of their zone
 * Source: judgement; growth as the engine has it, summed over the beds as over the plantings of one bed.
 */
function followZone(plans: readonly BedPlan[], limits: ZoneLimits, options: ZoneOptions): BedPlan[] {
  const { today, horizonDays, startOf, firstReasons } = options;
  const ahead = { today, horizonDays, firstReasons, sketch: true };
  const asked = askedTogether(plans, limits.asked);
  const beds = plans.map(({ bed }): PlanBed => ({ ...bed, asked }));
  const zoneRuns: ZoneRun[] = [];
  let walks: (Followed | undefined)[] = beds.map(() => undefined);
  for (let d = 0; d < horizonDays; d += 1) {
    const date = addDays(today, d);
    walks = beds.map((bed, i) =>
      followAhead(
        startOf(bed.id),
        { ...bed, zoneRuns: [...zoneRuns] },
        { ...ahead, stopOn: date, resume: walks[i]?.open },
      ),
    );
    const asking = beds.flatMap((bed, i): Asking[] => {
      const ask = walks[i]?.ask;
      // What was watered or left today is not watered again with the others.
      return ask && !(d === 0 && isSettled(bed, today)) ? [{ bed, ask }] : [];
    });
    const run = asking.length > 0 ? runOf(asking, date, limits) : null;
    if (run) zoneRuns.push(run);
  }
  return beds.map((bed) => followAhead(startOf(bed.id), { ...bed, zoneRuns }, ahead));
}

const isSettled = ({ settledToday, irrigations }: PlanBed, today: IsoDate): boolean =>
  settledToday === true || irrigations.some(({ date }) => date === today);

/** The days on which any of its beds is asked; every day where one is. */
function askedTogether(plans: readonly BedPlan[], more: readonly IsoDate[]): PlanBed['asked'] {
  if (plans.some(({ bed }) => !bed.asked)) return undefined;
  return [...new Set([...plans.flatMap(({ bed }) => bed.asked ?? []), ...more])].sort();
}

/** How plans of beds that are watered together are tried another way, as `Follow` tries one. */
export type FollowTogether = (
  plans: readonly BedPlan[],
  how: Tried,
  date: IsoDate,
  amount?: number,
  why?: Cap,
) => readonly BedPlan[];

/** What was settled of zones before: from which plans, and what was tried on them; the first bed's plan is the key. */
export interface ZoneMemo {
  settled: WeakMap<BedPlan, { of: readonly BedPlan[]; made: readonly BedPlan[] }>;
  tried: WeakMap<BedPlan, Map<string, readonly BedPlan[]>>;
  limits: WeakMap<BedPlan, ZoneLimits>;
}
export const newZoneMemo = (): ZoneMemo => ({
  settled: new WeakMap(),
  tried: new WeakMap(),
  limits: new WeakMap(),
});

/**
 * Plans the zones of a garden.
 * @param memo what was settled before, and from now on what is settled here
 * @returns `settle` puts the beds of a zone on common runs; `follow` tries those another way
 */
export function zoneFollower(
  options: ZoneOptions,
  memo: ZoneMemo,
): { settle: (plans: readonly BedPlan[]) => readonly BedPlan[]; follow: FollowTogether } {
  const under = (plans: readonly BedPlan[], limits: ZoneLimits): readonly BedPlan[] => {
    const made = followZone(plans, limits, options);
    const [first] = made;
    if (first) memo.limits.set(first, limits);
    return made;
  };
  return {
    settle: (plans) => {
      const [first] = plans;
      if (!first) return plans;
      const before = memo.settled.get(first);
      if (before?.of.length === plans.length && before.of.every((plan, i) => plan === plans[i]))
        return before.made;
      const made = under(plans, NO_LIMITS);
      memo.settled.set(first, { of: plans, made });
      return made;
    },
    follow: (plans, how, date, amount, why = 'litres a day') => {
      const [first] = plans;
      if (!first || how === 'gone on') return plans;
      const key = `${how} ${date} ${amount ?? ''} ${why}`;
      const ways = memo.tried.get(first) ?? new Map<string, readonly BedPlan[]>();
      memo.tried.set(first, ways);
      const limits = memo.limits.get(first) ?? NO_LIMITS;
      const made = ways.get(key) ?? under(plans, LIMITED[how](limits, date, { amount, why }));
      ways.set(key, made);
      return made;
    },
  };
}

/** What is settled of a zone under each way of trying it. */
const LIMITED: Readonly<
  Record<
    Exclude<Tried, 'gone on'>,
    (limits: ZoneLimits, date: IsoDate, tried: { amount: number | undefined; why: Cap }) => ZoneLimits
  >
> = {
  'put off': (limits, date, { amount: days = 1 }) => ({
    ...limits,
    blocked: [...limits.blocked, ...Array.from({ length: days }, (_, d) => addDays(date, d))],
    asked: [...limits.asked, addDays(date, days)],
  }),
  'left out': (limits, date) => ({ ...limits, blocked: [...limits.blocked, date] }),
  'in part': (limits, date, { amount: litres = 0, why }) => ({
    ...limits,
    parts: { ...limits.parts, [date]: { litres, why } },
    // What a day's water leaves wanting has its turn tomorrow; a week's is used up.
    asked: why === 'litres a week' ? limits.asked : [...limits.asked, addDays(date, 1)],
  }),
};

/** The places of plans in a list that are watered together, by their zone; a bed without one is by itself. */
export function inZones(plans: readonly BedPlan[]): number[][] {
  const zones = new Map<number, number[]>();
  const units: number[][] = [];
  for (const [i, { bed }] of plans.entries()) {
    const { zone } = bed;
    const known = zone === undefined ? undefined : zones.get(zone);
    if (known) known.push(i);
    else {
      const unit = [i];
      if (zone !== undefined) zones.set(zone, unit);
      units.push(unit);
    }
  }
  return units;
}
