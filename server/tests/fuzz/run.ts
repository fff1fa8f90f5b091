/**
 * Every body the API accepts must leave every view of every garden answering; every refusal must name its field; nothing
 * may answer 5xx. Bodies are made from the contract's own schemas.
 * Then everybody asks for everything, in every spelling: nobody gets beyond their rights.
 * node --import tsx server/tests/fuzz/run.ts --cases 2000 [--seed 1] [--calls 2000]
 */
import { createHash } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  ARCHIVE_TABLE_NAMES,
  bedBody,
  bedChange,
  bedLinks,
  bedToPotBody,
  copiesBody,
  endpoint,
  entriesBody,
  entryIdsBody,
  entryInput,
  ENDPOINT_NAMES,
  draftBody,
  findingBody,
  findingInput,
  gardenAway,
  gardenPatch,
  gaugeBody,
  limited,
  ownCropBody,
  plantOutBody,
  potBody,
  potChange,
  newTreeBody,
  potEntry,
  treeChange,
  sequenceBody,
  sequenceStepBody,
  phBody,
  planChange,
  plantingChange,
  settingMove,
  saidBody,
  setupBody,
  skipBody,
  stepBody,
  tapBody,
  tapChange,
  tickBody,
  tryBody,
  wateringBody,
  type EndpointName,
  type GardenName,
  type GardenView,
  type PotsView,
} from '@kibble/contract';
import { EXPLAINABLE, kindFacts } from '@kibble/core';
import fc, { type Arbitrary } from 'fast-check';
import { z } from 'zod';
import { pino } from 'pino';
import { QueryTypes } from 'sequelize';
import { kibbleApp } from '../../src/app.ts';
import { WeatherFiles } from '../../src/files/weatherFiles.ts';
import { InProcessPlanner } from '../../src/planner/planner.ts';
import { PlanStore } from '../../src/planner/planStore.ts';
import { openDatabase } from '../../src/db/open.ts';
import { writerOf } from '../../src/db/writer.ts';
import { GARDEN, POT, TREE } from '../oneBed.ts';
import { Sharing } from '../../src/sharing/sharing.ts';
import { bodies, type Known } from './arbitrary.ts';
import { calls, isHarmless, wentTooFar, type Called, type Caller } from './callers.ts';

// The database library takes a stack at every question it is asked; nobody reads them here.
Error.stackTraceLimit = 0;

const argument = (name: string, usual: number): number => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? usual : Number(process.argv[at + 1]);
};
const cases = argument('cases', 2000);
const seed = argument('seed', 20261125);

const TODAY = GARDEN.garden.clock.date;
const known: Known = { today: TODAY, bedIds: [1, 2, 3], tapIds: [1], plantingIds: [1, 2, 3] };

interface Ask {
  name: string;
  method: string;
  path: string;
  body: Arbitrary<unknown>;
}
const on = (name: string, method: string, path: string, body: Arbitrary<unknown>): Ask => ({
  name,
  method,
  path,
  body,
});

const CSV = fc
  .tuple(
    fc.constantFrom(
      'date,tmin,tmax,rain',
      'Date;Tmin (°C);Tmax (°C);Rain (mm)',
      'date,temp,rain',
      'when,what',
    ),
    fc.array(
      fc.tuple(
        fc.integer({ min: -60, max: 70 }),
        fc.integer({ min: -60, max: 130 }),
        fc.integer({ min: -1, max: 1200 }),
      ),
      { maxLength: 20 },
    ),
    fc.constantFrom('\n', '\r\n', '\r'),
  )
  .map(([heading, rows, end]) => ({
    text: [
      heading,
      ...rows.map(([low, high, rain], i) =>
        [`2026-06-${String((i % 30) + 1).padStart(2, '0')}`, low, high, rain].join(
          heading.includes(';') ? ';' : ',',
        ),
      ),
    ].join(end),
    acceptRejected: true,
    units: { tMinC: '°C', tMaxC: '°C' },
  }));

