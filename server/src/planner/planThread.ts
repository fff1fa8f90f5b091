import { parentPort } from 'node:worker_threads';
import type { BedView, EventView } from '@kibble/contract';
import type { DoneTask, EventEntry } from '@kibble/core';
import { onMisfit, Refusal } from '../errors.ts';
import type { Fault } from './context.ts';
import type { PotsOnRecord } from '../services/potsOnRecord.ts';
import type { Facts } from './facts.ts';
import type { Asked, ViewName } from './gardenPlanner.ts';
import { NotThere, InProcessPlanner, type Viewed } from './planner.ts';

/** Beds between two words of how far a plan is. */
const TOLD_EVERY = 10;

/** What the thread is asked, and what it answers; a refusal crosses as plain data. */
export type Task =
  | { do: 'begin'; gardenId: number; facts: Facts }
  | { do: 'more'; gardenId: number; beds: BedView[]; events: EventView[] }
  | { do: 'change'; gardenId: number; beds: BedView[]; events: EventView[] }
  | { do: 'events'; gardenId: number; beds: number[]; entries: EventEntry[] }
  | { do: 'pots'; gardenId: number; pots: PotsOnRecord; done: DoneTask[] }
  | { do: 'view'; gardenId: number; name: ViewName; asked: unknown; now: number };
export type Done =
  | { viewed: Viewed | null }
  | { refused: { code: Refusal['code']; message: string; facts: Refusal['facts'] } }
  | { notThere: true };

const planner = new InProcessPlanner({
  onProgress: (gardenId, done, of) => {
    if (done % TOLD_EVERY === 0) parentPort?.postMessage({ gardenId, done, of });
  },
});
/** Views that did not fit their schemas: they are sent, and told to whoever keeps the log. */
const misfits: Fault[] = [];
if (process.env.KIBBLE_ANSWERS !== 'strict')
  onMisfit((fault) => misfits.push({ words: fault.message, facts: { stack: fault.stack } }));

/** A large garden's facts come in parts, so that nobody waits while they are carried. */
const arriving = new Map<number, Facts>();

/** One task of the thread that plans: it keeps gardens' facts and plans between tasks. */
export default async function planThread(task: Task): Promise<Done> {
  const { gardenId } = task;
  try {
    if (task.do === 'begin') {
      arriving.set(gardenId, task.facts);
      return { viewed: null };
    }
    if (task.do === 'more') {
      const facts = arriving.get(gardenId);
      if (!facts) throw new NotThere();
      facts.garden.beds.push(...task.beds);
      facts.events.push(...task.events);
      return { viewed: null };
    }
    if (task.do === 'change') {
      const whole = arriving.get(gardenId);
      // An empty change says that all parts are there.
      if (whole) {
        arriving.delete(gardenId);
        await planner.put(gardenId, whole);
      }
      if (task.beds.length > 0) await planner.change(gardenId, task.beds, task.events);
      return { viewed: null };
    }
    if (task.do === 'events') {
      await planner.changeEvents(gardenId, task.beds, task.entries);
      return { viewed: null };
    }
    if (task.do === 'pots') {
      await planner.changePots(gardenId, task.pots, task.done);
      return { viewed: null };
    }
    const now = new Date(task.now);
    const viewed = await planner.view(gardenId, task.name, task.asked as Asked[ViewName], now);
    return { viewed: { ...viewed, faults: [...viewed.faults, ...misfits.splice(0)] } };
  } catch (error) {
    if (error instanceof NotThere) return { notThere: true };
    if (!(error instanceof Refusal)) throw error;
    const { code, message, facts } = error;
    return { refused: { code, message, facts } };
  }
}
