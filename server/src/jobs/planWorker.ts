import { parentPort } from 'node:worker_threads';
import { planGarden } from '@kibble/core';

/** A worker that plans gardens one after another, away from the event loop. */
parentPort?.on('message', ({ id, args }: { id: number; args: Parameters<typeof planGarden> }) => {
  try {
    parentPort?.postMessage({ id, plan: planGarden(...args) });
  } catch (error) {
    parentPort?.postMessage({ id, error: error instanceof Error ? error.message : String(error) });
  }
});
