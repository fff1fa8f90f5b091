import { readFileSync } from 'node:fs';
import { deserialize } from 'node:v8';
import { contextOf } from '../../server/src/planner/context.ts';
import type { Facts } from '../../server/src/planner/facts.ts';
import { medianMs } from './measure.ts';

// Run by itself as one file of plain JavaScript, as the planning thread is; tells milliseconds.
const facts = deserialize(readFileSync(process.argv[2] ?? '')) as Facts;
for (let i = 0; i < 10; i += 1) contextOf(facts);
process.stdout.write(String(medianMs(() => contextOf(facts), 25)));
