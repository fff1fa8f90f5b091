import type { KeptRounds } from '@kibble/core';
import { Mutex } from 'async-mutex';
import type { Logger } from 'pino';
import type { Garden } from '../db/models.ts';
import { todayOf, type WallClock } from '../services/clock.ts';
import { keepRounds } from '../services/keptRounds.ts';
import { potsOnRecord } from '../services/potsOnRecord.ts';
import { bedFacts, gardenFacts } from './gardenFacts.ts';
import { forgetForecasts, stationIsSilent } from '../services/station.ts';
import type { Asked, ViewName } from './gardenPlanner.ts';
import { NotThere, type Planner, type Viewed } from './planner.ts';

/** What a change touched: some beds of a garden, a whole garden, or, unsaid, everything. */
export interface Touched {
  gardenId: number;
  beds?: readonly number[];
  /** Pots, or what is written down of them. */
  pots?: boolean;
}

/** Of more beds at once a garden is read anew as a whole. */
const FEW_BEDS = 20;
/** A station that did not answer is asked again after so long, and one that did what it forecasts now, ms. */
const SILENT_MS = 60_000;
const ASKED_AGAIN_MS = 3_600_000;

/** When a garden's station is asked again: never where it has none, or keeps a day of its own. */
function untilOf(garden: Garden, today: string, now: number): number {
  if (garden.stationUrl === null) return Number.POSITIVE_INFINITY;
  if (stationIsSilent(garden, today)) return now + SILENT_MS;
  return garden.clockMode === 'practice' ? Number.POSITIVE_INFINITY : now + ASKED_AGAIN_MS;
}

/** What is known of a garden's facts at the planner. */
interface Held {
  /** The day they are of; null while the planner has none. */
  today: string | null;
  /** What has been touched since. */
  stale: Set<number> | 'all';
  stalePots: boolean;
  /** Read anew from then on, whatever was touched. */
  until: number;
  /** Facts are brought one after another. */
  turn: Mutex;
}

/**
 * One plan a garden: of its facts, its revision and its day. A write says what it touched; only that is read and followed
 * again when the next room asks, and every room shows the same plan.
 */
export class PlanStore {
  private readonly gardens = new Map<number, Held>();
  private readonly planner: Planner;
  private readonly wall: WallClock;
  private readonly log: Logger;
  /** Called with whatever changes, after it is on record. */
  onTouched: (touched: Touched | undefined, by: string | undefined) => void = () => undefined;

  constructor(planner: Planner, wall: WallClock, log: Logger) {
    this.planner = planner;
    this.wall = wall;
    this.log = log;
  }

  /** Says that facts have changed. @param by the page that did it, where one says so */
  touch(touched?: Touched, by?: string): void {
    this.onTouched(touched, by);
    if (!touched) {
      for (const held of this.gardens.values()) held.stale = 'all';
      return;
    }
    const held = this.held(touched.gardenId);
    const { stale } = held;
    if (touched.pots) held.stalePots = true;
    if (stale === 'all') return;
    if (!touched.beds || stale.size + touched.beds.length > FEW_BEDS) held.stale = 'all';
    else for (const id of touched.beds) stale.add(id);
  }

  /** A view of a garden's plan as it is now, as text. */
  async view<K extends ViewName>(garden: Garden, name: K, asked: Asked[K]): Promise<string> {
    for (let again = false; ; again = true) {
      try {
        await this.bring(garden);
        const { text, faults, kept } = await this.planner.view(garden.id, name, asked, this.wall.now());
        this.tell(faults);
        if (kept) await this.remember(garden.id, kept);
        return text;
      } catch (error) {
        if (!(error instanceof NotThere) || again) throw error;
        this.touch({ gardenId: garden.id });
      }
    }
  }

  /** What a plan hands on is worth keeping, but no full disk takes the round away: it is worked out again after a start. */
  private async remember(gardenId: number, kept: KeptRounds): Promise<void> {
    try {
      await keepRounds(gardenId, kept);
    } catch (error) {
      this.log.warn({ err: error, gardenId }, 'the round days could not be kept');
    }
  }

  progress(gardenId: number): { done: number; of: number } | null {
    return this.planner.progress(gardenId);
  }

  stop(): Promise<void> {
    return this.planner.stop();
  }

  private held(gardenId: number): Held {
    const known = this.gardens.get(gardenId);
    if (known) return known;
    const held: Held = {
      today: null,
      stale: 'all',
      stalePots: true,
      until: Number.POSITIVE_INFINITY,
      turn: new Mutex(),
    };
    this.gardens.set(gardenId, held);
    return held;
  }

  /** Brings the planner's facts up to what is on record. */
  private async bring(garden: Garden): Promise<void> {
    const held = this.held(garden.id);
    await held.turn.runExclusive(async () => {
      const today = todayOf(garden, this.wall);
      const now = this.wall.now().getTime();
      if (now >= held.until) forgetForecasts(garden.id);
      if (held.today !== today || now >= held.until) held.stale = 'all';
      const { stale, stalePots } = held;
      if (stale !== 'all' && stale.size === 0 && !stalePots) return;
      // What is touched while this is read is stale again.
      held.stale = new Set();
      held.stalePots = false;
      try {
        if (stale === 'all') {
          await this.planner.put(garden.id, await gardenFacts(garden, this.wall, this.log));
          held.today = today;
          held.until = untilOf(garden, today, now);
        } else {
          if (stale.size > 0) {
            const { beds, events } = await bedFacts(garden, [...stale], this.wall);
            await this.planner.change(garden.id, beds, events);
          }
          if (stalePots) await this.planner.changePots(garden.id, await potsOnRecord(garden));
        }
      } catch (error) {
        held.stale = 'all';
        held.stalePots = true;
        throw error;
      }
    });
  }

  private tell(faults: Viewed['faults']): void {
    for (const { facts, words } of faults) this.log.error(facts, words);
  }
}
