import { readFileSync } from 'node:fs';
import { deserialize } from 'node:v8';
import { contextOf } from '../../server/src/planner/context.ts';
import type { Facts } from '../../server/src/planner/facts.ts';
import { medianMs } from './measure.ts';

// Run by itself as one file of plain JavaScript, as the planning thread is; tells milliseconds.
const facts = deserialize(readFileSync(process.argv[2] ?? '')) as Facts;
const plan = (): void => void contextOf(facts);
// A window is worked out when it is read: here all of them are.
const withWindows = (): void => {
  for (const { window } of contextOf(facts).plan.beds) if (!window) throw new Error('a bed has no window');
};
for (let i = 0; i < 10; i += 1) withWindows();
process.stdout.write(
  JSON.stringify({ plain: medianMs(plan, 25), withWindows: medianMs(withWindows, 25) } satisfies DemoPlanMs),
);

/** Milliseconds to plan the demo garden from its facts with nothing remembered, and with every bed's window worked out too. */
export interface DemoPlanMs {
  plain: number;
  withWindows: number;
}
