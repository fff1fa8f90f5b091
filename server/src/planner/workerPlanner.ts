import type { BedView, EventView } from '@kibble/contract';
import type { DoneTask, EventEntry } from '@kibble/core';
import { Piscina } from 'piscina';
import { Refusal } from '../errors.ts';
import type { PotsOnRecord } from '../services/potsOnRecord.ts';
import type { Facts } from './facts.ts';
import type { Asked, ViewName } from './gardenPlanner.ts';
import { NotThere, type Planner, type Viewed } from './planner.ts';
import { threadFile } from './threadFile.ts';
import type { Done, Task } from './planThread.ts';

/** Beds and events carried to the thread at once: more would hold up those who wait meanwhile. */
const BEDS_AT_ONCE = 40;
const EVENTS_AT_ONCE = 2000;
/** Room for what is tried and thrown away while a large garden is planned: with the usual few a tenth of the time goes into sweeping. */
const YOUNG_MB = 128;

/** Threads at most: one garden's planning keeps no other waiting, and many gardens take no more memory than so many. Judgement. */
const LANES = 3;
/** Memory that what is kept of plans may take in each of them, MB. */
const OLD_MB = 2000;

/** A thread that plans, and how many places the gardens it has are planned for. */
interface Lane {
  pool: Piscina<Task, Done>;
  places: Map<number, number>;
}
const placesOn = ({ places }: Lane): number => [...places.values()].reduce((sum, n) => sum + n, 0);

/** Plans made and kept in threads of their own, so that the one that answers is never held up by them. */
export class WorkerPlanner implements Planner {
  private readonly filename: string;
  private readonly lanes: Lane[] = [];
  private readonly under = new Map<number, { done: number; of: number }>();

  private constructor(filename: string) {
    this.filename = filename;
    // The first is there before anybody asks.
    this.begin();
  }

  private begin(): Lane {
    // What reads TypeScript for the process that answers is nothing to a file of plain JavaScript.
    const pool = new Piscina<Task, Done>({
      filename: this.filename,
      // One thread a lane: it keeps what was followed, and a second would have to follow it again.
      minThreads: 1,
      maxThreads: 1,
      execArgv: [],
      resourceLimits: { maxYoungGenerationSizeMb: YOUNG_MB, maxOldGenerationSizeMb: OLD_MB },
    });
    pool.on('message', ({ gardenId, done, of }: { gardenId: number; done: number; of: number }) => {
      this.under.set(gardenId, { done, of });
    });
    const lane: Lane = { pool, places: new Map() };
    this.lanes.push(lane);
    return lane;
  }

  /** The thread that has a garden. A new one has a thread to itself while there are any left, and then shares the least laden. */
  private laneOf(gardenId: number): Lane {
    const known = this.lanes.find(({ places }) => places.has(gardenId));
    if (known) return known;
    const free = this.lanes.find(({ places }) => places.size === 0);
    const lane =
      free ??
      (this.lanes.length < LANES
        ? this.begin()
        : [...this.lanes].sort((a, b) => placesOn(a) - placesOn(b))[0]) ??
      this.begin();
    lane.places.set(gardenId, 0);
    return lane;
  }

  /** @param folder where the thread's program may be written */
  static async start(folder: string): Promise<WorkerPlanner> {
    return new WorkerPlanner(await threadFile(new URL('./planThread.ts', import.meta.url), folder));
  }

  async put(gardenId: number, facts: Facts): Promise<void> {
    const { beds } = facts.garden;
    this.laneOf(gardenId).places.set(gardenId, beds.length + facts.pots.pots.length);
    await this.run({
      do: 'begin',
      gardenId,
      facts: { ...facts, garden: { ...facts.garden, beds: [] }, events: [] },
    });
    for (let i = 0; i < beds.length; i += BEDS_AT_ONCE)
      await this.run({ do: 'more', gardenId, beds: beds.slice(i, i + BEDS_AT_ONCE), events: [] });
    for (let i = 0; i < facts.events.length; i += EVENTS_AT_ONCE)
      await this.run({ do: 'more', gardenId, beds: [], events: facts.events.slice(i, i + EVENTS_AT_ONCE) });
    await this.run({ do: 'change', gardenId, beds: [], events: [] });
  }

  async change(gardenId: number, beds: BedView[], events: EventView[]): Promise<void> {
    await this.run({ do: 'change', gardenId, beds, events });
  }

  async changeEvents(gardenId: number, beds: number[], entries: EventEntry[]): Promise<void> {
    await this.run({ do: 'events', gardenId, beds, entries });
  }

  async changePots(gardenId: number, pots: PotsOnRecord, done: DoneTask[]): Promise<void> {
    await this.run({ do: 'pots', gardenId, pots, done });
  }

  async view<K extends ViewName>(gardenId: number, name: K, asked: Asked[K], now: Date): Promise<Viewed> {
    try {
      const viewed = await this.run({ do: 'view', gardenId, name, asked, now: now.getTime() });
      if (!viewed) throw new Error(`the thread that plans gave no ${name}`);
      return viewed;
    } finally {
      this.under.delete(gardenId);
    }
  }

  progress(gardenId: number): { done: number; of: number } | null {
    return this.under.get(gardenId) ?? null;
  }

  async stop(): Promise<void> {
    await Promise.all(this.lanes.map(({ pool }) => pool.destroy()));
  }

  private async run(task: Task): Promise<Viewed | null> {
    const done = await this.laneOf(task.gardenId).pool.run(task);
    if ('notThere' in done) throw new NotThere();
    if ('refused' in done) {
      const { code, message, facts } = done.refused;
      throw new Refusal(code, message, facts.field, facts);
    }
    return done.viewed;
  }
}
