import { Worker } from 'node:worker_threads';
import { planGarden, type GardenPlan } from '@kibble/core';

type Args = Parameters<typeof planGarden>;

/** Gardens up to this size are planned in a few tens of milliseconds: quicker than carrying them to a worker and back. */
const SMALL_BEDS = 40;
/** A worker that has had nothing to do for so long is let go. */
const IDLE_MS = 30_000;

let worker: Worker | null = null;
let idle: NodeJS.Timeout | null = null;
let next = 1;
interface Asked {
  gardenId: number;
  of: number;
  beds: number;
  done: (plan: GardenPlan) => void;
  failed: (error: Error) => void;
}
const waiting = new Map<number, Asked>();

function begin(): Worker {
  const made = new Worker(new URL('./startPlanWorker.mjs', import.meta.url));
  made.unref();
  made.on(
    'message',
    ({ id, plan, error, done }: { id: number; plan?: GardenPlan; error?: string; done?: number }) => {
      const asked = waiting.get(id);
      if (asked && done !== undefined) {
        asked.beds = done;
        return;
      }
      waiting.delete(id);
      if (plan) asked?.done(plan);
      // The core refuses impossible gardens with a RangeError, and its words are the gardener's.
      else asked?.failed(new RangeError(error));
      if (waiting.size === 0) rest();
    },
  );
  made.on('error', (error) => {
    for (const asked of waiting.values()) asked.failed(error);
    waiting.clear();
    worker = null;
  });
  return made;
}

function rest(): void {
  if (idle) clearTimeout(idle);
  idle = setTimeout(() => {
    void worker?.terminate();
    worker = null;
  }, IDLE_MS);
  idle.unref();
}

/** The garden's plan; a large garden's is worked out beside the event loop, so that others are answered meanwhile. */
export function planInBackground(gardenId: number, ...args: Args): Promise<GardenPlan> {
  if (args[0].beds.length <= SMALL_BEDS) return Promise.resolve(planGarden(...args));
  if (idle) clearTimeout(idle);
  worker ??= begin();
  const id = next;
  next += 1;
  const asked = new Promise<GardenPlan>((done, failed) =>
    waiting.set(id, { gardenId, of: args[0].beds.length, beds: 0, done, failed }),
  );
  worker.postMessage({ id, args });
  return asked;
}

/** How many beds of a garden are followed so far, while its plan is made beside the event loop. */
export function planProgress(gardenId: number): { done: number; of: number } | null {
  for (const asked of waiting.values())
    if (asked.gardenId === gardenId) return { done: asked.beds, of: asked.of };
  return null;
}