/** Days written every way, JSON sound and broken, and what is no file of weather at all. */
const ANY_FILE = fc
  .oneof(
    fc
      .array(fc.record({ date: fc.string(), tMinC: fc.double(), tMaxC: fc.anything(), rainMm: fc.double() }))
      .map((list) => JSON.stringify(list)),
    fc.json(),
    fc.string(),
    fc
      .array(
        fc.tuple(
          fc.integer({ min: 0, max: 40 }),
          fc.integer({ min: 0, max: 15 }),
          fc.constantFrom('/', '.', '-'),
        ),
        {
          maxLength: 12,
        },
      )
      .map((days) =>
        ['date;tmin;tmax;rain', ...days.map(([d, m, by]) => `${d}${by}${m}${by}2026;10;20;0`)].join('\n'),
      ),
  )
  .map((text) => ({ text, acceptRejected: true }));

const input = bodies(z.object({ input: findingInput }), known);
const reading = fc
  .tuple(input, fc.constantFrom(1, 2))
  .map(([body, bedId]) => ({ ...(body as object), bedId, confirmed: true }));
const readingAtTap = fc
  .tuple(bodies(z.object({ litres: limited('bucketLitres'), seconds: limited('seconds') }), known))
  .map(([of]) => ({ tapId: 1, confirmed: true, input: { kind: 'bucket', ...(of as object) } }));
const { shape } = wateringBody;
const amount = fc.oneof(
  bodies(z.object({ litres: shape.litres.unwrap(), on: shape.on }), known),
  bodies(z.object({ minutes: shape.minutes.unwrap(), on: shape.on }), known),
);

const written = fc
  .tuple(bodies(z.object({ entry: potEntry }), known), fc.constantFrom(1, 2), fc.boolean())
  .map(([body, potId, sure]) => ({ entries: [{ ...(body as object), potId }], sure }));
const underWay = bodies(sequenceBody, known).map((body) => ({
  ...(body as object),
  ...('potIds' in (body as object) ? { potIds: [2] } : {}),
}));

/** Entries of every kind, each of something that it can be of. */
const entered = fc
  .tuple(bodies(z.object({ body: entryInput }), known), fc.constantFrom(1, 2), fc.boolean())
  .map(([draft, id, sure]) => {
    const { kind } = (draft as { body?: { kind?: string } }).body ?? {};
    const of = (kind && kindFacts(kind)?.subjects[0]) || 'bed';
    const subject = of === 'garden' ? { kind: of, id: 1 } : { kind: of === 'ground' ? 'bed' : of, id };
    return { entries: [{ ...(draft as object), subject }], sure };
  });

