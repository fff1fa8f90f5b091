import type { BedView, EventView } from '@kibble/contract';
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

/** Plans made and kept in a thread of their own, so that the one that answers is never held up by them. */
export class PlannerBeside implements Planner {
  private readonly pool: Piscina<Task, Done>;
  private readonly under = new Map<number, { done: number; of: number }>();

  private constructor(filename: string) {
    // One thread: it keeps what was followed, and a second would have to follow it again.
    // What reads TypeScript for the process that answers is nothing to a file of plain JavaScript.
    this.pool = new Piscina<Task, Done>({
      filename,
      minThreads: 1,
      maxThreads: 1,
      execArgv: [],
      resourceLimits: { maxYoungGenerationSizeMb: YOUNG_MB },
    });
    this.pool.on('message', ({ gardenId, done, of }: { gardenId: number; done: number; of: number }) => {
      this.under.set(gardenId, { done, of });
    });
  }

  /** @param folder where the thread's program may be written */
  static async start(folder: string): Promise<PlannerBeside> {
    return new PlannerBeside(await threadFile(new URL('./planThread.ts', import.meta.url), folder));
  }

  async put(gardenId: number, facts: Facts): Promise<void> {
    const { beds } = facts.garden;
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

  async changePots(gardenId: number, pots: PotsOnRecord): Promise<void> {
    await this.run({ do: 'pots', gardenId, pots });
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
    await this.pool.destroy();
  }

  private async run(task: Task): Promise<Viewed | null> {
    const done = await this.pool.run(task);
    if ('notThere' in done) throw new NotThere();
    if ('refused' in done) {
      const { code, message, facts } = done.refused;
      throw new Refusal(code, message, facts.field, facts);
    }
    return done.viewed;
  }
}
