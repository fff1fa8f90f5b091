import type { Span } from './openSpans.ts';

/** A watering to be given its place in a day. */
export interface DayJob {
  bedId: number;
  cycles: number;
  /** Minutes of water in each cycle, and the least rest between two. */
  runMinutes: number;
  soakMinutes: number;
  /** The tap it draws from, and what it takes of it, L/min. Beds without a tap of their own share one. */
  tap: number | null;
  litresPerMinute: number;
  /** Somebody stands there while it runs. */
  byHand: boolean;
  /** The plants hang: before all others. */
  urgent: boolean;
  /** What is lost when it has to wait; the least goes first when the hours are too short. */
  loss: number;
  /** Best hours, then wider ones, as `openSpans` gives them. */
  spans: readonly (readonly Span[])[];
}

/** Lines and taps of a garden. */
export interface DayLines {
  /** Lines that may run at the same time in the whole garden; left out, one for each tap. */
  lines?: number;
  /** What a tap can give, L/min, where it was measured: several lines run on it as long as it feeds them. */
  tapLitresPerMinute?: Readonly<Record<number, number>>;
}

/** One run of one bed on the clock, minutes from midnight. */
export interface RunSlot {
  bedId: number;
  from: number;
  until: number;
  /** Which of its cycles this is, from 1. */
  cycle: number;
  cycles: number;
}

export interface DaySchedule {
  /** In the order of the clock. */
  slots: RunSlot[];
  /** Beds whose runs find no room in the day's open hours. */
  unfit: number[];
}

/** Minutes that rounding may take. */
const EPS = 1e-6;
/** With so many beds left without room, half of them go at once. */
const MANY = 12;

/**
 * Puts a day's waterings on the clock: no line, tap or person is asked for two things at once, the soak of one bed is
 * used for another, by hand all first passes come before the second ones, and nothing runs outside its hours. Hours that
 * are second best are used only by what does not fit into the best.
 * @param jobs in the order of the walk
 * @param lines how much can run at once
 * @returns runs by the clock, and what found no room
 * Source: list scheduling; the order of passes is common practice.
 */
export function daySchedule(jobs: readonly DayJob[], lines: DayLines = {}): DaySchedule {
  let taken = jobs;
  let made = widenAsNeeded(taken, lines);
  const dropped: DayJob[] = [];
  while (made.left.length > 0) {
    const { left } = made;
    // What stands in the way of those left goes with them into the choice.
    const rivals = taken.filter((job) =>
      left.some(
        (l) => l === job || l.tap === job.tap || (l.byHand && job.byHand) || lines.lines !== undefined,
      ),
    );
    const worst = rivals.sort((x, y) => Number(x.urgent) - Number(y.urgent) || x.loss - y.loss);
    const out = new Set(worst.slice(0, left.length > MANY ? Math.ceil(left.length / 2) : 1));
    dropped.push(...out);
    taken = taken.filter((job) => !out.has(job));
    made = widenAsNeeded(taken, lines);
  }
  // Some that were let go were not in the way after all.
  if (dropped.length <= MANY) {
    for (const job of [...dropped].sort((x, y) => y.loss - x.loss)) {
      const more = jobs.filter((j) => j === job || taken.includes(j));
      const tried = widenAsNeeded(more, lines);
      if (tried.left.length > 0) continue;
      taken = more;
      made = tried;
    }
  }
  return { slots: made.slots, unfit: dropped.filter((job) => !taken.includes(job)).map((job) => job.bedId) };
}

/** Tries the best hours; what has no room there may use the next best. */
function widenAsNeeded(jobs: readonly DayJob[], lines: DayLines): { slots: RunSlot[]; left: DayJob[] } {
  const tier = new Map(jobs.map((job) => [job, 0]));
  for (;;) {
    const { slots, left } = dispatch(jobs, (job) => job.spans[tier.get(job) ?? 0] ?? [], lines);
    const wider = left.filter((job) => (tier.get(job) ?? 0) + 1 < job.spans.length);
    if (wider.length === 0) return { slots, left };
    for (const job of wider) tier.set(job, (tier.get(job) ?? 0) + 1);
  }
}