const ASKS: readonly Ask[] = [
  ...Array.from({ length: 12 }, () => on('an entry', 'POST', '/gardens/1/entries', entered)),
  on('anything as entries', 'POST', '/gardens/1/entries', bodies(entriesBody, known)),
  on('entries undone', 'POST', '/gardens/1/entries/undo', bodies(entryIdsBody, known)),
  on('entries brought back', 'POST', '/gardens/1/entries/restore', bodies(entryIdsBody, known)),
  on('a tree', 'POST', '/gardens/1/trees', bodies(newTreeBody, known)),
  ...Array.from({ length: 3 }, () => on('a changed tree', 'PUT', '/beds/3/tree', bodies(treeChange, known))),
  on('a pot', 'POST', '/gardens/1/pots', bodies(potBody, known)),
  on('a changed pot', 'PUT', '/pots/1', bodies(potChange, known)),
  on('a changed tray', 'PUT', '/pots/2', bodies(potChange, known)),
  ...Array.from({ length: 4 }, () => on('an entry of a pot', 'POST', '/gardens/1/pot-entries', written)),
  on('a pH', 'POST', '/gardens/1/ph', bodies(phBody, known)),
  on('something begun', 'POST', '/gardens/1/sequences', underWay),
  on('on with it', 'POST', '/sequences/1', bodies(sequenceStepBody, known)),
  on('more pots', 'POST', '/pots/1/copies', bodies(copiesBody, known)),
  on('planted out', 'POST', '/pots/1/plant-out', bodies(plantOutBody, known)),
  on('a bed that is a pot', 'POST', '/beds/2/pot', bodies(bedToPotBody, known)),
  on('a pot put away', 'DELETE', '/pots/2', fc.constant({})),
  on('a garden', 'POST', '/gardens', bodies(setupBody, known)),
  on('a bed', 'POST', '/gardens/1/beds', bodies(bedBody, known)),
  on('a changed bed', 'PUT', '/beds/1', bodies(bedChange, known)),
  on('a changed bed', 'PUT', '/beds/2', bodies(bedChange, known)),
  on('a planting', 'POST', '/beds/1/plantings', bodies(plantingChange, known)),
  on('a changed planting', 'PUT', '/beds/2/plantings/2', bodies(plantingChange, known)),
  ...Array.from({ length: 8 }, () => on('a reading of a bed', 'POST', '/gardens/1/findings', reading)),
  on('a changed garden', 'PATCH', '/gardens/1', bodies(gardenPatch, known)),
  on('a step', 'POST', '/gardens/1/step', bodies(stepBody, known)),
  on('anything as a finding', 'POST', '/gardens/1/findings', bodies(findingBody, known)),
  on('a reading at the tap', 'POST', '/gardens/1/findings', readingAtTap),
  on('a watering', 'POST', '/beds/1/waterings', amount),
  on('a watering', 'POST', '/beds/2/waterings', amount),
  on('anything as a watering', 'POST', '/beds/2/waterings', bodies(wateringBody, known)),
  on('a skip', 'POST', '/beds/1/skips', bodies(skipBody, known)),
  on('a gauge', 'POST', '/gardens/1/rain', bodies(gaugeBody, known)),
  on('a tap', 'POST', '/gardens/1/taps', bodies(tapBody, known)),
  on('a changed tap', 'PUT', '/taps/1', bodies(tapChange, known)),
  ...[17, 18, 20].map((id) => on('a moved day', 'POST', `/settings/${id}/move`, bodies(settingMove, known))),
  on('links', 'PATCH', '/beds/2/links', bodies(bedLinks, known)),
  on('a plant of one’s own', 'POST', '/gardens/1/crops', bodies(ownCropBody, known)),
  on('copies', 'POST', '/beds/2/copies', bodies(copiesBody, known)),
  on('a draft', 'PUT', '/gardens/1/drafts/bucket', bodies(draftBody, known)),
  on('a plan tried', 'POST', '/gardens/1/fortnight/try', bodies(planChange, known)),
  on('a reading tried', 'POST', '/beds/1/try', bodies(tryBody, known)),
  on('days said', 'POST', '/gardens/1/weather/said', bodies(saidBody, known)),
  on('a garden sketched', 'POST', '/gardens/sketch', bodies(setupBody, known)),
  on('a file of weather', 'POST', '/gardens/1/weather/import', CSV),
  on('a file of anything', 'POST', '/gardens/1/weather/import', ANY_FILE),
  on('an alert seen to', 'POST', '/gardens/1/alerts/seen', bodies(tickBody, known)),
  on('a garden put away', 'PUT', '/gardens/1/away', bodies(gardenAway, known)),
  on('a bed put away', 'DELETE', '/beds/2', fc.constant({})),
  on('a bed brought back', 'POST', '/beds/2/restore', fc.constant({})),
];

/** A garden of two beds and a tap on a day of July, to which the bodies are sent. */
const FIRST = { ...GARDEN, bed: { ...GARDEN.bed, name: 'One' } };
const SECOND = {
  ...FIRST.bed,
  name: 'Two',
  textureClass: 'sandy clay loam',
  planting: { cropId: 'lettuce', plantedOn: '2026-06-20' },
  delivery: { method: 'drip', litresPerMinute: 2 },
};

const TRAY = {
  ...POT,
  kind: 'tray',
  name: 'Tray',
  facts: { trough: true, topM: 0.36, baseM: 0.22, heightM: 0.05, mix: 'seed' },
  startWetness: 'drying',
};

