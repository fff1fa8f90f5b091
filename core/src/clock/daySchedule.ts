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
/** Of more beds than this, those without room are not let go one by one, but by this share of their minutes. Judgement. */
const MANY = 40;
const AT_ONCE = 0.7;
/** So many that were let go are tried once more. Judgement. */
const TRIED_AGAIN = 12;

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
  const tier = new Map(jobs.map((job) => [job, 0]));
  const beyond = jobs.length > MANY ? beyondTheDay(jobs, lines) : [];
  const beyondIt = new Set(beyond);
  let taken = jobs.filter((job) => !beyondIt.has(job));
  let made = widenAsNeeded(taken, tier, lines);
  const dropped: DayJob[] = [...beyond];
  while (made.left.length > 0) {
    const { left } = made;
    // What stands in the way of those left goes with them into the choice.
    const taps = new Set(left.map((job) => job.tap));
    const byHand = left.some((job) => job.byHand);
    const rivals = taken.filter(
      (job) => taps.has(job.tap) || (byHand && job.byHand) || lines.lines !== undefined,
    );
    const worst = rivals.sort((x, y) => Number(x.urgent) - Number(y.urgent) || x.loss - y.loss);
    // Where there are many, about as many minutes go at once as found no room.
    let toGo = jobs.length > MANY ? AT_ONCE * left.reduce((sum, job) => sum + minutesOf(job), 0) : 0;
    const out = new Set<DayJob>();
    for (const job of worst) {
      if (out.size > 0 && toGo <= 0) break;
      out.add(job);
      toGo -= minutesOf(job);
    }
    dropped.push(...out);
    taken = taken.filter((job) => !out.has(job));
    made = widenAsNeeded(taken, tier, lines);
  }
  // Some that were let go were not in the way after all.
  if (dropped.length <= TRIED_AGAIN) {
    for (const job of [...dropped].sort((x, y) => y.loss - x.loss)) {
      const more = jobs.filter((j) => j === job || taken.includes(j));
      const tried = widenAsNeeded(more, tier, lines);
      if (tried.left.length > 0) continue;
      taken = more;
      made = tried;
    }
  }
  const kept = new Set(taken);
  return { slots: made.slots, unfit: dropped.filter((job) => !kept.has(job)).map((job) => job.bedId) };
}

/** What no order of things could bring into a day: a tap asked for more minutes than its beds' hours hold, the least loss first. */
function beyondTheDay(jobs: readonly DayJob[], { tapLitresPerMinute }: DayLines): DayJob[] {
  const taps = new Map<number | null, DayJob[]>();
  for (const job of jobs) {
    const same = taps.get(job.tap);
    if (same) same.push(job);
    else taps.set(job.tap, [job]);
  }
  return [...taps].flatMap(([tap, mine]) => {
    const gives = tap === null ? undefined : tapLitresPerMinute?.[tap];
    const least = Math.min(...mine.map((job) => job.litresPerMinute));
    const atOnce = gives === undefined ? 1 : Math.max(1, gives / least);
    const hours = mine.map((job) =>
      (job.spans[job.spans.length - 1] ?? []).reduce((sum, s) => sum + s.until - s.from, 0),
    );
    let room = atOnce * Math.max(...hours);
    return [...mine]
      .sort((a, b) => Number(b.urgent) - Number(a.urgent) || b.loss - a.loss)
      .filter((job) => {
        room -= minutesOf(job);
        return room < 0;
      });
  });
}

const minutesOf = (job: DayJob): number => job.cycles * job.runMinutes;

/** Tries the best hours; what has no room there may use the next best, and keeps that leave. */
function widenAsNeeded(
  jobs: readonly DayJob[],
  tier: Map<DayJob, number>,
  lines: DayLines,
): { slots: RunSlot[]; left: DayJob[] } {
  for (;;) {
    const made = dispatch(jobs, (job) => job.spans[tier.get(job) ?? 0] ?? [], lines);
    const wider = made.left.filter((job) => (tier.get(job) ?? 0) + 1 < job.spans.length);
    if (wider.length === 0) return made;
    for (const job of wider) tier.set(job, (tier.get(job) ?? 0) + 1);
  }
}