interface Going {
  job: DayJob;
  spans: readonly Span[];
  done: number;
  readyAt: number;
  /** Minutes in which it may run: those with the least choose first. */
  room: number;
}
interface Running {
  going: Going;
  until: number;
}

function dispatch(
  jobs: readonly DayJob[],
  spansOf: (job: DayJob) => readonly Span[],
  lines: DayLines,
): { slots: RunSlot[]; left: DayJob[] } {
  const waiting: Going[] = jobs.map((job) => {
    const spans = spansOf(job);
    return { job, spans, done: 0, readyAt: 0, room: spans.reduce((sum, s) => sum + s.until - s.from, 0) };
  });
  const slots: RunSlot[] = [];
  let running: Running[] = [];
  let open = waiting.filter((g) => g.spans.length > 0);
  let now = nextTime(Number.NEGATIVE_INFINITY, open, running);
  while (now !== null) {
    const t = now;
    running = running.filter((r) => r.until > t + EPS);
    for (;;) {
      let best: Going | null = null;
      for (const g of open) {
        if (g.readyAt > t + EPS || running.some((r) => r.going === g)) continue;
        if (!mayRun(g, t) || !hasLine(g.job, running, lines)) continue;
        if (!best || before(g, best)) best = g;
      }
      if (!best) break;
      const { job } = best;
      const until = t + job.runMinutes;
      best.done += 1;
      best.readyAt = until + job.soakMinutes;
      slots.push({ bedId: job.bedId, from: t, until, cycle: best.done, cycles: job.cycles });
      running.push({ going: best, until });
      open = open.filter((g) => g.done < g.job.cycles);
    }
    now = nextTime(t, open, running);
  }
  const left = waiting.filter((g) => g.done < g.job.cycles).map((g) => g.job);
  return { slots, left };
}

/** The next moment at which something may have changed. */
function nextTime(t: number, open: readonly Going[], running: readonly Running[]): number | null {
  let next = Number.POSITIVE_INFINITY;
  if (open.length > 0) for (const r of running) if (r.until > t + EPS) next = Math.min(next, r.until);
  for (const g of open) {
    if (g.readyAt > t + EPS) next = Math.min(next, g.readyAt);
    for (const s of g.spans) if (s.from > t + EPS) next = Math.min(next, s.from);
  }
  return Number.isFinite(next) ? next : null;
}

const mayRun = (g: Going, t: number): boolean =>
  g.spans.some((s) => t >= s.from - EPS && t + g.job.runMinutes <= s.until + EPS);

function hasLine(job: DayJob, running: readonly Running[], { lines, tapLitresPerMinute }: DayLines): boolean {
  if (lines !== undefined && running.length >= lines) return false;
  if (job.byHand && running.some((r) => r.going.job.byHand)) return false;
  const same = running.filter((r) => r.going.job.tap === job.tap);
  if (same.length === 0) return true;
  const gives = job.tap === null ? undefined : tapLitresPerMinute?.[job.tap];
  if (gives === undefined) return false;
  return same.reduce((sum, r) => sum + r.going.job.litresPerMinute, job.litresPerMinute) <= gives + EPS;
}

/** Which of two beds has its turn: plants that hang, then those with fewest hours; by hand pass by pass; else the longest way to go. */
function before(a: Going, b: Going): boolean {
  if (a.job.urgent !== b.job.urgent) return a.job.urgent;
  if (Math.abs(a.room - b.room) > EPS) return a.room < b.room;
  if (a.job.byHand && b.job.byHand) return a.done < b.done;
  const toGo = (g: Going): number =>
    (g.job.cycles - g.done) * g.job.runMinutes + (g.job.cycles - g.done - 1) * g.job.soakMinutes;
  if (a.job.byHand !== b.job.byHand) return a.job.byHand;
  return toGo(a) > toGo(b) + EPS;
}