const sequelize = await openDatabase(':memory:');
const wall = { now: () => new Date('2026-07-14T06:00:00Z') };
const log = pino({ level: process.env.LOG_LEVEL ?? 'silent' });
const plans = new PlanStore(new InProcessPlanner(), wall, log);
/** An address of this machine that no other machine reaches (127.0.0.0/8 is the loopback, RFC 1122). */
const NETWORK = '127.0.0.2';
const folder = mkdtempSync(join(tmpdir(), 'kibble-fuzz-'));
const sharing = new Sharing({ folder, wall, log, on: true, addresses: [NETWORK] });
const app = kibbleApp({ sequelize, wall, log, plans, files: WeatherFiles.here(), sharing });
const server = app.listen(0, '127.0.0.1');
await new Promise((ready) => server.once('listening', ready));
const { port } = server.address() as AddressInfo;
await sharing.begin(app, port);
const base = `http://127.0.0.1:${port}`;
/** One connection for each request: asked by the very process that answers, a kept one may be closed as it is used again. */
const ANEW = { Connection: 'close' };

async function send(
  method: string,
  path: string,
  body?: unknown,
): Promise<{ status: number; body: unknown }> {
  const answer = await fetch(`${base}/api${path}`, {
    method,
    headers: { ...ANEW, 'Content-Type': 'application/json', 'Accept-Encoding': 'identity' },
    body: body === undefined ? undefined : JSON.stringify(body),
  });
  return { status: answer.status, body: await answer.json() };
}

/** The house as it is at first: every case begins there. */
const beginning = await (async () => {
  for (const [path, body] of [
    ['/gardens', FIRST],
    ['/gardens/1/beds', SECOND],
    ['/gardens/1/taps', { name: 'Shed' }],
    ['/gardens/1/pots', POT],
    ['/gardens/1/trees', TREE],
    ['/gardens/1/pots', TRAY],
    ['/gardens/1/sequences', { kind: 'tray soak', potIds: [2] }],
  ] as const) {
    const { status } = await send('POST', path, body);
    if (status !== 201) throw new Error(`the first garden was not taken: ${status}`);
  }
  const rows: Record<string, object[]> = {};
  for (const table of ARCHIVE_TABLE_NAMES)
    rows[table] = await sequelize.query(`SELECT * FROM ${table}`, { type: QueryTypes.SELECT });
  return rows;
})();

async function beginAgain(): Promise<void> {
  plans.dropUnsaved();
  await plans.settled();
  await writerOf(sequelize)(async () => {
    await sequelize.query('PRAGMA defer_foreign_keys = ON');
    for (const table of [...ARCHIVE_TABLE_NAMES].reverse()) await sequelize.query(`DELETE FROM ${table}`);
    await sequelize.query('DELETE FROM sqlite_sequence');
    for (const table of ARCHIVE_TABLE_NAMES) {
      const rows = beginning[table] ?? [];
      if (rows.length > 0) await sequelize.getQueryInterface().bulkInsert(table, rows);
    }
  });
  plans.touch();
}

const counts = { accepted: 0, refused: 0, views: 0 };

/**
 * Asks every view of every garden; the first that does not answer is thrown with its words. Where one bed alone was
 * touched, of the others their page and their place in every room are asked.
 */
async function everyView(touched: ReadonlySet<number> | null): Promise<void> {
  const look = async (path: string): Promise<unknown> => {
    counts.views += 1;
    const { status, body } = await send('GET', path);
    if (status !== 200) throw new Error(`GET ${path} answered ${status}: ${JSON.stringify(body)}`);
    return body;
  };
  const gardens = (await look('/gardens')) as GardenName[];
  for (const { id } of gardens) {
    const { today, beds: all } = (await look(`/gardens/${id}`)) as GardenView;
    const rooms = [
      'section',
      'fortnight',
      'sharpen',
      'after-rain',
      'trees',
      'weather',
      'drafts',
      'progress',
      'walk?from=360',
      `working/${today}`,
    ];
    const beds = all.filter((bed) => !bed.archived && bed.startOn <= today);
    const explained = EXPLAINABLE[turn % EXPLAINABLE.length];
    const [round] = await Promise.all([
      look(`/gardens/${id}/round`),
      ...rooms.map((room) => look(`/gardens/${id}/${room}`)),
      ...beds.flatMap(({ id: bedId }) =>
        [
          `/beds/${bedId}`,
          ...(touched === null || touched.has(bedId)
            ? [`/beds/${bedId}/schools`, `/beds/${bedId}/working/${explained}`]
            : []),
        ].map(look),
      ),
    ]);
    const shelf = (await look(`/gardens/${id}/pots`)) as PotsView;
    await Promise.all(shelf.spots.flatMap(({ pots }) => pots.map((pot) => look(`/pots/${pot.id}`))));
    if (shelf.unplanned.length > 0) throw new Error(`cannot be planned: ${JSON.stringify(shelf.unplanned)}`);
    const { unplanned } = round as { unplanned: unknown[] };
    if (unplanned.length > 0) throw new Error(`cannot be planned: ${JSON.stringify(unplanned)}`);
  }
}