interface Going {
  job: DayJob;
  /** Its place in the walk. */
  index: number;
  spans: readonly Span[];
  done: number;
  readyAt: number;
  /** Minutes in which it may run: those with the least choose first. */
  room: number;
  /** Minutes from its next drop to its last. */
  toGo: number;
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
  const waiting: Going[] = jobs.map((job, index) => {
    const spans = spansOf(job);
    const room = spans.reduce((sum, s) => sum + s.until - s.from, 0);
    return { job, index, spans, done: 0, readyAt: 0, room, toGo: toGo(job, 0) };
  });
  const slots: RunSlot[] = [];
  let running: Running[] = [];
  let resting: Going[] = [];
  const taps = new Map<number | null, Going[]>();
  for (const g of waiting) {
    if (g.spans.length === 0) continue;
    const same = taps.get(g.job.tap);
    if (same) same.push(g);
    else taps.set(g.job.tap, [g]);
  }
  for (const mine of taps.values()) mine.sort(byTurn);
  const starts = [...new Set(waiting.flatMap((g) => g.spans.map((s) => s.from)))].sort((a, b) => a - b);
  let now = nextTime(Number.NEGATIVE_INFINITY, starts, running, resting);
  while (now !== null) {
    const t = now;
    running = running.filter((r) => r.until > t + EPS);
    for (;;) {
      const best = nextTurn(t, taps, running, lines);
      if (!best) break;
      const { job } = best;
      const until = t + job.runMinutes;
      best.done += 1;
      best.toGo = toGo(job, best.done);
      // While it runs and soaks it is not ready.
      best.readyAt = until + job.soakMinutes;
      slots.push({ bedId: job.bedId, from: t, until, cycle: best.done, cycles: job.cycles });
      running.push({ going: best, until });
      const mine = taps.get(job.tap) ?? [];
      mine.splice(mine.indexOf(best), 1);
      if (best.done < job.cycles) {
        // What has more to do takes its place among the others anew: mostly near the end.
        mine.splice(mine.findLastIndex((g) => byTurn(g, best) < 0) + 1, 0, best);
        resting.push(best);
      }
      if (mine.length === 0) taps.delete(job.tap);
    }
    resting = resting.filter((g) => g.readyAt > t + EPS);
    now = taps.size > 0 ? nextTime(t, starts, running, resting) : null;
  }
  const left = waiting.filter((g) => g.done < g.job.cycles).map((g) => g.job);
  return { slots, left };
}

/** The bed whose turn it is at a moment: of each tap that has more to give the first, in the order of their turns, that may run now. */
function nextTurn(
  t: number,
  taps: ReadonlyMap<number | null, readonly Going[]>,
  running: readonly Running[],
  { lines, tapLitresPerMinute }: DayLines,
): Going | null {
  if (lines !== undefined && running.length >= lines) return null;
  const handsBusy = running.some((r) => r.going.job.byHand);
  let best: Going | null = null;
  for (const [tap, waiting] of taps) {
    const gives = tap === null ? undefined : tapLitresPerMinute?.[tap];
    let flow = 0;
    for (const r of running) if (r.going.job.tap === tap) flow += r.going.job.litresPerMinute;
    if (flow > 0 && (gives === undefined || flow >= gives)) continue;
    for (const g of waiting) {
      if (g.readyAt > t + EPS || (handsBusy && g.job.byHand)) continue;
      if (flow > 0 && flow + g.job.litresPerMinute > (gives ?? 0) + EPS) continue;
      if (best && !before(g, best)) break;
      if (!mayRun(g, t)) continue;
      best = g;
      break;
    }
  }
  return best;
}

/** The next moment at which something may have changed. */
function nextTime(
  t: number,
  starts: readonly number[],
  running: readonly Running[],
  resting: readonly Going[],
): number | null {
  let next = starts.find((from) => from > t + EPS) ?? Number.POSITIVE_INFINITY;
  for (const r of running) if (r.until > t + EPS) next = Math.min(next, r.until);
  for (const g of resting) if (g.readyAt > t + EPS) next = Math.min(next, g.readyAt);
  return Number.isFinite(next) ? next : null;
}

/**
 * Whether a run may begin at a moment. The turns of one watering belong together: the first begins only where the others still
 * fit before the hours end, as long as any hours are wide enough for them all.
 */
function mayRun({ spans, job, done }: Going, t: number): boolean {
  const whole = toGo(job, 0);
  const isTogether = done === 0 && job.cycles > 1 && spans.some((s) => s.until - s.from >= whole - EPS);
  const minutes = isTogether ? whole : job.runMinutes;
  for (const s of spans) if (t >= s.from - EPS && t + minutes <= s.until + EPS) return true;
  return false;
}

const toGo = (job: DayJob, done: number): number =>
  (job.cycles - done) * job.runMinutes + (job.cycles - done - 1) * job.soakMinutes;

const byTurn = (a: Going, b: Going): number => (before(a, b) ? -1 : before(b, a) ? 1 : a.index - b.index);

/** Which of two beds has its turn: plants that hang, then those with fewest hours; by hand pass by pass; else the longest way to go. */
function before(a: Going, b: Going): boolean {
  if (a.job.urgent !== b.job.urgent) return a.job.urgent;
  if (Math.abs(a.room - b.room) > EPS) return a.room < b.room;
  if (a.job.byHand && b.job.byHand) return a.done < b.done;
  if (a.job.byHand !== b.job.byHand) return a.job.byHand;
  return a.toGo > b.toGo + EPS;
}
