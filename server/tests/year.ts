/**
 * A year of use, a round a day on a garden of thirty places: what the server holds in memory must come to rest. The heap
 * is measured after a forced collection, 2,000 requests before the end and at the end.
 * node --expose-gc --import tsx server/tests/year.ts
 */
import { mkdtempSync, rmSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { RoundView } from '@kibble/contract';
import { pino } from 'pino';
import { kibbleApp } from '../src/app.ts';
import { openDatabase } from '../src/db/open.ts';
import { WeatherFiles } from '../src/files/weatherFiles.ts';
import { InProcessPlanner } from '../src/planner/planner.ts';
import { PlanStore } from '../src/planner/planStore.ts';
import { GARDEN, POT } from './oneBed.ts';

const DAYS = 365;
const LAST_REQUESTS = 2000;
const MOST_GROWTH = 0.02;
/** As many as tell what is due; how sure it is says nothing of memory. */
const MEMBERS = 4;
/** Plants that stand for years: each bed carries all the past it ever will from the first day on, so that what grows is no past. */
const CROPS = ['strawberry', 'rose', 'apple', 'blackcurrant'];
const PLANTED = '2023-04-01';

if (!globalThis.gc) throw new Error('run with --expose-gc');
const folder = mkdtempSync(join(tmpdir(), 'kibble-year-'));
const sequelize = await openDatabase(join(folder, 'kibble.sqlite'));
const wall = { now: () => new Date('2026-07-14T06:00:00Z') };
const log = pino({ level: 'silent' });
const plans = new PlanStore(new InProcessPlanner({ members: MEMBERS }), wall, log);
const app = kibbleApp({ sequelize, wall, log, plans, files: WeatherFiles.here() });
const server = app.listen(0, '127.0.0.1');
await new Promise((ready) => server.once('listening', ready));
const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`;

/** Heap at the start of each round of requests, by how many had been answered, MB. */
const heaps: { requests: number; mb: number }[] = [];
let requests = 0;
async function send<T>(method: string, path: string, body?: object): Promise<T> {
  requests += 1;
  const answer = await fetch(`${base}${path}`, {
    method,
    headers: { 'Content-Type': 'application/json', 'Idempotency-Key': `year-${requests}-key` },
    body: body && JSON.stringify(body),
  });
  if (!answer.ok) throw new Error(`${method} ${path}: ${answer.status} ${await answer.text()}`);
  return (await answer.json()) as T;
}
function measure(): number {
  globalThis.gc?.();
  globalThis.gc?.();
  const mb = process.memoryUsage().heapUsed / 1e6;
  heaps.push({ requests, mb });
  return mb;
}

await send('POST', '/gardens', {
  ...GARDEN,
  garden: { ...GARDEN.garden, clock: { mode: 'practice', date: '2026-03-01' } },
  bed: { ...GARDEN.bed, planting: { cropId: 'rose', plantedOn: PLANTED } },
});
for (let i = 1; i < 24; i += 1)
  await send('POST', '/gardens/1/beds', {
    ...GARDEN.bed,
    name: `Bed ${i}`,
    planting: { cropId: CROPS[i % CROPS.length], plantedOn: PLANTED },
  });
for (let i = 0; i < 6; i += 1)
  await send('POST', '/gardens/1/pots', {
    ...POT,
    name: `Pot ${i}`,
    plantings: [{ cropId: 'sweet-pepper', plantedOn: '2026-02-20' }],
  });

for (let day = 0; day < DAYS; day += 1) {
  const round = await send<RoundView>('GET', '/gardens/1/round');
  for (const { bedId } of round.stops.slice(0, 4))
    await send('POST', `/beds/${bedId}/waterings`, { litres: 40 });
  for (const view of ['garden', 'pots', 'fortnight', 'section', 'weather', 'trees'])
    await send('GET', view === 'garden' ? '/gardens/1' : `/gardens/1/${view}`);
  await send('GET', `/beds/${1 + (day % 24)}`);
  await send('POST', '/gardens/1/step', { days: 1 });
  if (day % 10 === 0) measure();
}
measure();
await plans.settled();
server.closeAllConnections();
server.close();
await sequelize.close();
rmSync(folder, { recursive: true, force: true });

const last = heaps.at(-1) as { requests: number; mb: number };
const before = heaps.filter(({ requests: n }) => n <= last.requests - LAST_REQUESTS).at(-1) ?? heaps[0];
const growth = last.mb / (before?.mb ?? last.mb) - 1;
console.log(
  `${DAYS} rounds, ${requests} requests: heap ${before?.mb.toFixed(1)} MB after ${before?.requests}, ${last.mb.toFixed(1)} MB after ${last.requests}: ${(100 * growth).toFixed(1)} %`,
);
console.log(heaps.map(({ requests: n, mb }) => `${n}: ${mb.toFixed(1)}`).join('  '));
process.exit(growth < MOST_GROWTH ? 0 : 1);