let turn = 0;
/** Something was taken since the house was as at first. */
let dirty = true;

/** The one bed that an act touches; null for what touches the garden. */
function bedOf(path: string, body: unknown): number | null {
  const [, id] = /^\/beds\/(\d+)/.exec(path) ?? [];
  const named = (body as { bedId?: unknown } | null)?.bedId;
  return id ? Number(id) : typeof named === 'number' ? named : null;
}
const one = fc.oneof(...ASKS.map((ask) => ask.body.map((body) => ({ ...ask, body }))));

async function check(asks: readonly (Omit<Ask, 'body'> & { body: unknown })[]): Promise<void> {
  turn += 1;
  if (dirty) await beginAgain();
  dirty = false;
  let changed = false;
  let touched: Set<number> | null = new Set();
  for (const { method, path, body } of asks) {
    const answer = await send(method, path, body);
    if (answer.status >= 500)
      throw new Error(`${method} ${path} answered ${answer.status}: ${JSON.stringify(answer.body)}`);
    if (answer.status < 300) {
      counts.accepted += 1;
      dirty = true;
      changed ||= !path.endsWith('/try');
      const bedId = bedOf(path, body);
      touched = bedId === null ? null : (touched?.add(bedId) ?? null);
      continue;
    }
    counts.refused += 1;
    const { field, message } = (answer.body as { error: { field?: string; message: string } }).error;
    if (!field || /^Invalid/.test(message))
      throw new Error(`${method} ${path} refused without naming its field: ${JSON.stringify(answer.body)}`);
  }
  if (changed) await everyView(touched);
}

/** Bodies by the entry of the catalogue that takes them; every entry that changes something has one, or takes none. */
const bodiesOf = new Map<EndpointName, Arbitrary<unknown>[]>();
for (const { method, path, body } of ASKS) {
  const name = ENDPOINT_NAMES.find((candidate) => {
    const entry = endpoint(candidate);
    const pattern = new RegExp(`^${entry.path.replace(/:\w+/g, '[^/]+')}$`);
    return entry.method === method && pattern.test(`/api${path}`);
  });
  if (!name) throw new Error(`${method} ${path} is not in the catalogue`);
  bodiesOf.set(name, [...(bodiesOf.get(name) ?? []), body]);
}
const anyCall = calls(Object.fromEntries([...bodiesOf].map(([name, some]) => [name, fc.oneof(...some)])));

const HOSTILE = { Origin: 'http://evil.example', 'Sec-Fetch-Site': 'cross-site' };
const cookieOf: Partial<Record<Caller, string>> = {};
async function connect(rights: 'everything' | 'round only', ...callers: Caller[]): Promise<void> {
  const { code } = await sharing.invite({ rights, gardens: [1], house: sharing.house });
  const answer = await fetch(`http://${NETWORK}:${port}/api/pair`, {
    method: 'POST',
    headers: { ...ANEW, 'Content-Type': 'application/json' },
    body: JSON.stringify({ code, name: callers.join(' and ') }),
  });
  for (const caller of callers) cookieOf[caller] = answer.headers.get('Set-Cookie')?.split(';')[0] ?? '';
}
await connect('everything', 'device', 'hostile device');
await connect('round only', 'helper');

