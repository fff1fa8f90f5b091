import type { ProposedRounds } from '@kibble/core';
import type { Logger } from 'pino';
import { Lock, whileReporting } from '../db/lock.ts';
import { Garden } from '../db/models.ts';
import { writerOf } from '../db/writer.ts';
import { todayOf, type WallClock } from '../services/clock.ts';
import { saveProposedRounds } from '../services/proposedRounds.ts';
import { doneTasks } from '../services/doneTasks.ts';
import { potsOnRecord } from '../services/potsOnRecord.ts';
import { bedFacts, eventEntries, gardenFacts } from './gardenFacts.ts';
import type { Asked, ViewName } from './gardenPlanner.ts';
import { NotThere, type Planner, type Viewed } from './planner.ts';

/** What a change touched: some beds of a garden, a whole garden, or, unsaid, everything. */
export interface Touched {
  gardenId: number;
  beds?: readonly number[];
  /** Of the beds only what happened on them is another; what they are is as it was. */
  onlyEvents?: boolean;
  /** Pots, what is written down of them, or tasks that were seen to. */
  pots?: boolean;
}

/** Of more beds at once a garden is read anew as a whole. */
const FEW_BEDS = 20;
/** What is known of a garden's facts at the planner. */
interface Held {
  /** The day they are of; null while the planner has none. */
  today: string | null;
  /** What has been touched since. */
  stale: Set<number> | 'all';
  stalePots: boolean;
  /** Beds on which something happened, which are as they were. */
  staleEvents: Set<number>;
  /** Facts are brought one after another. */
  turn: Lock;
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
  /** Watering days that were proposed and wait to be saved, by garden, and the saving of them. */
  private readonly unsaved = new Map<number, ProposedRounds>();
  private saving: Promise<void> = Promise.resolve();
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
    else for (const id of touched.beds) (touched.onlyEvents ? held.staleEvents : stale).add(id);
  }

  /** A view of a garden's plan as it is now, as text. */
  async view<K extends ViewName>(garden: Garden, name: K, asked: Asked[K]): Promise<string> {
    for (let again = false; ; again = true) {
      try {
        await this.bring(garden);
        const { text, faults, proposal } = await this.planner.view(garden.id, name, asked, this.wall.now());
        this.tell(faults);
        if (proposal) this.saveLater(garden, proposal);
        return text;
      } catch (error) {
        if (!(error instanceof NotThere) || again) throw error;
        this.touch({ gardenId: garden.id });
      }
    }
  }

  /**
   * The watering days that a plan proposes are saved after it was shown: a view writes nothing, and waits for nobody who
   * writes. No full disk takes the round away: they are worked out again after a start.
   */
  private saveLater(garden: Garden, proposal: ProposedRounds): void {
    const waits = this.unsaved.has(garden.id);
    this.unsaved.set(garden.id, proposal);
    if (waits) return;
    const save = async (): Promise<void> => {
      // Read once its turn has come: what was proposed meanwhile is saved with it, what was dropped is not.
      const latest = this.unsaved.get(garden.id);
      if (!latest || !(await Garden.findByPk(garden.id, { attributes: ['id'] }))) return;
      await saveProposedRounds(garden.id, latest);
    };
    this.saving = this.saving.then(async () => {
      try {
        await writerOf(garden.sequelize)(save, 'the proposed watering days');
      } catch (error) {
        this.log.warn({ err: error, gardenId: garden.id }, 'the watering days could not be saved');
      } finally {
        this.unsaved.delete(garden.id);
      }
    });
  }

  /** Gardens are others from now on: what was proposed for those there were is not saved. */
  dropUnsaved(): void {
    this.unsaved.clear();
  }

  /** Done when everything that views have left to be saved is saved. */
  settled(): Promise<void> {
    return this.saving;
  }

  progress(gardenId: number): { done: number; of: number } | null {
    return this.planner.progress(gardenId);
  }

  async stop(): Promise<void> {
    await this.settled();
    await this.planner.stop();
  }

  private held(gardenId: number): Held {
    const known = this.gardens.get(gardenId);
    if (known) return known;
    const held: Held = {
      today: null,
      stale: 'all',
      stalePots: true,
      staleEvents: new Set(),
      turn: new Lock('plan'),
    };
    this.gardens.set(gardenId, held);
    return held;
  }

  /** Brings the planner's facts up to what is on record. */
  private async bring(garden: Garden): Promise<void> {
    const held = this.held(garden.id);
    await held.turn.run(`the facts of garden ${garden.id}`, async () => {
      const today = todayOf(garden, this.wall);
      if (held.today !== today) held.stale = 'all';
      const { stale, stalePots, staleEvents } = held;
      if (stale !== 'all' && stale.size + staleEvents.size === 0 && !stalePots) return;
      // What is touched while this is read is stale again.
      held.stale = new Set();
      held.stalePots = false;
      held.staleEvents = new Set();
      try {
        if (stale === 'all') {
          const onRecord = await gardenFacts(garden, this.wall);
          const facts = { ...onRecord, proposal: this.unsaved.get(garden.id) ?? onRecord.proposal };
          // The thread that plans may have something else under way: that is computed, not waited for in vain.
          await whileReporting(() => this.planner.put(garden.id, facts));
          held.today = today;
        } else {
          if (stale.size > 0) {
            const { beds, events } = await bedFacts(garden, [...stale], this.wall);
            await whileReporting(() => this.planner.change(garden.id, beds, events));
          }
          const others = [...staleEvents].filter((id) => !stale.has(id));
          if (others.length > 0) {
            const entries = await eventEntries(garden.id, others);
            await whileReporting(() => this.planner.changeEvents(garden.id, others, entries));
          }
          if (stalePots) {
            const pots = await potsOnRecord(garden);
            const done = await doneTasks(garden.id);
            await whileReporting(() => this.planner.changePots(garden.id, pots, done));
          }
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
