import { parentPort } from 'node:worker_threads';
import { planGarden } from '@kibble/core';
import { TOLD_EVERY } from './toldEvery.ts';

/** A worker that plans gardens one after another, away from the event loop, and tells how far it is. */
parentPort?.on('message', ({ id, args }: { id: number; args: Parameters<typeof planGarden> }) => {
  const [garden, weather, constraints, options] = args;
  const onProgress = (done: number): void => {
    if (done % TOLD_EVERY === 0) parentPort?.postMessage({ id, done });
  };
  try {
    const plan = planGarden(garden, weather, constraints, { ...options, onProgress });
    parentPort?.postMessage({ id, plan });
  } catch (error) {
    parentPort?.postMessage({ id, error: error instanceof Error ? error.message : String(error) });
  }
});