/** Sends what somebody asks; a stream is hung up on. */
async function call({
  name,
  caller,
  path,
  body,
}: Called): Promise<{ status: number; type: string; text: string }> {
  const { method } = endpoint(name);
  const here = caller === 'owner' || caller === 'hostile page';
  const gone = new AbortController();
  const answer = await fetch(`http://${here ? '127.0.0.1' : NETWORK}:${port}${path}`, {
    method,
    signal: gone.signal,
    redirect: 'manual',
    headers: {
      ...ANEW,
      'Content-Type': 'application/json',
      ...(caller.startsWith('hostile') ? HOSTILE : {}),
      ...(cookieOf[caller] ? { Cookie: cookieOf[caller] } : {}),
    },
    body: method === 'GET' ? undefined : JSON.stringify(body),
  });
  const type = answer.headers.get('Content-Type') ?? '';
  const streams = type.startsWith('text/event-stream');
  const text = streams ? '' : await answer.text();
  if (streams) gone.abort();
  return { status: answer.status, type, text };
}

/** Everything on record but what is derived and what was answered. */
async function record(): Promise<string> {
  const rows = await Promise.all(
    ARCHIVE_TABLE_NAMES.filter((table) => table !== 'acts').map((table) =>
      sequelize.query(`SELECT * FROM ${table}`, { type: QueryTypes.SELECT }),
    ),
  );
  return createHash('sha256').update(JSON.stringify(rows)).digest('hex');
}

let asked = 0;
/** Everybody asks for everything: nobody gets beyond their rights, nothing answers 5xx, and every room goes on answering. */
async function checkCalls(all: readonly Called[]): Promise<void> {
  turn += 1;
  if (dirty) await beginAgain();
  dirty = false;
  const one = async (called: Called): Promise<void> => {
    // Whoever sits at the computer may turn sharing off, and nobody could ask from elsewhere then.
    if (called.name === 'changeSharing' && called.caller === 'owner' && called.exact) return;
    asked += 1;
    const { status, type, text } = await call(called);
    const what = `${called.caller}: ${endpoint(called.name).method} ${called.path}`;
    if (status >= 500) throw new Error(`${what} answered ${status}: ${text.slice(0, 300)}`);
    if (/<pre>|Cannot (GET|POST|PUT|PATCH|DELETE) /.test(text))
      throw new Error(`${what}: a framework's own words`);
    const far = wentTooFar(called, status, type);
    if (far) throw new Error(`${what} answered ${status}: ${far}`);
    if (status < 300 && endpoint(called.name).method !== 'GET') dirty = true;
  };
  const before = await record();
  for (const called of all.filter(({ caller }) => isHarmless(caller))) await one(called);
  if ((await record()) !== before) throw new Error('somebody without rights changed something');
  for (const called of all.filter(({ caller }) => !isHarmless(caller))) await one(called);
  if (dirty && turn % 10 === 0) await everyView(null);
}

const started = process.hrtime.bigint();
const callers = await fc.check(
  fc.asyncProperty(fc.array(anyCall, { minLength: 8, maxLength: 8 }), checkCalls),
  { numRuns: Math.ceil(argument('calls', cases) / 8), seed },
);
if (callers.failed) {
  console.error(
    callers.errorInstance instanceof Error ? callers.errorInstance.message : String(callers.errorInstance),
  );
  console.error(JSON.stringify(callers.counterexample, null, 1));
  process.exit(1);
}
console.log(
  `${asked} requests of everybody over ${ENDPOINT_NAMES.length} routes, in several spellings: nobody beyond their rights`,
);
const result = await fc.check(
  fc.asyncProperty(fc.oneof({ weight: 6, arbitrary: fc.tuple(one) }, fc.tuple(one, one)), check),
  {
    numRuns: cases,
    seed,
    interruptAfterTimeLimit: argument('limit', 3600) * 1000,
    markInterruptAsFailure: true,
  },
);
await sharing.stop();
server.closeAllConnections();
server.close();
rmSync(folder, { recursive: true, force: true });
const seconds = Number(process.hrtime.bigint() - started) / 1e9;
console.log(
  `${result.numRuns} cases in ${seconds.toFixed(0)} s, seed ${seed}: ${counts.accepted} bodies taken, ${counts.refused} refused, ${counts.views} views asked`,
);
if (result.failed) {
  const { errorInstance } = result;
  console.error(
    errorInstance instanceof Error
      ? errorInstance.message
      : result.interrupted
        ? 'the time was up'
        : String(errorInstance),
  );
  console.error(JSON.stringify(result.counterexample, null, 1));
}
process.exit(result.failed ? 1 : 0);
